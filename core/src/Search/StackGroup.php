<?php

declare(strict_types=1);

namespace ZincThimble\Core\Search;

/** The stacks of one camera that one kind of front assembly can stand on, without the rings it needs itself: columns, the shortest first. */
final class StackGroup
{
    /** Contacts 1, lever 2, latch 4, and whether any ring is there, 8: what the working of an aperture depends on. */
    public const CLASSES = 16;

    /** @var list<int> which set of `Stacks` */
    public readonly array $at;

    /** @var list<float> */
    public readonly array $least;

    /** @var list<float> */
    public readonly array $most;

    /** @var list<float> */
    public readonly array $clear;

    /** @var list<int> */
    public readonly array $joints;

    /** @var list<float> */
    public readonly array $mass;

    /** @var list<float> */
    public readonly array $price;

    /** @var list<int> */
    public readonly array $class;

    /** @var list<int> */
    public readonly array $route;

    /** @var list<float> price of what of it is not owned yet */
    public readonly array $priceToBuy;

    public readonly int $count;

    /** The longest that any can be, mm. */
    public readonly float $longest;

    /** The most that any weighs, g, costs, and costs of what is not owned yet. */
    public readonly float $heaviest;

    public readonly float $dearest;

    public readonly float $dearestToBuy;

    /** @var list<int> the classes that there are */
    private readonly array $classes;

    /** @var array<int, StacksOfClasses> by what working the aperture weighs in each class, two bits a class */
    private array $ofClasses = [];

    /**
     * @param  int  $ends  kinds of end the front assembly goes on, as bits
     * @param  int  $without  rings that stand in the front assembly, as bits
     * @param  int  $with  rings that have to be there
     */
    public function __construct(Stacks $stacks, public readonly int $ends, int $without, int $with = 0)
    {
        $chosen = [];
        foreach ($stacks->set as $i => $set) {
            if (($set & $without) === 0 && ($set & $with) === $with && (($stacks->ends[$i] | $stacks->latched[$i]) & $ends) !== 0) {
                $chosen[$i] = $stacks->least[$i];
            }
        }
        asort($chosen);
        $at = array_keys($chosen);
        $this->at = $at;
        $this->count = count($at);
        $this->least = array_values($chosen);
        $most = $clear = $joints = $mass = $price = $route = [];
        [$mosts, $clears, $jointses, $masses, $prices, $routes] = [$stacks->most, $stacks->clear, $stacks->joints, $stacks->mass, $stacks->price, $stacks->route];
        foreach ($at as $i) {
            $most[] = $mosts[$i];
            $clear[] = $clears[$i];
            $joints[] = $jointses[$i];
            $mass[] = $masses[$i];
            $price[] = $prices[$i];
            $route[] = $routes[$i];
        }
        [$this->most, $this->clear, $this->joints, $this->mass, $this->price, $this->route] = [$most, $clear, $joints, $mass, $price, $route];
        $class = $priceToBuy = [];
        $toBuy = array_filter($stacks->kit->ringPriceToBuy, static fn (float $each): bool => $each > 0.0);
        foreach ($at as $i) {
            $left = 0.0;
            foreach ($toBuy as $r => $each) {
                $left += ($stacks->set[$i] & (1 << $r)) !== 0 ? $each : 0.0;
            }
            $priceToBuy[] = $left;
            $class[] = $stacks->passes[$i] | (($stacks->latched[$i] & $ends) !== 0 ? 4 : 0) | ($stacks->set[$i] === 0 ? 0 : 8);
        }
        $this->class = $class;
        $this->classes = array_values(array_unique($class));
        $this->longest = max([-INF, ...$most]);
        $this->heaviest = max([0.0, ...$mass]);
        $this->dearest = max([0.0, ...$price]);
        $this->dearestToBuy = max([0.0, ...$priceToBuy]);
        $this->priceToBuy = $priceToBuy;
    }

    /** No stack at all. */
    public static function none(Stacks $stacks): self
    {
        return new self($stacks, 0, 0);
    }

    /**
     * Whether any of its stacks is of a class whose aperture can be worked.
     *
     * @param  list<int>  $works  by class; -1 = it can't be
     */
    public function hasAnyOf(array $works): bool
    {
        foreach ($this->classes as $class) {
            if ($works[$class] >= 0) {
                return true;
            }
        }

        return false;
    }

    /**
     * Its stacks of the classes whose aperture can be worked.
     *
     * @param  list<int>  $works  warnings by class, 0 or 1; -1 = it can't be
     */
    public function ofClasses(array $works): StacksOfClasses
    {
        $bits = 0;
        foreach ($works as $how) {
            $bits = $bits << 2 | $how + 1;
        }
        if (! isset($this->ofClasses[$bits])) {
            $rigid = $drawn = [];
            foreach ($this->class as $i => $class) {
                if ($works[$class] < 0) {
                    continue;
                }
                if ($this->least[$i] === $this->most[$i]) {
                    $rigid[] = $i;
                } else {
                    $drawn[] = $i;
                }
            }
            $this->ofClasses[$bits] = new StacksOfClasses($rigid, $drawn);
        }

        return $this->ofClasses[$bits];
    }

    /**
     * Lengths merged where they overlap.
     *
     * @param  list<float>  $least  rising
     * @param  list<float>  $most
     * @return list<array{float, float}>
     */
    public static function union(array $least, array $most): array
    {
        $pairs = [];
        foreach ($least as $i => $from) {
            $last = count($pairs) - 1;
            if ($last >= 0 && $from <= $pairs[$last][1]) {
                $pairs[$last] = [$pairs[$last][0], max($pairs[$last][1], $most[$i])];
            } else {
                $pairs[] = [$from, $most[$i]];
            }
        }

        return $pairs;
    }
}
