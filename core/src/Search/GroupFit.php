<?php

declare(strict_types=1);

namespace ZincThimble\Core\Search;

/**
 * Holds every stack of a group against the curves of one front assembly on one camera: which can be as long as a curve asks, what they weigh,
 * and which of them are among the best. A million rigs come by here for each wish, so what is the same for many is worked out once, and
 * what can't be among the best is counted and nothing else.
 */
final class GroupFit
{
    /** By so much a bound lies below what it bounds: sums of the same numbers in another order differ by less. */
    private const SLACK = 1e-3;

    /** Rigs that do what is wanted. */
    public int $sure = 0;

    /** Rigs that may, once their rings have been looked at. */
    public int $unsure = 0;

    private readonly float $massKnown;

    private readonly float $priceKnown;

    private readonly int $jointsKnown;

    private readonly float $mostMass;

    private readonly float $mostPrice;

    private readonly float $mostToBuy;

    /** Whether every stack of the group is light and cheap enough. */
    private readonly bool $isWithin;

    /** Whether a ring narrower than the light on its way could break a limit. */
    private readonly bool $narrow;

    private readonly float $perJoint;

    /** @param  list<int>  $works  warnings by class of StackGroup; -1 = its aperture can't be worked */
    public function __construct(private readonly CameraBody $base, FrontAssembly $front, private readonly StackGroup $group, private readonly array $works, private readonly SearchCriteria $wanted, LimitCheck $limits)
    {
        $this->massKnown = $base->massG() + $front->mass;
        $this->priceKnown = $base->price() + $front->price;
        $this->jointsKnown = $base->joints() + $front->joints;
        $this->mostMass = $wanted->mostMassG === null ? INF : $wanted->mostMassG - $this->massKnown;
        $this->mostPrice = $wanted->mostPrice === null ? INF : $wanted->mostPrice - $this->priceKnown;
        $this->mostToBuy = ($wanted->mostMissingPrice ?? 0.0) - $base->priceToBuy - $front->priceToBuy;
        $this->isWithin = $group->heaviest <= $this->mostMass && $group->dearest <= $this->mostPrice && $group->dearestToBuy <= $this->mostToBuy;
        $this->narrow = $limits->asksForLight();
        $this->perJoint = CandidateBuilder::perJoint($base->camera);
    }

    /**
     * @param  non-empty-list<Curve>  $curves
     * @param  array<int, list<list<array{float, float}>>>  $reaches  by curve: lengths at which other distances that are wanted can be focused; a curve without can't
     * @param  array{int, FrontAssembly}  $what  camera and front assembly
     * @param  int  $order  of the first of the curves among all
     */
    public function hold(array $curves, array $reaches, array $what, int $order, TopCandidates $best): void
    {
        if ($this->mostToBuy < 0.0) {
            return;
        }
        $stacks = $this->group->ofClasses($this->works);
        $plain = $this->isWithin && $this->wanted->ranking === Ranking::Ease && $this->wanted->leastCorner === null && ! $this->narrow;
        $each = $this->perJoint * 1e4 + 10.0;
        $weights = $plain ? $stacks->weights($this->group, $this->works, $each) : [];
        $keys = $from = $doubt = $beyond = [];
        foreach ($reaches as $k => $reach) {
            // Where rings can break no limit, most stacks can't be among the best, which is seen from their joints and the place on the curve.
            $limit = $plain && $reach === [] ? $best->limit - $each * $this->jointsKnown : INF;
            [$rows, $places, $shares, $counted] = self::met($curves[$k], $stacks, $this->group->least, $this->group->most, $weights, $limit);
            if (! $this->isWithin || $reach !== []) {
                [$rows, $places, $shares] = $this->kept($rows, $places, $shares, $reach);
            }
            $beyond = $beyond === [] ? $counted : array_merge($beyond, $counted);
            $this->weigh($curves[$k], $k, $rows, $places, $shares, $keys, $from, $doubt);
        }
        foreach ($keys as $i => $key) {
            $this->unsure += $doubt[$i] ? 1 : 0;
            if ($key < $best->limit) {
                $best->add($key, $order + $from[$i], $i, $doubt[$i], [...$what, $curves[$from[$i]]]);
            }
        }
        // One that can't be among the best by one curve may be by another, and counts once.
        $all = count($reaches) === 1 ? count($keys) + count($beyond) : count($keys + array_flip($beyond));
        $this->sure = $all - $this->unsure;
    }

    /**
     * Those that are light and cheap enough, and meet the other distances.
     *
     * @param  list<int>  $rows
     * @param  list<int>  $places
     * @param  list<float>  $shares
     * @param  list<list<array{float, float}>>  $reach
     * @return array{list<int>, list<int>, list<float>}
     */
    private function kept(array $rows, array $places, array $shares, array $reach): array
    {
        $group = $this->group;
        $keptRows = $keptPlaces = $keptShares = [];
        foreach ($rows as $hit => $i) {
            if ($group->mass[$i] <= $this->mostMass && $group->price[$i] <= $this->mostPrice && $group->priceToBuy[$i] <= $this->mostToBuy
                && ($reach === [] || self::reaches($reach, $group->least[$i], $group->most[$i]))) {
                $keptRows[] = $i;
                $keptPlaces[] = $places[$hit];
                $keptShares[] = $shares[$hit];
            }
        }

        return [$keptRows, $keptPlaces, $keptShares];
    }

    /** The least that a rig weighs between two points of a curve, its rings not counted. */
    private static function bound(Curve $curve, int $from, int $to): float
    {
        $one = $curve->point($from);
        $other = $curve->point($to);

        return min($one->weight, $other->weight) * 1e4 + 0.1 * min($one->stopsLost ?? 99.0, $other->stopsLost ?? 99.0) - self::SLACK;
    }

    /**
     * What each weighs.
     *
     * @param  list<int>  $rows
     * @param  list<int>  $places
     * @param  list<float>  $shares
     * @param  array<int, float>  $keys  by stack
     * @param  array<int, int>  $from  curve, by stack
     * @param  array<int, bool>  $doubt  by stack: whether its rings have to be looked at
     */
    private function weigh(Curve $curve, int $k, array $rows, array $places, array $shares, array &$keys, array &$from, array &$doubt): void
    {
        [$class, $joints, $mass, $price, $clear, $most] = [$this->group->class, $this->group->joints, $this->group->mass, $this->group->price, $this->group->clear, $this->group->most];
        $works = $this->works;
        $ranking = $this->wanted->ranking;
        $corner = $this->wanted->leastCorner !== null;
        $narrow = $this->narrow;
        $factor = $this->base->factor();
        $jointsKnown = $this->jointsKnown;
        // What the points of a curve are judged by, in columns: thousands of stacks meet it between the same few.
        $weightAt = $lostAt = $roomAt = $effectiveAt = [];
        foreach ($rows as $hit => $i) {
            $share = $shares[$hit];
            $at = $places[$hit];
            $to = $share > 0.0 ? $at + 1 : $at;
            for ($n = $at; $n <= $to; $n++) {
                if (! isset($weightAt[$n])) {
                    $point = $curve->point($n);
                    $weightAt[$n] = $point->weight;
                    $lostAt[$n] = $point->stopsLost;
                    $roomAt[$n] = $point->workingDistanceMm;
                    $effectiveAt[$n] = $point->effective;
                }
            }
            $lost = $lostAt[$at] === null || $lostAt[$to] === null ? 99.0 : $lostAt[$at] + $share * ($lostAt[$to] - $lostAt[$at]);
            $weight = $works[$class[$i]] + min($weightAt[$at], $weightAt[$to]) + $this->perJoint * ($joints[$i] + $jointsKnown);
            $key = $ranking === Ranking::Ease ? 0.0 : match ($ranking) {
                Ranking::Room => -log(max(1e-6, $roomAt[$at] + $share * ($roomAt[$to] - $roomAt[$at]))),
                Ranking::Light => $lost,
                Ranking::Mass => $this->massKnown + $mass[$i],
                Ranking::Price => $this->priceKnown + $price[$i],
            };
            $key = $key * 1e6 + $weight * 1e4 + ($joints[$i] + $jointsKnown) * 10.0 + $lost * 0.1;
            if (! isset($keys[$i]) || $key < $keys[$i]) {
                $keys[$i] = $key;
                $from[$i] = $k;
            }
            // A ring narrower than the light on its way to the front assembly could dim the picture or its corner.
            $doubt[$i] = ($doubt[$i] ?? true) && ($corner || $narrow && $effectiveAt[$at] < $most[$i] / $clear[$i] * $factor);
        }
    }

    /**
     * Whether every one of the other distances is met by some length that a stack can have.
     *
     * @param  list<list<array{float, float}>>  $ways
     */
    private static function reaches(array $ways, float $least, float $most): bool
    {
        foreach ($ways as $stretches) {
            foreach ($stretches as [$from, $to]) {
                if ($from <= $most + 1e-9 && $to >= $least - 1e-9) {
                    continue 2;
                }
            }

            return false;
        }

        return true;
    }

    /**
     * Where on a curve each stack meets it, if it does: loops of comparisons and nothing else, gone through for every rig there is.
     *
     * @param  list<float>  $least  by stack
     * @param  list<float>  $most
     * @param  list<float>  $weights  by stack; not looked at where the limit is INF
     * @param  float  $limit  what weighs more, together with the curve there, is only counted
     * @return array{list<int>, list<int>, list<float>, list<int>} stacks; the point of each; the share of the way from it to the next; and the stacks that are only counted
     */
    private static function met(Curve $curve, StacksOfClasses $stacks, array $least, array $most, array $weights, float $limit): array
    {
        $rows = $places = $shares = $beyond = $points = $between = [];
        $joined = $curve->joined;
        $zs = $curve->z;
        $last = count($zs) - 1;
        $nearest = $curve->least - 1e-9;
        $furthest = $curve->most + 1e-9;
        // Of those of one length the shorter ones need not be gone through.
        foreach ([[$stacks->rigid, $stacks->from($nearest, $least)], [$stacks->drawn, 0]] as [$chosen, $from]) {
            for ($r = $from, $count = count($chosen); $r < $count; $r++) {
                $i = $chosen[$r];
                $low = $least[$i];
                if ($low > $furthest) {
                    break;
                }
                $high = $most[$i];
                if ($high < $nearest) {
                    continue;
                }
                for ($n = 0; $n <= $last; $n++) {
                    $z = $zs[$n];
                    if ($z >= $low - 1e-9 && $z <= $high + 1e-9) {
                        if ($limit !== INF && $limit < $weights[$i] + ($points[$n] ??= self::bound($curve, $n, $n))) {
                            $beyond[] = $i;
                        } else {
                            $rows[] = $i;
                            $places[] = $n;
                            $shares[] = 0.0;
                        }
                        break;
                    }
                    if ($n < $last && $joined[$n] && ($z < $low ? $zs[$n + 1] >= $low : $zs[$n + 1] <= $high)) {
                        if ($limit !== INF && $limit < $weights[$i] + ($between[$n] ??= self::bound($curve, $n, $n + 1))) {
                            $beyond[] = $i;
                        } else {
                            $rows[] = $i;
                            $places[] = $n;
                            $shares[] = (($z < $low ? $low : $high) - $z) / ($zs[$n + 1] - $z);
                        }
                        break;
                    }
                }
            }
        }

        return [$rows, $places, $shares, $beyond];
    }
}
