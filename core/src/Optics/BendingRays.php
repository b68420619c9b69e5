<?php

declare(strict_types=1);

namespace ZincThimble\Core\Optics;

use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Rig\LensModel;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;

/**
 * What Rays says, place by place of a ring whose lens bends the rays as it turns (internal focusing, or an aperture shown as the
 * effective one), in one loop instead of one for each column: half-widths ask for it twice for each uncertain input. Of a rig cut by
 * SplitSystem; a property test holds it to Rays.
 *
 * @internal to PerturbedRays; Rays is where the numbers are explained
 */
final class BendingRays
{
    /**
     * Four numbers a place: the axial ray's slope in front; the number of the stop; the axial ray at the front-most metal (reduced),
     * mm; and `(g h - t f) / 2r`.
     *
     * @var array<int, float>
     */
    public array $rays = [];

    /**
     * Marked number of the working lens, where the ring changes it; [] = it is the axis's.
     *
     * @var list<float>
     */
    public array $marked = [];

    /** Front-most metal, mm from the sensor, a converter's length included, with the ring at infinity; and how far the ring takes it. */
    public float $metal = 0.0;

    public float $metalWay = 0.0;

    private function __construct()
    {
    }

    /** @param  list<float>  $positions  of the ring, 0 to 1 */
    public static function of(SplitSystem $split, Rig $rig, Travel $travel, array $positions): self
    {
        $axis = $split->axis;
        $p = $travel->part;
        $lens = LensModel::of($rig->lenses[$p], $rig->conditions->simpleAperture);
        $part = $rig->chain[$p];
        $reversed = $part instanceof Lens && $part->reversed;
        $shown = $rig->markedAperture($p);
        $converts = $shown !== null && $lens->showsEffective;
        $isWorking = $converts && $rig->totals->workingLens === $p;
        $y0 = $split->y;
        $t0 = $split->t;
        $fy0 = $split->fy;
        $ft0 = $split->ft;
        $mag0 = $lens->mag0;
        $mag1 = $lens->mag1;
        $bend = $lens->bend;
        $bulge = $lens->bulge;
        $phi0 = $lens->phi0;
        $phi1 = $lens->phi1;
        $rim0 = $lens->rim0;
        $rim1 = $lens->rim1;
        // The rays where the sensor of the lens's own mount would stand: a register behind its flange.
        $register = $lens->register;
        $q = $y0 - $t0 * $register;
        $qf = $fy0 - $ft0 * $register;
        // From there to the rim, less the principal gap.
        $c0 = $rim0 + $register - $lens->gap0;
        $c1 = $rim1 - $lens->gap1;
        $toTip = $lens->protrusion - $register;
        $pupil0 = $lens->pupil0;
        $pupil1 = $lens->pupil1;
        $leastPupil = $lens->leastPupil;
        $loss0 = $lens->loss0;
        $loss1 = $lens->loss1;
        $spread0 = $lens->spread0;
        $spread1 = $lens->spread1;
        $toA = $split->a;
        $toB = $split->b;
        $toC = $split->c;
        $toD = $split->d;
        $inFront = $split->groupsInFront;
        $on = $split->toFront - $split->toLast;
        $toFront = $split->toFront;
        $alpha = $split->alpha;
        $beta = $split->beta;
        // Behind the ring nothing changes: the greatest number there is found once.
        $behind = 0.0;
        $behindPer = 0.0;
        $behindH = $behindF = 0.0;
        foreach ($split->behindR as $j => $r) {
            $number = abs($split->behindA[$j]) / (2.0 * $r);
            if ($number > $behind) {
                $behind = $number;
                $behindH = $split->behindA[$j];
                $behindF = $split->behindF[$j];
                $behindPer = 0.5 / $r;
            }
        }
        $perNa = $axis->na === null ? 0.0 : 0.5 / $axis->na;
        $perGlass = $lens->frontGlass === null ? 0.0 : 1.0 / $lens->frontGlass;
        $openInFront = $split->radius !== [];
        $per = array_map(static fn (float $r): float => 0.5 / $r, $split->radius);

        $rays = array_fill(0, 4 * count($positions), 0.0);
        $cMarked = [];
        foreach ($positions as $row => $s) {
            $between = $s * (1.0 - $s);
            $phi = ($phi0 + $phi1 * $s) * (1.0 - $bend * $between);
            $f = 1.0 / $phi;
            $m = $mag0 + $mag1 * $s;
            $extended = $f + $f * $m;
            $pupil = $pupil0 + $pupil1 * $s;
            if ($pupil < $leastPupil) {
                $pupil = $leastPupil;
            }
            $way = $f * ($pupil + $m);
            if ($reversed) {
                $onward = $c0 + $c1 * $s - $bulge * $between - $extended;
                $last = $y0 + $t0 * $onward;
                $lastF = $fy0 + $ft0 * $onward;
                $t = $t0 - $last * $phi;
                $ft = $ft0 - $lastF * $phi;
                // A diaphragm `E / N` wide as seen from the front.
                $way /= $pupil;
                $at = $onward - $f + $f / $pupil;
                $onward = $extended + $toTip;
                $own = $y0 + $t0 * $at;
                $ownF = $fy0 + $ft0 * $at;
            } else {
                // The height at the lens over its focal length.
                $a = $q * $phi + $t0 + $t0 * $m;
                $b = $qf * $phi + $ft0 + $ft0 * $m;
                $last = $a * $f;
                $lastF = $b * $f;
                $t = $t0 - $a;
                $ft = $ft0 - $b;
                $onward = $c0 + $c1 * $s - $bulge * $between - $extended;
                // A diaphragm `P E / N` wide as seen from the mount.
                $own = $q + $t0 * $way;
                $ownF = $qf + $ft0 * $way;
            }
            $y = $last + $t * $onward;

            // The stop: the opening with the greatest number.
            $n = $behind;
            $h = $behindH;
            $hf = $behindF;
            $perClear = $behindPer;
            if ($shown !== null) {
                // What the bare lens loses, `(f / E) (1 + m / P)`, is taken off the number its camera shows.
                $loss = ($loss0 + $loss1 * $s) * ($spread0 + $spread1 * $s);
                $marked = $converts ? $shown / $loss : $shown;
                if ($isWorking) {
                    $cMarked[] = $marked;
                }
                $ownPer = $marked * $loss / $way;
                $number = ($own < 0.0 ? -$own : $own) * $ownPer;
                if ($number > $n) {
                    $n = $number;
                    $h = $own;
                    $hf = $ownF;
                    $perClear = $ownPer;
                }
            }
            if ($perGlass > 0.0) {
                $own = $reversed ? $y0 : $y;
                $number = ($own < 0.0 ? -$own : $own) * $perGlass;
                if ($number > $n) {
                    $n = $number;
                    $h = $own;
                    $hf = $reversed ? $fy0 : $lastF + $ft * $onward;
                    $perClear = $perGlass;
                }
            }
            // Even an empty loop costs as much as five steps.
            if ($openInFront) {
                foreach ($per as $j => $ownPer) {
                    $own = $alpha[$j] * $y + $beta[$j] * $t;
                    $number = ($own < 0.0 ? -$own : $own) * $ownPer;
                    if ($number > $n) {
                        $n = $number;
                        $h = $own;
                        $hf = $alpha[$j] * ($lastF + $ft * $onward) + $beta[$j] * $ft;
                        $perClear = $ownPer;
                    }
                }
            }

            // In front of it all is carried along, linear.
            if ($inFront) {
                $last = $toA * $y + $toB * $t;
                $t = $toC * $y + $toD * $t;
                $y = $last + $t * $on;
                $ft = $toC * ($lastF + $ft * $onward) + $toD * $ft;
            } else {
                $y += $t * $toFront;
            }
            $turned = $t < 0.0;
            if ($turned) {
                $y = -$y;
                $t = -$t;
                $ft = -$ft;
                $last = -$last;
            }
            $at = 4 * $row;
            // The kind of image, as Image::of() tells it.
            if ($last >= 0.0 || $t <= Image::PARALLEL) {
                $rays[$at] = $last !== 0.0 && ($t <= Image::PARALLEL || ! $turned) ? 0.0 : -1.0;
            } else {
                $rays[$at] = $t;
                if ($t * $perNa > $n) {
                    // Telecentric behind an objective.
                    $n = $t * $perNa;
                    $perClear = 0.0;
                }
            }
            $rays[$at + 1] = $n;
            $rays[$at + 2] = $y;
            $rays[$at + 3] = ($h < 0.0 ? $t * $hf - $ft * $h : $ft * $h - $t * $hf) * $perClear;
        }
        $self = new self;
        $self->rays = $rays;
        $self->metal = $split->rear + $rim0 + ($reversed ? $lens->protrusion : 0.0) + $split->toMetal + $axis->converterMm;
        $self->metalWay = $rim1;
        $self->marked = $cMarked;

        return $self;
    }
}
