<?php

declare(strict_types=1);

namespace ZincThimble\Core\Search;

/** The stacks of a group whose aperture can be worked as is wanted, the shortest first: the same few choices are asked for again and again. */
final class StacksOfClasses
{
    /** @var array<array-key, list<float>> by what a joint weighs */
    private array $weights = [];

    /**
     * @param  list<int>  $rigid  stacks of one length
     * @param  list<int>  $drawn  stacks that are drawn out
     */
    public function __construct(public readonly array $rigid, public readonly array $drawn)
    {
    }

    /**
     * The first of one length that is no shorter than that.
     *
     * @param  list<float>  $least  by stack
     */
    public function from(float $mm, array $least): int
    {
        $from = 0;
        $to = count($this->rigid);
        while ($from < $to) {
            $middle = ($from + $to) >> 1;
            if ($least[$this->rigid[$middle]] < $mm) {
                $from = $middle + 1;
            } else {
                $to = $middle;
            }
        }

        return $from;
    }

    /**
     * What each stack of the group weighs by its joints and by how the aperture is worked through it.
     *
     * @param  list<int>  $works  warnings by class
     * @param  float  $each  what a joint weighs
     * @return list<float> by stack
     */
    public function weights(StackGroup $group, array $works, float $each): array
    {
        return $this->weights[(string) $each] ??= array_map(static fn (int $class, int $joints): float => $works[$class] * 1e4 + $each * $joints, $group->class, $group->joints);
    }
}
