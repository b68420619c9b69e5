<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** What an edge came to at one aperture of a trial. */
#[OA\Schema(required: ['aperture', 'mtf50', 'halfWidth'])]
final readonly class TrialStop
{
    public function __construct(
        #[OA\Property()]
        public float $aperture,
        #[OA\Property(description: 'Cycles a pixel at which half the contrast is left')]
        public float $mtf50,
        #[OA\Property()]
        public ?float $halfWidth,
    ) {
    }
}
