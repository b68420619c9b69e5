<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Gear\Focusing;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Optics\MovingOpening;
use ZincThimble\Core\Optics\Rays;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Rig\TravelKind;

/** How bright the corner is left at every position of a travel, and by what (OPTICS.md, "Vignetting"); Vignetting has the rule. */
final class CornerTable
{
    /** @var array<int, ?float> 0 to 1; null = nothing known limits the light */
    public array $brightness = [];

    /** @var array<int, ?int> the part that darkens it most; -1 = the camera, null = none does */
    public array $part = [];

    private function __construct()
    {
    }

    /**
     * @param  list<MovingOpening>  $openings
     * @param  list<float>  $positions
     */
    public static function of(array $openings, Rays $rays, Rig $rig, float $factor, Travel $travel, array $positions): self
    {
        $self = new self;
        $self->brightness = in_array(null, $rays->chief, true) ? array_map(static fn (?float $chief): ?float => $chief === null ? null : 1.0, $rays->chief) : array_fill(0, count($positions), 1.0);
        $self->part = array_fill(0, count($positions), null);
        $corner = Vignetting::cornerMm($rig) / $factor;
        foreach ($openings as $j => $opening) {
            if ($j !== $rays->onlyStop) {
                $self->cut($opening, $rays, $corner);
            }
        }
        $self->cutByImageCircle($rig, $travel, $positions);

        return $self;
    }

    /** What one opening leaves of it. The stop itself cuts nothing: the chief ray goes through its middle, and its cone just fits. */
    private function cut(MovingOpening $opening, Rays $rays, float $corner): void
    {
        $chiefs = $rays->chief;
        $numbers = $rays->number;
        $field = $opening->field;
        $radius = $opening->radius;
        $radii = $opening->radii;
        foreach ($opening->axial as $row => $h) {
            $x = $chiefs[$row];
            if ($x === null) {
                continue;
            }
            if ($radii !== []) {
                $radius = $radii[$row];
            }
            $q = $corner * ($field[$row] + $x * $h);
            $q = $q < 0.0 ? -$q : $q;
            $w = ($h < 0.0 ? -$h : $h) * 0.5 / $numbers[$row];
            if ($q + $w > $radius * (1.0 + 1e-9)) {
                $left = Vignetting::overlap($w, $radius, $q);
                if ($left < $this->brightness[$row]) {
                    $this->brightness[$row] = $left;
                    $this->part[$row] = $opening->part;
                }
            }
        }
    }

    /**
     * The image circle of the first lens darkens a corner that it doesn't reach.
     *
     * @param  list<float>  $positions
     */
    private function cutByImageCircle(Rig $rig, Travel $travel, array $positions): void
    {
        foreach ($rig->chain as $i => $part) {
            if (! $part instanceof Lens) {
                continue;
            }
            if ($part->reversed || $rig->lenses[$i]->imageCircle === null) {
                return;
            }
            $corner = 2.0 * Vignetting::cornerMm($rig);
            foreach (self::circles($rig, $travel, $positions) as $row => $circle) {
                if ($this->brightness[$row] !== null && $circle !== null && $corner > $circle * (1.0 + 1e-9)) {
                    $this->brightness[$row] = 0.0;
                    $this->part[$row] = $i;
                }
            }

            return;
        }
    }

    /**
     * Image circle at each position: a straight line over any length, and over the ring of a lens that moves as a whole.
     *
     * @param  list<float>  $positions
     * @return list<?float>
     */
    private static function circles(Rig $rig, Travel $travel, array $positions): array
    {
        $at = static fn (float $position): ?float => Axis::of($rig->with($travel->kind, $travel->part, $position))->imageCircleMm;
        if ($travel->kind === TravelKind::Focus && $rig->lenses[$travel->part]->focusing === Focusing::Internal) {
            return array_map($at, $positions);
        }
        $from = $positions[0];
        $to = $positions[count($positions) - 1];
        $first = $at($from);
        $last = $at($to);
        if ($first === null || $last === null || $to <= $from) {
            return array_fill(0, count($positions), $first);
        }
        $slope = ($last - $first) / ($to - $from);

        return array_map(static fn (float $position): float => $first + $slope * ($position - $from), $positions);
    }
}
