<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** One stop of a trial. */
#[OA\Schema(required: ['aperture', 'effectiveAperture', 'mtf50', 'halfWidth', 'allowed', 'blurMm'])]
final readonly class TriedStopView
{
    public function __construct(
        #[OA\Property(description: 'Marked')]
        public float $aperture,
        #[OA\Property()]
        public float $effectiveAperture,
        #[OA\Property(description: 'Cycles a pixel at which half of the contrast was left')]
        public float $mtf50,
        #[OA\Property()]
        public ?float $halfWidth,
        #[OA\Property(description: 'What diffraction and pixels alone would have left')]
        public float $allowed,
        #[OA\Property(description: 'What the lens blurs of its own: standard deviation at the sensor')]
        public float $blurMm,
    ) {
    }
}
