<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Optics\BendingRays;
use ZincThimble\Core\Optics\Image;
use ZincThimble\Core\Optics\SplitSystem;
use ZincThimble\Core\Optics\StraightRays;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Rig\TravelKind;

/**
 * The rays of a rig along one travel with each uncertain input moved up and down by its half-width: straight lines where they are
 * lines, else written down place by place.
 *
 * @internal to UncertaintyTable
 */
final class PerturbedRays
{
    /**
     * Of each input moved up: what StraightRays::about() or BendingRays::$rays gives; null where its rim alone moves.
     *
     * @var array<int, array<int, float>|null>
     */
    public array $ups = [];

    /**
     * Of each input moved down, likewise.
     *
     * @var array<int, array<int, float>|null>
     */
    public array $downs = [];

    /**
     * By the row from which on other lines hold: of which input, whether moved up, and the lines.
     *
     * @var array<int, list<array{int, bool, array<int, float>}>>
     */
    public array $turns = [];

    /** Whether the ring bends the rays, so that they are written down. */
    public bool $bends = false;

    /**
     * Front-most metal up less down, mm, with the travel at 0, and how far the travel takes that.
     *
     * @var array<int, float>
     */
    public array $metal = [];

    /** @var array<int, float> */
    public array $metalWay = [];

    /**
     * Marked number of the working lens, down over up; 0 = not known.
     *
     * @var array<int, float>
     */
    public array $markedRatio = [];

    /**
     * The same place by place, where the ring changes it; [] = nowhere.
     *
     * @var array<int, array<int, float>>
     */
    public array $markedRatios = [];

    private function __construct()
    {
    }

    /**
     * @param  list<UncertainInput>  $inputs
     * @param  SplitSystem  $split  of the rig itself
     * @param  list<float>  $positions
     */
    public static function of(array $inputs, SplitSystem $split, Travel $travel, array $positions): self
    {
        $self = new self;
        foreach ($inputs as $i => $input) {
            $rims = self::rims($input, $split->axis);
            if ($rims !== null) {
                $self->ups[$i] = $self->downs[$i] = null;
                $self->metal[$i] = $rims;

                continue;
            }
            // What lies behind the moving lens and in front of it is the same whatever its own figures are.
            $own = $travel->kind === TravelKind::Focus && $input->part === $travel->part;
            $one = $own ? $split : new SplitSystem(Axis::of($input->up), $input->up, $travel);
            $other = $own ? $split : new SplitSystem(Axis::of($input->down), $input->down, $travel);
            $line1 = StraightRays::of($one, $input->up, $travel);
            $line2 = StraightRays::of($other, $input->down, $travel);
            if ($line1 !== null && $line2 !== null) {
                $self->ups[$i] = $self->downs[$i] = [];
                foreach ([$line1, $line2] as $side => $line) {
                    foreach ($line->stretches($positions) as [$from, $to]) {
                        $self->turns[$from][] = [$i, $side === 0, $line->about($positions[intdiv($from + $to - 1, 2)])];
                    }
                }
                $self->metal[$i] = $line1->s0 - $line2->s0;
                $self->metalWay[$i] = $line1->s1 - $line2->s1;
            } else {
                $up = BendingRays::of($one, $input->up, $travel, $positions);
                $down = BendingRays::of($other, $input->down, $travel, $positions);
                $self->ups[$i] = $up->rays;
                $self->downs[$i] = $down->rays;
                $self->bends = true;
                $self->metal[$i] = $up->metal - $down->metal;
                $self->metalWay[$i] = $up->metalWay - $down->metalWay;
                if ($up->marked !== []) {
                    $ratios = [];
                    foreach ($up->marked as $row => $marked) {
                        $ratios[] = $down->marked[$row] / $marked;
                    }
                    $self->markedRatios[$i] = $ratios;
                }
            }
            $marked1 = $one->axis->marked;
            $marked2 = $other->axis->marked;
            $self->markedRatio[$i] = $marked1 === null || $marked2 === null ? 0.0 : $marked2 / $marked1;
        }
        ksort($self->turns);

        return $self;
    }

    /**
     * What each input moves a reading by at one place, `r(+) - r(-)`, but for a factor that all inputs share.
     *
     * @param  string  $reading  `magnification`, `workingDistanceMm` or `effectiveAperture`
     * @return list<float>
     */
    public function changesAt(string $reading, int $row, float $position, Image $image, float $medium): array
    {
        [$ups, $downs] = $this->linesAt($row);
        // Where each of four numbers stands, and how far it goes from there to the place: lines are pairs, what is written down is not.
        [$at, $next, $way] = $this->bends ? [4 * $row, 1, 0.0] : [0, 2, $position];
        $changes = [];
        foreach ($ups as $i => $up) {
            $down = $downs[$i];
            if ($up === null || $down === null) {
                $changes[] = $reading === 'workingDistanceMm' && $image === Image::Real ? -$medium * $this->metal[$i] : 0.0;

                continue;
            }
            $ut = $up[$at] + $up[$at + 1] * $way;
            $dt = $down[$at] + $down[$at + 1] * $way;
            if ($reading === 'magnification') {
                $changes[] = $ut < 0.0 || $dt < 0.0 ? 0.0 : $ut - $dt;

                continue;
            }
            $which = $at + ($reading === 'effectiveAperture' ? $next : 2 * $next);
            $u = $up[$which] + $up[$which + 1] * $way;
            $d = $down[$which] + $down[$which + 1] * $way;
            $changes[] = match (true) {
                $reading === 'effectiveAperture' => $u > 0.0 && $d > 0.0 ? $u - $d : 0.0,
                default => $ut > 0.0 && $dt > 0.0 ? $medium * ($d / $dt - $u / $ut) : 0.0,
            };
        }

        return $changes;
    }

    /** @return array{array<int, array<int, float>|null>, array<int, array<int, float>|null>} what holds in one row, of each input moved up and down */
    private function linesAt(int $row): array
    {
        $ups = $this->ups;
        $downs = $this->downs;
        foreach ($this->turns as $from => $lines) {
            if ($from > $row) {
                break;
            }
            foreach ($lines as [$i, $isUp, $line]) {
                if ($isUp) {
                    $ups[$i] = $line;
                } else {
                    $downs[$i] = $line;
                }
            }
        }

        return [$ups, $downs];
    }

    /** Rim up less rim down, mm, of an input that moves nothing but the front-most metal; null = it moves more. */
    private static function rims(UncertainInput $input, Axis $axis): ?float
    {
        $i = $input->part;
        $up = $input->up->lenses[$i] ?? null;
        $down = $input->down->lenses[$i] ?? null;
        $part = $input->up->chain[$i];
        if ($up === null || $down === null || $up->frontGlass !== null || ! $part instanceof Lens || $part->reversed || ! $up->isButForItsRim($down)) {
            return null;
        }
        $groups = $axis->groupPart;
        $openings = $axis->openPart;

        return ($groups === [] || max($groups) <= $i) && ($openings === [] || max($openings) <= $i) ? $up->rim - $down->rim : null;
    }
}
