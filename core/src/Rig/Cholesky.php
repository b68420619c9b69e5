<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

/** Small symmetric positive matrices: the triangular factor, solving, the inverse. */
final class Cholesky
{
    /**
     * The lower triangle L with `L L^T` = the matrix; a pivot that rounding has made 0 or less is taken as 0.
     *
     * @param  array<int, array<int, float>>  $matrix
     * @return list<list<float>> row by row, zeros above the diagonal
     */
    public static function factor(array $matrix): array
    {
        $n = count($matrix);
        $l = [];
        for ($i = 0; $i < $n; $i++) {
            $row = [];
            for ($j = 0; $j <= $i; $j++) {
                $sum = $matrix[$i][$j];
                $other = $j < $i ? $l[$j] : $row;
                for ($k = 0; $k < $j; $k++) {
                    $sum -= $row[$k] * $other[$k];
                }
                $row[] = $i === $j ? sqrt(max(0.0, $sum)) : ($l[$j][$j] > 0.0 ? $sum / $l[$j][$j] : 0.0);
            }
            for ($j = $i + 1; $j < $n; $j++) {
                $row[] = 0.0;
            }
            $l[] = $row;
        }

        return $l;
    }

    /**
     * x of `L L^T x = b`.
     *
     * @param  list<list<float>>  $l  a factor without zeros on the diagonal
     * @param  list<float>  $b
     * @return list<float>
     */
    public static function solve(array $l, array $b): array
    {
        $n = count($b);
        for ($i = 0; $i < $n; $i++) {
            for ($k = 0; $k < $i; $k++) {
                $b[$i] -= $l[$i][$k] * $b[$k];
            }
            $b[$i] /= $l[$i][$i];
        }

        for ($i = $n - 1; $i >= 0; $i--) {
            for ($k = $i + 1; $k < $n; $k++) {
                $b[$i] -= $l[$k][$i] * $b[$k];
            }
            $b[$i] /= $l[$i][$i];
        }

        return array_values($b);
    }

    /**
     * @param  list<list<float>>  $l  a factor without zeros on the diagonal
     * @return list<list<float>> the inverse of `L L^T`
     */
    public static function inverse(array $l): array
    {
        $n = count($l);
        $columns = [];
        for ($k = 0; $k < $n; $k++) {
            $unit = [];
            for ($i = 0; $i < $n; $i++) {
                $unit[] = $i === $k ? 1.0 : 0.0;
            }
            $columns[] = self::solve($l, $unit);
        }

        return $columns;
    }
}
