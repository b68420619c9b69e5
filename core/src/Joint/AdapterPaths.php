<?php

declare(strict_types=1);

namespace ZincThimble\Core\Joint;

use ZincThimble\Core\Gear\JointEnd;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Spacer;

/**
 * The shortest way from one joint to another through the rings of a kit: fewest parts, then fewest that are known to
 * lack a shoulder, then shortest (mm), then cheapest. A ring of two threads goes either way round.
 *
 * A best way never comes to the same ring the same way round twice, so each ring and way round is a place on a map and the way is found
 * by Dijkstra's algorithm over it, with the four measures compared in that order. Where it would take one ring both ways round, the best
 * of the ways that do without the one or the other is the best there is.
 */
final class AdapterPaths
{
    /** Kinds that join two standards without doing anything else. */
    private const RINGS = [Kind::Adapter, Kind::Tube, Kind::ReversingRing, Kind::CouplingRing, Kind::StepRing];

    /** So often a way is sought anew because it took one ring twice. No kit that was seen needs more than once. */
    private const ANEW = 6;

    /**
     * @param  list<Spacer>  $rings  of those with the same ends the best two alone
     * @param  list<int>  $of  which part of the kit each of them is
     */
    private function __construct(private readonly array $rings, private readonly array $of)
    {
    }

    /**
     * The rings of a kit, to be asked more than once.
     *
     * A way never goes from one end to another twice, so of rings with the same two ends one that isn't known to lack a
     * shoulder will do, of such the shortest, of equal ones the cheapest; and the next best, where the best is taken the other way
     * round. A kit of thousands comes down to a few dozen.
     *
     * @param  list<Part>  $kit  parts at hand, each once
     */
    public static function among(array $kit): self
    {
        /** @var array<string, list<array{Spacer, int}>> $best */
        $best = [];
        foreach ($kit as $i => $part) {
            if (! $part instanceof Spacer || ! in_array($part->kind, self::RINGS, true)) {
                continue;
            }
            $turned = Mating::turned($part);
            foreach ($turned instanceof Spacer ? [$part, $turned] : [$part] as $ring) {
                $ends = $ring->identity->rear->signature().' > '.$ring->identity->front->signature();
                $known = $best[$ends] ?? [];
                $known[] = [$ring, $i];
                usort($known, static fn (array $one, array $other): int => self::cost(null, $one[0]) <=> self::cost(null, $other[0]));
                $best[$ends] = array_slice($known, 0, 2);
            }
        }
        $kept = array_merge(...array_values($best));

        return new self(array_column($kept, 0), array_column($kept, 1));
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
        $way = $this->best($front, $rear, [], self::ANEW);

        return $way === null ? null : array_map(fn (int $at): Spacer => $this->rings[$at], $way);
    }

    /**
     * The best way that takes no ring twice.
     *
     * @param  array<int, true>  $without
     * @return list<int>|null
     */
    private function best(JointEnd $front, JointEnd $rear, array $without, int $anew): ?array
    {
        $way = $this->shortest($front, $rear, $without);
        $first = [];
        foreach ($way ?? [] as $at) {
            $other = $first[$this->of[$at]] ?? null;
            if ($other !== null) {
                // No way can have both: the best has the one, or the other, or neither.
                $ways = $anew === 0 ? [] : array_filter([
                    $this->best($front, $rear, $without + [$at => true], $anew - 1),
                    $this->best($front, $rear, $without + [$other => true], $anew - 1),
                ], static fn (?array $each): bool => $each !== null);
                usort($ways, fn (array $one, array $another): int => $this->costOf($one) <=> $this->costOf($another));

                return $ways[0] ?? null;
            }
            $first[$this->of[$at]] = $at;
        }

        return $way;
    }

    /**
     * @param  array<int, true>  $without
     * @return list<int>|null
     */
    private function shortest(JointEnd $front, JointEnd $rear, array $without): ?array
    {
        $rings = array_diff_key($this->rings, $without);
        /** @var array<int, array{parts: int, bare: int, mm: float, price: float}> $cost */
        $cost = [];
        /** @var array<int, ?int> $before */
        $before = [];
        foreach ($rings as $i => $ring) {
            if (Mating::ofEnds($front, $ring->identity->rear) === Fit::Mates) {
                $cost[$i] = self::cost(null, $ring);
                $before[$i] = null;
            }
        }
        $done = [];
        while (($at = self::cheapest($cost, $done)) !== null) {
            $done[$at] = true;
            // Rings come up in the order of what it costs to reach them: the first that ends the way ends it best.
            if (Mating::ofEnds($rings[$at]->identity->front, $rear) === Fit::Mates) {
                return self::back($before, $at);
            }
            foreach ($rings as $i => $ring) {
                if (! isset($done[$i]) && Mating::ofEnds($rings[$at]->identity->front, $ring->identity->rear) === Fit::Mates) {
                    $via = self::cost($cost[$at], $ring);
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
     * @param  ?array{parts: int, bare: int, mm: float, price: float}  $before  of the way so far
     * @return array{parts: int, bare: int, mm: float, price: float} in the order in which they count
     */
    private static function cost(?array $before, Spacer $ring): array
    {
        return [
            'parts' => ($before['parts'] ?? 0) + 1,
            'bare' => ($before['bare'] ?? 0) + ($ring->shoulder === false ? 1 : 0),
            'mm' => ($before['mm'] ?? 0.0) + $ring->lengthMm,
            'price' => ($before['price'] ?? 0.0) + ($ring->identity->price ?? 0.0),
        ];
    }

    /**
     * @param  list<int>  $way
     * @return ?array{parts: int, bare: int, mm: float, price: float} null = nothing
     */
    private function costOf(array $way): ?array
    {
        $cost = null;
        foreach ($way as $at) {
            $cost = self::cost($cost, $this->rings[$at]);
        }

        return $cost;
    }

    /**
     * @param  array<int, array{parts: int, bare: int, mm: float, price: float}>  $cost
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
     * @param  array<int, ?int>  $before
     * @return list<int>
     */
    private static function back(array $before, int $last): array
    {
        $way = [];
        for ($at = $last; $at !== null; $at = $before[$at] ?? null) {
            array_unshift($way, $at);
        }

        return $way;
    }
}
