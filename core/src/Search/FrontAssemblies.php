<?php

declare(strict_types=1);

namespace ZincThimble\Core\Search;

use ZincThimble\Core\Gear\Afocal;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\CloseUpLens;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Objective;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Port;
use ZincThimble\Core\Gear\Spacer;
use ZincThimble\Core\Joint\Fit;
use ZincThimble\Core\Joint\Mating;

/**
 * Every front assembly that a kit can make: a lens either way round, alone, with one or two close-up lenses, coupled with another
 * lens turned round, or with an objective corrected for infinity; and objectives for a finite tube.
 *
 * Two parts in front of each other are joined at once where they mate, else by one ring, else by two: by every such way, never by
 * more rings than that needs. Two close-up lenses stand with the stronger next to the lens, or the other way round where
 * only that can be screwed together.
 */
final class FrontAssemblies
{
    /** Rings that lead from one thread to another. */
    private const LEADS = [Kind::Adapter, Kind::StepRing, Kind::CouplingRing, Kind::ReversingRing];

    /** How many front assemblies there may be: what more lenses and close-up lenses would make is left out, and said. */
    public const MOST = 10_000;

    private Camera $nobody;

    /** @var list<FrontAssembly> */
    private array $fronts = [];

    /** Rings that may stand between wet glasses. */
    private const WET_LEADS = [Kind::Adapter, Kind::StepRing];

    /** Whether what is joined now stands before a port. */
    private bool $wet = false;

    private function __construct(private readonly SearchKit $kit, private readonly int $most, private readonly Budget $budget)
    {
        // Mating asks for a camera only where nothing stands behind.
        $this->nobody = $kit->cameras[0];
    }

    /**
     * @param  int  $most  parts that a front assembly may have, its rings counted
     * @param  bool  $underWater  only what stands behind a port: with wet glasses before it, up to two
     * @return list<FrontAssembly> those of fewer parts first
     */
    public static function of(SearchKit $kit, int $most = PHP_INT_MAX, ?Budget $budget = null, bool $underWater = false): array
    {
        if ($kit->cameras === []) {
            return [];
        }
        $fronts = new self($kit, $most, $budget ?? Budget::endless());
        if ($underWater) {
            return $fronts->underWater();
        }
        foreach ($kit->ofClass(Objective::class) as $i => $objective) {
            if (! $objective->infinite) {
                $fronts->fronts[] = new FrontAssembly([$objective], 0, $kit->priceToBuy[$i]);
            }
        }
        // The plain ones first: where there is no room for all, what is left out is the most built up.
        $alone = [];
        foreach ($kit->ofClass(Lens::class) as $i => $lens) {
            foreach ([$lens, $kit->turned[$i]] as $way) {
                $alone[] = [$i, $fronts->fronts[] = new FrontAssembly([$way], 0, $kit->priceToBuy[$i])];
            }
        }
        $single = [];
        foreach ($alone as $n => [$i, $front]) {
            $single[$n] = $fronts->withOne($i, $front);
        }
        foreach ($most < 3 ? [] : $single as $closeUps) {
            $fronts->withTwo($closeUps);
        }
        usort($fronts->fronts, static fn (FrontAssembly $a, FrontAssembly $b): int => count($a->parts) <=> count($b->parts));

        return $fronts->fronts;
    }

    /** @return list<FrontAssembly> a lens the usual way round behind a port, alone and with what is screwed to it in the water */
    private function underWater(): array
    {
        $behind = [];
        foreach ($this->kit->ofClass(Lens::class) as $i => $lens) {
            foreach ($this->kit->ofClass(Port::class) as $p => $port) {
                array_push($behind, ...$this->joined(new FrontAssembly([$lens], 0, $this->kit->priceToBuy[$i]), $port, $this->kit->priceToBuy[$p]));
            }
        }
        $this->wet = true;
        $this->fronts = $behind;
        foreach ($behind as $front) {
            $single = [];
            foreach ($this->kit->ofClass(CloseUpLens::class) as $j => $closeUp) {
                if ($this->goesOn()) {
                    $single[$j] = $this->joined($front, $closeUp, $this->kit->priceToBuy[$j]);
                    array_push($this->fronts, ...$single[$j]);
                }
            }
            foreach ($this->kit->ofClass(Afocal::class) as $j => $converter) {
                if ($this->goesOn()) {
                    array_push($this->fronts, ...$this->joined($front, $converter, $this->kit->priceToBuy[$j]));
                }
            }
            $this->withTwo($single);
        }
        usort($this->fronts, static fn (FrontAssembly $a, FrontAssembly $b): int => count($a->parts) <=> count($b->parts));

        return $this->fronts;
    }

    /** How many there can be at the most, whatever the joints: what a search is given its room by. */
    public static function atMost(SearchKit $kit): int
    {
        $lenses = count($kit->ofClass(Lens::class));
        $closeUps = count($kit->ofClass(CloseUpLens::class));
        $objectives = count($kit->ofClass(Objective::class));

        return 2 * $lenses * (1 + $closeUps + intdiv($closeUps * ($closeUps + 1), 2)) + $lenses * $lenses + $objectives * ($lenses + 1);
    }

    /** Whether there is room and time for more. */
    private function goesOn(): bool
    {
        return count($this->fronts) < self::MOST && ! $this->budget->spent();
    }

    /**
     * One close-up lens, another lens turned round or an objective in front.
     *
     * @return array<int, list<FrontAssembly>> those with a close-up lens, by which
     */
    private function withOne(int $i, FrontAssembly $alone): array
    {
        $single = [];
        foreach ($this->kit->ofClass(CloseUpLens::class) as $j => $closeUp) {
            if (! $this->goesOn()) {
                return $single;
            }
            $single[$j] = $this->joined($alone, $closeUp, $this->kit->priceToBuy[$j]);
            array_push($this->fronts, ...$single[$j]);
        }
        if ($alone->lens()?->reversed === true) {
            return $single;
        }
        foreach ($this->kit->turned as $j => $other) {
            if (($i !== $j || $this->kit->counts[$i] > 1) && $this->goesOn()) {
                array_push($this->fronts, ...$this->joined($alone, $other, $this->kit->priceToBuy[$j]));
            }
        }
        foreach ($this->kit->ofClass(Objective::class) as $j => $objective) {
            if ($objective->infinite && $this->goesOn()) {
                array_push($this->fronts, ...$this->joined($alone, $objective, $this->kit->priceToBuy[$j]));
            }
        }

        return $single;
    }

    /** @param  array<int, list<FrontAssembly>>  $single  a lens with each close-up lens */
    private function withTwo(array $single): void
    {
        foreach ($this->kit->ofClass(CloseUpLens::class) as $j => $one) {
            foreach ($this->kit->ofClass(CloseUpLens::class) as $k => $two) {
                if ($k < $j || ($k === $j && $this->kit->counts[$j] < 2)) {
                    continue;
                }
                if (! $this->goesOn()) {
                    return;
                }
                [$near, $far] = $two->powerD > $one->powerD ? [$k, $j] : [$j, $k];
                $pairs = $this->pairs($single[$near] ?? [], $far);
                array_push($this->fronts, ...($pairs === [] ? $this->pairs($single[$far] ?? [], $near) : $pairs));
            }
        }
    }

    /**
     * @param  list<FrontAssembly>  $behind
     * @return list<FrontAssembly>
     */
    private function pairs(array $behind, int $far): array
    {
        $part = $this->kit->parts[$far];
        $pairs = [];
        foreach ($behind as $front) {
            array_push($pairs, ...$this->joined($front, $part, $this->kit->priceToBuy[$far]));
        }

        return $pairs;
    }

    /**
     * A part put on others by as few rings as that needs, by every such way.
     *
     * @param  float  $priceToBuy  price of the part if it is not owned yet
     * @return list<FrontAssembly>
     */
    private function joined(FrontAssembly $onto, Part $part, float $priceToBuy): array
    {
        $behind = $onto->parts;
        $used = $onto->rings;
        $priceToBuy += $onto->priceToBuy;
        $prices = $this->kit->ringPriceToBuy;
        $last = $behind[count($behind) - 1];
        $room = $this->most - count($behind) - 1;
        if ($room < 0) {
            return [];
        }
        if (Mating::of($this->nobody, $last, $part) === Fit::Mates) {
            return [new FrontAssembly([...$behind, $part], $used, $priceToBuy)];
        }
        if ($part->identity->rear->joints === [] || $room < 1) {
            return [];
        }
        $one = $two = [];
        foreach ($this->leads($last, $used) as $a => $first) {
            if (Mating::of($this->nobody, $first, $part) === Fit::Mates) {
                $one[] = new FrontAssembly([...$behind, $first, $part], $used | 1 << $a, $priceToBuy + $prices[$a]);
            } elseif ($one === [] && $room > 1) {
                foreach ($this->leads($first, $used | 1 << $a) as $b => $second) {
                    if (Mating::of($this->nobody, $second, $part) === Fit::Mates) {
                        // The same two the other way round are the same rings.
                        $two[$used | 1 << $a | 1 << $b] ??= new FrontAssembly([...$behind, $first, $second, $part], $used | 1 << $a | 1 << $b, $priceToBuy + $prices[$a] + $prices[$b]);
                    }
                }
            }
        }

        return $one === [] ? array_values($two) : $one;
    }

    /**
     * Rings that go on a part, by their bit. Of several copies the last that is free: stacks take the first.
     *
     * @return array<int, Spacer>
     */
    private function leads(Part $behind, int $used): array
    {
        $leads = [];
        foreach ($this->kit->rings as $i => $ring) {
            if ($ring instanceof Spacer && in_array($ring->kind, $this->wet ? self::WET_LEADS : self::LEADS, true) && ($used & (1 << $i)) === 0
                && (! ($this->kit->copies[$i + 1] ?? false) || ($used & (1 << ($i + 1))) !== 0)
                && Mating::of($this->nobody, $behind, $ring) === Fit::Mates) {
                $leads[$i] = $ring;
            }
        }

        return $leads;
    }
}
