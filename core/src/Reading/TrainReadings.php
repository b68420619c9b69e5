<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Gear\Focusing;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Outline;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Optics\Image;
use ZincThimble\Core\Optics\SplitSystem;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Rig\TravelKind;

/**
 * The readings of a rig at many places of a length or a focus ring, each column in one flat loop. Says what Reading says
 * (a property test holds it to that), many times as fast.
 *
 * @internal to sweeps; Reading is where each rule is explained
 */
final class TrainReadings
{
    /** 2 / ln(2): stops from a natural logarithm. */
    private const STOPS = 2.885390081777927;

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
    public array $depthOfFieldMm = [];

    /** @var list<?float> */
    public array $waveDepthMm = [];

    /** @var list<?float> */
    public array $airyDiameterMm = [];

    /** @var list<?float> */
    public array $detailMm = [];

    /** @var list<?float> */
    public array $lightGapDeg = [];

    /** @var list<?float> */
    public array $entrancePupilMm = [];

    /** @var list<?int> */
    public array $stopPart = [];

    /** @var array<int, ?float> */
    public array $cornerBrightness = [];

    /** @var array<int, ?int> */
    public array $cornerPart = [];

    /**
     * Share of the axial ray in the chief ray; null = there is none, or no image.
     *
     * @var list<?float>
     */
    public array $chief = [];

    /**
     * Share of the axial ray in the rim of the cone: the half-angle at the sensor; null = nothing known limits it.
     *
     * @var list<?float>
     */
    public array $cone = [];

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
     * Own group of a moving lens: its principal planes, mm from the sensor, a converter's length included, and how high cone and chief ray stand there; [] when none moves.
     *
     * @var list<float>
     */
    public array $ownZi = [];

    /** @var list<float> */
    public array $ownZo = [];

    /** @var list<?float> */
    public array $ownCone = [];

    /** @var list<?float> */
    public array $ownChief = [];

    /** @param  list<float>  $places */
    public static function along(SplitSystem $train, Rig $rig, Travel $travel, array $places): self
    {
        $self = new self;
        $axis = $train->axis;
        $p = $travel->part;
        $lens = $travel->kind === TravelKind::Focus ? $rig->lenses[$p] : null;
        $part = $rig->chain[$p];
        $reversed = $part instanceof Lens && $part->reversed;
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
        $begins = $rear + $converter;
        $alpha = $train->alpha;
        $beta = $train->beta;
        $radius = $train->radius;
        $frontPart = $train->part;
        $behindA = $train->behindA;
        $behindF = $train->behindF;
        $behindR = $train->behindR;
        $behindPart = $train->behindPart;
        $behindLast = $train->behindGroupA === [] ? 0.0 : $train->behindGroupA[count($train->behindGroupA) - 1];

        // The lens whose ring is turned: what is a straight line over it, and the rest.
        $isWorking = $lens !== null && $rig->totals->workingLens === $p;
        $converts = $lens !== null && $lens->showsEffective && $shown !== null;
        $m0 = $f0 = $phi0 = $phi1 = $register = $gap0 = $gap1 = $rim0 = $rim1 = $protrusion = $pupil0 = $pupil1 = $leastPupil = $loss1 = $perturbed1 = 0.0;
        $bends = false;
        $frontGlass = null;
        if ($lens !== null) {
            $m0 = $lens->m0;
            $f0 = $lens->f0;
            $phi0 = 1.0 / $f0;
            $phi1 = 1.0 / $lens->f1 - $phi0;
            $bends = $lens->focusing === Focusing::Internal;
            $register = $lens->register;
            $gap0 = $lens->g0;
            $gap1 = $lens->g1 - $gap0;
            $rim0 = $lens->rim;
            $rim1 = $lens->rimAt(1.0) - $rim0;
            $protrusion = $lens->protrusion;
            $frontGlass = $lens->frontGlass;
            [$pupil0, $pupil1, $leastPupil, $loss1, $perturbed1] = $lens->pupilLines($rig->conditions->simpleAperture);
        }
        $pupil = $pupil0;
        $e = $f0;
        $n = $shown;

        // Groups that the moving part is not one of are drawn from the two shares.
        $drawsOthers = $train->behindGroupA !== [] || $train->groupAlpha !== [];
        // Even an empty loop costs as much as five steps.
        $openBehind = $behindR !== [];
        $openInFront = $radius !== [];
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
        $lambda = $rig->conditions->wavelengthNm * 1e-6;
        $frontRadius = self::frontRadiusMm($rig);
        $spot = 2.44 * $lambda;
        $waves = 4.0 * $lambda * $medium;
        // Columns are local variables, written to by index: a property costs several times as much, an element appended twice. abs()
        // costs twice what a comparison does.
        $cChief = $cCone = $cCornerBrightness = $cCornerPart = $cEffectiveAperture = $cEntrancePupilMm = $cFarMm = $cMagnification = $cNearMm = $cStopPart = $cStopsLost = $cSubjectDistanceMm = $cWorkingDistanceMm = $cWaveDepthMm = $cAiryDiameterMm = $cDetailMm = $cDepthOfFieldMm = $cLightGapDeg = array_fill(0, count($places), null);
        $cEndMm = array_fill(0, count($places), 0.0);
        $cImage = array_fill(0, count($places), Image::Real);
        $cEndFieldT = $cEndFieldY = $cEndT = $cEndY = $inFront ? $cEndMm : [];
        $cOwnZi = $cOwnZo = $lens === null ? [] : $cEndMm;
        $cOwnCone = $cOwnChief = $lens === null ? [] : $cChief;
        foreach ($places as $row => $place) {
            // The moving part itself.
            $own1 = -1.0;
            $own2 = -1.0;
            $ownY = $ownFieldY = 0.0;
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
                $m = $place * $m0;
                $f = $bends ? 1.0 / ($phi0 + $phi1 * $place) : $f0;
                $pa = $f + $f * $m - $register;
                $pb = $pa + $gap0 + $gap1 * $place;
                $rim = $rim0 + $rim1 * $place;
                if ($bends || $converts) {
                    $pupil = $pupil0 + $pupil1 * $place;
                    if ($pupil < $leastPupil) {
                        $pupil = $leastPupil;
                    }
                    // What the bare lens loses, `(f / E) (1 + m / P)`.
                    $loss = (1.0 + $loss1 * $place) * (1.0 + $perturbed1 * $place);
                    $e = $f * (1.0 + $m / $pupil) / $loss;
                    if ($converts) {
                        $n = $shown / $loss;
                        if ($isWorking) {
                            $marked = $n;
                        }
                    }
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
                $on = $reversed ? $pa + $protrusion : $rim - $pb;
                $y = $lastY + $t * $on;
                $fy = $lastF + $ft * $on;
                $end = $rear + $rim + ($reversed ? $protrusion : 0.0);
                if ($frontGlass !== null) {
                    $o2r = $frontGlass / 2.0;
                    $o2a = $reversed ? $y0 : $y;
                    $o2f = $reversed ? $fy0 : $fy;
                    $own2 = ($o2a < 0.0 ? -$o2a : $o2a) / (2.0 * $o2r);
                }
                $cOwnZi[$row] = $begins + $way;
                $cOwnZo[$row] = $begins + ($reversed ? $rim - $pa : $pb);
                $ownY = $lastY;
                $ownFieldY = $lastF;
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
            } elseif ($lastY === 0.0 || $lastY < 0.0 && $lt < 0.0) {
                $image = Image::None;
            } else {
                $image = Image::Real;
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
            if ($openInFront) {
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
            }
            $x = null;
            $telecentric = false;
            if ($na !== null && $image === Image::Real && $steep / (2.0 * $na) > $neff) {
                $neff = $steep / (2.0 * $na);
                $telecentric = true;
                $stop = $axis->naPart;
                $x = -$lft / $lt;
                $skip = -1;
            } elseif ($sa !== 0.0) {
                $x = -$sf / $sa;
            }
            if ($image !== Image::Real) {
                $cImage[$row] = $image;
            }
            $cStopPart[$row] = $stop;
            $cEndMm[$row] = $end;
            if ($inFront) {
                $cEndY[$row] = $y;
                $cEndT[$row] = $t;
                $cEndFieldY[$row] = $fy;
                $cEndFieldT[$row] = $ft;
            }
            $isLimited = $neff > 0.0;
            $effective = $neff * $factor;
            if ($isLimited) {
                $cone = 0.5 / $neff;
                if ($drawsOthers) {
                    $cCone[$row] = $cone;
                }
                if ($lens !== null) {
                    $cOwnCone[$row] = $ownY * $cone;
                }
                $cEffectiveAperture[$row] = $effective;
                $cAiryDiameterMm[$row] = $spot * $effective;
                if ($marked !== null) {
                    $cStopsLost[$row] = self::STOPS * \log($effective / $marked);
                }
            }
            if ($image === Image::Real) {
                $magnification = $steep * $factor;
                $cMagnification[$row] = $magnification;
                $working = -$medium * $frontY / $lt;
                $cWorkingDistanceMm[$row] = $working;
                $cSubjectDistanceMm[$row] = $end + $toMetal + $working + $converter;
                if ($working >= 0.0) {
                    $cLightGapDeg[$row] = \atan2($working, $frontRadius) * 180.0 / M_PI;
                }
                if ($x !== null) {
                    if ($drawsOthers) {
                        $cChief[$row] = $x;
                    }
                    if ($lens !== null) {
                        $cOwnChief[$row] = $corner * ($ownFieldY + $x * $ownY);
                    }
                }
                $pupilMm = null;
                if ($x !== null && ! $telecentric) {
                    $chiefT = $lft + $x * $lt;
                    $share = $x * $lt;
                    if (($chiefT < 0.0 ? -$chiefT : $chiefT) > 1e-14 * (1.0 + ($share < 0.0 ? -$share : $share))) {
                        $pupilMm = $medium * (($frontF + $x * $frontY) / $chiefT - $frontY / $lt);
                        $cEntrancePupilMm[$row] = $pupilMm;
                    }
                }
                if ($isLimited) {
                    $ratio = $effective / $magnification;
                    $cWaveDepthMm[$row] = $waves * $ratio * $ratio;
                    $cDetailMm[$row] = 0.5 * $spot * $ratio;
                    $blur = $c / $magnification;
                    if ($pupilMm === null) {
                        $near = $blur * $ratio * $medium;
                        $cNearMm[$row] = $near;
                        $cFarMm[$row] = $near;
                        $cDepthOfFieldMm[$row] = $near + $near;
                    } else {
                        $sReduced = $pupilMm / $medium;
                        $de = $sReduced / $ratio;
                        $isNear = $de >= 0.0 || $de < -$blur;
                        $isFar = $de <= 0.0 || $de > $blur;
                        $near = $far = 0.0;
                        $way = $pupilMm * $blur;
                        if ($isNear) {
                            $near = $way / ($de + $blur);
                            $cNearMm[$row] = $near;
                        }
                        if ($isFar) {
                            $far = $way / ($de - $blur);
                            $cFarMm[$row] = $far;
                        }
                        if ($isNear && $isFar) {
                            $cDepthOfFieldMm[$row] = $near + $far;
                        }
                    }
                }
            } elseif ($image === Image::AtInfinity) {
                $cMagnification[$row] = 0.0;
                $cLightGapDeg[$row] = 90.0;
            }
            if ($x === null || ! $isLimited) {
                continue;
            }
            $least = 1.0;
            $cut = null;
            $half = 0.5 / $neff;
            if ($openBehind) {
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
            if ($openInFront) {
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
            }
            $cCornerBrightness[$row] = $least;
            if ($cut !== null) {
                $cCornerPart[$row] = $cut;
            }
        }
        // Of a column without gaps array_values() is no copy.
        $self->airyDiameterMm = array_values($cAiryDiameterMm);
        $self->chief = array_values($cChief);
        $self->cone = array_values($cCone);
        $self->cornerBrightness = $cCornerBrightness;
        $self->cornerPart = $cCornerPart;
        $self->depthOfFieldMm = array_values($cDepthOfFieldMm);
        $self->detailMm = array_values($cDetailMm);
        $self->effectiveAperture = array_values($cEffectiveAperture);
        $self->endFieldT = array_values($cEndFieldT);
        $self->endFieldY = array_values($cEndFieldY);
        $self->endMm = array_values($cEndMm);
        $self->endT = array_values($cEndT);
        $self->endY = array_values($cEndY);
        $self->entrancePupilMm = array_values($cEntrancePupilMm);
        $self->farMm = array_values($cFarMm);
        $self->image = array_values($cImage);
        $self->lightGapDeg = array_values($cLightGapDeg);
        $self->magnification = array_values($cMagnification);
        $self->nearMm = array_values($cNearMm);
        $self->ownChief = array_values($cOwnChief);
        $self->ownCone = array_values($cOwnCone);
        $self->ownZi = array_values($cOwnZi);
        $self->ownZo = array_values($cOwnZo);
        $self->stopPart = array_values($cStopPart);
        $self->stopsLost = array_values($cStopsLost);
        $self->subjectDistanceMm = array_values($cSubjectDistanceMm);
        $self->waveDepthMm = array_values($cWaveDepthMm);
        $self->workingDistanceMm = array_values($cWorkingDistanceMm);

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
