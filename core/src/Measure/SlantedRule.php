<?php

declare(strict_types=1);

namespace ZincThimble\Core\Measure;

/**
 * Where the slice fell: a rule that leans through the plane of focus, photographed (OPTICS.md, "Measuring pictures"). Each of its lines is as
 * much wider as it is out of focus: the variance of a line is its own and a sixteenth of the square of the disc that a point there becomes,
 * and the disc grows evenly away from the plane of focus. One parabola through all of them tells where that is.
 */
final readonly class SlantedRule
{
    /** Shares of the box that are looked at by themselves where all of it can't be told. */
    private const NARROWER = [0.7, 0.5, 0.35, 0.2];

    /** Lines that are too few for a parabola. */
    private const LEAST_LINES = 7;

    /** A line that has spread over so much of its division runs into its neighbours: variance over the square of the division. */
    private const MOST_SPREAD = 0.035;

    /** Variance of a disc of diameter 1 in one direction. */
    private const DISC = 1.0 / 16.0;

    /** How much the spread has to tell: the growth of the parabola over its standard error. */
    private const TELLS = 4.0;

    /** And for a slice that is worth telling. */
    private const SURE = 12.0;

    /** Of its darkness a line keeps so much. */
    private const KEEPS = 0.7;

    /** The next line is no further, in divisions. */
    private const NEIGHBOUR = 1.4;

    private const NINE_IN_TEN = 1.645;

    private function __construct(
        /** Depth within which discs stay within the blur limit, mm. */
        public float $sliceMm,
        public float $sliceHalfWidthMm,
        /** Its middle, mm of depth from the middle of the box, above 0 towards the end of the rule that is further right, or lower. */
        public float $middleMm,
        public float $middleHalfWidthMm,
        /** The first and the last line within it, counted from the line nearest to the middle of what was measured; null = none is. */
        public ?int $firstLine,
        public ?int $lastLine,
        public Ruler $ruler,
    ) {
    }

    /**
     * @param  float  $divisionMm  of the rule, above 0
     * @param  float  $leanDeg  of the rule out of the plane of focus, above 0, up to 90
     * @param  float  $blurPx  blur limit, pixels
     *
     * @throws CantMeasure with the reason and what to do about it
     */
    public static function in(GreyPlane $plane, float $divisionMm, float $leanDeg, float $blurPx): self
    {
        [$piece, $shift] = self::sharpPiece($plane);
        try {
            return self::measured($piece, $divisionMm, $leanDeg, $blurPx, $shift);
        } catch (CantMeasure $refused) {
            // Far from the plane of focus lines run into each other: nothing is even there. Nearer it they may be told.
            foreach (self::NARROWER as $share) {
                [$piece, $shift] = self::sharpPiece($plane, $share);
                try {
                    return self::measured($piece, $divisionMm, $leanDeg, $blurPx, $shift);
                } catch (CantMeasure) {
                    continue;
                }
            }
            throw $refused;
        }
    }

    /**
     * The part of a plane about where it changes most, across the lines.
     *
     * @return array{GreyPlane, float} and how far its middle is from the middle of the plane, pixels across the lines
     */
    private static function sharpPiece(GreyPlane $plane, float $share = 1.0): array
    {
        if ($share >= 1.0) {
            return [$plane, 0.0];
        }
        [$angle] = $plane->direction();
        $isAcross = abs(cos($angle)) >= abs(sin($angle));
        $along = $isAcross ? $plane->width : $plane->height;
        $changes = array_fill(0, $along, 0.0);
        for ($y = 1; $y < $plane->height - 1; $y += 2) {
            for ($x = 1; $x < $plane->width - 1; $x++) {
                $at = $y * $plane->width + $x;
                $changes[$isAcross ? $x : $y] += $isAcross ? ($plane->values[$at + 1] - $plane->values[$at - 1]) ** 2 : ($plane->values[$at + $plane->width] - $plane->values[$at - $plane->width]) ** 2;
            }
        }
        $whole = array_sum($changes);
        $sum = 0.0;
        $middle = intdiv($along, 2);
        foreach ($changes as $at => $change) {
            $sum += $change;
            if ($sum >= $whole / 2.0) {
                $middle = $at;
                break;
            }
        }
        $half = (int) ($share * $along / 2.0);
        $from = max(0, $middle - $half);
        $to = min($along, $middle + $half);

        return [
            $isAcross ? $plane->piece($from, 0, $to - $from, $plane->height) : $plane->piece(0, $from, $plane->width, $to - $from),
            (($from + $to) / 2.0 - $along / 2.0) * ($isAcross ? cos($angle) : abs(sin($angle))),
        ];
    }

    /** @throws CantMeasure with the reason and what to do about it */
    private static function measured(GreyPlane $plane, float $divisionMm, float $leanDeg, float $blurPx, float $shiftPx): self
    {
        $ruler = Ruler::in($plane);
        $profile = Profile::across($plane, deg2rad($ruler->angleDeg), 0.5);
        $spread = self::spread($profile, $ruler);
        // Which lines run into their neighbours is told by the curve and not by each line: noise would leave out the wide ones among them.
        $most = self::MOST_SPREAD * $ruler->pixelsPerDivision ** 2;
        $all = $spread;
        $spread = array_filter($all, static fn (float $variance): bool => $variance <= $most);
        $fit = null;
        $rows = [];
        for ($round = 0; $round < 4 && count($spread) >= self::LEAST_LINES; $round++) {
            $rows = [];
            foreach ($spread as $k => $variance) {
                $rows[] = [[1.0, (float) $k, (float) $k * $k], $variance];
            }
            $fit = LeastSquares::robust($rows, 1e-6);
            if ($fit !== null && $fit[2] > 0.0) {
                $spread = array_filter($all, static fn (int $k): bool => $most >= $fit[0] + $fit[1] * $k + $fit[2] * $k * $k, ARRAY_FILTER_USE_KEY);
            }
        }
        if ($fit === null || count($spread) < self::LEAST_LINES) {
            throw CantMeasure::because('Too few lines are sharp enough.', 'Stop down, or lean the rule less.');
        }
        $error = self::errorOf($rows, $fit);
        // Its growth, and how sure that is, told by how far the lines lie off.
        $span = max(array_keys($spread)) - min(array_keys($spread));
        $sureness = $error / sqrt(count($rows) / 180.0) / max(1.0, $span * $span);
        if ($fit[2] <= self::TELLS * $sureness) {
            throw CantMeasure::because('The lines are as sharp at one end as at the other.', 'Open the aperture, or lean the rule more.');
        }
        if ($fit[2] < self::SURE * $sureness) {
            throw CantMeasure::because('The lines tell it too roughly.', 'Draw the box about more of them, higher, or use a lower ISO.');
        }
        $depth = $divisionMm * sin(deg2rad($leanDeg));
        $middle = -$fit[1] / (2.0 * $fit[2]);
        if ($middle < min(array_keys($spread)) || $middle > max(array_keys($spread))) {
            throw CantMeasure::because('The plane of focus isn’t within the box.', 'Draw it about all lines that are sharp, with blurred ones at either end.');
        }
        $half = $blurPx * sqrt(self::DISC / $fit[2]);
        $share = self::NINE_IN_TEN * $sureness / $fit[2] / 2.0;
        $sharp = array_values(array_filter(range((int) floor($middle - $half), (int) ceil($middle + $half)), static fn (int $k): bool => abs($k - $middle) <= $half));

        return new self(
            sliceMm: 2.0 * $half * $depth, sliceHalfWidthMm: 2.0 * $half * $depth * $share,
            middleMm: ($middle + ($ruler->centres[self::nearest($ruler)] + $shiftPx) / $ruler->pixelsPerDivision) * $depth, middleHalfWidthMm: self::NINE_IN_TEN * $error / (2.0 * $fit[2] * max(1.0, $span)) / sqrt(count($rows) / 12.0) * $depth,
            firstLine: $sharp[0] ?? null, lastLine: $sharp === [] ? null : $sharp[count($sharp) - 1], ruler: $ruler,
        );
    }

    /**
     * Variance of each line, pixels squared, by its number from the line nearest to the middle of the box.
     *
     * @return array<int, float>
     */
    private static function spread(Profile $profile, Ruler $ruler): array
    {
        $nearest = self::nearest($ruler);
        $dark = self::isDark($profile, $ruler) ? 1.0 : -1.0;
        $spread = $darkness = [];
        foreach ($ruler->centres as $n => $at) {
            $before = $ruler->centres[$n - 1] ?? -INF;
            $after = $ruler->centres[$n + 1] ?? INF;
            // Beside one that wasn't found nobody knows where it ends.
            if (max($at - $before, $after - $at) > self::NEIGHBOUR * $ruler->pixelsPerDivision) {
                continue;
            }
            $k = static fn (float $px): float => ($px - $profile->from) / $profile->bin;
            [$from, $to] = [$k(($before + $at) / 2.0), $k(($after + $at) / 2.0)];
            if ($from < 0.0 || $to > count($profile->values) - 1) {
                continue;
            }
            [$left, $right] = [$profile->at($from), $profile->at($to)];
            $sum = $first = $second = 0.0;
            for ($i = (int) ceil($from), $end = (int) floor($to); $i <= $end; $i++) {
                $weight = $dark * ($left + ($right - $left) * ($i - $from) / ($to - $from) - $profile->at($i));
                $x = ($i - $k($at)) * $profile->bin;
                $sum += $weight;
                $first += $weight * $x;
                $second += $weight * $x * $x;
            }
            if ($sum <= 0.0) {
                continue;
            }
            $variance = $second / $sum - ($first / $sum) ** 2;
            if ($variance > 0.0) {
                $line = (int) round(($at - $ruler->centres[$nearest]) / $ruler->pixelsPerDivision);
                [$spread[$line], $darkness[$line]] = [$variance, $sum];
            }
        }
        // A line keeps what it takes from the light however wide it is: one that has lost much of it has run into its neighbours.
        $usual = $darkness;
        rsort($usual);
        $least = self::KEEPS * ($usual[intdiv(count($usual), 4)] ?? 0.0);

        return array_filter($spread, static fn (int $line): bool => $darkness[$line] >= $least, ARRAY_FILTER_USE_KEY);
    }

    /** The line nearest to the middle of the box. */
    private static function nearest(Ruler $ruler): int
    {
        $nearest = 0;
        foreach ($ruler->centres as $n => $at) {
            $nearest = abs($at) < abs($ruler->centres[$nearest]) ? $n : $nearest;
        }

        return $nearest;
    }

    /** Whether its lines are darker than what is between them. */
    private static function isDark(Profile $profile, Ruler $ruler): bool
    {
        $on = $between = 0.0;
        foreach ($ruler->centres as $n => $at) {
            $next = $ruler->centres[$n + 1] ?? null;
            if ($next !== null) {
                $on += $profile->at(($at - $profile->from) / $profile->bin);
                $between += $profile->at((($at + $next) / 2.0 - $profile->from) / $profile->bin);
            }
        }

        return $on < $between;
    }

    /**
     * @param  list<array{list<float>, float}>  $rows
     * @param  list<float>  $fit
     */
    private static function errorOf(array $rows, array $fit): float
    {
        $off = array_map(static fn (array $row): float => abs($row[1] - $fit[0] - $fit[1] * $row[0][1] - $fit[2] * $row[0][2]), $rows);
        sort($off);

        // The middle of all distances, as a standard deviation: a few that lie far off don't count.
        return 1.4826 * $off[intdiv(count($off), 2)];
    }
}
