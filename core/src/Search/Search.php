<?php

declare(strict_types=1);

namespace ZincThimble\Core\Search;

use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Teleconverter;
use ZincThimble\Core\Rig\Conditions;

/**
 * Goes through everything that a kit can become.
 *
 * A rig is a camera, a set of rings and a front assembly. Where a wish's target is met depends on front assembly and ring alone (Curve), so
 * each front assembly is worked out once, and a rig does it if its rings can be as long as the curve asks: one comparison of two
 * lengths a rig. Only the best are then set and read in full, by the same reading as everywhere else.
 */
final class Search
{
    /** A corner darker than this share of the middle is out. */
    private const DEAD_CORNER = 0.02;

    /** How many of the rigs that do it are set and read in full. */
    public const READ = 400;

    /** And in a first answer. */
    public const FIRST = 12;

    /** Curves that one front assembly may have on one camera, at the most: zoom settings, rings in front and ways. */
    private const MOST_CURVES = 10_000;

    public readonly SearchKit $kit;

    /** @var list<CameraBody> */
    private readonly array $bodies;

    /** @var array<string, list<FrontAssembly>> those that have all that is required, by how many parts they may have, and in what */
    private array $fronts = [];

    /** @var array<int, array<int, StackGroup>> by camera and front assembly, with the rings that are required */
    private array $groupOf = [];

    private ?StackGroup $none = null;

    /** @var list<Part> only rigs that use all of these */
    private array $using = [];

    /** Whether time or memory ran out before everything was looked at. */
    private bool $cutShort = false;

    private function __construct(private readonly PreparedKit $prepared, private readonly Budget $budget)
    {
        $this->kit = $prepared->kit;
        $this->bodies = $prepared->bodies;
    }

    /** @param  int  $mostStacks  sets of rings that one camera may have at the most */
    public static function of(SearchKit $kit, Conditions $conditions, ?Budget $budget = null, int $mostStacks = Stacks::MOST): self
    {
        $budget ??= Budget::endless();

        return new self(PreparedKit::of($kit, $conditions, $budget, $mostStacks), $budget);
    }

    /** The same over a kit that is prepared already. */
    public static function over(PreparedKit $prepared, ?Budget $budget = null): self
    {
        return new self($prepared, $budget ?? Budget::endless());
    }

    /** How many rigs the kit can become: zoom settings not counted. */
    public function rigs(int $most = PHP_INT_MAX, bool $underWater = false): int
    {
        $rigs = 0;
        foreach ($this->fronts($most, $underWater) as $front) {
            foreach (array_keys($this->bodies) as $b) {
                $rigs += $this->group($b, $front)->count;
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
        if ($this->prepared->bodiesLeftOut > 0) {
            $told[] = sprintf('%d cameras', $this->prepared->bodiesLeftOut);
        }
        if (FrontAssemblies::atMost($this->kit) >= FrontAssemblies::MOST && $this->prepared->mostFronts($this->budget) >= FrontAssemblies::MOST) {
            $told[] = sprintf('lenses with what goes in front of them, beyond %s', number_format(FrontAssemblies::MOST));
        }
        foreach ($this->prepared->stacks as $b => $stacks) {
            if ($stacks->leftOutAbove !== null) {
                $told[] = sprintf('sets of more than %d rings on %s', $stacks->leftOutAbove, $this->bodies[$b]->camera->name ?? 'the camera');
            }
        }
        if ($this->kit->withoutPrice > 0) {
            $told[] = sprintf('%d part%s that you don’t own, for want of a price', $this->kit->withoutPrice, $this->kit->withoutPrice === 1 ? '' : 's');
        }
        if ($this->kit->ringsLeftOut > 0) {
            $told[] = sprintf('%d rings more than can be told apart', $this->kit->ringsLeftOut);
        }

        return $told;
    }

    /** Only the rigs that use all of these parts of the kit, lenses either way round. */
    public function using(Part ...$parts): self
    {
        $this->using = array_values($parts);
        $this->groupOf = $this->fronts = [];

        return $this;
    }

    /** Whether a front assembly, and the converter on a camera, have every required part that is no ring. */
    private function hasAll(FrontAssembly $front): bool
    {
        foreach ($this->using as $part) {
            if ($part->kind->isRing() || $part instanceof Teleconverter) {
                continue;
            }
            foreach ($front->parts as $each) {
                if (self::isSame($part, $each)) {
                    continue 2;
                }
            }

            return false;
        }

        return true;
    }

    /** The same thing, whichever way round. */
    private static function isSame(Part $one, Part $other): bool
    {
        return $one === $other || $one->kind === $other->kind && array_diff_key($one->document->fields, ['reversed' => 0]) === array_diff_key($other->document->fields, ['reversed' => 0]);
    }

    /** Rings that have to be there, as bits: of several alike the first. */
    private function ringsRequired(): int
    {
        $bits = 0;
        foreach ($this->using as $part) {
            foreach ($this->kit->rings as $i => $ring) {
                if ($ring === $part) {
                    $bits |= 1 << $i;
                    break;
                }
            }
        }

        return $bits;
    }

    /**
     * What comes nearest to a wish that nothing fulfils, each front assembly once, with its limits missed rather than kept.
     *
     * @return list<Candidate>
     */
    public function nearest(SearchCriteria $wanted, int $count = 3): array
    {
        return $this->near($wanted, $count, 0.0, INF);
    }

    /** @return list<Candidate> of a miss within these bounds */
    private function near(SearchCriteria $wanted, int $count, float $least, float $most): array
    {
        $conditions = $wanted->conditions($this->prepared->conditions);
        $found = [];
        $fronts = $this->fronts(PHP_INT_MAX, $wanted->underWater);
        foreach ($this->bodies as $b => $base) {
            $limits = new LimitCheck($base, $wanted, $conditions);
            $target = $wanted->target($base->camera->frame($conditions->mode)->widthMm);
            // Every camera its part of the time; some is kept for reading what was found.
            $budget = $this->budget->share(0.8 / (count($this->bodies) - $b));
            foreach ($fronts as $front) {
                if ($this->isOver($budget)) {
                    break;
                }
                $group = $this->group($b, $front);
                $lengths = StackGroup::union($group->least, $group->most);
                foreach ($lengths === [] ? [] : $this->prepared->optics($front, count($fronts)) as $optics) {
                    $near = Nearest::of($optics, $lengths, $limits, $target, $base);
                    if ($near !== null && $near->miss >= $least && $near->miss <= $most) {
                        $found[] = [$near->miss, count($front->parts), $b, $near];
                    }
                }
            }
        }
        usort($found, static fn (array $one, array $other): int => [$one[0], $one[1]] <=> [$other[0], $other[1]]);
        $rows = [];
        foreach ($found as [, , $b, $near]) {
            $group = $this->group($b, $near->optics->front);
            $row = null;
            if ($rows !== [] && $this->isOver($this->budget)) {
                break;
            }
            for ($i = 0; $i < $group->count && $row === null; $i++) {
                if ($near->point->z >= $group->least[$i] - 1e-9 && $near->point->z <= $group->most[$i] + 1e-9) {
                    $row = CandidateBuilder::of($this->bodies[$b], $this->prepared->stacks[$b], $group, $i, $near->optics, $near->point, $conditions, $wanted->bare());
                }
            }
            if ($row !== null) {
                $rows[] = $row;
            }
            if (count(SimilarRigs::of($rows)) >= $count) {
                break;
            }
        }

        return SimilarRigs::of($rows);
    }

    /** A rig that misses a wish by no more than this, as a sum of shares, has just missed it. */
    private const JUST = 0.4;

    /**
     * What just misses a wish, by one limit or a little of the target, the least miss first.
     *
     * @return list<Candidate>
     */
    public function missed(SearchCriteria $wanted, int $count = 4): array
    {
        // What misses nothing that anybody would notice is among the rows.
        $rows = array_filter($this->near($wanted, 3 * $count, 1e-6, self::JUST), static fn (Candidate $row): bool => Misses::of($row, $wanted) !== []);

        return array_slice(array_values($rows), 0, $count);
    }

    /** Everything the kit can do, without a wish. */
    public function overview(): Overview
    {
        $overview = new Overview(max(1, (int) ceil($this->rigs() / Overview::DOTS)));
        $fronts = $this->fronts();
        foreach ($this->bodies as $b => $base) {
            $budget = $this->budget->share(0.9 / (count($this->bodies) - $b));
            foreach ($fronts as $front) {
                if ($this->isOver($budget)) {
                    break;
                }
                $group = $this->group($b, $front);
                if ($group->count > 0) {
                    $overview->add($base, $front, $group, $this->prepared->optics($front, count($fronts)));
                }
            }
        }
        $overview->finish();

        return $overview;
    }

    /**
     * A first answer, long before the whole one: only front assemblies of one or two parts, and only so many rigs read. What it finds
     * is found by `ask` too, which may rank others before it.
     */
    public function first(SearchCriteria $wanted, int $read = self::FIRST): SearchResult
    {
        return $this->through($wanted, $read, 2);
    }

    /** Everything that fulfils a wish, the best first. */
    public function ask(SearchCriteria $wanted, int $read = self::READ): SearchResult
    {
        return $this->through($wanted, $read, PHP_INT_MAX);
    }

    /** @param  int  $most  parts that a front assembly may have */
    private function through(SearchCriteria $wanted, int $read, int $most): SearchResult
    {
        $conditions = $wanted->conditions($this->prepared->conditions);
        $best = new TopCandidates($read);
        $sure = 0;
        $unsure = 0;
        $fronts = $this->fronts($most, $wanted->underWater);
        $limits = $targets = [];
        foreach ($this->bodies as $b => $base) {
            $limits[$b] = new LimitCheck($base, $wanted, $conditions);
            $targets[$b] = $wanted->target($base->camera->frame($conditions->mode)->widthMm);
        }
        $budget = $this->budget->share(0.7);
        // One front assembly on every camera, then the next: what it does is worked out once, and let go where there are many.
        foreach ($fronts as $f => $front) {
            if ($this->isOver($budget)) {
                break;
            }
            foreach ($this->bodies as $b => $base) {
                $group = $this->group($b, $front);
                $works = $this->works($b, $front, $wanted->automatic);
                if (! $group->hasAnyOf($works)) {
                    continue;
                }
                $curves = [];
                foreach ($this->prepared->optics($front, count($fronts)) as $optics) {
                    for ($way = 0; $way < $targets[$b]->ways(); $way++) {
                        $curve = new Curve($optics, $way, $limits[$b], $targets[$b], $base, $group->least[0], $group->longest);
                        if ($curve->z !== []) {
                            $curves[] = $curve;
                        }
                    }
                }
                if ($curves !== []) {
                    // Of what weighs the same the first camera's comes first, then the plainest.
                    $reached = [];
                    foreach ($curves as $k => $curve) {
                        $reach = $this->reach($curve->optics, $b, $wanted);
                        if ($reach !== null) {
                            $reached[$k] = $reach;
                        }
                    }
                    $fit = new GroupFit($base, $front, $group, $works, $wanted, $limits[$b]);
                    $fit->hold($curves, $reached, [$b, $front], ($b * count($fronts) + $f) * self::MOST_CURVES, $best);
                    $sure += $fit->sure;
                    $unsure += $fit->unsure;
                }
            }
        }

        return $this->found($wanted, $conditions, $best, $sure, $unsure, $this->rigs($most, $wanted->underWater));
    }

    /**
     * Warnings by what reaches the lens: -1 where its aperture can't be worked as wanted, or at all.
     *
     * @return list<int> by class of StackGroup
     */
    private function works(int $b, FrontAssembly $front, ?bool $automatic): array
    {
        $works = [];
        foreach ($this->prepared->worked($b, $front) as $how) {
            $works[] = $automatic !== null && $automatic !== $how->isAutomatic() ? -1 : PreparedKit::weight($how);
        }

        return $works;
    }

    /**
     * Lengths of stack, from sensor to front assembly, at which other distances that are wanted too can be focused: in stretches, since a
     * distance is met twice, by a short stack and by one beyond life size, and by none between.
     *
     * @return list<list<array{float, float}>>|null null = one of them never can
     */
    private function reach(FrontOptics $optics, int $b, SearchCriteria $wanted): ?array
    {
        if ($wanted->focusFromMm === null && $wanted->focusToMm === null && ! $wanted->infinity) {
            return [];
        }
        $ways = [];
        foreach (array_filter([$wanted->focusFromMm, $wanted->focusToMm], static fn (?float $mm): bool => $mm !== null) as $distance) {
            $target = new Target(TargetKind::SubjectDistance, $distance);
            $limits = new LimitCheck($this->bodies[$b], $wanted->bare(), $this->prepared->conditions);
            $stretches = [];
            for ($way = 0; $way < $target->ways(); $way++) {
                array_push($stretches, ...(new Curve($optics, $way, $limits, $target, $this->bodies[$b]))->stretches());
            }
            $ways[] = $stretches;
        }
        if ($wanted->infinity) {
            $way = [INF, -INF];
            foreach ($optics->lays() as $lay) {
                $z = $lay->c === 0.0 ? NAN : -$lay->d / $lay->c;
                if (! is_nan($z) && $lay->a * $z + $lay->b > 0.0) {
                    $way = [min($way[0], $z), max($way[1], $z)];
                }
            }
            $ways[] = $way[0] > $way[1] ? [] : [$way];
        }

        return in_array([], $ways, true) ? null : $ways;
    }

    private function found(SearchCriteria $wanted, Conditions $conditions, TopCandidates $best, int $sure, int $unsure, int $rigs): SearchResult
    {
        $rows = [];
        $refused = 0;
        $read = 0;
        $doubtful = 0;
        $dark = 0;
        foreach ($best->sorted() as [, , $i, $doubt, [$b, $front, $curve]]) {
            if ($rows !== [] && $this->isOver($this->budget)) {
                break;
            }
            $group = $this->group($b, $front);
            $point = $curve->first($group->least[$i], $group->most[$i]);
            $row = $point === null ? null : CandidateBuilder::of(
                $this->bodies[$b], $this->prepared->stacks[$b], $group, $i, $curve->optics, $point, $conditions, $wanted,
            );
            $read++;
            $doubtful += $doubt ? 1 : 0;
            if ($row === null) {
                $refused += $doubt ? 1 : 0;
                $sure -= $doubt ? 0 : 1;
            } else {
                // A frame with black corners meets every wish and is none.
                $isDark = ($row->reading->cornerBrightness ?? 1.0) < self::DEAD_CORNER;
                $dark += $isDark ? 1 : 0;
                if (! $isDark) {
                    $rows[] = $row;
                }
            }
        }
        usort($rows, static fn (Candidate $x, Candidate $y): int => $x->rank <=> $y->rank);

        return new SearchResult(
            rows: SimilarRigs::of($rows), rigs: $rigs, fulfil: $sure + $doubtful - $refused, mayFulfil: $unsure - $doubtful, read: count($rows),
            leftOut: $this->leftOut(), dark: $dark, each: $rows,
        );
    }

    private function group(int $b, FrontAssembly $front): StackGroup
    {
        return $this->using === [] ? $this->prepared->group($b, $front) : $this->groupOf[$b][spl_object_id($front)] ??= $this->required($b, $front);
    }

    private function required(int $b, FrontAssembly $front): StackGroup
    {
        foreach ($this->using as $part) {
            if ($part instanceof Teleconverter && $this->bodies[$b]->converter !== $part) {
                return $this->none ??= StackGroup::none($this->prepared->stacks[$b]);
            }
        }

        // What stands in front already needn't stand behind.
        return $this->prepared->groupWith($b, $front, $this->ringsRequired() & ~$front->rings);
    }

    /** @return list<FrontAssembly> */
    private function fronts(int $most = PHP_INT_MAX, bool $underWater = false): array
    {
        $all = $this->prepared->fronts($most, $underWater, $this->budget);

        return $this->using === [] ? $all : $this->fronts[($underWater ? 'wet ' : 'dry ').$most] ??= array_values(array_filter($all, $this->hasAll(...)));
    }

    private function isOver(Budget $budget): bool
    {
        $over = $budget->spent();
        $this->cutShort = $this->cutShort || $over;

        return $over;
    }
}
