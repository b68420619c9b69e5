<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Optics\AxialSampler;
use ZincThimble\Core\Optics\Image;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Rig\Travels;

/**
 * Given a magnification, field width, working or subject distance: where to set which travel, or how near it gets
 * (OPTICS.md, "Solve"). Bracketed on evenly spaced places and refined to 1e-9; every solution is given where there are
 * several.
 */
final class Solver
{
    private const PLACES = 200;

    private const TOLERANCE = 1e-9;

    /**
     * Every place of one travel where the wish is met; when there is none, the nearest one, not exact. Empty when
     * nothing is imaged anywhere along it.
     *
     * @return list<Solution> in the order of the travel
     */
    public static function along(Rig $rig, Travel $travel, SolveTarget $wish, float $wanted): array
    {
        $sampler = new AxialSampler($rig, [$travel]);
        $miss = static function (float $position) use ($sampler, $wish, $wanted, $rig): ?float {
            $sampler->sample([$position]);

            return $sampler->image === Image::None ? null : self::miss($sampler, $wish, $wanted, $rig->frame->widthMm);
        };
        $solutions = [];
        $nearest = null;
        $nearestMiss = INF;
        $before = null;
        $beforeAt = $travel->least;
        for ($n = 0; $n <= self::PLACES; $n++) {
            $at = $n === self::PLACES ? $travel->greatest : $travel->least + ($travel->greatest - $travel->least) * $n / self::PLACES;
            $now = $miss($at);
            if ($now !== null && abs($now) < $nearestMiss) {
                $nearest = $at;
                $nearestMiss = abs($now);
            }
            if ($now !== null && abs($now) <= self::TOLERANCE) {
                $solutions[] = $at;
            } elseif ($before !== null && $now !== null && $before * $now < 0.0 && abs($before) > self::TOLERANCE) {
                $root = self::bisect($miss, $beforeAt, $at, $before);
                if ($root !== null) {
                    $solutions[] = $root;
                }
            }
            $before = $now;
            $beforeAt = $at;
        }
        // A reading with a turning point between two places may touch the wish there without a change of sign.
        if ($solutions === [] && $nearest !== null) {
            $nearest = self::closest($miss, $travel, $nearest);

            return [self::solution($rig, $travel, $nearest, abs($miss($nearest) ?? INF) <= 1e-7, $wish)];
        }

        return array_map(static fn (float $position): Solution => self::solution($rig, $travel, $position, true, $wish), $solutions);
    }

    /**
     * The best way to meet a wish by any travel that moves focus: one travel alone where that does it, the focus ring
     * last (it stays at infinity where it can), and of several solutions the one nearest to where it stands. When one
     * alone doesn't do it, the others are brought to the end that helps first.
     */
    public static function anywhere(Rig $rig, SolveTarget $wish, float $wanted): ?Solution
    {
        $travels = array_values(array_filter($rig->focusTravels(), static fn (Travel $travel): bool => $travel->spans()));
        usort($travels, static fn (Travel $a, Travel $b): int => ($a->kind === TravelKind::Focus ? 1 : 0) <=> ($b->kind === TravelKind::Focus ? 1 : 0));
        $best = null;
        foreach (self::starts($rig, $travels) as $start) {
            foreach ($travels as $travel) {
                $now = Travels::setting($rig, $travel);
                $found = self::along($start, $travel, $wish, $wanted);
                usort($found, static fn (Solution $a, Solution $b): int => abs($a->value - $now) <=> abs($b->value - $now));
                foreach ($found as $solution) {
                    if ($solution->exact) {
                        return $solution;
                    }
                    if ($best === null || abs($solution->reached - $wanted) < abs($best->reached - $wanted)) {
                        $best = $solution;
                    }
                }
            }
        }

        return $best;
    }

    /** How far the rig must move to be in focus again after a change, mm, positive = back: new less old subject distance. */
    public static function moveToRefocus(Reading $before, Reading $after): ?float
    {
        return $before->subjectDistanceMm === null || $after->subjectDistanceMm === null
            ? null
            : $after->subjectDistanceMm - $before->subjectDistanceMm;
    }

    /**
     * The rig as it stands, then with each travel at either end: what is tried in turn.
     *
     * @param  list<Travel>  $travels
     * @return list<Rig>
     */
    private static function starts(Rig $rig, array $travels): array
    {
        $starts = [$rig];
        if (count($travels) > 1) {
            foreach ($travels as $travel) {
                $starts[] = $rig->with($travel->kind, $travel->part, $travel->least);
                $starts[] = $rig->with($travel->kind, $travel->part, $travel->greatest);
            }
        }

        return $starts;
    }

    /** How far a sample misses the wish, as a share of it. At infinity distances are infinite, and missed by that. */
    private static function miss(AxialSampler $sampler, SolveTarget $wish, float $wanted, float $widthMm): float
    {
        $m = $sampler->magnification;
        $infinite = $sampler->image === Image::AtInfinity;

        return match ($wish) {
            // Infinity is one place, where the light leaves parallel: past it nothing is sharp, though M is 0 there too.
            SolveTarget::Magnification => $wanted === 0.0 ? ($infinite ? -abs($sampler->t) : $m) : ($m - $wanted) / max(1e-6, abs($wanted)),
            // In magnification the field is well behaved at infinity too.
            SolveTarget::FieldWidth => ($m - $widthMm / $wanted) / ($widthMm / $wanted),
            SolveTarget::WorkingDistance => $infinite ? 1e12 : ($sampler->workingDistanceMm - $wanted) / max(1e-3, abs($wanted)),
            SolveTarget::SubjectDistance => $infinite ? 1e12 : ($sampler->subjectDistanceMm - $wanted) / max(1e-3, abs($wanted)),
        };
    }

    /** @param  \Closure(float): ?float  $miss */
    private static function bisect(\Closure $miss, float $low, float $high, float $atLow): ?float
    {
        for ($n = 0; $n < 200; $n++) {
            $middle = ($low + $high) / 2.0;
            $value = $miss($middle);
            if ($value === null) {
                return null;
            }
            if (abs($value) <= self::TOLERANCE || $high - $low < 1e-13) {
                // A pole changes sign too, but never comes near.
                return abs($value) < 1e-6 ? $middle : null;
            }
            if ($value * $atLow > 0.0) {
                $low = $middle;
                $atLow = $value;
            } else {
                $high = $middle;
            }
        }

        return null;
    }

    /** @param  \Closure(float): ?float  $miss */
    private static function closest(\Closure $miss, Travel $travel, float $near): float
    {
        $step = ($travel->greatest - $travel->least) / self::PLACES;
        $low = max($travel->least, $near - $step);
        $high = min($travel->greatest, $near + $step);
        for ($n = 0; $n < 80; $n++) {
            $one = $low + ($high - $low) / 3.0;
            $two = $high - ($high - $low) / 3.0;
            if (abs($miss($one) ?? INF) < abs($miss($two) ?? INF)) {
                $high = $two;
            } else {
                $low = $one;
            }
        }
        $middle = ($low + $high) / 2.0;

        return abs($miss($middle) ?? INF) < abs($miss($near) ?? INF) ? $middle : $near;
    }

    private static function solution(Rig $rig, Travel $travel, float $position, bool $exact, SolveTarget $wish): Solution
    {
        $set = $rig->with($travel->kind, $travel->part, $position);
        $reading = Reading::of($set);
        $reached = match ($wish) {
            SolveTarget::Magnification => $reading->magnification,
            SolveTarget::FieldWidth => $reading->fieldWidthMm,
            SolveTarget::WorkingDistance => $reading->workingDistanceMm,
            SolveTarget::SubjectDistance => $reading->subjectDistanceMm,
        };

        return new Solution($travel, $position, $exact, $reached ?? INF, $set);
    }
}
