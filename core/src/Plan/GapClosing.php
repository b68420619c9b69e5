<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

use ZincThimble\Core\Reading\Stack;
use ZincThimble\Core\Reading\StopNumbers;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\TravelKind;

/** What closes the gap in stops between this light and what must stand still, each with its figure and its price (OPTICS.md, "Shots"). */
final class GapClosing
{
    /** A torch is moved while it shines: shorter than this nobody can, s. */
    public const TORCH_S = 4.0;

    /** Light on a grey subject at EV 0 and ISO 100, lux (incident meters' usual constant, 250). */
    public const LUX_AT_EV_0 = 2.5;

    /** ISO goes in thirds of a stop. */
    private const THIRDS = 3.0;

    /**
     * In the order in which they cost least.
     *
     * @return list<ClosedGap> none where there is no gap, or none is known
     */
    public static function of(Rig $rig, ?FlashPlan $flash = null, ?Shutter $known = null): array
    {
        $shutter = $known ?? Shutter::of($rig);
        $gap = $shutter->gapStops();
        if ($gap === null || $gap <= 1e-9) {
            return [];
        }
        $conditions = $rig->conditions;
        $ways = [];
        if ($flash !== null) {
            // Movement is left to the flash where the light there is lies far enough below it at the longest shutter.
            $alone = FlashPlan::ambientBelow((float) $shutter->longestS(), (float) $shutter->exposureS) >= FlashPlan::ALONE_STOPS;
            $ways[] = new ClosedGap(GapWay::Flash, $flash->power !== null && $alone ? 0.0 : $gap, $flash->power);
        }
        $ways[] = new ClosedGap(GapWay::MoreLight, 0.0, 2.0 ** $gap, lux: $conditions->ev === null ? null : self::LUX_AT_EV_0 * 2.0 ** ($conditions->ev + $gap));
        $open = self::open($rig, $gap);
        if ($open !== null) {
            $ways[] = $open;
        }
        if ($conditions->iso !== null) {
            $ways[] = new ClosedGap(GapWay::Iso, 0.0, $conditions->iso * 2.0 ** (ceil($gap * self::THIRDS - 1e-9) / self::THIRDS));
        }
        $slower = self::slower($rig, $shutter, $gap);
        if ($slower !== null) {
            $ways[] = $slower;
        }
        // What stands still on a table can be lit for as long as it takes.
        if ($shutter->acrossS === null && $shutter->toAndFroS === null && $shutter->exposureS !== null && $conditions->ev !== null) {
            $ways[] = new ClosedGap(GapWay::Torch, 0.0, self::TORCH_S, lux: self::LUX_AT_EV_0 * 2.0 ** $conditions->ev * $shutter->exposureS / self::TORCH_S);
        }

        return $ways;
    }

    /** The narrowest stop that closes it, else the widest there is; a wider ring also thins what the subject may sway through. */
    private static function open(Rig $rig, float $gap): ?ClosedGap
    {
        $at = $rig->workingLens();
        $now = $at === null ? null : $rig->markedAperture($at);
        $stops = $at === null || $now === null ? [] : array_values(array_filter($rig->stopsAt($at), static fn (float $stop): bool => $stop < $now * (1.0 - 1e-9)));
        $numbers = $at === null || $stops === [] ? null : StopNumbers::of($rig, $at, $stops);
        if ($at === null || $numbers === null) {
            return null;
        }
        // From the narrowest on: the first that closes it, else the one that closes most.
        $best = [count($stops) - 1, INF];
        foreach (array_reverse(array_keys($stops)) as $n) {
            $left = max(0.0, Shutter::of($rig->with(TravelKind::Aperture, $at, $stops[$n]))->gapStops() ?? $gap);
            if ($left < $best[1] - 1e-9) {
                $best = [$n, $left];
            }
            if ($left <= 1e-9) {
                break;
            }
        }
        ['sliceMm' => $slice] = $numbers->at($best[0]);
        $depth = $rig->subject?->depthOver($rig->frame->widthMm / $numbers->magnification);

        return new ClosedGap(GapWay::OpenUp, $best[1], $stops[$best[0]], $slice, $slice === null || $slice <= 0.0 || $depth === null || $depth <= 0.0 ? null : Stack::frames($depth, $slice, $rig->conditions->plan->overlap ?? Stack::OVERLAP));
    }

    /** How fast it may move, where its own motion is what limits most; null where it isn't. */
    private static function slower(Rig $rig, Shutter $shutter, float $gap): ?ClosedGap
    {
        $own = array_filter(['acrossMmS' => $shutter->acrossS, 'toAndFroMmS' => $shutter->toAndFroS], static fn (?float $s): bool => $s !== null);
        $hands = array_filter([$shutter->swayS, $shutter->customS], static fn (?float $s): bool => $s !== null);
        if ($own === []) {
            return null;
        }
        asort($own);
        $most = array_key_first($own);
        $speed = $most === 'acrossMmS' ? $rig->subject?->acrossMmS : $rig->subject?->toAndFroMmS;
        // The hand stays as it is.
        $left = $hands === [] || $shutter->exposureS === null ? 0.0 : max(0.0, log($shutter->exposureS / min($hands), 2.0));

        return $speed === null ? null : new ClosedGap(GapWay::Slower, min($gap, $left), $speed * $own[$most] / (float) $shutter->exposureS);
    }
}
