<?php

declare(strict_types=1);

namespace ZincThimble\Core\Trace;

use ZincThimble\Core\Gear\Focusing;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;

/**
 * What readings are made from, place by place of a focus ring whose lens bends as it turns (internal focusing, or an aperture
 * shown as the effective one): rays in front of the rig and at the stop. A rig without an objective, cut by Train.
 *
 * Slopes and heights are turned so that those of the axial ray are above 0.
 *
 * @internal to sweeps; Reading is where each rule is explained
 */
final class RayColumns
{
    /**
     * Axial ray at the front-most metal (reduced), mm.
     *
     * @var list<float>
     */
    public array $y = [];

    /**
     * Its slope in front; 0 = focused at infinity or past it, -1 = no image.
     *
     * @var list<float>
     */
    public array $t = [];

    /**
     * Its height at the stop, mm.
     *
     * @var list<float>
     */
    public array $h = [];

    /**
     * `g h - t f`: g, t the slopes of field and axial ray in front, h, f their heights at the stop.
     *
     * @var list<float>
     */
    public array $k = [];

    /**
     * Clear diameter of the stop, mm; 0 = nothing known limits the light.
     *
     * @var list<float>
     */
    public array $clear = [];

    /**
     * Front-most metal, mm from the sensor, a converter's length included.
     *
     * @var list<float>
     */
    public array $metal = [];

    /**
     * Marked number of the working lens, where the ring changes it; [] = it is the axis's.
     *
     * @var list<?float>
     */
    public array $marked = [];

    private function __construct()
    {
    }

    /** @param  list<float>  $places  ring positions, 0 to 1 */
    public static function along(Train $train, Rig $rig, Travel $travel, Lens $part, array $places): self
    {
        $axis = $train->axis;
        $p = $travel->part;
        $lens = $rig->lenses[$p];
        $reversed = $part->reversed;
        $simple = $rig->conditions->simpleAperture;
        $internal = $lens->focusing === Focusing::Internal;
        $shown = $rig->setting->aperture[$p] ?? $lens->widest;
        $converts = $shown !== null && $lens->showsEffective;
        $isWorking = $converts && $rig->inventory->workingLens === $p;
        $rear = $train->rear;
        $y0 = $train->y;
        $t0 = $train->t;
        $fy0 = $train->fy;
        $ft0 = $train->ft;
        $phi0 = 1.0 / $lens->f0;
        $phi1 = 1.0 / $lens->f1 - $phi0;
        $m0 = $lens->m0;
        $register = $lens->register;
        $gap0 = $lens->g0;
        $gap1 = $lens->g1 - $gap0;
        $rim0 = $lens->rim;
        $rim1 = $lens->rimAt(1.0) - $rim0;
        $p0 = $lens->p0;
        $p1 = $lens->p1;
        $closeLoss = $lens->closeLoss;
        $nudge = $lens->apertureNudge;
        $protrusion = $lens->protrusion;
        $tip = $reversed ? $protrusion : 0.0;
        $glass = $lens->frontGlass ?? 0.0;
        $a = $train->a;
        $b = $train->b;
        $c = $train->c;
        $d = $train->d;
        $inFront = $train->groupsInFront;
        $on = $train->toFront - $train->toLast;
        $toFront = $train->toFront;
        $more = $train->toMetal + $axis->converterMm + $rear + $tip;
        $alpha = $train->alpha;
        $beta = $train->beta;
        $radius = $train->radius;
        // Behind the ring nothing changes: the greatest number there is found once.
        $behind = -1.0;
        $behindA = $behindF = $behindClear = 0.0;
        foreach ($train->behindR as $j => $r) {
            $number = abs($train->behindA[$j]) / (2.0 * $r);
            if ($number > $behind) {
                $behind = $number;
                $behindA = $train->behindA[$j];
                $behindF = $train->behindF[$j];
                $behindClear = 2.0 * $r;
            }
        }

        $cy = $ct = $ch = $ck = $cClear = $cMetal = $cMarked = [];
        foreach ($places as $s) {
            $m = $s * $m0;
            $f = 1.0 / ($phi0 + $phi1 * $s);
            $pa = $f * (1.0 + $m) - $register;
            $pb = $pa + $gap0 + $gap1 * $s;
            $rim = $rim0 + $rim1 * $s;
            if ($simple) {
                $pupil = 1.0;
                $e = $f;
            } elseif ($internal) {
                $pupil = $p1 !== null ? $p0 + ($p1 - $p0) * $s : ($m < 1.5 ? $p0 * (1.0 - 0.5 * $m) : $p0 * 0.25);
                $e = $f * (1.0 + $m / $pupil) / (($closeLoss === null ? 1.0 + 0.7 * $m : 1.0 + $s * $closeLoss) * (1.0 + $nudge * $m));
            } else {
                $pupil = $p0;
                $e = $f;
            }
            $n = $shown;
            if ($converts) {
                $n /= $f / $e * (1.0 + $m / $pupil);
                if ($isWorking) {
                    $cMarked[] = $n;
                }
            }
            $way = $reversed ? $rim - $pb : $pa;
            $last = $y0 + $t0 * $way;
            $lastF = $fy0 + $ft0 * $way;
            $t = $t0 - $last / $f;
            $ft = $ft0 - $lastF / $f;
            $way = $reversed ? $pa + $protrusion : $rim - $pb;
            $y = $last + $t * $way;
            $fy = $lastF + $ft * $way;

            // The stop: the opening with the greatest number.
            $most = $behind;
            $h = $behindA;
            $hf = $behindF;
            $clear = $behindClear;
            if ($n !== null) {
                $ownClear = ($reversed ? $e : $pupil * $e) / $n;
                $at = $reversed ? $rim - $pb - $f * (1.0 - 1.0 / $pupil) : $pa - $f * (1.0 - $pupil);
                $own = $y0 + $t0 * $at;
                $number = abs($own) / $ownClear;
                if ($number > $most) {
                    $most = $number;
                    $h = $own;
                    $hf = $fy0 + $ft0 * $at;
                    $clear = $ownClear;
                }
            }
            if ($glass > 0.0) {
                $own = $reversed ? $y0 : $y;
                $number = abs($own) / $glass;
                if ($number > $most) {
                    $most = $number;
                    $h = $own;
                    $hf = $reversed ? $fy0 : $fy;
                    $clear = $glass;
                }
            }
            foreach ($radius as $j => $r) {
                $own = $alpha[$j] * $y + $beta[$j] * $t;
                $number = abs($own) / (2.0 * $r);
                if ($number > $most) {
                    $most = $number;
                    $h = $own;
                    $hf = $alpha[$j] * $fy + $beta[$j] * $ft;
                    $clear = 2.0 * $r;
                }
            }

            // In front of it all is carried along, linear.
            if ($inFront) {
                $last = $a * $y + $b * $t;
                $t = $c * $y + $d * $t;
                $y = $last + $t * $on;
                $ft = $c * $fy + $d * $ft;
            } else {
                $y += $t * $toFront;
            }
            if (abs($t) <= Image::PARALLEL && $last !== 0.0 || $last > 0.0 && $t > 0.0) {
                $cy[] = $y;
                $ct[] = 0.0;
            } elseif ($last === 0.0 || $last < 0.0 && $t < 0.0) {
                $cy[] = $y;
                $ct[] = -1.0;
            } elseif ($t < 0.0) {
                $cy[] = -$y;
                $ct[] = -$t;
                $ft = -$ft;
                $t = -$t;
            } else {
                $cy[] = $y;
                $ct[] = $t;
            }
            if ($h < 0.0) {
                $ch[] = -$h;
                $ck[] = $t * $hf - $ft * $h;
            } else {
                $ch[] = $h;
                $ck[] = $ft * $h - $t * $hf;
            }
            $cClear[] = $most > 0.0 ? $clear : 0.0;
            $cMetal[] = $more + $rim;
        }
        $self = new self;
        $self->y = $cy;
        $self->t = $ct;
        $self->h = $ch;
        $self->k = $ck;
        $self->clear = $cClear;
        $self->metal = $cMetal;
        $self->marked = $cMarked;

        return $self;
    }

    /** Whether all but what the metal moves is the same as of another rig. */
    public function sameButMetal(self $other): bool
    {
        return $this->t === $other->t && $this->h === $other->h && $this->k === $other->k && $this->clear === $other->clear && $this->marked === $other->marked;
    }
}
