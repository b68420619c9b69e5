<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A rig as a shot of one of its lenses would tell it: what is measured there goes into the lens. */
#[OA\Schema(required: ['part', 'camera', 'spacersMm', 'reversed', 'focus', 'zoomMm'])]
final readonly class ShotSetup
{
    public function __construct(
        #[OA\Property(description: 'The lens, as its row in the kit')]
        public int $part,
        #[OA\Property(description: 'The camera, as its row in the kit')]
        public int $camera,
        #[OA\Property()]
        public float $spacersMm,
        #[OA\Property()]
        public bool $reversed,
        #[OA\Property()]
        public float $focus,
        #[OA\Property()]
        public ?float $zoomMm,
    ) {
    }
}
