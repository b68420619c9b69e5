<?php

declare(strict_types=1);

namespace ZincThimble\Core\Outing;

use ZincThimble\Core\Plan\BagChoice;
use ZincThimble\Core\Plan\BagItem;
use ZincThimble\Core\Plan\RigOrder;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Search\PurchaseSuggestion;

/** What was found for an outing: which rig for which subject, in which order, and what goes into the bag. */
final readonly class OutingPlan
{
    /**
     * @param  list<Assignment>  $assignments  one for each subject, in their order
     * @param  list<PlannedRig>  $rigs  by letter
     * @param  list<Visit>  $visits  in their order
     * @param  list<PackedItem>  $bag  in the order of the kit
     * @param  list<string>  $leftOut  what was not looked at, in words; empty = nothing
     */
    private function __construct(
        public array $assignments,
        public array $rigs,
        public array $visits,
        public array $bag,
        /** g of all whose mass is known. */
        public float $massG,
        /** How many things are packed. */
        public int $parts,
        /** Joints undone and made from the first rig to the last. */
        public int $joints,
        /** Whether nothing less covers all subjects, of what was looked at. */
        public bool $optimal,
        /** How far from the least it can be at most, in what was asked for. */
        public float $atMostOffBy,
        /** Whether no order of the rigs undoes fewer joints. */
        public bool $orderOptimal,
        public array $leftOut,
    ) {
    }

    /**
     * @param  list<WantedSubject>  $subjects
     * @param  array<int, SubjectOption>  $options  by subject
     * @param  array<string, BagItem>  $items
     * @param  array{RigOrder, list<string>}  $order  and the rigs it speaks of
     * @param  array<int, BagChoice>  $less
     * @param  array<int, list<PurchaseSuggestion>>  $buying
     * @param  list<string>  $leftOut
     */
    public static function of(KitKeys $keys, array $subjects, array $options, array $items, BagChoice $bag, array $order, array $less, array $buying, array $leftOut): self
    {
        $letters = $rigs = [];
        foreach ($options as $option) {
            $rig = $option->takes->rig;
            if (! isset($letters[$rig])) {
                $letters[$rig] = self::letter(count($letters));
                $rigs[] = new PlannedRig($letters[$rig], [
                    KitKeys::label($option->candidate->rig->camera), ...array_map(KitKeys::label(...), $option->candidate->rig->chain),
                ]);
            }
        }
        $assignments = [];
        foreach ($subjects as $s => $subject) {
            $option = $options[$s] ?? null;
            $assignments[] = new Assignment(
                subject: $subject,
                letter: $option === null ? null : $letters[$option->takes->rig],
                rig: $option === null ? null : self::asSet($subject, $option),
                warnings: $option->candidate->warnings ?? [],
                without: $less[$s] ?? null,
                buying: $buying[$s] ?? [],
            );
        }
        // What is packed is what the chosen rigs take, which is no more than the least.
        $packed = self::packed($options);
        $counted = array_intersect_key($packed, $items);

        return new self(
            assignments: $assignments,
            rigs: $rigs,
            visits: self::visits($keys, $subjects, $options, $letters, $order),
            bag: self::lines($keys, $subjects, $options, $items, $counted),
            massG: array_sum(array_map(static fn (string $key): float => $counted[$key] * ($items[$key]->massG ?? 0.0), array_keys($counted))),
            parts: array_sum($counted),
            joints: $order[0]->joints,
            optimal: $bag->optimal,
            atMostOffBy: $bag->atMostOffBy,
            orderOptimal: $order[0]->optimal,
            leftOut: $leftOut,
        );
    }

    /** A, B … Z, AA, AB … */
    private static function letter(int $n): string
    {
        return ($n >= 26 ? self::letter(intdiv($n, 26) - 1) : '').chr(65 + $n % 26);
    }

    /** The rig before its subject, under the name of both, with what is planned of light and shots where nobody has planned otherwise. */
    private static function asSet(WantedSubject $subject, SubjectOption $option): Rig
    {
        $rig = $option->candidate->rig;
        $conditions = $rig->conditions;
        $plan = $option->accessories->plan();
        if ($plan !== [] && ! $conditions->document->has('plan')) {
            $conditions = $conditions->with(['plan' => $plan]);
        }

        return Rig::of($rig->camera, $rig->chain, $rig->setting, $conditions, $subject->whole(), $subject->name, $rig->extra);
    }

    /**
     * @param  array<int, SubjectOption>  $options
     * @return array<string, int>
     */
    private static function packed(array $options): array
    {
        $packed = [];
        foreach ($options as $option) {
            foreach ($option->takes->counts as $key => $count) {
                $packed[$key] = max($packed[$key] ?? 0, $count);
            }
        }

        return $packed;
    }

    /**
     * @param  list<WantedSubject>  $subjects
     * @param  array<int, SubjectOption>  $options
     * @param  array<string, BagItem>  $items
     * @param  array<string, int>  $counted
     * @return list<PackedItem>
     */
    private static function lines(KitKeys $keys, array $subjects, array $options, array $items, array $counted): array
    {
        $lines = [];
        foreach ($items as $key => $item) {
            if (! isset($counted[$key])) {
                continue;
            }
            $for = [];
            foreach ($options as $s => $option) {
                if (isset($option->takes->counts[$key])) {
                    $for[] = $subjects[$s]->name;
                }
            }
            $lines[] = new PackedItem($keys->id($key), $item->name, $counted[$key], $item->massG, isset($keys->counts[$key]) && $keys->counts[$key] < 1, $for);
        }

        return $lines;
    }

    /**
     * @param  list<WantedSubject>  $subjects
     * @param  array<int, SubjectOption>  $options
     * @param  array<string, string>  $letters
     * @param  array{RigOrder, list<string>}  $order
     * @return list<Visit>
     */
    private static function visits(KitKeys $keys, array $subjects, array $options, array $letters, array $order): array
    {
        [$order, $names] = $order;
        $timed = array_filter(array_keys($options), static fn (int $s): bool => $subjects[$s]->at !== null);
        usort($timed, static fn (int $a, int $b): int => [$subjects[$a]->at, $a] <=> [$subjects[$b]->at, $b]);
        $free = array_values(array_diff(array_keys($options), $timed));
        $visits = [];
        $before = [];
        foreach ($order->visits as $rig) {
            $name = $names[$rig];
            $now = [];
            // Those with a time in its order: as far as they are done with this rig, one after the other.
            while ($timed !== [] && $options[$timed[0]]->takes->rig === $name) {
                $now[] = array_shift($timed);
            }
            foreach ($free as $n => $s) {
                if ($options[$s]->takes->rig === $name) {
                    $now[] = $s;
                    unset($free[$n]);
                }
            }
            if ($now === []) {
                continue;
            }
            $joints = $options[$now[0]]->joints($keys);
            $visits[] = new Visit($letters[$name], $now, self::more($before, $joints), self::more($joints, $before));
            $before = $joints;
        }

        return $visits;
    }

    /**
     * @param  array<string, int>  $one
     * @param  array<string, int>  $other
     */
    private static function more(array $one, array $other): int
    {
        $more = 0;
        foreach ($one as $joint => $count) {
            $more += max(0, $count - ($other[$joint] ?? 0));
        }

        return $more;
    }
}
