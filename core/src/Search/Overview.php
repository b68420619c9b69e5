<?php

declare(strict_types=1);

namespace ZincThimble\Core\Search;

use ZincThimble\Core\Optics\RayMatrix;

/**
 * What a kit can do at all, without a wish: how many rigs come by each magnification and working distance, by route, the
 * most room there is at each magnification, and the magnifications that nothing reaches.
 *
 * Counted on a map whose cells are even in the logarithm. A rig counts where its draw and its ring bring it: the draw in
 * steps of 2 mm, the ring of a lens by itself all along its way, of others at infinity, half way and at its closest, all of
 * one rig together as one.
 */
final class Overview
{
    /** The map: magnification from LEAST_M, room from LEAST_MM; each cell so much wider than the one before. */
    public const COLUMNS = 96;

    public const ROWS = 64;

    public const LEAST_M = 0.05;

    public const MOST_M = 60.0;

    public const LEAST_MM = 1.0;

    public const MOST_MM = 10000.0;

    /** How many rigs are shown as dots of their own. */
    public const DOTS = 5000;

    private const STEP_MM = 2.0;

    /** Places along the ring of a lens by itself. */
    private const ALONG = 48;

    /** Stacks of every kind together. */
    private const ALL = -1;

    /** Magnifications this near to each other leave no gap, as a share. */
    private const GAP = 1.01;

    /** @var array<string, array<int, float>> rigs in each cell (row x COLUMNS + column), by route */
    public array $density = [];

    /** @var array<int, float> greatest working distance in each column, mm; columns without any are not there */
    public array $edge = [];

    /** @var list<array{float, float, string}> magnification, working distance, route of single rigs */
    public array $dots = [];

    /** @var list<array{float, float}> magnifications between which nothing lies */
    public array $gaps = [];

    /** @var array<string, list<array{float, float}>> the same by each route alone */
    public array $gapsByRoute = [];

    /** @var array<string, int> */
    public array $rigsByRoute = [];

    public int $rigs = 0;

    /** @var array{float, float}|null least and greatest magnification with room before the front; 0 = infinity */
    public ?array $magnification = null;

    /** @var array<string, list<array{float, float}>> */
    private array $covered = [];

    /** @var array<int, array{array<int, int>, array<int, array<int, float>>, array<int, list<array{float, float}>>}> by group */
    private array $lengths = [];

    /** @internal to Search */
    public function __construct(private readonly int $every)
    {
    }

    /**
     * Everything that one front assembly can do on one camera.
     *
     * @param  list<FrontOptics>  $variants  its zoom settings
     */
    public function add(CameraBody $base, FrontAssembly $front, StackGroup $group, array $variants): void
    {
        [$counts, $lengths, $unions] = $this->lengths($group);
        // Routes that differ in their rings alone are one route of this front assembly, but for a plain lens.
        $bins = [];
        foreach ($lengths as $stack => $steps) {
            $route = Route::of($front->route(), $stack)->value;
            $this->rigsByRoute[$route] = ($this->rigsByRoute[$route] ?? 0) + $counts[$stack];
            foreach ($steps as $step => $share) {
                $bins[$route][$step] = ($bins[$route][$step] ?? 0.0) + $share;
            }
        }
        for ($i = ($this->every - $this->rigs % $this->every) % $this->every; $i < $group->count; $i += $this->every) {
            $this->dot($variants[0], $base, ($group->least[$i] + $group->most[$i]) / 2.0, Route::of($front->route(), $group->route[$i])->value);
        }
        $this->rigs += $group->count;
        foreach ($variants as $optics) {
            $lays = self::places($optics);
            foreach ($lays as $lay) {
                foreach ($bins as $route => $shares) {
                    $this->count($lay, $base->factor(), $shares, $route, 1.0 / count($lays) / count($variants));
                }
            }
            $touching = new Target(TargetKind::WorkingDistance, 0.0);
            $ends = array_map(static fn (RayMatrix $lay): float => $touching->places($lay, 1.0, 0.0)[0], $optics->lays());
            foreach ($front->route() === Route::Plain ? array_keys($counts) : [self::ALL] as $stack) {
                $route = Route::of($front->route(), $stack)->value;
                foreach ($unions[$stack] ?? [] as [$from, $to]) {
                    $this->cover($optics, $ends, $base->factor(), $from, $to, $route);
                }
            }
        }
    }

    /**
     * How many stacks of a group there are by kind, how long they can be, and that merged. Many front assemblies stand
     * on the same group.
     *
     * @return array{array<int, int>, array<int, array<int, float>>, array<int, list<array{float, float}>>}
     */
    private function lengths(StackGroup $group): array
    {
        $key = spl_object_id($group);
        if (! isset($this->lengths[$key])) {
            $counts = $lengths = $unions = [];
            $ends = [];
            for ($i = 0; $i < $group->count; $i++) {
                $kind = $group->route[$i];
                $counts[$kind] = ($counts[$kind] ?? 0) + 1;
                $from = (int) ($group->least[$i] / self::STEP_MM);
                $to = (int) ($group->most[$i] / self::STEP_MM);
                $ends[$kind][0][] = $group->least[$i];
                $ends[$kind][1][] = $group->most[$i];
                $share = 1.0 / ($to - $from + 1);
                for ($step = $from; $step <= $to; $step++) {
                    $lengths[$kind][$step] = ($lengths[$kind][$step] ?? 0.0) + $share;
                }
            }
            foreach ($ends as $kind => [$least, $most]) {
                $unions[$kind] = StackGroup::union($least, $most);
            }
            $unions[self::ALL] = StackGroup::union($group->least, $group->most);
            $this->lengths[$key] = [$counts, $lengths, $unions];
        }

        return $this->lengths[$key];
    }

    /** Merges what was covered and finds what was not. Called once, at the end. */
    public function finish(): void
    {
        $all = [];
        foreach ($this->covered as $route => $covered) {
            $merged = self::merged($covered, self::GAP);
            $this->gapsByRoute[$route] = self::between($merged);
            array_push($all, ...$merged);
        }
        $this->covered = [];
        $merged = self::merged($all, self::GAP);
        $this->gaps = self::between($merged);
        if ($merged !== []) {
            $this->magnification = [$merged[0][0], $merged[count($merged) - 1][1]];
        }
    }

    /**
     * @param  list<array{float, float}>  $merged
     * @return list<array{float, float}>
     */
    private static function between(array $merged): array
    {
        $gaps = [];
        for ($i = 1; $i < count($merged); $i++) {
            if ($merged[$i][0] > self::LEAST_M) {
                $gaps[] = [$merged[$i - 1][1], $merged[$i][0]];
            }
        }

        return $gaps;
    }

    /**
     * Where the ring stands: a lens by itself is followed all along its ring, which is all that moves it; of other front assemblies
     * both ends and the middle show where they go.
     *
     * @return list<RayMatrix>
     */
    private static function places(FrontOptics $optics): array
    {
        if (! $optics->moves) {
            return $optics->lays();
        }
        if (count($optics->front->parts) > 1) {
            return [$optics->at(0.0), $optics->at(0.5), $optics->at(1.0)];
        }
        $lays = [];
        for ($n = 0; $n <= self::ALONG; $n++) {
            // Even in the logarithm of the magnification, nearly: close to infinity a little of the ring does much.
            $lays[] = $optics->at(($n / self::ALONG) ** 2.5);
        }

        return $lays;
    }

    /** @param  array<int, float>  $counts */
    private function count(RayMatrix $lay, float $factor, array $counts, string $route, float $weight): void
    {
        [$a, $b, $c, $d] = [$lay->a, $lay->b, $lay->c, $lay->d];
        $metal = $lay->last - $lay->front;
        $density = $this->density[$route] ?? [];
        $perM = (self::COLUMNS - 1e-9) / log(self::MOST_M / self::LEAST_M);
        $perMm = (self::ROWS - 1e-9) / log(self::MOST_MM / self::LEAST_MM);
        foreach ($counts as $bin => $count) {
            $z = ($bin + 0.5) * self::STEP_MM;
            $y = $a * $z + $b;
            $t = $c * $z + $d;
            if ($y * $t >= 0.0) {
                continue;
            }
            $m = abs($t) * $factor;
            $room = $metal - $y / $t;
            if ($room < self::LEAST_MM || $m < self::LEAST_M || $m > self::MOST_M || $room > self::MOST_MM) {
                continue;
            }
            $column = (int) (log($m / self::LEAST_M) * $perM);
            $cell = (int) (log($room / self::LEAST_MM) * $perMm) * self::COLUMNS + $column;
            $density[$cell] = ($density[$cell] ?? 0.0) + $count * $weight;
            if ($room > ($this->edge[$column] ?? 0.0)) {
                $this->edge[$column] = $room;
            }
        }
        $this->density[$route] = $density;
    }

    private function dot(FrontOptics $optics, CameraBody $base, float $z, string $route): void
    {
        $lay = $optics->lays()[0];
        $y = $lay->a * $z + $lay->b;
        $t = $lay->c * $z + $lay->d;
        if ($y * $t >= 0.0 || count($this->dots) >= self::DOTS) {
            return;
        }
        $room = $lay->last - $lay->front - $y / $t;
        $m = abs($t) * $base->factor();
        if ($room >= self::LEAST_MM && $room <= self::MOST_MM && $m >= self::LEAST_M && $m <= self::MOST_M) {
            $this->dots[] = [$m, $room, $route];
        }
    }

    /**
     * The magnifications of a front assembly on stacks of a length, its ring free: from the least to the greatest with room before
     * the front.
     *
     * @param  list<float>  $ends  for each place of the ring the length at which the front touches; NAN = none
     */
    private function cover(FrontOptics $optics, array $ends, float $factor, float $from, float $to, string $route): void
    {
        $least = INF;
        $most = 0.0;
        foreach ($optics->lays() as $k => $lay) {
            $end = $ends[$k];
            $until = ! is_nan($end) && $end > $from ? min($to, $end) : $to;
            foreach ($until > $from ? [$from, $until] : [$from] as $z) {
                $y = $lay->a * $z + $lay->b;
                $t = $lay->c * $z + $lay->d;
                if ($y > 0.0 && $t >= 0.0) {
                    $least = 0.0;
                } elseif ($y * $t < 0.0 && $lay->last - $lay->front - $y / $t >= -1e-6) {
                    $least = min($least, abs($t) * $factor);
                    $most = max($most, abs($t) * $factor);
                }
            }
        }
        if ($most > self::LEAST_M) {
            $this->covered[$route][] = [$least, $most];
            if (count($this->covered[$route]) > 20_000) {
                $this->covered[$route] = self::merged($this->covered[$route], 1.0);
            }
        }
    }

    /**
     * @param  list<array{float, float}>  $covered
     * @return list<array{float, float}> rising, those that touch or lie within a share of each other made one
     */
    private static function merged(array $covered, float $within): array
    {
        sort($covered);
        $merged = [];
        foreach ($covered as [$from, $to]) {
            $last = count($merged) - 1;
            if ($last >= 0 && $from <= $merged[$last][1] * $within) {
                $merged[$last] = [$merged[$last][0], max($merged[$last][1], $to)];
            } else {
                $merged[] = [$from, $to];
            }
        }

        return $merged;
    }
}
