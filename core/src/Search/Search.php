<?php

declare(strict_types=1);

namespace ZincThimble\Core\Search;

use ZincThimble\Core\Gear\Coupling;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Rig\ApertureWorked;
use ZincThimble\Core\Rig\Conditions;

/**
 * Goes through everything that a kit can become.
 *
 * A rig is a camera, a set of rings and a head. Where a wish's target is met depends on head and ring alone (Curve), so
 * each head is worked out once, and a rig does it if its rings can be as long as the curve asks: one comparison of two
 * lengths a rig. Only the best are then set and read in full, by the same reading as everywhere else.
 */
final class Search
{
    /** How many of the rigs that do it are set and read in full. */
    public const READ = 400;

    /** And in a first answer. */
    public const FIRST = 12;

    /** How many rigs are gone through at the most. */
    private const MOST_RIGS = 20_000_000;

    /** How many cameras, with and without a converter. */
    private const MOST_BASES = 24;

    /** @var list<Base> */
    private array $bases;

    private int $basesLeftOut;

    /** @var list<Stacks> */
    private array $stacks = [];

    /** @var array<int, list<Head>> by how many parts they may have */
    private array $heads = [];

    /** @var array<string, StackGroup> by base, kinds of end and rings */
    private array $groups = [];

    /** @var array<int, list<HeadOptics>> by head, laid out when first asked for */
    private array $optics = [];

    /** Only rigs that use this part; null = all. */
    private ?Part $using = null;

    /** Whether time or memory ran out before everything was looked at. */
    private bool $cutShort = false;

    private function __construct(public readonly Stock $stock, private readonly Conditions $conditions, private readonly Budget $budget, int $mostStacks)
    {
        $bases = Base::all($stock);
        $this->basesLeftOut = max(0, count($bases) - self::MOST_BASES);
        $this->bases = array_slice($bases, 0, self::MOST_BASES);
        // No kit of anybody's comes near this; a kit of thousands is answered in seconds all the same, and told what it lacks.
        $room = intdiv(self::MOST_RIGS, max(1, count($this->bases) * min(Heads::MOST, Heads::atMost($stock))));
        foreach ($this->bases as $base) {
            $this->stacks[] = Stacks::on($base, $stock, max(64, min($mostStacks, $room)), $budget->share(0.3));
        }
    }

    /** @param  int  $mostStacks  sets of rings that one camera may have at the most */
    public static function of(Stock $stock, Conditions $conditions, ?Budget $budget = null, int $mostStacks = Stacks::MOST): self
    {
        return new self($stock, $conditions, $budget ?? Budget::endless(), $mostStacks);
    }

    /** How many rigs the stock can become: zoom settings not counted. */
    public function rigs(int $most = PHP_INT_MAX): int
    {
        $rigs = 0;
        foreach ($this->heads($most) as $head) {
            foreach (array_keys($this->bases) as $b) {
                $rigs += $this->group($b, $head)->count;
            }
            if ($this->isOver($this->budget)) {
                break;
            }
        }

        return $rigs;
    }

    /**
     * Where rings were left out of the search: sets of more than so many on one camera, or rings beyond what can be told
     * apart.
     *
     * @return list<string> in words; empty = nothing was
     */
    public function leftOut(): array
    {
        $told = [];
        if ($this->cutShort) {
            $told[] = 'what there was no time for: this is the best so far';
        }
        if ($this->basesLeftOut > 0) {
            $told[] = sprintf('%d cameras', $this->basesLeftOut);
        }
        if (Heads::atMost($this->stock) >= Heads::MOST && max(array_map(count(...), $this->heads === [] ? [$this->heads()] : $this->heads)) >= Heads::MOST) {
            $told[] = sprintf('lenses with what goes in front of them, beyond %s', number_format(Heads::MOST));
        }
        foreach ($this->stacks as $b => $stacks) {
            if ($stacks->leftOutAbove !== null) {
                $told[] = sprintf('sets of more than %d rings on %s', $stacks->leftOutAbove, $this->bases[$b]->camera->name ?? 'the camera');
            }
        }
        if ($this->stock->withoutPrice > 0) {
            $told[] = sprintf('%d part%s that you don’t own, for want of a price', $this->stock->withoutPrice, $this->stock->withoutPrice === 1 ? '' : 's');
        }
        if ($this->stock->ringsLeftOut > 0) {
            $told[] = sprintf('%d rings more than can be told apart', $this->stock->ringsLeftOut);
        }

        return $told;
    }

    /** Only the rigs that use one part of the stock. */
    public function using(Part $part): self
    {
        $this->using = $part;
        $this->groups = [];

        return $this;
    }

    /**
     * What comes nearest to a wish that nothing fulfils, each head once, with its limits missed rather than kept.
     *
     * @return list<Row>
     */
    public function nearest(Wanted $wanted, int $count = 3): array
    {
        $conditions = $wanted->conditions($this->conditions);
        $found = [];
        $heads = $this->heads();
        foreach ($this->bases as $b => $base) {
            $judge = new Judge($base, $wanted, $conditions);
            $target = $wanted->target($base->camera->frame($conditions->mode)->widthMm);
            // Every camera its part of the time; some is kept for reading what was found.
            $budget = $this->budget->share(0.8 / (count($this->bases) - $b));
            foreach ($heads as $head) {
                if ($this->isOver($budget)) {
                    break;
                }
                $group = $this->group($b, $head);
                $lengths = StackGroup::union($group->least, $group->most);
                foreach ($lengths === [] ? [] : $this->optics($head) as $optics) {
                    $near = Nearest::of($optics, $lengths, $judge, $target, $base);
                    if ($near !== null) {
                        $found[] = [$near->miss, count($head->parts), $b, $near];
                    }
                }
            }
        }
        usort($found, static fn (array $one, array $other): int => [$one[0], $one[1]] <=> [$other[0], $other[1]]);
        $rows = [];
        foreach ($found as [, , $b, $near]) {
            $group = $this->group($b, $near->optics->head);
            $row = null;
            if ($rows !== [] && $this->isOver($this->budget)) {
                break;
            }
            for ($i = 0; $i < $group->count && $row === null; $i++) {
                if ($near->point->z >= $group->least[$i] - 1e-9 && $near->point->z <= $group->most[$i] + 1e-9) {
                    $row = Setup::of($this->bases[$b], $this->stacks[$b], $group, $i, $near->optics, $near->point, $conditions, $wanted->bare());
                }
            }
            if ($row !== null) {
                $rows[] = $row;
            }
            if (count(Fold::of($rows)) >= $count) {
                break;
            }
        }

        return Fold::of($rows);
    }

    /** Everything the stock can do, without a wish. */
    public function overview(): Overview
    {
        $overview = new Overview(max(1, (int) ceil($this->rigs() / Overview::DOTS)));
        $heads = $this->heads();
        foreach ($this->bases as $b => $base) {
            $budget = $this->budget->share(0.9 / (count($this->bases) - $b));
            foreach ($heads as $head) {
                if ($this->isOver($budget)) {
                    break;
                }
                $group = $this->group($b, $head);
                if ($group->count > 0) {
                    $overview->add($base, $head, $group, $this->optics($head));
                }
            }
        }
        $overview->finish();

        return $overview;
    }

    /**
     * A first answer, long before the whole one: only heads of one or two parts, and only so many rigs read. What it finds
     * is found by `ask` too, which may rank others before it.
     */
    public function first(Wanted $wanted, int $read = self::FIRST): Found
    {
        return $this->through($wanted, $read, 2);
    }

    /** Everything that fulfils a wish, the best first. */
    public function ask(Wanted $wanted, int $read = self::READ): Found
    {
        return $this->through($wanted, $read, PHP_INT_MAX);
    }

    /** @param  int  $most  parts that a head may have */
    private function through(Wanted $wanted, int $read, int $most): Found
    {
        $conditions = $wanted->conditions($this->conditions);
        $best = new Best($read);
        $curves = [];
        $sure = 0;
        $unsure = 0;
        $heads = $this->heads($most);
        foreach ($this->bases as $b => $base) {
            $judge = new Judge($base, $wanted, $conditions);
            $target = $wanted->target($base->camera->frame($conditions->mode)->widthMm);
            $budget = $this->budget->share(0.7 / (count($this->bases) - $b));
            foreach ($heads as $head) {
                if ($this->isOver($budget)) {
                    break;
                }
                $group = $this->group($b, $head);
                if ($group->count === 0) {
                    continue;
                }
                $mine = [];
                foreach ($this->optics($head) as $optics) {
                    foreach ([0, 1] as $way) {
                        $curve = new Curve($optics, $way, $judge, $target, $base);
                        if ($curve->z !== []) {
                            $mine[] = $curve;
                        }
                    }
                }
                if ($mine === []) {
                    continue;
                }
                [$plus, $minus] = $this->suit($b, $head, $group, $mine, $wanted, $judge, count($curves), $best);
                $sure += $plus;
                $unsure += $minus;
                foreach ($mine as $curve) {
                    $curves[] = [$b, $head, $curve];
                }
            }
        }

        return $this->found($wanted, $conditions, $best, $curves, $sure, $unsure, $this->rigs($most));
    }

    /**
     * Holds every stack of a group against the curves of one head.
     *
     * @param  non-empty-list<Curve>  $curves
     * @return array{int, int} rigs that do it, and rigs that may, once their rings have been looked at
     */
    private function suit(int $b, Head $head, StackGroup $group, array $curves, Wanted $wanted, Judge $judge, int $first, Best $best): array
    {
        $works = $this->works($b, $head, $wanted->automatic);
        $base = $this->bases[$b];
        $massKnown = $base->massG() + $head->mass;
        $priceKnown = $base->price() + $head->price;
        $jointsKnown = $base->joints() + $head->joints;
        $mostMass = $wanted->mostMassG === null ? INF : $wanted->mostMassG - $massKnown;
        $mostPrice = $wanted->mostPrice === null ? INF : $wanted->mostPrice - $priceKnown;
        $mostMissing = ($wanted->mostMissingPrice ?? 0.0) - $base->missing - $head->missing;
        if ($mostMissing < 0.0) {
            return [0, 0];
        }
        $narrow = $judge->asksForLight();
        $factor = $base->factor();
        $corner = $wanted->leastCorner !== null;
        $keys = [];
        $from = [];
        $doubt = [];
        [$least, $most, $class, $joints, $mass, $price, $clear, $missing] = [$group->least, $group->most, $group->class, $group->joints, $group->mass, $group->price, $group->clear, $group->missing];
        foreach ($curves as $k => $curve) {
            $reach = $this->reach($curve->optics, $b, $wanted);
            if ($reach === null) {
                continue;
            }
            $points = $curve->points;
            $joined = $curve->joined;
            $zs = $curve->z;
            $last = count($zs) - 1;
            $nearest = $curve->least - 1e-9;
            $furthest = $curve->most + 1e-9;
            for ($i = 0; $i < $group->count; $i++) {
                $low = $least[$i];
                if ($low > $furthest) {
                    break;
                }
                $high = $most[$i];
                if ($high < $nearest || $works[$class[$i]] < 0 || $mass[$i] > $mostMass || $price[$i] > $mostPrice || $missing[$i] > $mostMissing) {
                    continue;
                }
                $share = 0.0;
                for ($n = 0; $n <= $last; $n++) {
                    $z = $zs[$n];
                    if ($z >= $low - 1e-9 && $z <= $high + 1e-9) {
                        break;
                    }
                    if ($n < $last && $joined[$n] && ($z < $low ? $zs[$n + 1] >= $low : $zs[$n + 1] <= $high)) {
                        $share = (($z < $low ? $low : $high) - $z) / ($zs[$n + 1] - $z);
                        break;
                    }
                }
                if ($n > $last) {
                    continue;
                }
                foreach ($reach as [$from0, $to0]) {
                    if ($from0 > $high + 1e-9 || $to0 < $low - 1e-9) {
                        continue 2;
                    }
                }
                $point = $points[$n];
                $next = $share > 0.0 ? $points[$n + 1] : $point;
                $lost = $point->stopsLost === null || $next->stopsLost === null ? 99.0 : $point->stopsLost + $share * ($next->stopsLost - $point->stopsLost);
                $warnings = $works[$class[$i]] + min($point->warnings, $next->warnings);
                $key = match ($wanted->ranking) {
                    Ranking::Ease => 0.0,
                    Ranking::Room => -log(max(1e-6, $point->workingDistanceMm + $share * ($next->workingDistanceMm - $point->workingDistanceMm))),
                    Ranking::Light => $lost,
                    Ranking::Mass => $massKnown + $mass[$i],
                    Ranking::Price => $priceKnown + $price[$i],
                };
                $key = $key * 1e6 + $warnings * 1e4 + ($joints[$i] + $jointsKnown) * 100.0 + $lost;
                if (! isset($keys[$i]) || $key < $keys[$i]) {
                    $keys[$i] = $key;
                    $from[$i] = $k;
                }
                // A ring narrower than the light on its way to the head could dim the picture or its corner.
                $doubt[$i] = ($doubt[$i] ?? true) && ($corner || $narrow && $high / $clear[$i] * $factor > $point->effective);
            }
        }
        $unsure = 0;
        foreach ($keys as $i => $key) {
            $unsure += $doubt[$i] ? 1 : 0;
            if ($key < $best->limit) {
                $best->add($key, $first + $from[$i], $i, $doubt[$i]);
            }
        }

        return [count($keys) - $unsure, $unsure];
    }

    /**
     * Warnings by what reaches the lens: -1 where its aperture can't be worked as wanted, or at all.
     *
     * @return list<int> by class of StackGroup
     */
    private function works(int $b, Head $head, ?bool $automatic): array
    {
        $lens = $head->lens();
        $works = [];
        for ($class = 0; $class < StackGroup::CLASSES; $class++) {
            $how = ApertureWorked::Ring;
            if ($lens !== null) {
                $passes = new Coupling(($class & 1) !== 0, ($class & 2) !== 0);
                $wired = $passes->contacts && (($class & 8) !== 0 || $this->bases[$b]->converter !== null);
                $how = ApertureWorked::of($lens, $passes, ($class & 4) !== 0, $wired, $this->bases[$b]->camera->isBuiltIn());
            }
            $works[] = match (true) {
                $how === ApertureWorked::Stuck, $automatic !== null && $automatic !== $how->isAutomatic() => -1,
                $how === ApertureWorked::Latch, $how === ApertureWorked::Detach => 1,
                default => 0,
            };
        }

        return $works;
    }

    /**
     * Lengths of stack, from sensor to head, at which other distances that are wanted too can be focused.
     *
     * @return list<array{float, float}>|null null = one of them never can
     */
    private function reach(HeadOptics $optics, int $b, Wanted $wanted): ?array
    {
        $ways = [];
        foreach (array_filter([$wanted->focusFromMm, $wanted->focusToMm], static fn (?float $mm): bool => $mm !== null) as $distance) {
            $target = new Target(TargetKind::SubjectDistance, $distance);
            $judge = new Judge($this->bases[$b], $wanted->bare(), $this->conditions);
            $way = [INF, -INF];
            foreach ([0, 1] as $which) {
                $curve = new Curve($optics, $which, $judge, $target, $this->bases[$b]);
                $way = [min($way[0], $curve->least), max($way[1], $curve->most)];
            }
            $ways[] = $way;
        }
        if ($wanted->infinity) {
            $way = [INF, -INF];
            foreach ($optics->lays as $lay) {
                $z = $lay->c === 0.0 ? NAN : -$lay->d / $lay->c;
                if (! is_nan($z) && $lay->a * $z + $lay->b > 0.0) {
                    $way = [min($way[0], $z), max($way[1], $z)];
                }
            }
            $ways[] = $way;
        }
        foreach ($ways as [$from, $to]) {
            if ($from > $to) {
                return null;
            }
        }

        return $ways;
    }

    /** @param  list<array{int, Head, Curve}>  $curves base, head, curve */
    private function found(Wanted $wanted, Conditions $conditions, Best $best, array $curves, int $sure, int $unsure, int $rigs): Found
    {
        $rows = [];
        $refused = 0;
        $read = 0;
        $doubtful = 0;
        foreach ($best->sorted() as [, $c, $i, $doubt]) {
            if ($rows !== [] && $this->isOver($this->budget)) {
                break;
            }
            [$b, $head, $curve] = $curves[$c];
            $group = $this->group($b, $head);
            $point = $curve->first($group->least[$i], $group->most[$i]);
            $row = $point === null ? null : Setup::of(
                $this->bases[$b], $this->stacks[$b], $group, $i, $curve->optics, $point, $conditions, $wanted,
            );
            $read++;
            $doubtful += $doubt ? 1 : 0;
            if ($row === null) {
                $refused += $doubt ? 1 : 0;
                $sure -= $doubt ? 0 : 1;
            } else {
                $rows[] = $row;
            }
        }
        usort($rows, static fn (Row $x, Row $y): int => $x->rank <=> $y->rank);

        return new Found(
            Fold::of($rows), $rigs, $sure + $doubtful - $refused, $unsure - $doubtful, count($rows), $this->leftOut(),
        );
    }

    private function group(int $b, Head $head): StackGroup
    {
        $ends = $this->stacks[$b]->endsFor($head->rear());
        $key = $b.' '.$ends.' '.$head->rings;

        if ($this->using !== null && ! in_array($this->using, $head->parts, true)) {
            $with = 0;
            foreach ($this->stock->rings as $i => $ring) {
                $with |= $ring === $this->using ? 1 << $i : 0;
            }

            return $this->groups[$key.' with'] ??= new StackGroup($this->stacks[$b], $with === 0 ? 0 : $ends, $head->rings, $with);
        }

        return $this->groups[$key] ??= new StackGroup($this->stacks[$b], $ends, $head->rings);
    }

    /** @return list<Head> */
    private function heads(int $most = PHP_INT_MAX): array
    {
        return $this->heads[$most] ??= Heads::of($this->stock, $most, $this->budget->share(0.3));
    }

    private function isOver(Budget $budget): bool
    {
        $over = $budget->spent();
        $this->cutShort = $this->cutShort || $over;

        return $over;
    }

    /** @return list<HeadOptics> at every zoom setting, and with the ring of a lens in front at either end */
    private function optics(Head $head): array
    {
        $key = spl_object_id($head);
        if (! isset($this->optics[$key])) {
            $optics = [];
            foreach (HeadOptics::zooms($head) as $zoom) {
                $one = new HeadOptics($head, $this->stock->cameras[0], $this->conditions, $zoom, 0.0);
                $optics[] = $one;
                if ($one->secondMoves()) {
                    $optics[] = new HeadOptics($head, $this->stock->cameras[0], $this->conditions, $zoom, 1.0);
                }
            }
            $this->optics[$key] = $optics;
        }

        return $this->optics[$key];
    }
}
