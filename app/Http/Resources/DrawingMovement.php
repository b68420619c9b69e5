<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** Bellows that are swung or shifted, and where the sharp plane and the field come to lie. */
#[OA\Schema(required: ['part', 'pivotMm', 'swingDeg', 'shiftMm', 'planeTiltDeg', 'fieldMovesMm'])]
final readonly class DrawingMovement
{
    public function __construct(
        #[OA\Property(description: 'Place of the bellows in the chain: what stands before it moves')]
        public int $part,
        #[OA\Property(description: 'Where its front plate swings, mm from the sensor')]
        public float $pivotMm,
        #[OA\Property()]
        public float $swingDeg,
        #[OA\Property()]
        public float $shiftMm,
        #[OA\Property(description: 'Tilt of the sharp plane against the sensor, degrees')]
        public float $planeTiltDeg,
        #[OA\Property(description: 'How far the middle of the field moves; null = at infinity')]
        public ?float $fieldMovesMm,
    ) {
    }
}
