<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A refracting group in the drawing. */
#[OA\Schema(required: ['zi', 'zo', 'cone', 'chief'])]
final readonly class DrawingGroup
{
    public function __construct(
        #[OA\Property()]
        public float $zi,
        #[OA\Property()]
        public float $zo,
        #[OA\Property()]
        public ?float $cone,
        #[OA\Property()]
        public ?float $chief,
    ) {
    }
}
