<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Report\PictureColumns;

/** A control of one rig of a comparison at every position: its readings, and its picture of the target by row; null = nothing is imaged. */
#[OA\Schema(required: ['travel', 'sweep', 'nearScale', 'nearDiscMm', 'farScale', 'farDiscMm', 'gaussianMm', 'resolvedDetailMm'])]
final readonly class ComparedSweep
{
    /**
     * @param  list<?float>  $nearScale
     * @param  list<?float>  $nearDiscMm
     * @param  list<?float>  $farScale
     * @param  list<?float>  $farDiscMm
     * @param  list<?float>  $gaussianMm
     * @param  list<?float>  $resolvedDetailMm
     */
    private function __construct(
        #[OA\Property()]
        public TravelView $travel,
        #[OA\Property()]
        public SweepView $sweep,
        #[OA\Property(description: 'Magnification at the target’s near end', items: new OA\Items(type: 'number', nullable: true))]
        public array $nearScale,
        #[OA\Property(items: new OA\Items(type: 'number', nullable: true))]
        public array $nearDiscMm,
        #[OA\Property(items: new OA\Items(type: 'number', nullable: true))]
        public array $farScale,
        #[OA\Property(items: new OA\Items(type: 'number', nullable: true))]
        public array $farDiscMm,
        #[OA\Property(items: new OA\Items(type: 'number', nullable: true))]
        public array $gaussianMm,
        #[OA\Property(items: new OA\Items(type: 'number', nullable: true))]
        public array $resolvedDetailMm,
    ) {
    }

    public static function of(TravelView $travel, SweepView $sweep, PictureColumns $picture): self
    {
        return new self(
            travel: $travel, sweep: $sweep, nearScale: $picture->nearScale, nearDiscMm: $picture->nearDiscMm, farScale: $picture->farScale, farDiscMm: $picture->farDiscMm,
            gaussianMm: $picture->gaussianMm, resolvedDetailMm: $picture->resolvedDetailMm,
        );
    }
}
