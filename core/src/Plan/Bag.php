<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

/**
 * The least that covers all subjects (OPTICS.md, "An outing"): of the options of each subject one is chosen, so that what all of them take
 * is least. An item that two of them take goes in once, as often as the more demanding of the two needs it, since one is taken apart
 * before the other is made.
 *
 * Exact, by branch and bound: a subject that isn't decided yet costs at least what its cheapest option adds, where each item that isn't
 * in the bag is paid for in equal shares by all undecided subjects that could use it.
 */
final class Bag
{
    /** Tenths of a gram in a gram: masses are told apart as finely as that. */
    private const TENTHS = 10;

    /** Scores of a tenth of a gram, a part and a rig: each weighs more than all that decides between equals after it. */
    private const MASS = 20_000;

    private const PART = 100;

    private const RIG = 1;

    /** And where something else is asked for first: a part, a rig, a hundredth of money. */
    private const FIRST_PART = 100_000_000_000;

    private const FIRST_RIG = 10_000_000_000_000;

    private const FIRST_HUNDREDTH = 10_000_000_000;

    /** Hundredths that one item may cost: more counts as this much. */
    private const MOST_HUNDREDTHS = 20_000_000;

    private int $best = PHP_INT_MAX;

    /** @var list<int> */
    private array $chosen = [];

    private int $openBound = PHP_INT_MAX;

    private bool $stopped = false;

    private int $nodes = 0;

    /**
     * @param  array<string, int>  $weights  score of each further one of an item
     * @param  list<array<int, array<string, int>>>  $options  counts by item, of each subject by its option's place in what was given
     * @param  \Closure(): bool  $isSpent
     */
    private function __construct(private readonly array $weights, private readonly array $options, private readonly \Closure $isSpent)
    {
    }

    /**
     * @param  array<string, BagItem>  $items  by key
     * @param  list<non-empty-list<BagOption>>  $subjects  of each subject, what would do
     * @param  (\Closure(): bool)|null  $isSpent  asked now and then whether time is up; null = never
     */
    public static function of(array $items, array $subjects, BagGoal $goal, ?\Closure $isSpent = null): BagChoice
    {
        $weights = [];
        foreach ($items as $key => $item) {
            $weights[$key] = self::score($goal, $item);
        }
        $options = [];
        foreach ($subjects as $subject) {
            $counted = [];
            foreach ($subject as $n => $option) {
                $counts = $option->counts;
                $counts["\0".$option->rig] = 1;
                $counted[$n] = $counts;
                $weights["\0".$option->rig] = $goal === BagGoal::Rigs ? self::FIRST_RIG : self::RIG;
            }
            $options[] = self::withoutBeaten($counted, $weights);
        }
        $bag = new self($weights, $options, $isSpent ?? static fn (): bool => false);
        $bag->choose([], array_keys($options), 0, []);
        $off = $bag->stopped ? max(0, $bag->best - min($bag->best, $bag->openBound)) : 0;

        return BagChoice::of($items, $subjects, $bag->chosen, ! $bag->stopped || $off === 0, self::inUnitsOf($goal, $off));
    }

    /** What one more of an item counts for. */
    private static function score(BagGoal $goal, BagItem $item): int
    {
        $tenths = (int) round(($item->massG ?? 0.0) * self::TENTHS);

        $usual = $tenths * self::MASS + self::PART;

        return match ($goal) {
            BagGoal::Mass, BagGoal::Rigs => $usual,
            BagGoal::Parts => $usual + self::FIRST_PART,
            BagGoal::Price => $usual + min(self::MOST_HUNDREDTHS, (int) round($item->priceToBuy * 100.0)) * self::FIRST_HUNDREDTH,
        };
    }

    /** A difference of scores in grams, parts, rigs or money: what decides between equals may make it one unit too high, never too low. */
    private static function inUnitsOf(BagGoal $goal, int $score): float
    {
        return match ($goal) {
            BagGoal::Mass => ceil($score / self::MASS) / self::TENTHS,
            BagGoal::Parts => ceil($score / self::FIRST_PART),
            BagGoal::Rigs => ceil($score / self::FIRST_RIG),
            BagGoal::Price => ceil($score / self::FIRST_HUNDREDTH) / 100.0,
        };
    }

    /**
     * An option that takes all another takes is never better than that one. The cheapest first: a good bag is found early.
     *
     * @param  array<int, array<string, int>>  $options
     * @param  array<string, int>  $weights
     * @return array<int, array<string, int>>
     */
    private static function withoutBeaten(array $options, array $weights): array
    {
        $costs = [];
        foreach ($options as $n => $counts) {
            $costs[$n] = self::sum($counts, $weights);
        }
        asort($costs);
        $kept = [];
        foreach (array_keys($costs) as $n) {
            foreach ($kept as $other) {
                if (self::holds($options[$n], $other)) {
                    continue 2;
                }
            }
            $kept[$n] = $options[$n];
        }

        return $kept;
    }

    /**
     * @param  array<string, int>  $counts
     * @param  array<string, int>  $other
     */
    private static function holds(array $counts, array $other): bool
    {
        foreach ($other as $key => $count) {
            if (($counts[$key] ?? 0) < $count) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  array<string, int>  $counts
     * @param  array<string, int>  $weights
     */
    private static function sum(array $counts, array $weights): int
    {
        $sum = 0;
        foreach ($counts as $key => $count) {
            $sum += $count * $weights[$key];
        }

        return $sum;
    }

    /**
     * @param  array<string, int>  $bag  how many of each item are in it
     * @param  list<int>  $open  subjects that aren't decided yet
     * @param  array<int, int>  $chosen  option by subject
     */
    private function choose(array $bag, array $open, int $cost, array $chosen): void
    {
        if ($open === []) {
            if ($cost < $this->best) {
                $this->best = $cost;
                ksort($chosen);
                $this->chosen = array_values($chosen);
            }

            return;
        }
        // A first bag is always found: time is only looked at once there is one.
        if ($this->chosen !== [] && (++$this->nodes & 15) === 0 && ! $this->stopped && ($this->isSpent)()) {
            $this->stopped = true;
        }
        [$bound, $subject, $added] = $this->bound($bag, $open, $cost);
        if ($this->stopped) {
            $this->openBound = min($this->openBound, $bound);

            return;
        }
        if ($bound >= $this->best) {
            return;
        }
        asort($added);
        $rest = array_values(array_diff($open, [$subject]));
        foreach ($added as $n => $more) {
            if ($cost + $more >= $this->best) {
                break;
            }
            $with = $bag;
            foreach ($this->options[$subject][$n] as $key => $count) {
                $with[$key] = max($with[$key] ?? 0, $count);
            }
            $this->choose($with, $rest, $cost + $more, [$subject => $n] + $chosen);
        }
    }

    /**
     * @param  array<string, int>  $bag
     * @param  non-empty-list<int>  $open
     * @return array{int, int, array<int, int>} what the whole costs at least; the subject that adds most for certain, and what each of its options adds
     */
    private function bound(array $bag, array $open, int $cost): array
    {
        // How many undecided subjects could use the second, third … of an item that isn't there.
        $users = [];
        foreach ($open as $s) {
            $most = [];
            foreach ($this->options[$s] as $counts) {
                foreach ($counts as $key => $count) {
                    if ($count > ($most[$key] ?? 0)) {
                        $most[$key] = $count;
                    }
                }
            }
            foreach ($most as $key => $count) {
                for ($n = ($bag[$key] ?? 0) + 1; $n <= $count; $n++) {
                    $users[$key][$n] = ($users[$key][$n] ?? 0) + 1;
                }
            }
        }
        $shares = 0.0;
        $single = 0;
        $subject = $open[0];
        $chosen = [];
        $hardest = -1;
        foreach ($open as $s) {
            $leastShare = INF;
            $least = PHP_INT_MAX;
            $added = [];
            foreach ($this->options[$s] as $o => $counts) {
                $share = 0.0;
                $more = 0;
                foreach ($counts as $key => $count) {
                    $has = $bag[$key] ?? 0;
                    for ($n = $has + 1; $n <= $count; $n++) {
                        $more += $this->weights[$key];
                        $share += $this->weights[$key] / ($users[$key][$n] ?? 1);
                    }
                }
                $added[$o] = $more;
                $leastShare = min($leastShare, $share);
                $least = min($least, $more);
            }
            $shares += $leastShare;
            $single = max($single, $least);
            if ($least > $hardest) {
                [$hardest, $subject, $chosen] = [$least, $s, $added];
            }
        }

        // Scores of up to 2^53 are exact; above that a share may be a few too high.
        return [$cost + max($single, (int) floor($shares * (1.0 - 1e-12)) - 1), $subject, $chosen];
    }
}
