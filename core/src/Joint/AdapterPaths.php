<?php

declare(strict_types=1);

namespace ZincThimble\Core\Joint;

use ZincThimble\Core\Gear\JointEnd;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Spacer;

/**
 * The shortest way from one joint to another through the rings of a kit: fewest parts, then shortest (mm), then cheapest.
 *
 * A best way never comes to the same ring twice, so each ring is a place on a map and the way is found by Dijkstra's
 * algorithm over it, with the three measures compared in that order.
 */
final class AdapterPaths
{
    /** Kinds that join two standards without doing anything else. */
    private const RINGS = [Kind::Adapter, Kind::Tube, Kind::ReversingRing, Kind::CouplingRing, Kind::StepRing];

    /** @param  list<Spacer>  $rings  of those with the same ends the best alone */
    private function __construct(private readonly array $rings)
    {
    }

    /**
     * The rings of a kit, to be asked more than once.
     *
     * A best way never goes from one end to another twice, so of rings with the same two ends the shortest will do, of equal ones the
     * cheapest: a kit of thousands comes down to a few dozen.
     *
     * @param  list<Part>  $kit  parts at hand, each once
     */
    public static function among(array $kit): self
    {
        $best = [];
        foreach ($kit as $part) {
            if ($part instanceof Spacer && in_array($part->kind, self::RINGS, true)) {
                $ends = $part->identity->rear->signature().' > '.$part->identity->front->signature();
                $other = $best[$ends] ?? null;
                if ($other === null || [$part->lengthMm, $part->identity->price ?? 0.0] < [$other->lengthMm, $other->identity->price ?? 0.0]) {
                    $best[$ends] = $part;
                }
            }
        }

        return new self(array_values($best));
    }

    /**
     * @param  list<Part>  $kit  parts at hand, each once
     * @return list<Spacer>|null from the camera outwards; [] when the ends mate already; null when there is no path
     */
    public static function between(JointEnd $front, JointEnd $rear, array $kit): ?array
    {
        return Mating::ofEnds($front, $rear) === Fit::Mates ? [] : self::among($kit)->way($front, $rear);
    }

    /** @return list<Spacer>|null from the camera outwards; [] when the ends mate already; null when there is no path */
    public function way(JointEnd $front, JointEnd $rear): ?array
    {
        if (Mating::ofEnds($front, $rear) === Fit::Mates) {
            return [];
        }
        $rings = $this->rings;
        /** @var array<int, array{int, float, float}> $cost */
        $cost = [];
        /** @var array<int, ?int> $before */
        $before = [];
        foreach ($rings as $i => $ring) {
            if (Mating::ofEnds($front, $ring->identity->rear) === Fit::Mates) {
                $cost[$i] = [1, $ring->lengthMm, $ring->identity->price ?? 0.0];
                $before[$i] = null;
            }
        }
        $done = [];
        while (($at = self::cheapest($cost, $done)) !== null) {
            $done[$at] = true;
            // Rings come up in the order of what it costs to reach them: the first that ends the way ends it best.
            if (Mating::ofEnds($rings[$at]->identity->front, $rear) === Fit::Mates) {
                return self::back($rings, $before, $at);
            }
            foreach ($rings as $i => $ring) {
                if (! isset($done[$i]) && Mating::ofEnds($rings[$at]->identity->front, $ring->identity->rear) === Fit::Mates) {
                    $via = [$cost[$at][0] + 1, $cost[$at][1] + $ring->lengthMm, $cost[$at][2] + ($ring->identity->price ?? 0.0)];
                    if (! isset($cost[$i]) || $via < $cost[$i]) {
                        $cost[$i] = $via;
                        $before[$i] = $at;
                    }
                }
            }
        }

        return null;
    }

    /**
     * @param  array<int, array{int, float, float}>  $cost
     * @param  array<int, true>  $done
     */
    private static function cheapest(array $cost, array $done): ?int
    {
        $best = null;
        foreach ($cost as $i => $each) {
            if (! isset($done[$i]) && ($best === null || $each < $cost[$best])) {
                $best = $i;
            }
        }

        return $best;
    }

    /**
     * @param  list<Spacer>  $rings
     * @param  array<int, ?int>  $before
     * @return list<Spacer>
     */
    private static function back(array $rings, array $before, int $last): array
    {
        $way = [];
        for ($at = $last; $at !== null; $at = $before[$at] ?? null) {
            array_unshift($way, $rings[$at]);
        }

        return $way;
    }
}
