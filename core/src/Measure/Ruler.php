<?php

declare(strict_types=1);

namespace ZincThimble\Core\Measure;

/** A ruler found in a picture (OPTICS.md, "Measuring pictures"): how many pixels a division of it takes, in the middle of the box. */
final readonly class Ruler
{
    /** Pixels that are too few along what is measured, and lines. */
    private const LEAST_PX = 80.0;

    private const LEAST_LINES = 6;

    /** Pixels from line to line: what is told apart, and what is looked for. */
    private const LEAST_PERIOD = 3.5;

    /** How alike the changes must be in direction. */
    private const ALIKE = 0.1;

    /** How alike neighbouring divisions must be: the peak of the autocorrelation, and what is near enough to the greatest. */
    private const PEAK = 0.25;

    private const NEAR = 0.6;

    /** By how much clearer a peak must be to take the place of one found more finely. */
    private const CLEARER = 1.15;

    /** How far off their curve lines may lie, as a share of a division (root mean square), and the curve's division off the first look. */
    private const EVEN = 0.04;

    private const SAME = 0.08;

    /** Lags that are tried at one fineness, bins. */
    private const LAGS = 220;

    /** How often the run of lines is let grow and fitted again, at most. */
    private const GROWS = 24;

    /** How often the direction is looked at again. */
    private const ROUNDS = 2;

    /** A division that is so much fainter than the others is none. */
    private const FAINT = 0.25;

    /** @param  list<float>  $centres  of its lines, pixels across them from the middle of the box */
    private function __construct(
        public float $pixelsPerDivision,
        public float $standardError,
        public int $lines,
        /** From the row of pixels to the way along the ruler, degrees. */
        public float $angleDeg,
        /** By how many pixels each division is larger than the one before. */
        public float $growthPerDivision,
        public array $centres,
    ) {
    }

    /** @throws CantMeasure with the reason and what to do about it */
    public static function in(GreyPlane $plane): self
    {
        $plane->mustBeReadable();
        [$angle, $alike] = $plane->direction();
        if ($alike < self::ALIKE) {
            throw CantMeasure::because('There are no lines of one direction in the box.', 'Draw it about the divisions alone.');
        }
        $profile = self::straight($plane, $angle);
        if ($profile->length() < self::LEAST_PX) {
            throw CantMeasure::because('The box is under 80 pixels along the ruler.', 'Draw a larger one.');
        }
        $period = self::period($profile) ?? throw CantMeasure::because('No even divisions are to be seen.', 'Put the ruler in the plane of focus, and draw the box about its shortest lines.');

        for ($round = 0; ; $round++) {
            [$found, $curve] = self::fitted($profile, $period / $profile->bin);
            if ($round === self::ROUNDS) {
                return self::told($profile, $found, $curve);
            }
            // A small error of the direction is one of the scale where the box lies askew: lines are compared between its two halves.
            $profile = Profile::across($plane, $profile->angle - atan(self::lean($plane, $profile, $found, $period)), $profile->bin);
        }
    }

    /**
     * By how much lines lean: how far they move across for each pixel along, between the two halves of the box.
     *
     * @param  array<int, float>  $found
     */
    private static function lean(GreyPlane $plane, Profile $profile, array $found, float $period): float
    {
        $half = (int) max(2, floor($period / $profile->bin / 2.0));
        $halves = Profile::halves($plane, $profile->angle, $profile->bin);
        $mean = self::mean($profile, $found, $half);
        $rows = [];
        foreach ($halves as $each) {
            foreach ($found as $n => $x) {
                $k = ($profile->from + $x * $profile->bin - $each->from) / $each->bin;
                $shift = $k - $half < 0.0 || $k + $half > count($each->values) - 1.0 ? null : self::shift($each, $k, $mean, $half);
                if ($shift !== null) {
                    // Beside the lean, whatever else is still wrong with where the lines are.
                    $rows[] = [[1.0, (float) $n, $each->along($k)], $shift[0] * $each->bin];
                }
            }
        }
        $fit = count($rows) < 5 ? null : LeastSquares::robust($rows, 0.02);

        return $fit === null ? 0.0 : max(-0.1, min(0.1, $fit[2]));
    }

    /**
     * The mean of all divisions.
     *
     * @param  array<int, float>  $places
     * @return list<float> from half a division before a line to half a one after it
     */
    private static function mean(Profile $profile, array $places, int $half): array
    {
        $mean = [];
        for ($j = -$half; $j <= $half; $j++) {
            $sum = 0.0;
            foreach ($places as $x) {
                $sum += $profile->at($x + $j);
            }
            $mean[] = $sum / max(1, count($places));
        }

        return $mean;
    }

    /**
     * By how much a division has to be moved to lie under the mean of all (least squares of `a + b T + c T'`, straight light), and how strong
     * it is beside it; null = it is none.
     *
     * @param  list<float>  $mean
     * @return ?array{float, float}
     */
    private static function shift(Profile $profile, float $x, array $mean, int $half): ?array
    {
        $rows = [];
        for ($j = 0; $j <= 2 * $half; $j++) {
            $before = max(0, $j - 1);
            $after = min(2 * $half, $j + 1);
            /** @var list<float> $terms */
            $terms = [1.0, ($j - $half) / $half, $mean[$j], ($mean[$after] - $mean[$before]) / ($after - $before)];
            $rows[] = [$terms, $profile->at($x + $j - $half)];
        }
        $found = LeastSquares::solve($rows);

        return $found === null || $found[2] <= 0.0 ? null : [-max(-0.3 * $half, min(0.3 * $half, $found[3] / $found[2])), $found[2]];
    }

    /** Millimetres on the sensor for each of the subject. */
    public function magnification(float $pitchMm, float $divisionMm): float
    {
        return $this->pixelsPerDivision * $pitchMm / $divisionMm;
    }

    /** By which share the division at one end of the box is larger than at the other. */
    public function endsDiffer(): float
    {
        return abs($this->growthPerDivision) * ($this->lines - 1) / $this->pixelsPerDivision;
    }

    /** The profile in the direction in which it is liveliest: a few degrees about where the changes point. */
    private static function straight(GreyPlane $plane, float $angle): Profile
    {
        $every = max(1, (int) ($plane->width * $plane->height / 60_000));
        $lively = static fn (float $at): float => Profile::across($plane, $at, 1.0, $every)->liveliness();
        // The longer the lines, the narrower the peak: first on a grid as fine as that, then by the golden section.
        $narrow = 1.0 / max(8.0, hypot($plane->width, $plane->height) / 2.0);
        $best = $angle;
        foreach ([8.0 * $narrow, 2.0 * $narrow] as $step) {
            $tried = [];
            for ($n = -4; $n <= 4; $n++) {
                $tried[(string) ($best + $n * $step)] = $lively($best + $n * $step);
            }
            arsort($tried);
            $best = (float) array_key_first($tried);
        }

        return Profile::across($plane, self::highest($lively, $best, 2.0 * $narrow, 8), 0.5);
    }

    /**
     * Where a function with one top is highest, by the golden section.
     *
     * @param  \Closure(float): float  $of
     */
    private static function highest(\Closure $of, float $about, float $reach, int $rounds): float
    {
        $golden = (sqrt(5.0) - 1.0) / 2.0;
        [$low, $high] = [$about - $reach, $about + $reach];
        [$one, $other] = [$high - $golden * ($high - $low), $low + $golden * ($high - $low)];
        [$left, $right] = [$of($one), $of($other)];
        for ($n = 0; $n < $rounds; $n++) {
            if ($left > $right) {
                [$high, $other, $right] = [$other, $one, $left];
                $one = $high - $golden * ($high - $low);
                $left = $of($one);
            } else {
                [$low, $one, $left] = [$one, $other, $right];
                $other = $low + $golden * ($high - $low);
                $right = $of($other);
            }
        }

        return ($low + $high) / 2.0;
    }

    /** Pixels from line to line, by the first peak of the autocorrelation that is about as high as the highest; null = there is none. */
    private static function period(Profile $fine): ?float
    {
        $period = null;
        $best = 0.0;
        foreach ([1, 4, 16] as $times) {
            $profile = $times === 1 ? $fine : $fine->coarser($times);
            $changes = [];
            for ($k = 1, $n = count($profile->values) - 1; $k < $n; $k++) {
                $changes[] = $profile->values[$k + 1] - $profile->values[$k - 1];
            }
            $n = count($changes);
            $most = min(self::LAGS, intdiv($n, 3));
            $energy = array_sum(array_map(static fn (float $each): float => $each * $each, $changes)) / max(1, $n);
            if ($energy <= 0.0 || $most < 6) {
                continue;
            }
            $alike = [];
            for ($lag = 0; $lag <= $most; $lag++) {
                $sum = 0.0;
                for ($k = 0, $end = $n - $lag; $k < $end; $k++) {
                    $sum += $changes[$k] * $changes[$k + $lag];
                }
                $alike[] = $sum / ($end * $energy);
            }
            $peak = self::peak($alike, self::LEAST_PERIOD / $profile->bin);
            // What is blurred hides under noise at fine bins; what is fine is gone at coarse ones: where it is clearest, it is right.
            if ($peak !== null && $peak[1] > self::CLEARER * $best) {
                [$period, $best] = [$peak[0] * $profile->bin, $peak[1]];
            }
        }

        return $period;
    }

    /**
     * @param  list<float>  $alike  by lag
     * @return ?array{float, float} lag and height
     */
    private static function peak(array $alike, float $least): ?array
    {
        // Past the main lobe, where neighbours of the same line are compared.
        $from = 1;
        while (isset($alike[$from]) && $alike[$from] > 0.0) {
            $from++;
        }
        $from = max($from, (int) ceil($least));
        $peaks = [];
        for ($lag = max(1, $from); isset($alike[$lag + 1]); $lag++) {
            if ($alike[$lag] >= $alike[$lag - 1] && $alike[$lag] > $alike[$lag + 1] && $alike[$lag] >= self::PEAK) {
                $peaks[$lag] = $alike[$lag];
            }
        }
        if ($peaks === []) {
            return null;
        }
        $high = self::NEAR * max($peaks);
        foreach ($peaks as $lag => $height) {
            if ($height >= $high) {
                [$left, $right] = [$alike[$lag - 1], $alike[$lag + 1]];
                $bend = $left - 2.0 * $height + $right;

                return [$lag + ($bend < 0.0 ? 0.5 * ($left - $right) / $bend : 0.0), $height];
            }
        }

        return null;
    }

    /**
     * All line centres by `x_k = x_0 + p k + q k^2`: from the middle outwards, each division laid over the mean of those found so far.
     *
     * @param  float  $period  bins
     * @return array{array<int, float>, array{float, float, float}} line centres by their number, and x0, p, q; bins
     */
    private static function fitted(Profile $profile, float $period): array
    {
        $v = $profile->values;
        $n = count($v);
        // The darkest or the brightest place near the middle, whichever stands out more, is a line's.
        $sorted = $v;
        sort($sorted);
        $dark = $sorted[intdiv($n, 2)] - $sorted[(int) (0.02 * $n)] >= $sorted[(int) (0.98 * ($n - 1))] - $sorted[intdiv($n, 2)];
        $middle = intdiv($n, 2);
        $best = $middle;
        for ($k = (int) max(0, $middle - $period / 2.0), $end = (int) min($n - 1, $middle + $period / 2.0); $k <= $end; $k++) {
            if ($dark ? $v[$k] < $v[$best] : $v[$k] > $v[$best]) {
                $best = $k;
            }
        }
        [$x0, $p, $q] = [(float) $best, $period, 0.0];
        $half = (int) max(2, floor($period / 2.0));
        $reach = 3;
        $found = [];
        foreach (range(1, self::GROWS) as $_) {
            $places = [];
            for ($k = -$reach; $k <= $reach; $k++) {
                $x = $x0 + $p * $k + $q * $k * $k;
                if ($x - $half >= 0.0 && $x + $half <= $n - 1.0) {
                    $places[$k] = $x;
                }
            }
            if (count($places) < 3) {
                break;
            }
            $found = self::laid($profile, $places, $half);
            if (count($found) < 3) {
                break;
            }
            $before = [$x0, $p, $q];
            [$x0, $p, $q] = self::curve($found, count($found) >= 7);
            $whole = $x0 + $p * $reach + $q * $reach * $reach + $half > $n - 1.0 && $x0 - $p * $reach + $q * $reach * $reach - $half < 0.0;
            if ($whole && abs($x0 - $before[0]) + abs($p - $before[1]) * $reach < 1e-4) {
                break;
            }
            $reach = $whole ? $reach : (int) ceil($reach * 1.5);
        }
        if (count($found) < self::LEAST_LINES) {
            throw CantMeasure::because('Fewer than six lines are to be seen.', 'Draw the box about more of the ruler.');
        }

        if (abs($p / $period - 1.0) > self::SAME) {
            throw CantMeasure::because('The divisions are not even.', 'Draw the box about the divisions alone, without figures and edges.');
        }

        return [$found, [$x0, $p, $q]];
    }

    /**
     * Each division laid over the mean of all.
     *
     * @param  array<int, float>  $places
     * @return array<int, float> where they are, those that are too faint left out
     */
    private static function laid(Profile $profile, array $places, int $half): array
    {
        $mean = self::mean($profile, $places, $half);
        $moved = $strength = [];
        foreach ($places as $k => $x) {
            $shift = self::shift($profile, $x, $mean, $half);
            if ($shift !== null) {
                $moved[$k] = $x + $shift[0];
                $strength[$k] = $shift[1];
            }
        }
        $sorted = $strength;
        sort($sorted);
        $usual = $sorted[intdiv(count($sorted), 2)] ?? 0.0;

        return array_filter($moved, static fn (int $k): bool => $strength[$k] >= self::FAINT * $usual, ARRAY_FILTER_USE_KEY);
    }

    /**
     * @param  array<int, float>  $found
     * @return array{float, float, float} x0, p, q; those that lie far off are left out
     */
    private static function curve(array $found, bool $bent): array
    {
        $rows = [];
        foreach ($found as $k => $x) {
            $rows[] = [$bent ? [1.0, (float) $k, (float) ($k * $k)] : [1.0, (float) $k], $x];
        }
        $fit = LeastSquares::robust($rows, 0.05) ?? [0.0, 1.0];

        return [$fit[0], $fit[1], $fit[2] ?? 0.0];
    }

    /**
     * @param  array<int, float>  $found
     * @param  array{float, float, float}  $curve
     */
    private static function told(Profile $profile, array $found, array $curve): self
    {
        [$x0, $p, $q] = $curve;
        $sum = $even = 0.0;
        foreach ($found as $k => $x) {
            $sum += ($x - $x0 - $p * $k - $q * $k * $k) ** 2;
        }
        $count = count($found);
        $sd = sqrt($sum / max(1, $count - 3));
        if ($sd > self::EVEN * $p) {
            throw CantMeasure::because('The divisions are not even.', 'Draw the box about the divisions alone, without figures and edges.');
        }
        foreach ($found as $k => $x) {
            $even += ($k - array_sum(array_keys($found)) / $count) ** 2;
        }
        // The division in the middle of the box, wherever line 0 is.
        $k = ((count($profile->values) - 1) / 2.0 - $x0) / $p;
        $per = $p + 2.0 * $q * $k;
        $bin = $profile->bin;

        return new self(
            pixelsPerDivision: $per * $bin, standardError: max(1e-9, $sd / sqrt(max(1e-9, $even))) * $bin, lines: $count, angleDeg: rad2deg($profile->angle),
            growthPerDivision: 2.0 * $q * $bin, centres: array_values(array_map(static fn (float $x): float => $profile->from + $x * $bin, $found)),
        );
    }
}
