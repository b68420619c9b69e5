<?php

declare(strict_types=1);

namespace ZincThimble\Core\Measure;

/** Straight least squares of a few unknowns by the normal equations. */
final class LeastSquares
{
    /**
     * @param  list<array{list<float>, float}>  $rows  terms, and what they come to
     * @return ?list<float> the factors of the terms; null = they can't be told apart
     */
    public static function solve(array $rows): ?array
    {
        $n = count($rows[0][0] ?? []);
        if ($n === 0 || count($rows) < $n) {
            return null;
        }
        $a = array_fill(0, $n, array_fill(0, $n + 1, 0.0));
        foreach ($rows as [$terms, $value]) {
            for ($i = 0; $i < $n; $i++) {
                for ($j = 0; $j < $n; $j++) {
                    $a[$i][$j] += $terms[$i] * $terms[$j];
                }
                $a[$i][$n] += $terms[$i] * $value;
            }
        }
        for ($i = 0; $i < $n; $i++) {
            $pivot = $i;
            for ($j = $i + 1; $j < $n; $j++) {
                $pivot = abs($a[$j][$i]) > abs($a[$pivot][$i]) ? $j : $pivot;
            }
            [$a[$i], $a[$pivot]] = [$a[$pivot], $a[$i]];
            if (abs($a[$i][$i]) < 1e-14) {
                return null;
            }
            for ($j = $i + 1; $j < $n; $j++) {
                $by = $a[$j][$i] / $a[$i][$i];
                for ($k = $i; $k <= $n; $k++) {
                    $a[$j][$k] -= $by * $a[$i][$k];
                }
            }
        }
        $x = array_fill(0, $n, 0.0);
        for ($i = $n - 1; $i >= 0; $i--) {
            $sum = $a[$i][$n];
            for ($j = $i + 1; $j < $n; $j++) {
                $sum -= $a[$i][$j] * $x[$j];
            }
            $x[$i] = $sum / $a[$i][$i];
        }

        return array_values($x);
    }
}
