<?php

declare(strict_types=1);

namespace ZincThimble\Core\Report;

/**
 * A column of a sweep as it travels: whole numbers of a decimal place, told as the steps between them, or the steps between those, whichever
 * are smallest. What a control does is smooth, so the steps are nearly all of one digit: a sixth of the bytes that the figures take.
 */
final readonly class PackedColumn
{
    /** Seven digits that count are more than anybody can set. */
    public const DIGITS = 7;

    /** By how many powers of ten a column's figures may differ before the smallest lose digits. */
    private const ROOM = 4;

    /** Steps of steps of steps: beyond them the rounding of the figures is all that is left. */
    private const MOST_ORDER = 3;

    /**
     * @param  int  $decimals  a figure is its whole number divided by this power of ten; may be below 0
     * @param  int  $order  how often sums have to be made of the steps: 0 = they are the whole numbers
     * @param  list<int>  $steps  of the rows that have a figure, the first as a step from 0
     * @param  list<array{int, int}>  $none  first and last row of the stretches without a figure
     */
    private function __construct(public int $decimals, public int $order, public array $steps, public array $none)
    {
    }

    /**
     * @param  array<int, float|int|null>  $values  finite, by row; null = no figure
     */
    public static function of(array $values): self
    {
        $least = INF;
        $most = 0.0;
        $none = [];
        foreach (array_values($values) as $row => $value) {
            if ($value === null) {
                $last = count($none) - 1;
                if ($last >= 0 && $none[$last][1] === $row - 1) {
                    $none[$last][1] = $row;
                } else {
                    $none[] = [$row, $row];
                }
            } elseif ($value !== 0.0) {
                $least = min($least, abs($value));
                $most = max($most, abs($value));
            }
        }
        $decimals = $most > 0.0 ? self::DIGITS - 1 + min(-(int) floor(log10($least)), self::ROOM - (int) floor(log10($most))) : 0;
        $scale = 10.0 ** $decimals;
        $steps = [];
        foreach ($values as $value) {
            if ($value !== null) {
                $steps[] = (int) round($value * $scale);
            }
        }
        $best = 0;
        $shortest = $steps;
        $size = self::size($steps);
        for ($order = 1; $order <= self::MOST_ORDER; $order++) {
            $before = 0;
            foreach ($steps as $n => $whole) {
                $steps[$n] = $whole - $before;
                $before = $whole;
            }
            $here = self::size($steps);
            if ($here < $size) {
                [$best, $shortest, $size] = [$order, $steps, $here];
            }
        }

        return new self($decimals, $best, $shortest, $none);
    }

    /**
     * What the steps weigh: their digits, nearly. One in four tells it, and is asked in a quarter of the time.
     *
     * @param  list<int>  $steps
     */
    private static function size(array $steps): float
    {
        $size = 0.0;
        $count = count($steps);
        for ($n = 0; $n < $count; $n += 4) {
            $size += log(1.0 + abs($steps[$n]));
        }

        return $size;
    }
}
