<?php

declare(strict_types=1);

namespace ZincThimble\Core\Optics;

use ZincThimble\Core\Gear\Afocal;
use ZincThimble\Core\Gear\CloseUpLens;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Objective;
use ZincThimble\Core\Gear\Port;
use ZincThimble\Core\Gear\Spacer;
use ZincThimble\Core\Gear\Teleconverter;
use ZincThimble\Core\Gear\VariableSpacer;
use ZincThimble\Core\Rig\LensModel;
use ZincThimble\Core\Rig\Rig;

/**
 * A rig laid out along its axis as set (OPTICS.md, "The rig"): refracting groups and openings, in mm from the sensor; and two
 * rays traced through it once, from the sensor outwards (OPTICS.md, "Frame of reference"): the axial ray (y = 0, t = 1 at
 * the sensor) and the field ray (y = 1, t = 0). Every other ray is a sum of the two, the chief ray among them.
 *
 * Groups and openings are columns, not objects: readings are made from them many hundred thousand times a second. Space k
 * is the one behind group k (towards the sensor); the last space is the subject's. Behind a flat port optical places are
 * reduced distances; metal is always in real ones. A teleconverter at the camera is left out here: it counts in
 * `factor` and `converterMm` alone.
 */
final class Axis
{
    /** @var list<float> image-side principal plane of each group */
    public array $zi = [];

    /** @var list<float> subject-side principal plane of each group */
    public array $zo = [];

    /** @var list<float> power of each group, 1/mm */
    public array $phi = [];

    /** @var list<float> what an afocal group does to a height, and undoes of a slope; 1 = the group is none */
    public array $scale = [];

    /** @var list<int> the part each group belongs to */
    public array $groupPart = [];

    /** @var list<float> place of each opening */
    public array $openZ = [];

    /** @var list<float> clear radius of each opening */
    public array $openR = [];

    /** @var list<int> the space each opening lies in */
    public array $openSpace = [];

    /** @var list<int> the part each opening belongs to; -1 = the camera */
    public array $openPart = [];

    /** @var list<OpeningKind> */
    public array $openKind = [];

    /** @var list<float> height of the axial ray at each opening */
    public array $axialAt = [];

    /** @var list<float> height of the field ray at each opening */
    public array $fieldAt = [];

    /** Axial ray after the last group: height and slope at its subject-side principal plane. */
    public float $y = 0.0;

    public float $t = 1.0;

    /** Field ray there. */
    public float $fieldY = 1.0;

    public float $fieldT = 0.0;

    /** That plane, mm from the sensor. */
    public float $zLast = 0.0;

    /** What readings are told from, the numbers of one row of Rays, which explains them. Kind of image in front. */
    public Image $image = Image::None;

    /** Above 0 with an image; 0 = focused at infinity or past it, -1 = no image. */
    public float $slope = -1.0;

    /** Of the stop, without a converter; 0 = nothing known limits the light. */
    public float $number = 0.0;

    /** Of the axial ray at the front-most metal (reduced), mm. */
    public float $height = 0.0;

    /** 0 = telecentric, or no stop. */
    public float $invariant = 0.0;

    /** Share of the axial ray in the chief ray; null = there is none. */
    public ?float $chief = null;

    /** The opening that is the stop; -1 = none is: an objective's aperture, or nothing known. */
    public int $stop = -1;

    /** @var list<float> rear end of each part, in metal; a reversed lens's rear is its front rim */
    public array $rearMm = [];

    /** @var list<float> front end of each part, in metal */
    public array $frontMm = [];

    /** Front-most metal, real mm. */
    public float $front = 0.0;

    /** The same place in reduced distances: equal to $front but behind a port. */
    public float $frontOptical = 0.0;

    /** Index of what the subject lies in. */
    public float $medium = 1.0;

    /** Factor of a teleconverter at the camera. */
    public float $factor = 1.0;

    /** Its length, by which every distance from the sensor grows. */
    public float $converterMm = 0.0;

    /** Whether a teleconverter stands where it isn't modelled. */
    public bool $unmodelled = false;

    /** How far the first lens stands beyond its own register; null when it is reversed or there is none. */
    public ?float $extensionMm = null;

    /** Marked f-number of the working lens, converted where the camera shows the effective one. */
    public ?float $marked = null;

    /** Numerical aperture of an objective, and its part. */
    public ?float $na = null;

    public int $naPart = -1;

    /** Image circle that the first lens covers here, mm; null when not known. */
    public ?float $imageCircleMm = null;

    private function __construct()
    {
    }

    /** Whether an objective's numerical aperture is the stop. */
    public function isTelecentric(): bool
    {
        return $this->stop < 0 && $this->number > 0.0;
    }

    /**
     * Lays a rig out as it is set and traces both rays: one walk from the sensor outwards, each kind of part as OPTICS.md, "The
     * rig", has it. Columns grow in local variables: appending to a property costs several times as much.
     *
     * @param  ?int  $without  a part to leave out, as if it had no length
     */
    public static function of(Rig $rig, ?int $without = null): self
    {
        $axis = new self;
        $camera = $rig->camera;
        $setting = $rig->setting;
        $simple = $rig->conditions->simpleAperture;
        $working = $rig->totals->workingLens;
        $zi = $zo = $phi = $scale = $groupPart = $openZ = $openR = $openSpace = $openPart = $openKind = $axialAt = $fieldAt = $rearMm = $frontMm = [];
        // Both rays, at the plane z.
        $y = 0.0;
        $t = 1.0;
        $fy = 1.0;
        $ft = 0.0;
        $z = 0.0;
        // The space that the next part begins in, the front-most metal, and the same in reduced distances.
        $space = 0;
        $front = $optical = $camera->registerMm;
        $medium = 1.0;
        $first = true;
        // The greatest number of all openings so far, and which it is of (OPTICS.md, "Effective aperture").
        $most = 0.0;
        $stop = -1;
        if ($camera->throatMm !== null) {
            $openZ[] = $front;
            $openR[] = $camera->throatMm / 2.0;
            $openSpace[] = 0;
            $openPart[] = -1;
            $openKind[] = OpeningKind::Mount;
            $axialAt[] = $front;
            $fieldAt[] = 1.0;
            $most = $front / $camera->throatMm;
            $stop = 0;
        }
        foreach ($rig->chain as $i => $part) {
            $rearMm[] = $front;
            if ($i === $without) {
                $frontMm[] = $front;

                continue;
            }
            // What the part has behind its group, its group, and what it has in front of that: openings as place, radius, kind, one after
            // the other, since lists within lists cost as much as the trace.
            $behind = $ahead = [];
            $power = null;
            $times = 1.0;
            $enters = $leaves = 0.0;
            if ($part instanceof Spacer || $part instanceof VariableSpacer) {
                $length = $part instanceof Spacer ? $part->lengthMm : $setting->lengthMm[$i] ?? $part->minMm;
                // A ring between wet glasses is filled with water.
                $tip = $optical + $length / $medium;
                if ($part->clearMm !== null) {
                    $behind = [$optical, $part->clearMm / 2.0, OpeningKind::Throat, $tip, $part->clearMm / 2.0, OpeningKind::Throat];
                }
                $front += $length;
                $optical = $tip;
            } elseif ($part instanceof Lens) {
                $settled = $rig->lenses[$i];
                $lens = LensModel::of($settled, $simple);
                $s = $lens->mag1 > 0.0 ? $setting->focus[$i] ?? 0.0 : 0.0;
                $f = $lens->focalLength($s);
                $a = $f * (1.0 + $lens->mag0 + $lens->mag1 * $s) - $lens->register;
                $b = $a + $lens->gap0 + ($lens->gap1 + $lens->bulge * (1.0 - $s)) * $s;
                $rim = $lens->rim0 + $lens->rim1 * $s;
                $p = $lens->bends ? $lens->pupilRatio($s) : $lens->pupil0;
                $e = $lens->bends ? $lens->entrance($s) : $f;
                $n = $rig->isStuck ? $rig->markedAperture($i) : $setting->aperture[$i] ?? $settled->widest;
                if ($n !== null && $lens->showsEffective) {
                    $n /= $lens->loss($s);
                }
                $glass = $lens->frontGlass;
                $power = 1.0 / $f;
                // The diaphragm as the image side sees it; the front glass behind the group of a reversed lens, else in front of it.
                if ($part->reversed) {
                    $enters = $front + $rim - $b;
                    $leaves = $front + $rim - $a;
                    if ($glass !== null) {
                        $behind = [$front, $glass / 2.0, OpeningKind::Glass];
                    }
                    if ($n !== null) {
                        $behind = [...$behind, $enters - $f * (1.0 - 1.0 / $p), $e / (2.0 * $n), OpeningKind::Diaphragm];
                    }
                    $front += $rim + $lens->protrusion;
                } else {
                    $enters = $front + $a;
                    $leaves = $front + $b;
                    if ($n !== null) {
                        $behind = [$enters - $f * (1.0 - $p), $p * $e / (2.0 * $n), OpeningKind::Diaphragm];
                    }
                    if ($first) {
                        $axis->extensionMm = $front - $lens->register;
                        if ($settled->imageCircle !== null) {
                            $axis->imageCircleMm = $settled->imageCircle * (1.0 + ($enters / $f - 1.0) / $p) * $axis->factor;
                        }
                    }
                    $front += $rim;
                    if ($glass !== null) {
                        $ahead = [$front, $glass / 2.0, OpeningKind::Glass];
                    }
                }
                $optical = $front;
                $first = false;
                if ($working === $i) {
                    $axis->marked = $n;
                }
            } elseif ($part instanceof CloseUpLens) {
                $power = ($medium !== 1.0 ? $part->powerInWaterD($medium) : $part->powerD) / 1000.0;
                $enters = $leaves = $optical + ($part->thicknessMm - $part->planeFromFrontMm) / $medium;
                $tip = $optical + $part->thicknessMm / $medium;
                if ($part->clearMm !== null) {
                    $behind = [$optical, $part->clearMm / 2.0, OpeningKind::Throat];
                    $ahead = [$tip, $part->clearMm / 2.0, OpeningKind::Throat];
                }
                $front += $part->thicknessMm;
                $optical = $tip;
            } elseif ($part instanceof Afocal) {
                $power = 0.0;
                $times = $part->factor;
                $enters = $leaves = $optical;
                $tip = $optical + $part->thicknessMm / $medium;
                if ($part->clearMm !== null) {
                    $behind = [$optical, $part->clearMm / 2.0, OpeningKind::Throat];
                    $ahead = [$tip, $part->clearMm / 2.0, OpeningKind::Throat];
                }
                $front += $part->thicknessMm;
                $optical = $tip;
            } elseif ($part instanceof Objective) {
                $power = 1.0 / $part->focalLengthMm();
                $enters = $leaves = $optical + $part->planeMm();
                $front += $part->shortestMm();
                $optical += $part->shortestMm();
                $axis->na = $part->na;
                $axis->naPart = $i;
            } elseif ($part instanceof Teleconverter) {
                if ($i === 0) {
                    $axis->factor = $part->factor;
                    $axis->converterMm = $part->lengthMm;
                } else {
                    $axis->unmodelled = true;
                    $front += $part->lengthMm;
                    $optical += $part->lengthMm;
                }
            } elseif ($part instanceof Port) {
                $front += $part->gapMm + $part->glassMm;
                $optical += $part->gapMm + $part->glassMm / $part->index;
                $medium = $part->medium;
            }
            if ($power === null && $behind === []) {
                $frontMm[] = $front;

                continue;
            }
            for ($side = 0; $side < 2; $side++) {
                /** @var array<int, float|OpeningKind> $openings */ // @phpstan-ignore varTag.nativeType (wider on purpose: shapes of lists say less than it does)
                $openings = $side === 0 ? $behind : $ahead;
                for ($o = 0, $last = count($openings); $o < $last; $o += 3) {
                    /** @var float $at */
                    $at = $openings[$o];
                    /** @var float $radius */
                    $radius = $openings[$o + 1];
                    /** @var OpeningKind $kind */
                    $kind = $openings[$o + 2];
                    $d = $at - $z;
                    $openZ[] = $at;
                    $openR[] = $radius;
                    $openSpace[] = $space;
                    $openPart[] = $i;
                    $openKind[] = $kind;
                    $h = $y + $t * $d;
                    $axialAt[] = $h;
                    $fieldAt[] = $fy + $ft * $d;
                    $number = ($h < 0.0 ? -$h : $h) / (2.0 * $radius);
                    if ($number > $most) {
                        $most = $number;
                        $stop = count($openR) - 1;
                    }
                }
                if ($power === null || $side === 1) {
                    continue;
                }
                $d = $enters - $z;
                $zi[] = $enters;
                $zo[] = $leaves;
                $phi[] = $power;
                $scale[] = $times;
                $groupPart[] = $i;
                $y += $t * $d;
                $t -= $y * $power;
                $fy += $ft * $d;
                $ft -= $fy * $power;
                if ($times !== 1.0) {
                    $y *= $times;
                    $t /= $times;
                    $fy *= $times;
                    $ft /= $times;
                }
                $z = $leaves;
                $space++;
            }
            $frontMm[] = $front;
        }
        $axis->zi = $zi;
        $axis->zo = $zo;
        $axis->phi = $phi;
        $axis->scale = $scale;
        $axis->groupPart = $groupPart;
        $axis->openZ = $openZ;
        $axis->openR = $openR;
        $axis->openSpace = $openSpace;
        $axis->openPart = $openPart;
        $axis->openKind = $openKind;
        $axis->axialAt = $axialAt;
        $axis->fieldAt = $fieldAt;
        $axis->rearMm = $rearMm;
        $axis->frontMm = $frontMm;
        $axis->y = $y;
        $axis->t = $t;
        $axis->fieldY = $fy;
        $axis->fieldT = $ft;
        $axis->zLast = $z;
        $axis->front = $front;
        $axis->frontOptical = $optical;
        $axis->medium = $medium;
        $image = Image::of($y, $t);
        $turn = $t < 0.0 ? -1.0 : 1.0;
        $slope = $image === Image::Real ? $t * $turn : ($image === Image::None ? -1.0 : 0.0);
        $axis->image = $image;
        $axis->slope = $slope;
        $axis->height = ($y + $t * ($optical - $z)) * $turn;
        if ($axis->na !== null && $slope > 0.0 && $slope / (2.0 * $axis->na) > $most) {
            $axis->number = $slope / (2.0 * $axis->na);
            $axis->chief = -$ft / $t;
        } elseif ($stop >= 0 && $most > 0.0 && $groupPart !== []) {
            // A throat at the sensor itself bounds nothing; and where nothing bends light there is no cone to bound.
            $h = $axialAt[$stop];
            $axis->number = $most;
            $axis->stop = $stop;
            $axis->chief = -$fieldAt[$stop] / $h;
            $axis->invariant = ($ft * $h - $t * $fieldAt[$stop]) * $turn * ($h < 0.0 ? -0.5 : 0.5) / $openR[$stop];
        }

        return $axis;
    }
}
