<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Gear\Kind;

/** A part that was taken out and can be brought back. */
#[OA\Schema(required: ['id', 'kind', 'name', 'deletedAt'])]
final readonly class DeletedPart
{
    public function __construct(
        #[OA\Property()]
        public int $id,
        #[OA\Property(type: 'string', enum: Kind::class)]
        public Kind $kind,
        #[OA\Property()]
        public string $name,
        #[OA\Property()]
        public string $deletedAt,
    ) {
    }
}
