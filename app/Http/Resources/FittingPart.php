<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Gear\Kind;

/** Whether a part goes on a joint, or why it doesn’t. */
#[OA\Schema(required: ['id', 'name', 'kind', 'fits', 'reason'])]
final readonly class FittingPart
{
    public function __construct(
        #[OA\Property()]
        public int $id,
        #[OA\Property()]
        public string $name,
        #[OA\Property(type: 'string', enum: Kind::class)]
        public Kind $kind,
        #[OA\Property()]
        public bool $fits,
        #[OA\Property()]
        public string $reason,
    ) {
    }
}
