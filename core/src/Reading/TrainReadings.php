<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Gear\Focusing;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Outline;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Trace\Axis;
use ZincThimble\Core\Trace\Image;
use ZincThimble\Core\Trace\Train;

/**
 * The readings of a rig at many places of a length or a focus ring, each column in one flat loop. Says what Reading says
 * (a property test holds it to that), many times as fast.
 *
 * @internal to sweeps; Reading is where each rule is explained
 */
final class TrainReadings
{
    /** @var list<Image> */
    public array $image = [];

    /** @var list<?float> */
    public array $magnification = [];

    /** @var list<?float> */
    public array $workingDistanceMm = [];

    /** @var list<?float> */
    public array $subjectDistanceMm = [];

    /** @var list<?float> */
    public array $effectiveAperture = [];

    /** @var list<?float> */
    public array $stopsLost = [];

    /** @var list<?float> */
    public array $nearMm = [];

    /** @var list<?float> */
    public array $farMm = [];

    /** @var list<?float> */
    public array $entrancePupilMm = [];

    /** @var list<?int> */
    public array $stopPart = [];

    /** @var array<int, ?float> */
    public array $cornerBrightness = [];

    /** @var array<int, ?int> */
    public array $cornerPart = [];

    /**
     * Share of the axial ray in the chief ray.
     *
     * @var list<?float>
     */
    public array $chief = [];

    /**
     * Effective aperture without a teleconverter.
     *
     * @var list<float>
     */
    public array $traced = [];

    /**
     * Where the moving part ends, mm.
     *
     * @var list<float>
     */
    public array $endMm = [];

    /**
     * Rays there, axial and field; [] when no group stands in front.
     *
     * @var list<float>
     */
    public array $endY = [];

    /** @var list<float> */
    public array $endT = [];

    /** @var list<float> */
    public array $endFieldY = [];

    /** @var list<float> */
    public array $endFieldT = [];

    /**
     * Own group of a moving lens: planes from where it begins, and heights.
     *
     * @var list<float>
     */
    public array $ownZi = [];

    /** @var list<float> */
    public array $ownZo = [];

    /** @var list<float> */
    public array $ownY = [];

    /** @var list<float> */
    public array $ownFieldY = [];

    /**
     * @param  list<float>  $places
     * @param  bool  $corners  whether vignetting is asked for too
     */
    public static function along(Train $train, Rig $rig, Travel $travel, array $places, bool $corners): self
    {
        $self = new self;
        $axis = $train->axis;
        $p = $travel->part;
        $lens = $travel->kind === TravelKind::Focus ? $rig->lenses[$p] : null;
        $part = $rig->chain[$p];
        $reversed = $part instanceof Lens && $part->reversed;
        $simple = $rig->conditions->simpleAperture;
        $workingLens = $rig->inventory->workingLens;
        $marked = $axis->marked;
        $shown = $lens === null ? null : $rig->setting->aperture[$p] ?? $lens->widest;
        $medium = $axis->medium;
        $factor = $axis->factor;
        $na = $axis->na;
        $c = $rig->blurLimitMm;
        $y0 = $train->y;
        $t0 = $train->t;
        $fy0 = $train->fy;
        $ft0 = $train->ft;
        $rear = $train->rear;
        $ownRadius = $train->ownRadius;
        $a = $train->a;
        $b = $train->b;
        $cc = $train->c;
        $d = $train->d;
        $inFront = $train->groupsInFront;
        $toFrontFromLast = $train->toFront - $train->toLast;
        $toFront = $train->toFront;
        $toMetal = $train->toMetal;
        $converter = $axis->converterMm;
        $alpha = $train->alpha;
        $beta = $train->beta;
        $radius = $train->radius;
        $frontPart = $train->part;
        $behindA = $train->behindA;
        $behindF = $train->behindF;
        $behindR = $train->behindR;
        $behindPart = $train->behindPart;
        $behindLast = $train->behindGroupA === [] ? 0.0 : $train->behindGroupA[count($train->behindGroupA) - 1];

        // Behind the moving part every number is the same at every place: the greatest is found once.
        $behindMost = -1.0;
        $behindAt = -1;
        foreach ($behindR as $j => $r) {
            $number = abs($behindA[$j]) / (2.0 * $r);
            if ($number > $behindMost) {
                $behindMost = $number;
                $behindAt = $j;
            }
        }

        $corner = Vignetting::cornerMm($rig) / $factor;
        // Columns grow in local variables: appending to a property costs several times as much. abs() costs twice what a comparison does.
        $cChief = $cCornerBrightness = $cCornerPart = $cEffectiveAperture = $cEndFieldT = $cEndFieldY = $cEndMm = $cEndT = $cEndY = $cEntrancePupilMm = $cFarMm = $cImage = $cMagnification = $cNearMm = $cOwnFieldY = $cOwnY = $cOwnZi = $cOwnZo = $cStopPart = $cStopsLost = $cSubjectDistanceMm = $cTraced = $cWorkingDistanceMm = [];
        foreach ($places as $place) {
            // The moving part itself.
            $own1 = -1.0;
            $own2 = -1.0;
            $o1a = $o1f = $o2a = $o2f = $o1r = $o2r = 0.0;
            $lastY = $behindLast;
            if ($lens === null) {
                $y = $y0 + $t0 * $place;
                $t = $t0;
                $fy = $fy0 + $ft0 * $place;
                $ft = $ft0;
                $end = $rear + $place;
                if ($ownRadius > 0.0) {
                    $o1a = $y0;
                    $o1f = $fy0;
                    $o2a = $y;
                    $o2f = $fy;
                    $o1r = $o2r = $ownRadius;
                    $own1 = ($y0 < 0.0 ? -$y0 : $y0) / (2.0 * $ownRadius);
                    $own2 = ($y < 0.0 ? -$y : $y) / (2.0 * $ownRadius);
                }
            } else {
                $s = $place;
                $m = $s * $lens->m0;
                $f = $lens->f0 === $lens->f1 ? $lens->f0 : 1.0 / ((1.0 - $s) / $lens->f0 + $s / $lens->f1);
                $pa = $f * (1.0 + $m) - $lens->register;
                $pb = $pa + $lens->g0 + ($lens->g1 - $lens->g0) * $s;
                $internal = $lens->focusing === Focusing::Internal;
                $rim = $internal ? $lens->rim + $s * $lens->rimTravel : $lens->rim + $lens->f0 * $m;
                if ($simple) {
                    $pupil = 1.0;
                    $e = $f;
                } elseif (! $internal) {
                    $pupil = $lens->p0;
                    $e = $lens->f0;
                } else {
                    $pupil = $lens->p1 !== null ? $lens->p0 + ($lens->p1 - $lens->p0) * $s : $lens->p0 * max(1.0 - 0.5 * $m, 0.25);
                    $e = $f * (1.0 + $m / $pupil) / (($lens->closeLoss === null ? 1.0 + 0.7 * $m : 1.0 + $s * $lens->closeLoss) * (1.0 + $lens->apertureNudge * $m));
                }
                $n = $shown;
                if ($n !== null && $lens->showsEffective) {
                    $n /= $f / $e * (1.0 + $m / $pupil);
                }
                if ($p === $workingLens) {
                    $marked = $n;
                }
                $way = $reversed ? $rim - $pb : $pa;
                if ($n !== null) {
                    $at = $way - $f * ($reversed ? 1.0 - 1.0 / $pupil : 1.0 - $pupil);
                    $o1r = ($reversed ? $e : $pupil * $e) / (2.0 * $n);
                    $o1a = $y0 + $t0 * $at;
                    $o1f = $fy0 + $ft0 * $at;
                    $own1 = ($o1a < 0.0 ? -$o1a : $o1a) / (2.0 * $o1r);
                }
                $lastY = $y0 + $t0 * $way;
                $lastF = $fy0 + $ft0 * $way;
                $t = $t0 - $lastY / $f;
                $ft = $ft0 - $lastF / $f;
                $on = $reversed ? $pa + $lens->protrusion : $rim - $pb;
                $y = $lastY + $t * $on;
                $fy = $lastF + $ft * $on;
                $end = $rear + $rim + ($reversed ? $lens->protrusion : 0.0);
                if ($lens->frontGlass !== null) {
                    $o2r = $lens->frontGlass / 2.0;
                    $o2a = $reversed ? $y0 : $y;
                    $o2f = $reversed ? $fy0 : $fy;
                    $own2 = ($o2a < 0.0 ? -$o2a : $o2a) / (2.0 * $o2r);
                }
                if ($corners) {
                    $cOwnZi[] = $rear + $way;
                    $cOwnZo[] = $reversed ? $rear + $rim - $pa : $rear + $pb;
                    $cOwnY[] = $lastY;
                    $cOwnFieldY[] = $lastF;
                }
            }

            // In front of it: carried along, linear.
            if ($inFront) {
                $ly = $a * $y + $b * $t;
                $lt = $cc * $y + $d * $t;
                $lfy = $a * $fy + $b * $ft;
                $lft = $cc * $fy + $d * $ft;
                $lastY = $ly;
                $frontY = $ly + $lt * $toFrontFromLast;
                $frontF = $lfy + $lft * $toFrontFromLast;
            } else {
                $lt = $t;
                $lft = $ft;
                $frontY = $y + $t * $toFront;
                $frontF = $fy + $ft * $toFront;
            }
            $steep = $lt < 0.0 ? -$lt : $lt;
            if ($steep <= Image::PARALLEL && $lastY !== 0.0 || $lastY > 0.0 && $lt > 0.0) {
                $image = Image::AtInfinity;
                $tracedM = 0.0;
            } elseif ($lastY === 0.0 || $lastY < 0.0 && $lt < 0.0) {
                $image = Image::None;
                $tracedM = null;
            } else {
                $image = Image::Real;
                $tracedM = $steep;
            }

            // The stop: the opening with the greatest number.
            $neff = $behindMost;
            $stop = $behindAt >= 0 ? $behindPart[$behindAt] : null;
            $sa = $behindAt >= 0 ? $behindA[$behindAt] : 0.0;
            $sf = $behindAt >= 0 ? $behindF[$behindAt] : 0.0;
            $skip = $behindAt;
            if ($own1 > $neff) {
                $neff = $own1;
                $stop = $p;
                $sa = $o1a;
                $sf = $o1f;
                $skip = -2;
            }
            if ($own2 > $neff) {
                $neff = $own2;
                $stop = $p;
                $sa = $o2a;
                $sf = $o2f;
                $skip = -3;
            }
            foreach ($radius as $j => $r) {
                $h = $alpha[$j] * $y + $beta[$j] * $t;
                $number = ($h < 0.0 ? -$h : $h) / (2.0 * $r);
                if ($number > $neff) {
                    $neff = $number;
                    $stop = $frontPart[$j];
                    $sa = $h;
                    $sf = $alpha[$j] * $fy + $beta[$j] * $ft;
                    $skip = -4 - $j;
                }
            }
            $x = null;
            $telecentric = false;
            if ($na !== null && $tracedM !== null && $tracedM / (2.0 * $na) > $neff) {
                $neff = $tracedM / (2.0 * $na);
                $telecentric = true;
                $stop = $axis->naPart;
                $x = -$lft / $lt;
                $skip = -1;
            } elseif ($sa !== 0.0) {
                $x = -$sf / $sa;
            }
            $effective = $neff > 0.0 ? $neff * $factor : null;
            $working = $subject = $pupilMm = $near = $far = null;
            $magnification = $tracedM === null ? null : $tracedM * $factor;
            if ($image === Image::Real) {
                $working = -$medium * $frontY / $lt;
                $subject = $end + $toMetal + $working + $converter;
                if ($x !== null && ! $telecentric) {
                    $chiefT = $lft + $x * $lt;
                    $share = $x * $lt;
                    if (($chiefT < 0.0 ? -$chiefT : $chiefT) > 1e-14 * (1.0 + ($share < 0.0 ? -$share : $share))) {
                        $pupilMm = $medium * (($frontF + $x * $frontY) / $chiefT - $frontY / $lt);
                    }
                }
                if ($effective !== null) {
                    $blur = $c / $magnification;
                    if ($pupilMm === null) {
                        $near = $far = $blur * $effective / $magnification * $medium;
                    } else {
                        $sReduced = $pupilMm / $medium;
                        $de = $sReduced * $magnification / $effective;
                        $far = $de > 0.0 && $de <= $blur ? null : $sReduced * $blur / ($de - $blur) * $medium;
                        $near = $de < 0.0 && $de >= -$blur ? null : $sReduced * $blur / ($de + $blur) * $medium;
                    }
                }
            }
            $cImage[] = $image;
            $cMagnification[] = $magnification;
            $cWorkingDistanceMm[] = $working;
            $cSubjectDistanceMm[] = $subject;
            $cEffectiveAperture[] = $effective;
            $cStopsLost[] = $effective !== null && $marked !== null ? 2.0 * log($effective / $marked, 2.0) : null;
            $cNearMm[] = $near;
            $cFarMm[] = $far;
            $cEntrancePupilMm[] = $pupilMm;
            if (! $corners) {
                continue;
            }
            $cStopPart[] = $stop;
            $cChief[] = $x;
            $cTraced[] = $neff;
            $cEndMm[] = $end;
            if ($inFront) {
                $cEndY[] = $y;
                $cEndT[] = $t;
                $cEndFieldY[] = $fy;
                $cEndFieldT[] = $ft;
            }
            if ($x === null || $effective === null) {
                $cCornerBrightness[] = null;
                $cCornerPart[] = null;

                continue;
            }
            $least = 1.0;
            $cut = null;
            $half = 1.0 / (2.0 * $neff);
            foreach ($behindR as $j => $r) {
                if ($j !== $skip) {
                    $h = $behindA[$j];
                    $q = $corner * ($behindF[$j] + $x * $h);
                    $q = $q < 0.0 ? -$q : $q;
                    $w = ($h < 0.0 ? -$h : $h) * $half;
                    if ($q + $w > $r * (1.0 + 1e-9)) {
                        $left = Vignetting::overlap($w, $r, $q);
                        if ($left < $least) {
                            $least = $left;
                            $cut = $behindPart[$j];
                        }
                    }
                }
            }
            if ($own1 >= 0.0 && $skip !== -2) {
                $q = $corner * ($o1f + $x * $o1a);
                $q = $q < 0.0 ? -$q : $q;
                $w = ($o1a < 0.0 ? -$o1a : $o1a) * $half;
                if ($q + $w > $o1r * (1.0 + 1e-9)) {
                    $left = Vignetting::overlap($w, $o1r, $q);
                    if ($left < $least) {
                        $least = $left;
                        $cut = $p;
                    }
                }
            }
            if ($own2 >= 0.0 && $skip !== -3) {
                $q = $corner * ($o2f + $x * $o2a);
                $q = $q < 0.0 ? -$q : $q;
                $w = ($o2a < 0.0 ? -$o2a : $o2a) * $half;
                if ($q + $w > $o2r * (1.0 + 1e-9)) {
                    $left = Vignetting::overlap($w, $o2r, $q);
                    if ($left < $least) {
                        $least = $left;
                        $cut = $p;
                    }
                }
            }
            foreach ($radius as $j => $r) {
                if (-4 - $j !== $skip) {
                    $h = $alpha[$j] * $y + $beta[$j] * $t;
                    $q = $corner * ($alpha[$j] * $fy + $beta[$j] * $ft + $x * $h);
                    $q = $q < 0.0 ? -$q : $q;
                    $w = ($h < 0.0 ? -$h : $h) * $half;
                    if ($q + $w > $r * (1.0 + 1e-9)) {
                        $left = Vignetting::overlap($w, $r, $q);
                        if ($left < $least) {
                            $least = $left;
                            $cut = $frontPart[$j];
                        }
                    }
                }
            }
            $cCornerBrightness[] = $least;
            $cCornerPart[] = $cut;
        }
        $self->chief = $cChief;
        $self->cornerBrightness = $cCornerBrightness;
        $self->cornerPart = $cCornerPart;
        $self->effectiveAperture = $cEffectiveAperture;
        $self->endFieldT = $cEndFieldT;
        $self->endFieldY = $cEndFieldY;
        $self->endMm = $cEndMm;
        $self->endT = $cEndT;
        $self->endY = $cEndY;
        $self->entrancePupilMm = $cEntrancePupilMm;
        $self->farMm = $cFarMm;
        $self->image = $cImage;
        $self->magnification = $cMagnification;
        $self->nearMm = $cNearMm;
        $self->ownFieldY = $cOwnFieldY;
        $self->ownY = $cOwnY;
        $self->ownZi = $cOwnZi;
        $self->ownZo = $cOwnZo;
        $self->stopPart = $cStopPart;
        $self->stopsLost = $cStopsLost;
        $self->subjectDistanceMm = $cSubjectDistanceMm;
        $self->traced = $cTraced;
        $self->workingDistanceMm = $cWorkingDistanceMm;

        return $self;
    }

    /**
     * The image circle of the first lens, place by place, darkens a corner that it doesn't reach.
     *
     * @param  list<float>  $places
     */
    public function cutByImageCircle(Rig $rig, Travel $travel, array $places): void
    {
        foreach ($rig->chain as $i => $part) {
            if (! $part instanceof Lens) {
                continue;
            }
            if ($part->reversed || $rig->lenses[$i]->imageCircle === null) {
                return;
            }
            $corner = 2.0 * Vignetting::cornerMm($rig);
            foreach (self::circles($rig, $travel, $places) as $row => $circle) {
                if ($this->cornerBrightness[$row] !== null && $circle !== null && $corner > $circle * (1.0 + 1e-9)) {
                    $this->cornerBrightness[$row] = 0.0;
                    $this->cornerPart[$row] = $i;
                }
            }

            return;
        }
    }

    /**
     * Image circle at each place: a straight line over any length, and over the ring of a lens that moves as a whole.
     *
     * @param  list<float>  $places
     * @return list<?float>
     */
    private static function circles(Rig $rig, Travel $travel, array $places): array
    {
        $at = static fn (float $place): ?float => Axis::of($rig->with($travel->kind, $travel->part, $place))->imageCircleMm;
        if ($travel->kind === TravelKind::Focus && $rig->lenses[$travel->part]->focusing === Focusing::Internal) {
            return array_map($at, $places);
        }
        $from = $places[0];
        $to = $places[count($places) - 1];
        $first = $at($from);
        $last = $at($to);
        if ($first === null || $last === null || $to <= $from) {
            return array_fill(0, count($places), $first);
        }
        $slope = ($last - $first) / ($to - $from);

        return array_map(static fn (float $place): float => $first + $slope * ($place - $from), $places);
    }

    /** Diameter of the front-most metal, mm: what the light gap is measured from. */
    public static function frontRadiusMm(Rig $rig): float
    {
        $last = count($rig->chain) - 1;

        return $last < 0 ? 0.0 : Outline::frontMm($rig->chain[$last]) / 2.0;
    }
}
