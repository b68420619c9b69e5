<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Reading\Light;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\Rig;

/**
 * Every figure of light of a rig at one setting, by name: shutters, the gap, every way to close it, the flash of its plan, and what a meter
 * that doesn't look through the lens would say (OPTICS.md, "Light" and "Shots"). Null = not known, or not a matter of this rig.
 */
final readonly class LightFigures
{
    private function __construct(
        /** By the light there is, s. */
        public ?float $exposureS,
        /** Longest, s: across, to and fro, sway, custom of the hand, and the shortest of them. */
        public ?float $acrossS,
        public ?float $toAndFroS,
        public ?float $swayS,
        public ?float $customS,
        public ?float $longestS,
        /** Below 0 = quick enough. */
        public ?float $gapStops,
        /** What a hand-held meter says for the marked stop, s, and by how many stops more it wants to be corrected. */
        public ?float $handHeldS,
        public ?float $handHeldStops,
        /** Share of full power; null = it hasn't so much, or none so little. */
        public ?float $flashPower,
        /** What the exposure takes; above 1 = more than it has. */
        public ?float $flashNeeded,
        public ?float $flashNearestMm,
        public ?float $flashFurthestMm,
        /** Of the gap, with the flash. */
        public ?float $flashLeftStops,
        /** Times as much light, the lux that makes, and how near the lamp of the plan stands for it, mm. */
        public ?float $lightTimes,
        public ?float $lightLux,
        public ?float $lampMm,
        /** Marked stop, what of the gap it leaves open, its slice, mm, and the frames of a stack by then. */
        public ?float $openStop,
        public ?float $openLeftStops,
        public ?float $openSliceMm,
        public ?int $openFrames,
        public ?float $iso,
        /** Speed that the subject may have, mm/s, and what the hand leaves open. */
        public ?float $slowerMmS,
        public ?float $slowerLeftStops,
        /** Seconds of torch light, its lux, and how near the lamp of the plan is held, mm. */
        public ?float $torchS,
        public ?float $torchLux,
        public ?float $torchMm,
        /** The highest angle over the plane of focus from which light gets past the rig. */
        public ?float $lightGapDeg,
    ) {
    }

    public static function of(Rig $rig): self
    {
        $axis = Axis::of($rig);
        $reading = Reading::along($rig, $axis);
        $shutter = Shutter::of($rig, $reading, $axis);
        $flash = FlashPlan::planned($rig, $reading);
        $ways = [];
        foreach (GapClosing::of($rig, $flash, $shutter) as $way) {
            $ways[$way->way->value] = $way;
        }
        $plan = $rig->conditions->plan;
        $lumens = $plan->lampWatts === null || $plan->lumensPerWatt === null ? null : $plan->lampWatts * $plan->lumensPerWatt;
        $factor = $reading->effectiveAperture === null || $reading->markedAperture === null ? null : Light::exposureFactor($reading->effectiveAperture, $reading->markedAperture);
        $way = static fn (GapWay $of): ?ClosedGap => $ways[$of->value] ?? null;
        $near = static fn (?float $lux): ?float => $lumens === null || $lux === null || $lux <= 0.0 || $lumens <= 0.0 ? null : Light::lampMm($lumens, $lux);

        return new self(
            exposureS: $shutter->exposureS,
            acrossS: $shutter->acrossS,
            toAndFroS: $shutter->toAndFroS,
            swayS: $shutter->swayS,
            customS: $shutter->customS,
            longestS: $shutter->longestS(),
            gapStops: $shutter->gapStops(),
            handHeldS: $factor === null || $shutter->exposureS === null ? null : $shutter->exposureS / $factor,
            handHeldStops: $factor === null ? null : log($factor, 2.0),
            flashPower: $flash?->power,
            flashNeeded: $flash?->needed,
            flashNearestMm: $flash?->nearestMm,
            flashFurthestMm: $flash?->furthestMm,
            flashLeftStops: $way(GapWay::Flash)?->leftStops,
            lightTimes: $way(GapWay::MoreLight)?->figure,
            lightLux: $way(GapWay::MoreLight)?->lux,
            lampMm: $near($way(GapWay::MoreLight)?->lux),
            openStop: $way(GapWay::OpenUp)?->figure,
            openLeftStops: $way(GapWay::OpenUp)?->leftStops,
            openSliceMm: $way(GapWay::OpenUp)?->sliceMm,
            openFrames: $way(GapWay::OpenUp)?->frames,
            iso: $way(GapWay::Iso)?->figure,
            slowerMmS: $way(GapWay::Slower)?->figure,
            slowerLeftStops: $way(GapWay::Slower)?->leftStops,
            torchS: $way(GapWay::Torch)?->figure,
            torchLux: $way(GapWay::Torch)?->lux,
            torchMm: $near($way(GapWay::Torch)?->lux),
            lightGapDeg: $reading->lightGapDeg,
        );
    }

    /** @return array<string, float|int|null> every figure by its name */
    public function toArray(): array
    {
        /** @var array<string, float|int|null> $figures */
        $figures = get_object_vars($this);

        return $figures;
    }
}
