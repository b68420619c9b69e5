<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Measure;

use ZincThimble\Core\Measure\GreyPlane;
use ZincThimble\Core\Tests\RigMaker;

/** Makes pictures whose truth is known: rulers and edges, blurred, noisy, tilted, unevenly lit, with dust. */
final class PictureMaker
{
    public function __construct(private readonly RigMaker $make)
    {
    }

    /**
     * A ruler whose lines are told by the integral of its darkness along it, so that a pixel takes in all of its width.
     *
     * @param  array{period: float, angle: float, growth?: float, blur?: float, noise?: float, duty?: float, light?: float, dust?: int, every?: int}  $of  blur in pixels, angle in radians
     */
    public function ruler(int $width, int $height, array $of): GreyPlane
    {
        ['period' => $period, 'angle' => $angle] = $of;
        [$cos, $sin] = [cos($angle), sin($angle)];
        $growth = $of['growth'] ?? 0.0;
        $duty = $of['duty'] ?? 0.3;
        $blur = hypot($of['blur'] ?? 0.0, 0.3);
        $light = $of['light'] ?? 0.0;
        $every = $of['every'] ?? 0;
        // From line to line `period` in the middle; each division larger than the one before by `growth`.
        $reach = hypot($width, $height) / 2.0 + 2.0 * $period;
        $table = [];
        $fine = 8;
        $k0 = (int) ceil($reach / $period * 1.3);
        $lines = [];
        for ($k = -$k0; $k <= $k0; $k++) {
            $lines[] = [$period * $k + $growth / 2.0 * $k * $k, $every > 0 && $k % $every === 0];
        }
        $half = $duty * $period / 2.0;
        for ($n = 0, $end = (int) (2 * $reach * $fine); $n <= $end; $n++) {
            $table[$n] = [0.0, 0.0];
        }
        foreach ($lines as [$x, $long]) {
            $from = (int) floor(($x - $half - 5.0 * $blur + $reach) * $fine);
            $to = (int) ceil(($x + $half + 5.0 * $blur + $reach) * $fine);
            for ($n = max(0, $from); $n <= min($end, $to); $n++) {
                $u = $n / $fine - $reach - $x;
                $dark = (self::erf(($u + $half) / (M_SQRT2 * $blur)) - self::erf(($u - $half) / (M_SQRT2 * $blur))) / 2.0;
                $table[$n][0] += $dark;
                $table[$n][1] += $long ? $dark : 0.0;
            }
        }
        $values = [];
        for ($y = 0; $y < $height; $y++) {
            for ($x = 0; $x < $width; $x++) {
                [$dx, $dy] = [$x - ($width - 1) / 2.0, $y - ($height - 1) / 2.0];
                $u = ($dx * $cos + $dy * $sin + $reach) * $fine;
                $along = -$dx * $sin + $dy * $cos;
                // Beyond the short lines only the long ones go on.
                $which = $every > 0 && $along > $height / 6.0 ? 1 : 0;
                $i = (int) $u;
                $part = $u - $i;
                $dark = (1.0 - $part) * ($table[$i][$which] ?? 0.0) + $part * ($table[$i + 1][$which] ?? 0.0);
                $values[] = (0.75 - 0.6 * $dark) * (1.0 + $light * $dx / $width);
            }
        }

        return $this->spoilt($width, $height, $values, $of['noise'] ?? 0.0, $of['dust'] ?? 0);
    }

    /** @param  array{angle: float, sigma: float, noise?: float, light?: float, at?: float}  $of  sigma of a Gaussian blur in pixels, angle off a column in radians */
    public function edge(int $width, int $height, array $of): GreyPlane
    {
        [$cos, $sin] = [cos($of['angle']), sin($of['angle'])];
        // A pixel takes in all of its face: the mean over many places of it, which is told by how far its middle is from the edge.
        $reach = (int) ceil(hypot($width, $height) / 2.0 + abs($of['at'] ?? 0.0)) + 8;
        [$fine, $sub, $table] = [16, 6, []];
        for ($n = -$reach * $fine; $n <= $reach * $fine; $n++) {
            $sum = 0.0;
            for ($i = 0; $i < $sub && abs($n) < 20.0 * $of['sigma'] * $fine + 2 * $fine; $i++) {
                for ($j = 0; $j < $sub; $j++) {
                    $sum += self::erf(($n / $fine + (($i + 0.5) / $sub - 0.5) * $cos + (($j + 0.5) / $sub - 0.5) * $sin) / (M_SQRT2 * $of['sigma']));
                }
            }
            $table[$n] = abs($n) < 20.0 * $of['sigma'] * $fine + 2 * $fine ? $sum / $sub ** 2 : ($n > 0 ? 1.0 : -1.0);
        }
        $values = [];
        for ($y = 0; $y < $height; $y++) {
            for ($x = 0; $x < $width; $x++) {
                $u = (($x - ($width - 1) / 2.0 - ($of['at'] ?? 0.0)) * $cos + ($y - ($height - 1) / 2.0) * $sin) * $fine;
                $k = (int) floor($u);
                $part = $u - $k;
                $values[] = (0.5 + 0.35 * ((1.0 - $part) * $table[$k] + $part * $table[$k + 1])) * (1.0 + ($of['light'] ?? 0.0) * ($y / $height - 0.5));
            }
        }

        return $this->spoilt($width, $height, $values, $of['noise'] ?? 0.0, 0);
    }

    /**
     * A rule that leans through the plane of focus, its lines upright: each as blurred as its distance from the plane makes it.
     *
     * @param  array{period: float, focus: float, discPerLine: float, sigma?: float, noise?: float, growth?: float, duty?: float}  $of  focus: lines from the middle of the picture to the plane; disc in pixels
     */
    public function slantedRule(int $width, int $height, array $of): GreyPlane
    {
        ['period' => $period, 'focus' => $focus, 'discPerLine' => $grows] = $of;
        $sigma = hypot($of['sigma'] ?? 0.5, 0.29);
        $half = ($of['duty'] ?? 0.25) * $period / 2.0;
        $row = array_fill(0, $width, 0.0);
        for ($k = -400; $k <= 400; $k++) {
            $x = ($width - 1) / 2.0 + $period * $k + ($of['growth'] ?? 0.0) / 2.0 * $k * $k;
            $disc = $grows * abs($k - $focus);
            if (abs($k) > 1.5 * $width / $period) {
                continue;
            }
            $reach = $half + $disc / 2.0 + 5.0 * $sigma;
            for ($px = (int) max(0, floor($x - $reach)), $end = (int) min($width - 1, ceil($x + $reach)); $px <= $end; $px++) {
                $sum = $weights = 0.0;
                // The light of a disc, seen from the side, is a half circle.
                for ($n = 0; $n < 24; $n++) {
                    $angle = M_PI * (($n + 0.5) / 24.0 - 0.5);
                    $u = $px - $x - $disc / 2.0 * sin($angle);
                    $sum += cos($angle) ** 2 * (self::erf(($u + $half) / (M_SQRT2 * $sigma)) - self::erf(($u - $half) / (M_SQRT2 * $sigma))) / 2.0;
                    $weights += cos($angle) ** 2;
                }
                $row[$px] += $sum / $weights;
            }
        }
        $values = [];
        for ($y = 0; $y < $height; $y++) {
            foreach ($row as $dark) {
                $values[] = 0.75 - 0.6 * min(1.0, $dark);
            }
        }

        return $this->spoilt($width, $height, $values, $of['noise'] ?? 0.0, 0);
    }

    /** @param  list<float>  $values */
    private function spoilt(int $width, int $height, array $values, float $noise, int $dust): GreyPlane
    {
        if ($noise > 0.0) {
            foreach ($values as $n => $value) {
                $values[$n] = $value + $noise * $this->normal();
            }
        }
        for ($n = 0; $n < $dust; $n++) {
            [$cx, $cy, $r] = [$this->make->number(0, $width - 1), $this->make->number(0, $height - 1), $this->make->number(1.5, 5.0)];
            for ($y = (int) max(0, $cy - $r); $y <= min($height - 1, $cy + $r); $y++) {
                for ($x = (int) max(0, $cx - $r); $x <= min($width - 1, $cx + $r); $x++) {
                    if (hypot($x - $cx, $y - $cy) <= $r) {
                        $values[$y * $width + $x] *= 0.3;
                    }
                }
            }
        }

        return new GreyPlane($width, $height, array_values(array_map(static fn (float $value): float => max(0.001, min(0.99, $value)), $values)));
    }

    private function normal(): float
    {
        return sqrt(-2.0 * log(max(1e-12, $this->make->number(0.0, 1.0)))) * cos(2.0 * M_PI * $this->make->number(0.0, 1.0));
    }

    /** Error function to 1.5e-7 (Abramowitz and Stegun, 7.1.26). */
    public static function erf(float $x): float
    {
        $t = 1.0 / (1.0 + 0.3275911 * abs($x));
        $y = 1.0 - (((((1.061405429 * $t - 1.453152027) * $t) + 1.421413741) * $t - 0.284496736) * $t + 0.254829592) * $t * exp(-$x * $x);

        return $x >= 0.0 ? $y : -$y;
    }
}
