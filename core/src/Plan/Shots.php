<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Reading\BestAperture;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\ReadingTable;
use ZincThimble\Core\Reading\Stack;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\TravelKind;

/** Light, one shot and a stack of a rig's subject (rig file, version 1, `rig:shots`). */
final readonly class Shots
{
    /** Until a rail stands still, and what a frame takes besides its exposure, s. */
    public const SETTLE_S = 2.0;

    public const RECYCLE_S = 2.0;

    private function __construct(
        public Rig $rig,
        public Shutter $shutter,
        public ?FlashPlan $flash,
        /** Depth of the subject with its sag, mm; null = flat, or not known: one shot does it. */
        public ?float $depthMm,
        /** Null = it has no stops to choose from, as an objective has none. */
        public ?BestAperture $best,
        /** Blur at the edge of one shot at its best stop, mm at the sensor; null = the subject has no depth, or nothing is imaged. */
        public ?float $blurMm,
        /** The rig at the stop that a stack is best at. */
        public ?Rig $stacked,
        /** Depth covered by one frame of the stack, mm. */
        public ?float $sliceMm,
        public float $overlap,
        public ?RailStack $rail,
        public ?RingStack $ring,
        /** Scale lost over the stack, as a share; null = telecentric, or no stack. */
        public ?float $scaleChange,
    ) {
    }

    /**
     * @param  ?RailScrew  $screw  null = no rail is known
     * @param  float  $overlap  0 or more and below 1
     * @param  ?FlashPlan  $flash  null = none is planned
     *
     * @throws InvalidFigure names what can't be
     */
    public static function of(Rig $rig, ?RailScrew $screw = null, float $overlap = Stack::OVERLAP, ?FlashPlan $flash = null): self
    {
        if (! ($overlap >= 0.0 && $overlap < 1.0)) {
            throw InvalidFigure::because('overlap', 'should be 0 or more and below 1');
        }
        $axis = Axis::of($rig);
        $reading = Reading::along($rig, $axis);
        $depth = $rig->subject?->depthOver($reading->fieldWidthMm);
        $depth = $depth === null || $depth <= 0.0 ? null : $depth;
        $best = $depth === null ? null : BestAperture::of($rig, $depth);
        $at = $rig->workingLens();
        $stacked = $depth === null ? null : ($best === null || $at === null ? $rig : $rig->with(TravelKind::Aperture, $at, $best->stacking));
        $open = $stacked === null ? null : Reading::of($stacked);
        $slice = $open === null ? null : Stack::depths(ReadingTable::ofOne($open), $rig->conditions->totalDepth)[0];
        $slice = $slice === null || $slice <= 0.0 ? null : $slice;
        $rail = $screw === null || $slice === null || $depth === null ? null : RailStack::through($depth, $slice, $screw, $overlap);

        return new self(
            rig: $rig,
            shutter: Shutter::of($rig, $reading, $axis),
            flash: $flash,
            depthMm: $depth,
            best: $best,
            blurMm: $best->singleBlurMm ?? ($depth === null || $reading->magnification === null || $reading->magnification <= 0.0 || $reading->effectiveAperture === null ? null
                : BestAperture::edgeBlurMm($depth, $reading->magnification, $reading->effectiveAperture, $rig->conditions->wavelengthNm * 1e-6, $rig->frame->pitchMm())),
            stacked: $stacked,
            sliceMm: $slice,
            overlap: $overlap,
            rail: $rail,
            ring: $stacked === null || $slice === null ? null : RingStack::through($stacked, $depth, $overlap),
            scaleChange: match (true) {
                $open === null || $slice === null => null,
                $rail !== null => $rail->scaleChange($open->entrancePupilMm),
                default => $open->entrancePupilMm === null || $open->entrancePupilMm === 0.0 ? null : abs($depth / $open->entrancePupilMm),
            },
        );
    }

    /** Frames of the stack; null = there is none. */
    public function frames(): ?int
    {
        return $this->rail?->frames() ?? ($this->sliceMm === null || $this->depthMm === null ? null : Stack::frames($this->depthMm, $this->sliceMm, $this->overlap));
    }

    /** Time that the stack takes, s. */
    public function seconds(): ?float
    {
        $frames = $this->frames();
        // At the stack's own stop; without light that is known, the exposure counts as nothing.
        $exposure = $this->stacked === null ? null : Shutter::of($this->stacked)->exposureS;

        return $frames === null ? null : $frames * (self::SETTLE_S + ($exposure ?? 0.0) + self::RECYCLE_S);
    }

    /** @return array<string, mixed> as the file format names it */
    public function toArray(): array
    {
        $step = $this->sliceMm === null ? null : $this->sliceMm * (1.0 - $this->overlap);

        return [
            'light' => [
                'exposureS' => $this->shutter->exposureS,
                'longestAcrossS' => $this->shutter->acrossS,
                'longestToAndFroS' => $this->shutter->toAndFroS,
                'longestSwayS' => $this->shutter->swayS,
                'longestCustomS' => $this->shutter->customS,
                'gapStops' => $this->shutter->gapStops(),
                'flashPower' => $this->flash?->power,
                'flashMarked' => $this->flash?->marked,
            ],
            'single' => $this->blurMm === null ? null : ['aperture' => $this->best?->single, 'blurMm' => $this->blurMm],
            'stack' => $this->sliceMm === null ? null : [
                'aperture' => $this->best?->stacking,
                'depthMm' => $this->sliceMm,
                'stepMm' => $step,
                'frames' => $this->frames(),
                'railMm' => $this->rail?->railMm(),
                'turnsAFrame' => $this->rail?->turnsAFrame(),
                'seconds' => $this->seconds(),
                'scaleChange' => $this->scaleChange,
            ],
            'ring' => $this->ring === null ? null : array_map(static fn (RingFrame $frame): array => ['focus' => $frame->focus, 'planeMm' => $frame->planeMm, 'fieldMm' => $frame->fieldMm], $this->ring->frames),
        ];
    }
}
