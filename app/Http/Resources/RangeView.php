<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Reading\Reach;
use ZincThimble\Core\Report\RigReport;

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

    public static function of(RigReport $report): self
    {
        $range = $report->range;
        $rig = $report->rig;
        [$least, $greatest] = $range->magnification;
        $field = static fn (?float $m): ?float => $m === null || $m <= 0.0 ? null : $rig->frame->widthMm / $m;

        return new self(
            new Interval(...$range->magnification),
            new Interval(...$range->workingDistanceMm),
            new Interval(...$range->subjectDistanceMm),
            new Interval($field($greatest), $field($least)),
            ...array_map(static fn (array $ends): Interval => new Interval(...$ends), Reach::of($rig)),
        );
    }
}
