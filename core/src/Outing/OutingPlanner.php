<?php

declare(strict_types=1);

namespace ZincThimble\Core\Outing;

use ZincThimble\Core\Finding\Finding;
use ZincThimble\Core\Finding\Findings;
use ZincThimble\Core\Finding\Severity;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\Item;
use ZincThimble\Core\Gear\Kit;
use ZincThimble\Core\Plan\Bag;
use ZincThimble\Core\Plan\BagChoice;
use ZincThimble\Core\Plan\BagGoal;
use ZincThimble\Core\Plan\BagItem;
use ZincThimble\Core\Plan\BagOption;
use ZincThimble\Core\Plan\RigOrder;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Search\Budget;
use ZincThimble\Core\Search\Candidate;
use ZincThimble\Core\Search\PurchaseSuggestion;
use ZincThimble\Core\Search\Ranking;
use ZincThimble\Core\Search\Route;
use ZincThimble\Core\Search\Search;
use ZincThimble\Core\Search\SearchKit;

/**
 * What to take along, and in which order to put it together (OPTICS.md, "An outing").
 *
 * First each subject is asked of the kit, as Find does. Of the rigs that are hardly more trouble than the best, the bag with the least is
 * taken, exactly; then, with what is in that bag, the fewest rigs; then their order. Whatever somebody has decided stands.
 */
final class OutingPlanner
{
    /** A rig that is so much more trouble than the best for its subject is none that anybody takes along for its grams: one thorn (Weight). */
    public const TROUBLE = 1.0;

    /** Rigs of one subject that are read. */
    private const READ = 200;

    /** Rigs of one subject that are looked at for the bag. */
    private const OPTIONS = 60;

    /** And for the fewest rigs out of a bag. */
    private const WITHIN = 120;

    /** Seconds that the least bag may take (OPTICS.md). */
    private const BAG_S = 1.0;

    /** And the fewest rigs out of it. */
    private const WITHIN_S = 0.3;

    /** And all bags without one of the subjects. */
    private const LESS_S = 0.6;

    /** @var array<string, Search> by what stays at home */
    private array $searches = [];

    /** @var list<string> */
    private array $leftOut = [];

    private function __construct(
        private readonly Kit $kit,
        private readonly KitKeys $keys,
        private readonly Conditions $conditions,
        private readonly Budget $budget,
    ) {
    }

    /**
     * @param  list<WantedSubject>  $subjects
     * @param  Conditions  $conditions  what rigs are read under: the light and the surroundings of the day
     * @param  string  $id  the field by which a thing of the kit says which one it is; `id` in files
     */
    public static function plan(Kit $kit, array $subjects, Conditions $conditions, BagGoal $goal = BagGoal::Mass, ?Budget $budget = null, string $id = 'id'): OutingPlan
    {
        return (new self($kit, KitKeys::of($kit, $id), $conditions, $budget ?? Budget::endless()))->of($subjects, $goal);
    }

    /** @param  list<WantedSubject>  $subjects */
    private function of(array $subjects, BagGoal $goal): OutingPlan
    {
        $good = $missing = [];
        foreach ($subjects as $s => $subject) {
            $options = $this->options($subject);
            if ($options === []) {
                $missing[$s] = $subject;
            } else {
                $good[$s] = $options;
            }
        }
        $items = $this->items($good);
        $asked = array_keys($good);
        $bags = array_map(fn (array $options): array => self::fewest($options, $items), array_values($good));
        $time = $this->budget->share(0.6);
        $bagTime = Budget::of(self::BAG_S);
        $bag = Bag::of($items, self::takes($bags), $goal, static fn (): bool => $bagTime->isSpent() || $time->isSpent());
        $chosen = $this->withinBag($bag, array_values($good), array_map(static fn (array $options, int $n): SubjectOption => $options[$n], $bags, $bag->chosen));
        $less = [];
        $over = Budget::of(self::LESS_S);
        foreach ($asked as $n => $s) {
            if (count($bags) > 1 && ! $over->isSpent() && ! $this->budget->isSpent()) {
                $others = $bags;
                unset($others[$n]);
                $stop = Budget::of(self::LESS_S / 3.0);
                $less[$s] = Bag::of($items, self::takes(array_values($others)), $goal, $stop->isSpent(...));
            }
        }
        $buying = [];
        foreach ($missing as $s => $subject) {
            if (! $this->budget->isSpent()) {
                $buying[$s] = PurchaseSuggestion::of(SearchKit::of($this->kitFor($subject)), $this->conditions, $subject->wanted, $this->budget->share(0.5));
            }
        }

        return OutingPlan::of(
            keys: $this->keys,
            subjects: $subjects,
            options: array_combine($asked, $chosen),
            items: $items,
            bag: $bag,
            order: $this->order($subjects, array_combine($asked, $chosen)),
            less: $less,
            buying: $buying,
            leftOut: array_values(array_unique($this->leftOut)),
        );
    }

    /** @return list<SubjectOption> what would do for a subject, the best first */
    private function options(WantedSubject $subject): array
    {
        $away = [];
        foreach ($subject->without as $name) {
            $key = $this->keys->named($name);
            if ($key !== null) {
                $away[$key] = true;
            }
        }
        if ($subject->pinned !== null) {
            $candidate = self::pinned($subject->pinned->withSubject($subject->whole()));

            return [SubjectOption::of($this->keys, $candidate, Accessories::of($this->keys, $subject, $candidate, $away))];
        }
        if ($this->budget->isSpent()) {
            $this->leftOut[] = 'rigs for '.$subject->name.': there was no time for them';

            return [];
        }
        $found = $this->search($subject)->ask($subject->wanted, self::READ);
        array_push($this->leftOut, ...$found->leftOut);
        $least = array_reduce($found->each, static fn (float $least, Candidate $each): float => min($least, self::trouble($each, $subject)), INF);
        $options = [];
        foreach ($found->each as $candidate) {
            if (self::trouble($candidate, $subject) <= $least + self::TROUBLE) {
                $options[] = SubjectOption::of($this->keys, $candidate, Accessories::of($this->keys, $subject, $candidate, $away));
            }
        }

        return $options;
    }

    /** What its warnings and joints weigh: first in the rank by ease, second in every other. */
    private static function trouble(Candidate $candidate, WantedSubject $subject): float
    {
        return $candidate->rank[$subject->wanted->ranking === Ranking::Ease ? 0 : 1] ?? 0.0;
    }

    private static function pinned(Rig $rig): Candidate
    {
        $reading = Reading::of($rig);
        $warnings = array_values(array_filter(Findings::asSet($rig, $reading), static fn (Finding $finding): bool => $finding->severity !== Severity::Stop));

        return new Candidate($rig, $reading, Route::Plain, $warnings, []);
    }

    private function kitFor(WantedSubject $subject): Kit
    {
        $away = array_filter(array_map($this->keys->named(...), $subject->without));

        return $away === [] ? $this->kit : $this->kit->only(fn (Camera|Item $thing): bool => ! in_array($this->keys->keyOf($thing), $away, true));
    }

    private function search(WantedSubject $subject): Search
    {
        $without = $subject->without;
        sort($without);
        $key = implode("\n", $without).($subject->wanted->mostMissingPrice === null ? '' : "\nbuying");

        return $this->searches[$key] ??= Search::of(SearchKit::of($this->kitFor($subject), $subject->wanted->mostMissingPrice !== null), $this->conditions, $this->budget->share(0.75));
    }

    /**
     * Everything that some rig would take.
     *
     * @param  array<int, non-empty-list<SubjectOption>>  $good
     * @return array<string, BagItem>
     */
    private function items(array $good): array
    {
        $items = [];
        foreach ($this->keys->things as $key => $thing) {
            $price = $thing instanceof Camera ? $thing->price : $thing->identity->price;
            $items[$key] = new BagItem(KitKeys::label($thing), $thing instanceof Camera ? $thing->massG : $thing->identity->massG, $this->keys->counts[$key] > 0 ? 0.0 : $price ?? 0.0);
        }
        foreach ($good as $options) {
            foreach ($options as $option) {
                foreach ([$option->candidate->rig->camera, ...$option->candidate->rig->chain] as $thing) {
                    if ($this->keys->keyOf($thing) === null) {
                        $items[SubjectOption::foreign($thing)] = new BagItem(KitKeys::label($thing), $thing instanceof Camera ? $thing->massG : $thing->identity->massG);
                    }
                }
            }
        }

        return $items;
    }

    /**
     * The options of one subject that weigh least, each lot of parts once.
     *
     * @param  non-empty-list<SubjectOption>  $options
     * @param  array<string, BagItem>  $items
     * @return non-empty-list<SubjectOption>
     */
    private static function fewest(array $options, array $items): array
    {
        $once = [];
        foreach ($options as $option) {
            $lot = $option->takes->counts;
            ksort($lot);
            $once[json_encode($lot, JSON_THROW_ON_ERROR)] ??= $option;
        }
        if (count($once) <= self::OPTIONS) {
            return array_values($once);
        }
        $mass = static function (SubjectOption $option) use ($items): float {
            $sum = 0.0;
            foreach ($option->takes->counts as $key => $count) {
                $sum += $count * ($items[$key]->massG ?? 0.0);
            }

            return $sum;
        };
        $masses = array_map($mass, $once);
        asort($masses);
        $kept = array_slice(array_keys($masses), 0, self::OPTIONS);

        return array_map(static fn (string $lot): SubjectOption => $once[$lot], $kept);
    }

    /**
     * @param  list<non-empty-list<SubjectOption>>  $options
     * @return list<non-empty-list<BagOption>>
     */
    private static function takes(array $options): array
    {
        return array_map(static fn (array $each): array => array_map(static fn (SubjectOption $option): BagOption => $option->takes, $each), $options);
    }

    /**
     * With what is packed: the fewest rigs, and of these the ones that Find would rank first.
     *
     * @param  list<non-empty-list<SubjectOption>>  $all
     * @param  list<SubjectOption>  $chosen
     * @return list<SubjectOption>
     */
    private function withinBag(BagChoice $bag, array $all, array $chosen): array
    {
        $ranks = $subjects = $options = [];
        foreach ($all as $s => $each) {
            $fits = [$chosen[$s]];
            foreach ($each as $option) {
                foreach ($option->takes->counts as $key => $count) {
                    if ($count > ($bag->counts[$key] ?? 0)) {
                        continue 2;
                    }
                }
                $fits[] = $option;
                if (count($fits) > self::WITHIN) {
                    break;
                }
            }
            $takes = [];
            foreach ($fits as $n => $option) {
                $place = array_search($option, $each, true);
                $ranks[$s.' '.$n] = new BagItem('', is_int($place) ? $place / 10.0 : 0.0);
                $takes[] = new BagOption([$s.' '.$n => 1], $option->takes->rig);
            }
            $subjects[] = $takes;
            $options[] = $fits;
        }
        $time = Budget::of(self::WITHIN_S);
        $best = Bag::of($ranks, $subjects, BagGoal::Rigs, $time->isSpent(...));

        return array_map(static fn (array $fits, int $n): SubjectOption => $fits[$n], $options, $best->chosen);
    }

    /**
     * @param  list<WantedSubject>  $subjects
     * @param  array<int, SubjectOption>  $options
     * @return array{RigOrder, list<string>} and the rigs it speaks of
     */
    private function order(array $subjects, array $options): array
    {
        $rigs = [];
        foreach ($options as $option) {
            $rigs[$option->takes->rig] ??= $option->joints($this->keys);
        }
        $names = array_map(strval(...), array_keys($rigs));
        $times = [];
        foreach ($options as $s => $option) {
            $at = $subjects[$s]->at;
            if ($at !== null) {
                $times[] = [$at->getTimestamp(), $s, (int) array_search($option->takes->rig, $names, true)];
            }
        }
        sort($times);

        return [RigOrder::of(array_values($rigs), array_map(static fn (array $time): int => $time[2], $times)), $names];
    }
}
