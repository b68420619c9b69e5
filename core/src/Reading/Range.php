<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Optics\AxialSampler;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Optics\Image;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Rig\TravelGroups;

/**
 * Least and greatest magnification, working and subject distance over the product of all travels that move focus
 * (OPTICS.md, "Range"): sampled, then the extremes refined. The zoom stays as set; places without an image are left out.
 */
final readonly class Range
{
    /** Samples along each travel, by how many travels there are. */
    private const SAMPLES = [1 => 33, 2 => 17, 3 => 11, 4 => 6, 5 => 4];

    /** Through more travels than these no grid is laid: it would grow with the power of their number. */
    private const GRID = 5;

    /** Golden section: what is left of an interval after each of these steps is far below a thousandth. */
    private const STEPS = 32;

    /** How many directions aslant, and irrational numbers that spread them. */
    private const ASLANT = 20;

    private const SPREAD = [0.7548776662466927, 0.5698402909980532, 0.8191725133961645, 0.6710436067037893, 0.5497004779019703];

    /** How many samples are looked about at the most. */
    private const STARTS = 6;

    /** Less than this share of a value is rounding. */
    private const GAIN = 1e-12;

    private const GOLDEN = 0.6180339887498949;

    private const MAGNIFICATION = 0;

    private const WORKING = 1;

    private const SUBJECT = 2;

    /**
     * @param  array{?float, ?float}  $magnification  least and greatest; null = no image anywhere
     * @param  array{?float, ?float}  $workingDistanceMm  null as the greatest = infinite
     * @param  array{?float, ?float}  $subjectDistanceMm
     */
    private function __construct(
        public array $magnification,
        public array $workingDistanceMm,
        public array $subjectDistanceMm,
    ) {
    }

    /** Whether the least magnification over all travels is 0. */
    public function reachesInfinity(): bool
    {
        return $this->magnification[0] === 0.0;
    }

    /** Of a rig whose travels are all held where they stand. */
    public static function held(Reading $reading): self
    {
        $here = static fn (?float $value): array => [$value, $value];

        return new self($here($reading->magnification), $here($reading->workingDistanceMm), $here($reading->subjectDistanceMm));
    }

    /**
     * Over the product of all travels that the rig has, the zoom as set.
     *
     * @param  bool  $rough  with very many travels to a few hundredths is enough
     * @param  ?Axis  $axis  of the rig, where it is laid out already
     */
    public static function of(Rig $rig, bool $rough = false, ?Axis $axis = null): self
    {
        $travels = $within = [];
        foreach (TravelGroups::of($rig) as $group) {
            $travels[] = TravelGroups::joined($group);
            array_push($within, ...array_map(static fn (Travel $travel): int => $travel->part, array_slice($group, 1)));
        }

        return self::over(new AxialSampler($rig, $travels, within: $within, axis: $axis), $travels, $rough);
    }

    /** @param  list<Travel>  $travels */
    public static function over(AxialSampler $sampler, array $travels, bool $rough = false): self
    {
        $many = count($travels);
        if ($many > self::GRID) {
            return self::ofMany(new RangeOfMany($sampler, $travels, $rough));
        }
        $samples = $many === 0 ? 1 : self::SAMPLES[$many];
        $axes = self::axes($travels, $samples);
        [$slopes, $magnifications, $workings, $subjects, $infinite] = $sampler->columns($axes);
        $edges = $many > 1 && in_array(null, $magnifications, true);
        $found = [$magnifications, $workings, $subjects];
        // The slope is continuous: where it changes sign between neighbours, it passes through infinity.
        for ($stride = 1; ! $infinite && $stride < count($slopes); $stride *= $samples) {
            foreach ($slopes as $n => $slope) {
                // The last along this travel has no neighbour further on.
                if ($n % ($stride * $samples) < $stride * ($samples - 1) && $slope * $slopes[$n + $stride] < 0.0
                    && ($magnifications[$n] !== null || $magnifications[$n + $stride] !== null)) {
                    $infinite = true;
                    break;
                }
            }
        }

        $least = [null, null, null];
        $greatest = [null, null, null];
        for ($q = 0; $q < 3; $q++) {
            if (! $infinite || $q !== self::MAGNIFICATION) {
                $least[$q] = self::best($sampler, $travels, $samples, $axes, self::peaks($found[$q], $many, $samples, -1.0), $q, -1.0, $edges);
            }
            if (! $infinite || $q === self::MAGNIFICATION) {
                $greatest[$q] = self::best($sampler, $travels, $samples, $axes, self::peaks($found[$q], $many, $samples, 1.0), $q, 1.0, $edges);
            }
        }
        if ($infinite) {
            $least[self::MAGNIFICATION] = 0.0;
            $greatest[self::MAGNIFICATION] ??= 0.0;
        }

        return new self(
            [$least[self::MAGNIFICATION], $greatest[self::MAGNIFICATION]],
            [$least[self::WORKING], $greatest[self::WORKING]],
            [$least[self::SUBJECT], $greatest[self::SUBJECT]],
        );
    }

    private static function ofMany(RangeOfMany $many): self
    {
        [$least, $greatest] = [$many->least, $many->greatest];
        if ($many->infinite) {
            // Distances without end, as everywhere.
            return new self([0.0, $greatest[0] ?? 0.0], [$least[1], null], [$least[2], null]);
        }

        return new self([$least[0], $greatest[0]], [$least[1], $greatest[1]], [$least[2], $greatest[2]]);
    }

    /**
     * Samples that none of their neighbours along a travel beats (of equals the first), the best first: an image may come and go between the
     * ends of the travels, and leave more than one stretch to look in.
     *
     * @param  list<?float>  $values  null = no image there
     * @param  float  $sign  1 for the greatest, -1 for the least
     * @return list<int>
     */
    private static function peaks(array $values, int $many, int $samples, float $sign): array
    {
        $peaks = [];
        $strides = [];
        for ($stride = 1; $stride < count($values); $stride *= $samples) {
            $strides[] = $stride;
        }
        foreach ($values as $n => $here) {
            if ($here === null) {
                continue;
            }
            $value = $sign * $here;
            // A travel that changes nothing but the last digit is level ground.
            $level = 1e-9 * ($here < 0.0 ? -$here : $here);
            foreach ($strides as $stride) {
                $k = $n % ($stride * $samples);
                if ($k >= $stride) {
                    $other = $values[$n - $stride];
                    if ($other !== null && $sign * $other >= $value - $level) {
                        continue 2;
                    }
                }
                if ($k < $stride * ($samples - 1)) {
                    $other = $values[$n + $stride];
                    if ($other !== null && $sign * $other > $value + $level) {
                        continue 2;
                    }
                }
            }
            $peaks[$n] = $value;
        }
        if (count($peaks) === 1) {
            return array_keys($peaks);
        }
        arsort($peaks);
        // Along an edge of the image stands a stair of peaks: one of those side by side is enough to begin from.
        $chosen = [];
        foreach (array_keys($peaks) as $n) {
            foreach ($chosen as $other) {
                if (self::areSideBySide($n, $other, $many, $samples)) {
                    continue 2;
                }
            }
            $chosen[] = $n;
            if (count($chosen) === self::STARTS) {
                break;
            }
        }

        return $chosen;
    }

    private static function areSideBySide(int $n, int $other, int $many, int $samples): bool
    {
        for ($a = 0; $a < $many; $a++) {
            if (abs($n % $samples - $other % $samples) > 1) {
                return false;
            }
            $n = intdiv($n, $samples);
            $other = intdiv($other, $samples);
        }

        return true;
    }

    /**
     * @param  list<Travel>  $travels
     * @param  list<list<float>>  $axes  where the samples stand along each travel
     * @param  list<int>  $from  samples to look about
     * @param  bool  $edges  whether somewhere among the samples there is no image
     */
    private static function best(AxialSampler $sampler, array $travels, int $samples, array $axes, array $from, int $q, float $sign, bool $edges): ?float
    {
        if ($from === []) {
            return null;
        }
        $best = -INF;
        $at = [];
        $done = true;
        foreach ($from as $n) {
            [$there, $value, $settled] = self::refine($sampler, $travels, $samples, self::place($axes, $n), $q, $sign, $edges);
            if ($value > $best) {
                $best = $value;
                $at = $there;
                $done = $settled;
            }
        }

        return $sign * ($done ? $best : self::polish($sampler, $travels, $samples, $at, $q, $sign, $best, false));
    }

    /**
     * The extreme near a sample: one travel after the other, between its two neighbours, twice round.
     *
     * @param  list<Travel>  $travels
     * @param  array<int, float>  $at  the sample
     * @param  float  $sign  1 for the greatest, -1 for the least
     * @return array{array<int, float>, float, bool} where, the value times the sign, and whether no better place can be near
     */
    private static function refine(AxialSampler $sampler, array $travels, int $samples, array $at, int $q, float $sign, bool $edges): array
    {
        $best = $sign * self::value($sampler, $at, $q);
        // Travels in a row that gained nothing, the one gained on last among them: once that is all of them, this is the place.
        $still = 0;
        for ($round = 0; $round < (count($travels) > 1 ? 2 : 1); $round++) {
            $ends = 0;
            foreach ($travels as $a => $travel) {
                $spacing = ($travel->greatest - $travel->least) / ($samples - 1) / ($round === 0 ? 1 : 8);
                $low = max($travel->least, $at[$a] - $spacing);
                $high = min($travel->greatest, $at[$a] + $spacing);
                if ($still >= count($travels)) {
                    break 2;
                }
                if (self::isEnd($sampler, $at, $a, $low, $high, $q, $sign, $best)) {
                    $ends++;
                    $still++;

                    continue;
                }
                $x1 = $high - self::GOLDEN * ($high - $low);
                $x2 = $low + self::GOLDEN * ($high - $low);
                $v1 = self::moved($sampler, $at, $a, $x1, $q, $sign);
                $v2 = self::moved($sampler, $at, $a, $x2, $q, $sign);
                for ($step = 0; $step < self::STEPS; $step++) {
                    if ($v1 === -INF && $v2 === -INF) {
                        // Neither has an image: what has one lies about the sample that this began from.
                        [$low, $high] = $at[$a] >= $x2 ? [$x2, $high] : ($at[$a] <= $x1 ? [$low, $x1] : [$x1, $x2]);
                        $x1 = $high - self::GOLDEN * ($high - $low);
                        $x2 = $low + self::GOLDEN * ($high - $low);
                        $v1 = self::moved($sampler, $at, $a, $x1, $q, $sign);
                        $v2 = self::moved($sampler, $at, $a, $x2, $q, $sign);

                        continue;
                    }
                    if ($v1 < $v2) {
                        $low = $x1;
                        $x1 = $x2;
                        $v1 = $v2;
                        $x2 = $low + self::GOLDEN * ($high - $low);
                        $v2 = self::moved($sampler, $at, $a, $x2, $q, $sign);
                    } else {
                        $high = $x2;
                        $x2 = $x1;
                        $v2 = $v1;
                        $x1 = $high - self::GOLDEN * ($high - $low);
                        $v1 = self::moved($sampler, $at, $a, $x1, $q, $sign);
                    }
                }
                $x = $v1 > $v2 ? $x1 : $x2;
                $v = max($v1, $v2);
                $still = $v - $best > self::GAIN * abs($best) ? 1 : $still + 1;
                if ($v > $best) {
                    $best = $v;
                    $at[$a] = $x;
                }
            }
            if (! $edges && $ends === count($travels)) {
                // Every travel stands at an end and gets worse on the way in.
                return [$at, $best, true];
            }
        }
        if ($edges) {
            [$at, $best] = self::follow($sampler, $travels, $samples, $at, $q, $sign, $best);

            // Each by itself: the best before need not be the best after.
            return [$at, self::polish($sampler, $travels, $samples, $at, $q, $sign, $best, true), true];
        }

        return [$at, $best, count($travels) < 2];
    }

    /**
     * Along the edge where an image ends: for places all along one travel, another is brought to its best there. An edge
     * that runs nearly along a travel leaves no straight way to a better place.
     *
     * @param  list<Travel>  $travels
     * @param  array<int, float>  $at
     * @return array{array<int, float>, float}
     */
    private static function follow(AxialSampler $sampler, array $travels, int $samples, array $at, int $q, float $sign, float $best): array
    {
        $found = $at;
        foreach ($travels as $a => $outer) {
            foreach ($travels as $b => $inner) {
                if ($a === $b) {
                    continue;
                }
                $reach = 2.0 * ($inner->greatest - $inner->least) / ($samples - 1);
                for ($k = 0; $k < $samples; $k++) {
                    $there = $at;
                    $there[$a] = $outer->least + ($outer->greatest - $outer->least) * $k / ($samples - 1);
                    // Halving steps from where it stood: the last place with an image on the way up, and on the way down.
                    $here = self::moved($sampler, $there, $b, $there[$b], $q, $sign);
                    for ($step = $reach; $step > $reach * 1e-4; $step *= 0.5) {
                        foreach ([$step, -$step] as $by) {
                            $x = max($inner->least, min($inner->greatest, $there[$b] + $by));
                            $value = self::moved($sampler, $there, $b, $x, $q, $sign);
                            if ($value > $here) {
                                $there[$b] = $x;
                                $here = $value;
                                if ($value > $best) {
                                    $best = $value;
                                    $found = $there;
                                }
                            }
                        }
                    }
                }
            }
        }

        return [$found, $best];
    }

    /**
     * From a good place to the best one near it, along the axes and across them: where an image ends aslant to the travels,
     * one travel after the other gets stuck on the edge. Steps that help are taken again, others halved.
     *
     * @param  list<Travel>  $travels
     * @param  array<int, float>  $at
     * @param  bool  $edges  whether to look aslant too
     */
    private static function polish(AxialSampler $sampler, array $travels, int $samples, array $at, int $q, float $sign, float $best, bool $edges): float
    {
        $many = count($travels);
        $steps = [];
        foreach ($travels as $travel) {
            $steps[] = ($travel->greatest - $travel->least) / ($samples - 1);
        }
        $ways = self::ways($many, $edges ? self::ASLANT : 0);
        for ($share = 0.5; $share > 2e-4; $share *= 0.5) {
            $tries = 0;
            do {
                $better = false;
                foreach ($ways as $way) {
                    $there = $at;
                    foreach ($way as $a => $sense) {
                        $there[$a] = max($travels[$a]->least, min($travels[$a]->greatest, $at[$a] + $sense * $share * $steps[$a]));
                    }
                    $value = self::value($sampler, $there, $q);
                    if ($value !== -INF && $sign * $value > $best) {
                        $better = $better || $sign * $value - $best > self::GAIN * abs($best);
                        $best = $sign * $value;
                        $at = $there;
                    }
                }
            } while ($better && ++$tries < 6);
        }

        return $best;
    }

    /**
     * Along each travel, across every two of them, and so many ways aslant to all.
     *
     * @return list<array<int, float>>
     */
    private static function ways(int $many, int $aslant): array
    {
        $ways = [];
        for ($a = 0; $a < $many; $a++) {
            array_push($ways, [$a => 1.0], [$a => -1.0]);
            for ($b = 0; $b < $a; $b++) {
                array_push($ways, [$a => 1.0, $b => 1.0], [$a => 1.0, $b => -1.0], [$a => -1.0, $b => 1.0], [$a => -1.0, $b => -1.0]);
            }
        }

        // And aslant, spread evenly: an edge of the image may run in any direction.
        for ($k = 1; $k <= $aslant; $k++) {
            $way = [];
            for ($a = 0; $a < $many; $a++) {
                $way[$a] = 2.0 * fmod(0.5 + $k * self::SPREAD[$a % 5], 1.0) - 1.0;
            }
            $ways[] = $way;
        }

        return $ways;
    }

    /**
     * Whether the best value stands at an end of its travel and gets worse at once on the way in.
     *
     * @param  array<int, float>  $at
     */
    private static function isEnd(AxialSampler $sampler, array $at, int $a, float $low, float $high, int $q, float $sign, float $best): bool
    {
        $inwards = ($high - $low) * 1e-4;
        $end = match ($at[$a]) {
            $low => $low + $inwards,
            $high => $high - $inwards,
            default => null,
        };

        return $end !== null && self::moved($sampler, $at, $a, $end, $q, $sign) <= $best;
    }

    /** @param  array<int, float>  $at */
    private static function moved(AxialSampler $sampler, array $at, int $a, float $x, int $q, float $sign): float
    {
        $at[$a] = $x;
        $value = self::value($sampler, $at, $q);

        return $value === -INF ? -INF : $sign * $value;
    }

    /** @param  array<int, float>  $at */
    private static function value(AxialSampler $sampler, array $at, int $q): float
    {
        $sampler->sample($at);
        if ($sampler->image !== Image::Real) {
            return -INF;
        }

        return match ($q) {
            self::MAGNIFICATION => $sampler->magnification,
            self::WORKING => $sampler->workingDistanceMm,
            default => $sampler->subjectDistanceMm,
        };
    }

    /**
     * Evenly spaced places along each travel, its ends as they are.
     *
     * @param  list<Travel>  $travels
     * @return list<list<float>>
     */
    private static function axes(array $travels, int $samples): array
    {
        $axes = [];
        foreach ($travels as $travel) {
            $way = ($travel->greatest - $travel->least) / max(1, $samples - 1);
            $values = [];
            for ($k = 0; $k < $samples - 1; $k++) {
                $values[] = $travel->least + $way * $k;
            }
            $values[] = $travel->greatest;
            $axes[] = $values;
        }

        return $axes;
    }

    /**
     * Where one of the samples stands: the first travel's places run fastest.
     *
     * @param  list<list<float>>  $axes
     * @return list<float>
     */
    private static function place(array $axes, int $n): array
    {
        $position = [];
        foreach ($axes as $values) {
            $many = count($values);
            $position[] = $values[$n % $many];
            $n = intdiv($n, $many);
        }

        return $position;
    }
}
