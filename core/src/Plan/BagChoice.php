<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

/** What was chosen for each subject, and what that takes. */
final readonly class BagChoice
{
    /**
     * @param  list<int>  $chosen  the place of its option, of each subject
     * @param  array<string, int>  $counts  how many of each item go in, by key, in the order of the items
     */
    private function __construct(
        public array $chosen,
        public array $counts,
        /** g of all whose mass is known. */
        public float $massG,
        /** How many things are packed. */
        public int $parts,
        /** How many rigs are put together. */
        public int $rigs,
        /** What is to be paid for what isn't owned yet. */
        public float $priceToBuy,
        /** Whether nothing less covers all. */
        public bool $optimal,
        /** How far from the least it can be at most, in what was asked for: g, parts, rigs or money; 0 when it is the least. */
        public float $atMostOffBy,
    ) {
    }

    /**
     * @param  array<string, BagItem>  $items
     * @param  list<non-empty-list<BagOption>>  $subjects
     * @param  list<int>  $chosen
     */
    public static function of(array $items, array $subjects, array $chosen, bool $optimal, float $atMostOffBy): self
    {
        $needed = $rigs = [];
        foreach ($chosen as $s => $n) {
            $option = $subjects[$s][$n];
            $rigs[$option->rig] = true;
            foreach ($option->counts as $key => $count) {
                $needed[$key] = max($needed[$key] ?? 0, $count);
            }
        }
        $counts = array_intersect_key(array_replace(array_fill_keys(array_keys($items), 0), $needed), $needed);
        $mass = $price = 0.0;
        foreach ($counts as $key => $count) {
            $mass += $count * ($items[$key]->massG ?? 0.0);
            $price += $count * $items[$key]->priceToBuy;
        }

        return new self($chosen, $counts, $mass, array_sum($counts), count($rigs), $price, $optimal, $atMostOffBy);
    }
}
