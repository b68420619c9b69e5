<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Reading\BestAperture;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\ReadingTable;
use ZincThimble\Core\Reading\Stack;
use ZincThimble\Core\Rig\LightSource;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\ShotsBy;
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
        public ?Bracketing $bracketing,
        /** Why the rail can't go through it; null = it can, or there is no rail. */
        public ?string $railTrouble,
        /** Why nobody goes through it by the ring; null = it can be done, or there is no ring. */
        public ?string $ringTrouble,
        public ?SliceFall $fall,
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
    public static function of(Rig $rig, ?RailScrew $screw = null, float $overlap = Stack::OVERLAP, ?FlashPlan $flash = null, ?string $railTrouble = null): self
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

        $ring = $ringTrouble = null;
        if ($stacked !== null && $slice !== null) {
            try {
                $ring = RingStack::through($stacked, $depth, $overlap);
            } catch (InvalidFigure $trouble) {
                $ringTrouble = $trouble->getMessage();
            }
        }

        return new self(
            rig: $rig,
            shutter: Shutter::of($rig, $reading, $axis),
            flash: $flash,
            depthMm: $depth,
            best: $best,
            blurMm: $best->singleBlurMm ?? ($depth === null ? null : BestAperture::edgeBlurOf($rig, $reading, $depth)),
            stacked: $stacked,
            sliceMm: $slice,
            overlap: $overlap,
            rail: $rail,
            bracketing: $stacked === null || $slice === null ? null : Bracketing::through($stacked, $depth, $overlap),
            railTrouble: $railTrouble,
            fall: SliceFall::of($rig, $reading),
            ring: $ring,
            ringTrouble: $ringTrouble,
            scaleChange: match (true) {
                $open === null || $slice === null => null,
                $rail !== null => $rail->scaleChange($open->entrancePupilMm),
                default => $open->entrancePupilMm === null || $open->entrancePupilMm === 0.0 ? null : abs($depth / $open->entrancePupilMm),
            },
        );
    }

    /**
     * As the rig's own plan says: its rail, its overlap, its flash. A rail that can't go through it is told, and the rest stands.
     *
     * @throws InvalidFigure names what can't be, but for the rail
     */
    public static function planned(Rig $rig): self
    {
        $plan = $rig->conditions->plan;
        $overlap = $plan->overlap ?? Stack::OVERLAP;
        $flash = FlashPlan::planned($rig);
        if ($plan->pitchMm === null) {
            return self::of($rig, null, $overlap, $flash);
        }
        $screw = RailScrew::of($plan->pitchMm, $plan->steps, $plan->backlashMm, $plan->railTravelMm);
        try {
            return self::of($rig, $screw, $overlap, $flash);
        } catch (InvalidFigure $trouble) {
            return self::of($rig, null, $overlap, $flash, $trouble->getMessage());
        }
    }

    /** Frames of a stack: by the way that is planned, else by the rail, else counted from the slice; null = there is none. */
    public function frames(): ?int
    {
        $counted = match ($this->rig->conditions->plan->by) {
            ShotsBy::Ring => count($this->ring->frames ?? []) ?: null,
            ShotsBy::Bracketing => $this->bracketing?->frames,
            default => null,
        };

        return $counted ?? $this->rail?->frames() ?? ($this->sliceMm === null || $this->depthMm === null ? null : Stack::frames($this->depthMm, $this->sliceMm, $this->overlap));
    }

    /** Whether it is planned in more frames than one. */
    public function isStack(): bool
    {
        return $this->rig->conditions->plan->by !== ShotsBy::Single && $this->frames() > 1;
    }

    /** Time that the stack takes, s. */
    public function seconds(): ?float
    {
        $frames = $this->frames();

        return $frames === null ? null : $this->secondsOf($frames);
    }

    /** Time that so many frames take, s. */
    public function secondsOf(int $frames): float
    {
        return $frames * $this->secondsAFrame();
    }

    /** Settling, the exposure at the stack's own stop, and what it takes until the next frame or until the flash is charged again, s. */
    private function secondsAFrame(): float
    {
        $plan = $this->rig->conditions->plan;
        $between = $plan->betweenS ?? self::RECYCLE_S;
        if ($plan->light === LightSource::Flash) {
            // What a flash gives is over before any shutter; charging takes as much of its time as of its power.
            return ($plan->settleS ?? self::SETTLE_S) + max($between, ($plan->flashRecycleS ?? 0.0) * ($this->stackFlash()->power ?? 1.0));
        }
        // Without light that is known, the exposure counts as nothing.
        $exposure = $this->stacked === null ? null : Shutter::of($this->stacked)->exposureS;

        return ($plan->settleS ?? self::SETTLE_S) + ($exposure ?? 0.0) + $between;
    }

    /** The flash at the stack's own stop. */
    public function stackFlash(): ?FlashPlan
    {
        return $this->stacked === null ? null : FlashPlan::planned($this->stacked);
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
