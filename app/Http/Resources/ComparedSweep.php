<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Report\PictureColumns;

/** A control of one rig of a comparison at every position: its readings, and its picture of the target by row; null = nothing is imaged. */
#[OA\Schema(required: ['travel', 'sweep', 'nearScale', 'nearDiscMm', 'farScale', 'farDiscMm', 'gaussianMm', 'resolvedDetailMm'])]
final readonly class ComparedSweep
{
    private function __construct(
        #[OA\Property()]
        public TravelView $travel,
        #[OA\Property()]
        public SweepView $sweep,
        #[OA\Property(description: 'Magnification at the target’s near end')]
        public SweepColumn $nearScale,
        #[OA\Property()]
        public SweepColumn $nearDiscMm,
        #[OA\Property()]
        public SweepColumn $farScale,
        #[OA\Property()]
        public SweepColumn $farDiscMm,
        #[OA\Property()]
        public SweepColumn $gaussianMm,
        #[OA\Property()]
        public SweepColumn $resolvedDetailMm,
    ) {
    }

    public static function of(TravelView $travel, SweepView $sweep, PictureColumns $picture): self
    {
        return new self(
            travel: $travel, sweep: $sweep, nearScale: SweepColumn::of($picture->nearScale), nearDiscMm: SweepColumn::of($picture->nearDiscMm), farScale: SweepColumn::of($picture->farScale),
            farDiscMm: SweepColumn::of($picture->farDiscMm), gaussianMm: SweepColumn::of($picture->gaussianMm), resolvedDetailMm: SweepColumn::of($picture->resolvedDetailMm),
        );
    }
}
