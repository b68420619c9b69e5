<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** What was measured of a rig, or said of it before, each with its half-width; null = it wasn't. */
#[OA\Schema(required: ['magnification', 'magnificationHalfWidth', 'workingDistanceMm', 'workingDistanceMmHalfWidth', 'sliceMm', 'sliceMmHalfWidth'])]
final readonly class LoggedView
{
    public function __construct(
        #[OA\Property()]
        public ?float $magnification,
        #[OA\Property()]
        public ?float $magnificationHalfWidth,
        #[OA\Property()]
        public ?float $workingDistanceMm,
        #[OA\Property()]
        public ?float $workingDistanceMmHalfWidth,
        #[OA\Property()]
        public ?float $sliceMm,
        #[OA\Property()]
        public ?float $sliceMmHalfWidth,
    ) {
    }
}
