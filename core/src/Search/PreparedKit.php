<?php

declare(strict_types=1);

namespace ZincThimble\Core\Search;

use ZincThimble\Core\Gear\Coupling;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Rig\ApertureWorked;
use ZincThimble\Core\Rig\Conditions;

/**
 * What no wish changes of all that a kit can become: sets of rings on each camera, front assemblies, which stands on which, and what each
 * does to a ray. Each is made when it is first asked for.
 */
final class PreparedKit
{
    /** How many rigs are gone through at the most. */
    private const MOST_RIGS = 40_000_000;

    /** How many front assemblies may stay laid out from one question to the next: beyond, it is a matter of memory. */
    private const MOST_LAID_OUT = 2_000;

    /** How many cameras, with and without a converter. */
    private const MOST_BODIES = 24;

    /** What front assemblies of any number of parts, in air, are found under. */
    private const ALL = 'dry '.PHP_INT_MAX;

    /** @var list<CameraBody> */
    public readonly array $bodies;

    public readonly int $bodiesLeftOut;

    /** @var list<Stacks> by camera */
    public readonly array $stacks;

    /** Whether time or memory ran out while it was made: it is the best so far. */
    private bool $cutShort = false;

    /** @var array<int, list<array{zoomMm: array<int, ?float>, second: float, bytes: string}>> of front assemblies that were laid out before: FrontOptics as KeptKit has them */
    private array $keptOptics = [];

    /** @var array<string, list<FrontAssembly>> by how many parts they may have, and in what */
    private array $fronts = [];

    /** @var array<string, StackGroup> by camera, kinds of end, rings in front and rings that have to be there */
    private array $groups = [];

    /** @var array<int, array<int, StackGroup>> the same by camera and front assembly: many stand on one group */
    private array $groupOf = [];

    /** @var array<int, array<int, int>> kinds of end that each rear end goes on, by camera: as StackGroup has them */
    private array $ends = [];

    /** @var array<string, list<ApertureWorked>> how the aperture of each lens is worked on each camera, by class of StackGroup */
    private array $worked = [];

    /** @var array<int, list<FrontOptics>> by front assembly */
    private array $optics = [];

    /** @param  list<CameraBody>  $bodies  all that the kit has */
    private function __construct(public readonly SearchKit $kit, public readonly Conditions $conditions, array $bodies, Stacks ...$stacks)
    {
        $this->bodiesLeftOut = max(0, count($bodies) - self::MOST_BODIES);
        $this->bodies = array_slice($bodies, 0, self::MOST_BODIES);
        $this->stacks = array_values($stacks);
    }

    /** @param  int  $mostStacks  sets of rings that one camera may have at the most */
    public static function of(SearchKit $kit, Conditions $conditions, Budget $budget, int $mostStacks = Stacks::MOST): self
    {
        $all = CameraBody::all($kit);
        $bodies = array_slice($all, 0, self::MOST_BODIES);
        // No kit of anybody's comes near this; a kit of thousands is answered in seconds all the same, and told what it lacks.
        $room = intdiv(self::MOST_RIGS, max(1, count($bodies) * min(FrontAssemblies::MOST, FrontAssemblies::atMost($kit))));
        $stacks = [];
        $cutShort = false;
        foreach ($bodies as $body) {
            $share = $budget->share(0.3);
            $stacks[] = Stacks::on($body, $kit, max(64, min($mostStacks, $room)), $share);
            $cutShort = $cutShort || $share->isSpent();
        }
        $prepared = new self($kit, $conditions, $all, ...$stacks);
        $prepared->cutShort = $cutShort;

        return $prepared;
    }

    /**
     * What KeptKit kept of the same kit.
     *
     * @param  list<array{leftOutAbove: ?int, columns: array<string, string>}>  $stacks  by camera
     * @param  list<FrontAssembly>  $fronts  all of them
     * @param  list<list<array{zoomMm: array<int, ?float>, second: float, bytes: string}>>  $optics  by front assembly
     */
    public static function back(SearchKit $kit, Conditions $conditions, array $stacks, array $fronts, array $optics): self
    {
        $bodies = CameraBody::all($kit);
        $prepared = new self($kit, $conditions, $bodies, ...array_map(static fn (array $kept, int $b): Stacks => Stacks::back($bodies[$b], $kit, $kept), $stacks, array_keys($stacks)));
        $prepared->fronts[self::ALL] = $fronts;
        foreach ($fronts as $f => $front) {
            $prepared->keptOptics[spl_object_id($front)] = $optics[$f];
        }

        return $prepared;
    }

    /** @return list<FrontAssembly>|null all that stand in air; null = they weren't all asked for, are too many to stay laid out, or there was no time for all */
    public function allFronts(): ?array
    {
        $all = $this->fronts[self::ALL] ?? null;

        return $all === null || $this->cutShort || count($all) > self::MOST_LAID_OUT ? null : $all;
    }

    /** @return list<FrontAssembly> those of fewer parts first */
    public function fronts(int $most, bool $underWater, Budget $budget): array
    {
        $key = ($underWater ? 'wet ' : 'dry ').$most;
        if (! isset($this->fronts[$key]) && ! $underWater && isset($this->fronts[self::ALL])) {
            // By as few rings as it needs is by as few among all.
            $this->fronts[$key] = array_values(array_filter($this->fronts[self::ALL], static fn (FrontAssembly $front): bool => count($front->parts) <= $most));
        }
        if (! isset($this->fronts[$key])) {
            $share = $budget->share(0.3);
            $this->fronts[$key] = FrontAssemblies::of($this->kit, $most, $share, $underWater);
            $this->cutShort = $this->cutShort || $share->isSpent();
        }

        return $this->fronts[$key];
    }

    /** How many front assemblies any question has gone through at the most; before the first, how many there are. */
    public function mostFronts(Budget $budget): int
    {
        return max(array_map(count(...), $this->fronts === [] ? [$this->fronts(PHP_INT_MAX, false, $budget)] : $this->fronts));
    }

    /** The stacks of a camera that a front assembly stands on. */
    public function group(int $b, FrontAssembly $front): StackGroup
    {
        return $this->groupOf[$b][spl_object_id($front)] ??= $this->groupWith($b, $front, 0);
    }

    /** @param  int  $with  rings that have to be in them, as bits */
    public function groupWith(int $b, FrontAssembly $front, int $with): StackGroup
    {
        $rear = $front->rear();
        $ends = $this->ends[$b][spl_object_id($rear)] ??= $this->stacks[$b]->endsFor($rear);

        return $this->groups[$b.' '.$ends.' '.$front->rings.' '.$with] ??= new StackGroup($this->stacks[$b], $ends, $front->rings, $with);
    }

    /** @return list<ApertureWorked> how a front assembly's aperture is worked on a camera, by class of StackGroup */
    public function worked(int $b, FrontAssembly $front): array
    {
        $lens = $front->lens();

        return $lens === null ? array_fill(0, StackGroup::CLASSES, ApertureWorked::Ring) : $this->worked[$b.' '.spl_object_id($lens)] ??= $this->workings($b, $lens);
    }

    /** What that weighs: a warning, none, or -1 where the aperture can't be worked at all. */
    public static function weight(ApertureWorked $how): int
    {
        return match ($how) {
            ApertureWorked::Stuck => -1,
            ApertureWorked::Latch, ApertureWorked::Detach => 1,
            default => 0,
        };
    }

    /** @return list<ApertureWorked> by class of StackGroup */
    private function workings(int $b, Lens $lens): array
    {
        $body = $this->bodies[$b];
        $hows = [];
        for ($class = 0; $class < StackGroup::CLASSES; $class++) {
            $passes = new Coupling(($class & 1) !== 0, ($class & 2) !== 0);
            $wired = $passes->contacts && (($class & 8) !== 0 || $body->converter !== null);
            $hows[] = ApertureWorked::of($lens, $passes, ($class & 4) !== 0, $wired, $body->camera->isBuiltIn());
        }

        return $hows;
    }

    /**
     * @param  int  $of  how many front assemblies are gone through: of many only the last is kept
     * @return list<FrontOptics> at every zoom setting, and with the ring of a lens in front at either end
     */
    public function optics(FrontAssembly $front, int $of): array
    {
        $id = spl_object_id($front);
        if (! isset($this->optics[$id])) {
            $optics = isset($this->keptOptics[$id]) ? $this->opticsBack($front, $this->keptOptics[$id]) : $this->opticsOf($front);
            if ($of > self::MOST_LAID_OUT) {
                $this->optics = [];
            }
            $this->optics[$id] = $optics;
        }

        return $this->optics[$id];
    }

    /** @return list<FrontOptics> */
    private function opticsOf(FrontAssembly $front): array
    {
        $optics = [];
        foreach (FrontOptics::zooms($front) as $zoom) {
            $one = new FrontOptics($front, $this->kit->cameras[0], $this->conditions, $zoom, 0.0);
            $optics[] = $one;
            if ($one->secondMoves) {
                $optics[] = new FrontOptics($front, $this->kit->cameras[0], $this->conditions, $zoom, 1.0);
            }
        }

        return $optics;
    }

    /**
     * @param  list<array{zoomMm: array<int, ?float>, second: float, bytes: string}>  $kept
     * @return list<FrontOptics>
     */
    private function opticsBack(FrontAssembly $front, array $kept): array
    {
        return array_map(fn (array $one): FrontOptics => new FrontOptics($front, $this->kit->cameras[0], $this->conditions, $one['zoomMm'], $one['second'], $one['bytes']), $kept);
    }
}
