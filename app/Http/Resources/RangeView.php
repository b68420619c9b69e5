<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** What the rig can reach over all its travels. */
#[OA\Schema(required: ['magnification', 'workingDistanceMm', 'subjectDistanceMm', 'fieldWidthMm', 'effectiveAperture', 'stopsLost', 'depthOfFieldMm', 'detailMm'])]
final readonly class RangeView
{
    public function __construct(
        #[OA\Property()]
        public Interval $magnification,
        #[OA\Property()]
        public Interval $workingDistanceMm,
        #[OA\Property()]
        public Interval $subjectDistanceMm,
        #[OA\Property()]
        public Interval $fieldWidthMm,
        #[OA\Property()]
        public Interval $effectiveAperture,
        #[OA\Property()]
        public Interval $stopsLost,
        #[OA\Property()]
        public Interval $depthOfFieldMm,
        #[OA\Property()]
        public Interval $detailMm,
    ) {
    }
}
