<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

/**
 * In which order rigs are put together so that the fewest joints are undone and made on the way (OPTICS.md, "An outing"). From one rig to
 * the next, what is undone and made is the symmetric difference of their joints.
 *
 * Some come in a given order, since their subjects have a time; one of those may come again later. The others come once, anywhere between.
 * Exact: every set of those, and every point of the given order, each with every last rig, is gone through once.
 */
final readonly class RigOrder
{
    /** So many rigs are put in order exactly, whatever their times; of more, those without a time are put where they add least. */
    public const EXACT = 12;

    /** Sets of rigs, times the points of the given order, that are gone through at the most: any of twelve rigs with thirty times. */
    private const MOST_STATES = 32_768;

    /**
     * @param  list<int>  $visits  rigs by their place in what was given, those with times perhaps several times
     */
    private function __construct(
        public array $visits,
        /** Joints undone and made from the first rig to the last; making the first isn't counted. */
        public int $joints,
        /** Whether no order has fewer. */
        public bool $optimal,
    ) {
    }

    /**
     * @param  list<array<string, int>>  $rigs  how many of each joint, by what it joins
     * @param  list<int>  $fixed  rigs in the order of the times of their subjects
     */
    public static function of(array $rigs, array $fixed = []): self
    {
        $fixed = self::withoutRepeats($fixed);
        $free = array_values(array_diff(array_keys($rigs), $fixed));
        $apart = [];
        foreach ($rigs as $i => $one) {
            foreach ($rigs as $k => $other) {
                $apart[$i][$k] = self::apart($one, $other);
            }
        }
        if (count($free) > self::EXACT || (1 << count($free)) * (count($fixed) + 1) > self::MOST_STATES) {
            return self::inserted($apart, $fixed, $free);
        }

        return self::exact($apart, $fixed, $free);
    }

    /**
     * Joints undone and made from one to the other.
     *
     * @param  array<string, int>  $one
     * @param  array<string, int>  $other
     */
    public static function apart(array $one, array $other): int
    {
        $apart = 0;
        foreach ($one + $other as $joint => $count) {
            $apart += abs(($one[$joint] ?? 0) - ($other[$joint] ?? 0));
        }

        return $apart;
    }

    /**
     * @param  list<int>  $fixed
     * @return list<int>
     */
    private static function withoutRepeats(array $fixed): array
    {
        $visits = [];
        foreach ($fixed as $rig) {
            if ($visits === [] || $visits[count($visits) - 1] !== $rig) {
                $visits[] = $rig;
            }
        }

        return $visits;
    }

    /**
     * @param  array<int, array<int, int>>  $apart
     * @param  list<int>  $fixed
     * @param  list<int>  $free
     */
    private static function exact(array $apart, array $fixed, array $free): self
    {
        $times = count($fixed);
        $all = (1 << count($free)) - 1;
        // Cost and way of each state: which of the free have been, how many of the fixed have been, and which rig is last.
        $least = [];
        $from = [];
        $begin = static function (int $mask, int $done, int $last) use (&$least): void {
            $least[$mask][$done][$last] = 0;
        };
        foreach ($free as $f => $rig) {
            $begin(1 << $f, 0, $rig);
        }
        if ($times > 0) {
            $begin(0, 1, $fixed[0]);
        }
        for ($mask = 0; $mask <= $all; $mask++) {
            for ($done = 0; $done <= $times; $done++) {
                foreach ($least[$mask][$done] ?? [] as $last => $cost) {
                    $next = $done < $times ? [[$mask, $done + 1, $fixed[$done]]] : [];
                    foreach ($free as $f => $rig) {
                        if (($mask & 1 << $f) === 0) {
                            $next[] = [$mask | 1 << $f, $done, $rig];
                        }
                    }
                    foreach ($next as [$m, $d, $rig]) {
                        $to = $cost + $apart[$last][$rig];
                        if ($to < ($least[$m][$d][$rig] ?? PHP_INT_MAX)) {
                            $least[$m][$d][$rig] = $to;
                            $from[$m][$d][$rig] = [$mask, $done, $last];
                        }
                    }
                }
            }
        }
        $ends = $least[$all][$times] ?? [];
        if ($ends === []) {
            return new self([], 0, true);
        }
        $rig = (int) array_search(min($ends), $ends, true);
        [$mask, $done] = [$all, $times];
        $visits = [$rig];
        while (isset($from[$mask][$done][$rig])) {
            [$mask, $done, $rig] = $from[$mask][$done][$rig];
            array_unshift($visits, $rig);
        }

        return new self($visits, min($ends), true);
    }

    /**
     * @param  array<int, array<int, int>>  $apart
     * @param  list<int>  $fixed
     * @param  list<int>  $free
     */
    private static function inserted(array $apart, array $fixed, array $free): self
    {
        $visits = $fixed;
        foreach ($free as $rig) {
            $best = PHP_INT_MAX;
            $where = 0;
            for ($i = 0; $i <= count($visits); $i++) {
                $before = $visits[$i - 1] ?? null;
                $after = $visits[$i] ?? null;
                $more = ($before === null ? 0 : $apart[$before][$rig]) + ($after === null ? 0 : $apart[$rig][$after]) - ($before === null || $after === null ? 0 : $apart[$before][$after]);
                if ($more < $best) {
                    [$best, $where] = [$more, $i];
                }
            }
            array_splice($visits, $where, 0, [$rig]);
        }
        $joints = 0;
        foreach (array_slice($visits, 1) as $i => $rig) {
            $joints += $apart[$visits[$i]][$rig];
        }

        return new self($visits, $joints, false);
    }
}
