<?php

declare(strict_types=1);

namespace ZincThimble\Bench;

/** How many of something a second. The machine is shared, and another's load halves what a longer stretch counts: so the best of many short ones. */
final class Rate
{
    private const STRETCH_S = 0.05;

    /** @param  \Closure(int): int  $round  does round n and says how many it did */
    public static function of(\Closure $round, int $stretches = 100): float
    {
        $n = 0;
        self::stretch($round, $n, 1.0);
        $best = 0.0;
        for ($k = 0; $k < $stretches; $k++) {
            $best = max($best, self::stretch($round, $n, self::STRETCH_S));
        }

        return $best;
    }

    /** @param  non-empty-list<float>  $values */
    public static function median(array $values): float
    {
        sort($values);

        return $values[intdiv(count($values), 2)];
    }

    /** @param  \Closure(int): int  $round */
    private static function stretch(\Closure $round, int &$n, float $seconds): float
    {
        $done = 0;
        $start = hrtime(true);
        do {
            $done += $round($n++);
            $passed = (hrtime(true) - $start) / 1e9;
        } while ($passed < $seconds);

        return $done / $passed;
    }
}
