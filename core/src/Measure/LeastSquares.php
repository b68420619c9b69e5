<?php

declare(strict_types=1);

namespace ZincThimble\Core\Measure;

/** Straight least squares of a few unknowns by the normal equations. */
final class LeastSquares
{
    /** Times the middle of all distances from which one is far off. */
    private const FAR = 4.0;

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

    /**
     * The same, those that lie far off left out: further than four times what half of them are nearer than, and than a least.
     *
     * @param  list<array{list<float>, float}>  $rows
     * @return ?list<float>
     */
    public static function robust(array $rows, float $least): ?array
    {
        $fit = self::solve($rows);
        for ($round = 0; $fit !== null && $round < 3; $round++) {
            $off = array_map(static fn (array $row): float => abs($row[1] - array_sum(array_map(static fn (float $factor, float $term): float => $factor * $term, $fit, $row[0]))), $rows);
            $sorted = $off;
            sort($sorted);
            $limit = max($least, self::FAR * $sorted[intdiv(count($sorted), 2)]);
            $kept = array_values(array_filter($rows, static fn (int $n): bool => $off[$n] <= $limit, ARRAY_FILTER_USE_KEY));
            if (count($kept) < 2 + count($fit)) {
                break;
            }
            $fit = self::solve($kept) ?? $fit;
        }

        return $fit;
    }
}
