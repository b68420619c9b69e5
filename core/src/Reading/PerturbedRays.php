<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Optics\BendingRays;
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

        return $self;
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
