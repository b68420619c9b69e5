<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Gear\Kind;

/** What a file would do with one part. */
#[OA\Schema(required: ['what', 'name', 'kind', 'detail', 'line', 'column'])]
final readonly class ImportRow
{
    public function __construct(
        #[OA\Property()]
        public string $what,
        #[OA\Property()]
        public string $name,
        #[OA\Property(type: 'string', enum: Kind::class, nullable: true)]
        public ?Kind $kind,
        #[OA\Property()]
        public string $detail,
        #[OA\Property()]
        public ?int $line,
        #[OA\Property()]
        public ?string $column,
    ) {
    }
}
