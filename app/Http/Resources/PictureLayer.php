<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** How things at one distance from the plane of focus are imaged. */
#[OA\Schema(required: ['atMm', 'magnification', 'discMm'])]
final readonly class PictureLayer
{
    public function __construct(
        #[OA\Property(description: 'Beyond the plane of focus; below 0 = nearer')]
        public float $atMm,
        #[OA\Property()]
        public float $magnification,
        #[OA\Property(description: 'Diameter of the disc that a point becomes, at the sensor')]
        public float $discMm,
    ) {
    }
}
