<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** One shot and a stack of a rig’s subject, by every way there is. */
#[OA\Schema(required: ['revision', 'by', 'depthMm', 'sagMm', 'focusedAt', 'singleAperture', 'singleBlurMm', 'singleBlurPixels', 'stackAperture', 'sliceMm', 'overlap', 'frames', 'seconds', 'scaleChange', 'settleS', 'betweenS', 'batteryFrames', 'rail', 'railTrouble', 'ring', 'ringTrouble', 'bracketing', 'bracketLens', 'bracketPart', 'bracketMeasured', 'tried'])]
final readonly class ShotsView
{
    public function __construct(
        #[OA\Property()]
        public int $revision,
        #[OA\Property(enum: ['single', 'rail', 'ring', 'bracketing'])]
        public ?string $by,
        #[OA\Property(description: 'With its sag; 0 = flat; null = not known')]
        public ?float $depthMm,
        #[OA\Property()]
        public ?float $sagMm,
        #[OA\Property(description: 'Share of the depth, from its nearest point, at which one shot is focused')]
        public ?float $focusedAt,
        #[OA\Property()]
        public ?float $singleAperture,
        #[OA\Property(description: 'At the edge of the subject, on the sensor')]
        public ?float $singleBlurMm,
        #[OA\Property(description: 'The same in pixels of the sensor')]
        public ?float $singleBlurPixels,
        #[OA\Property()]
        public ?float $stackAperture,
        #[OA\Property()]
        public ?float $sliceMm,
        #[OA\Property()]
        public float $overlap,
        #[OA\Property()]
        public ?int $frames,
        #[OA\Property()]
        public ?float $seconds,
        #[OA\Property()]
        public ?float $scaleChange,
        #[OA\Property()]
        public float $settleS,
        #[OA\Property()]
        public float $betweenS,
        #[OA\Property()]
        public ?int $batteryFrames,
        #[OA\Property()]
        public ?RailView $rail,
        #[OA\Property()]
        public ?string $railTrouble,
        #[OA\Property()]
        public ?RingView $ring,
        #[OA\Property()]
        public ?string $ringTrouble,
        #[OA\Property()]
        public ?BracketingView $bracketing,
        #[OA\Property(description: 'Whose ring the camera would turn')]
        public ?string $bracketLens,
        #[OA\Property(description: 'Its row in the kit')]
        public ?int $bracketPart,
        #[OA\Property()]
        public bool $bracketMeasured,
        #[OA\Property(ref: TriedView::class, nullable: true, description: 'What tells how sharp the lens is here; null = two stops from wide open stands for its sharpest')]
        public ?TriedView $tried,
    ) {
    }
}
