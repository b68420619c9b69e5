<?php

declare(strict_types=1);

namespace ZincThimble\Core\Measure;

use ZincThimble\Core\Gear\LensTrial;

/**
 * A slanted edge found in a picture, and how sharp it is (slanted-edge method of ISO 12233; OPTICS.md, "Measuring pictures"): one straight
 * edge, 2 to 15 degrees off a row or a column of pixels.
 */
final readonly class Edge
{
    /** Degrees that it has to be off a row or a column. */
    private const LEAST_DEG = 2.0;

    private const MOST_DEG = 15.0;

    /** Pixels of edge that are too few, and on either side of it. */
    private const LEAST_PX = 80;

    private const LEAST_SIDE = 10.0;

    /** Bins to a pixel. */
    private const FINE = 4;

    /** Pixels either side of the edge that are looked at: at first, at least, and in standard deviations of the blur found then. */
    private const REACH = 32.0;

    private const LEAST_REACH = 8.0;

    private const SIGMAS = 12.0;

    /** Standard deviation of the flat sides that is too much, of the step between them. */
    private const NOISE = 0.08;

    /** Strips by which its certainty is told. */
    private const STRIPS = 4;

    /** 1.645 standard deviations: nine in ten lie within. */
    private const NINE_IN_TEN = 1.645;

    /** What a difference over two bins leaves of fine detail isn't made up for beyond so much. */
    private const MOST_CORRECTION = 10.0;

    private function __construct(
        /** Cycles a pixel at which half of the contrast is left. */
        public float $mtf50,
        /** And a tenth; null = more is left as far as pixels tell (half a cycle each). */
        public ?float $mtf10,
        /** Of the first. */
        public float $halfWidth,
        /** Off the nearest row or column of pixels, degrees. */
        public float $angleDeg,
        /** Difference between its two sides, of full scale in linear light. */
        public float $contrast,
        /**
         * Its two ends, pixels of the box: x and y of each.
         *
         * @var array{float, float, float, float}
         */
        public array $ends,
    ) {
    }

    /** @throws CantMeasure with the reason and what to do about it */
    public static function in(GreyPlane $plane): self
    {
        $plane->mustBeReadable();
        [$angle, $alike] = $plane->direction();
        if ($alike < 0.2) {
            throw CantMeasure::because('There is no one straight edge in the box.', 'Draw it about a single edge.');
        }
        // So that the edge runs from row to row.
        $upright = abs(cos($angle)) >= abs(sin($angle)) ? $plane : $plane->turned();
        if ($upright->height < self::LEAST_PX) {
            throw CantMeasure::because('Less than 80 pixels of the edge are in the box.', 'Draw a longer one.');
        }
        [$x0, $slope] = self::line($upright);
        $deg = rad2deg(atan(abs($slope)));
        if ($deg < self::LEAST_DEG || $deg > self::MOST_DEG) {
            throw CantMeasure::because(sprintf('The edge is %.1f degrees off the pixels.', $deg), 'Turn it to between 2 and 15.');
        }
        [$mtf, $contrast, $noise] = self::transfer($upright, $x0, $slope, 0, $upright->height, self::REACH);
        // A window too narrow for the blur makes it look sharper; one too wide takes in noise alone.
        $reach = max(self::LEAST_REACH, self::SIGMAS * LensTrial::GAUSS / (self::falls($mtf, 0.5) ?? 0.5));
        [$mtf, $contrast] = self::transfer($upright, $x0, $slope, 0, $upright->height, $reach);
        if ($noise > self::NOISE) {
            throw CantMeasure::because('The picture is too noisy.', 'Use a lower ISO, or expose longer.');
        }
        $seen = self::falls($mtf, 0.5) ?? throw CantMeasure::because('The edge is sharper than the pixels can tell.', 'Measure it a little out of focus, or with smaller pixels.');
        // What the window takes off a Gaussian of that width: 0.54 + 0.46 cos is 1 - 2.27 (x / R)^2 about its middle.
        $widened = sqrt(max(0.5, 1.0 - 4.54 * (LensTrial::GAUSS / ($seen * $reach)) ** 2));
        $mtf50 = $seen * $widened;
        $strips = [];
        $high = intdiv($upright->height, self::STRIPS);
        for ($n = 0; $n < self::STRIPS; $n++) {
            $strips[] = self::falls(self::transfer($upright, $x0, $slope, $n * $high, $high, $reach)[0], 0.5);
        }
        $told = array_values(array_filter($strips, static fn (?float $each): bool => $each !== null));
        $mean = array_sum($told) / max(1, count($told));
        $sd = count($told) < 2 ? $mtf50 : sqrt(array_sum(array_map(static fn (float $each): float => ($each - $mean) ** 2, $told)) / (count($told) - 1));

        $mtf10 = self::falls($mtf, 0.1);

        $low = $upright->height - 1.0;
        $ends = $upright === $plane ? [$x0, 0.0, $x0 + $slope * $low, $low] : [0.0, $x0, $low, $x0 + $slope * $low];

        return new self($mtf50, $mtf10 === null ? null : $mtf10 * $widened, self::NINE_IN_TEN * $sd / sqrt(self::STRIPS), $deg, $contrast, $ends);
    }

    /**
     * The edge as a straight line, by the centroid of the changes in each row: first over the whole row, then about where it was found.
     *
     * @return array{float, float} x at row 0, and how far it goes from row to row
     *
     * @throws CantMeasure when it isn't straight, or comes too near the sides
     */
    private static function line(GreyPlane $plane): array
    {
        $line = [($plane->width - 1) / 2.0, 0.0];
        $spread = INF;
        $off = [];
        foreach ([(float) $plane->width, 0.35 * $plane->width, 12.0, 12.0] as $round => $window) {
            $rows = [];
            for ($y = 0; $y < $plane->height; $y++) {
                $sum = $moment = 0.0;
                $near = $round === 0 ? ($plane->width - 1) / 2.0 : $line[0] + $line[1] * $y;
                for ($x = (int) max(1, ceil($near - $window)), $end = (int) min($plane->width - 2, floor($near + $window)); $x <= $end; $x++) {
                    $at = $y * $plane->width + $x;
                    $change = $plane->values[$at + 1] - $plane->values[$at - 1];
                    $weight = $round === 0 ? $change * abs($change) : $change * (0.54 + 0.46 * cos(M_PI * ($x - $near) / $window));
                    $sum += $weight;
                    $moment += $weight * ($x - $near);
                }
                if (abs($sum) > 1e-9) {
                    $rows[$y] = $near + $moment / $sum;
                }
            }
            $line = self::straight($rows) ?? throw CantMeasure::because('There is no straight edge in the box.', 'Draw it about a single edge.');
            $off = array_map(static fn (float $x, int $y): float => abs($x - $line[0] - $line[1] * $y), $rows, array_keys($rows));
            sort($off);
            $spread = $off[intdiv(count($off), 2)] ?? INF;
        }
        if ($spread > 1.5) {
            throw CantMeasure::because('The edge isn’t straight.', 'Use a straighter one: a razor blade, or a print on film.');
        }
        foreach ([0, $plane->height - 1] as $y) {
            $x = $line[0] + $line[1] * $y;
            if ($x < self::LEAST_SIDE || $x > $plane->width - 1 - self::LEAST_SIDE) {
                throw CantMeasure::because('The edge leaves the box at its side.', 'Draw a wider box, with ten pixels and more on either side.');
            }
        }

        return $line;
    }

    /**
     * @param  array<int, float>  $rows
     * @return ?array{float, float}
     */
    private static function straight(array $rows): ?array
    {
        $fit = LeastSquares::robust(array_map(static fn (float $x, int $y): array => [[1.0, (float) $y], $x], $rows, array_keys($rows)), 0.5);
        if ($fit === null) {
            return null;
        }

        return [$fit[0], $fit[1]];
    }

    /**
     * Transfer function from a strip of rows.
     *
     * @return array{list<float>, float, float} by steps of a 64th of a cycle a pixel; contrast; standard deviation of the flat sides over it
     */
    private static function transfer(GreyPlane $plane, float $x0, float $slope, int $from, int $rows, float $most): array
    {
        $cos = 1.0 / hypot(1.0, $slope);
        $reach = min($most, min($x0 + $slope * $from, $x0 + $slope * ($from + $rows), $plane->width - 1 - $x0 - $slope * $from, $plane->width - 1 - $x0 - $slope * ($from + $rows)) * $cos);
        $bins = 2 * (int) floor($reach * self::FINE) + 1;
        $middle = intdiv($bins, 2);
        $sum = $count = array_fill(0, $bins, 0.0);
        $squares = 0.0;
        $places = [];
        for ($y = $from; $y < $from + $rows; $y++) {
            $edge = $x0 + $slope * $y;
            for ($x = (int) max(0, ceil($edge - $reach / $cos)), $end = (int) min($plane->width - 1, floor($edge + $reach / $cos)); $x <= $end; $x++) {
                // Shared between the two bins that it stands between, so that no step of the edge from row to row favours one place of a bin.
                $u = ($x - $edge) * $cos * self::FINE + $middle;
                $k = (int) floor($u);
                if ($k >= 0 && $k < $bins - 1) {
                    $value = $plane->values[$y * $plane->width + $x];
                    $sum[$k] += ($k + 1 - $u) * $value;
                    $count[$k] += $k + 1 - $u;
                    $sum[$k + 1] += ($u - $k) * $value;
                    $count[$k + 1] += $u - $k;
                    $places[] = [$k, $value];
                }
            }
        }
        $edge = [];
        for ($k = 0; $k < $bins; $k++) {
            $edge[] = $count[$k] > 0.0 ? $sum[$k] / $count[$k] : ($edge[$k - 1] ?? $sum[$k + 1] / max(1.0, $count[$k + 1]));
        }
        $side = max(1, intdiv($bins, 8));
        $left = array_sum(array_slice($edge, 0, $side)) / $side;
        $right = array_sum(array_slice($edge, -$side)) / $side;
        $contrast = abs($right - $left);
        $flat = 0;
        foreach ($places as [$k, $value]) {
            if ($k < $side || $k >= $bins - $side) {
                $squares += ($value - $edge[$k]) ** 2;
                $flat++;
            }
        }
        $noise = $contrast > 0.0 ? sqrt($squares / max(1, $flat)) / $contrast : INF;

        return [self::spectrum($edge, $middle), $contrast, $noise];
    }

    /**
     * @param  list<float>  $edge  by quarters of a pixel
     * @return list<float>
     */
    private static function spectrum(array $edge, int $middle): array
    {
        $line = [];
        for ($k = 1, $n = count($edge) - 1; $k < $n; $k++) {
            $line[$k - $middle] = ($edge[$k + 1] - $edge[$k - 1]) * (0.54 + 0.46 * cos(M_PI * ($k - $middle) / max(1, $middle)));
        }
        $mtf = [];
        $whole = null;
        for ($step = 0; $step <= 48; $step++) {
            $f = $step / 64.0;
            $re = $im = 0.0;
            foreach ($line as $k => $value) {
                $phase = 2.0 * M_PI * $f * $k / self::FINE;
                $re += $value * cos($phase);
                $im += $value * sin($phase);
            }
            $whole ??= hypot($re, $im);
            // The difference over two bins, and that what stands between two bins is shared by them.
            $smooth = self::sinc(2.0 * $f / self::FINE) * self::sinc($f / self::FINE) ** 2;
            $mtf[] = $whole > 0.0 ? hypot($re, $im) / $whole * min(self::MOST_CORRECTION, 1.0 / max(1e-6, $smooth)) : 0.0;
        }

        return $mtf;
    }

    private static function sinc(float $x): float
    {
        return abs($x) < 1e-9 ? 1.0 : sin(M_PI * $x) / (M_PI * $x);
    }

    /**
     * Where it first falls to a share, cycles a pixel.
     *
     * @param  list<float>  $mtf
     */
    private static function falls(array $mtf, float $to): ?float
    {
        foreach ($mtf as $step => $value) {
            if ($step > 0 && $value <= $to) {
                $before = $mtf[$step - 1];

                return ($step - 1 + ($before - $to) / max(1e-12, $before - $value)) / 64.0;
            }
        }

        return null;
    }
}
