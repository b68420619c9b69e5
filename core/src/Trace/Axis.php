<?php

declare(strict_types=1);

namespace ZincThimble\Core\Trace;

use ZincThimble\Core\Gear\CloseUpLens;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Objective;
use ZincThimble\Core\Gear\Port;
use ZincThimble\Core\Gear\Spacer;
use ZincThimble\Core\Gear\Teleconverter;
use ZincThimble\Core\Gear\VariableSpacer;
use ZincThimble\Core\Rig\Rig;

/**
 * A rig laid out along its axis as set (OPTICS.md, "The rig"): refracting groups and openings, in mm from the sensor.
 *
 * Groups and openings are columns, not objects: tracing loops over them many hundred thousand times a second. Space k is
 * the one behind group k (towards the sensor); the last space is the subject's. Behind a flat port optical places are
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

    /** Lays a rig out as it is set: groups, openings and metal, mm from the sensor. */
    public static function of(Rig $rig): self
    {
        $axis = new self;
        $axis->front = $axis->frontOptical = $rig->camera->registerMm;
        if ($rig->camera->throatMm !== null) {
            $axis->open($axis->front, $rig->camera->throatMm / 2.0, 0, -1, OpeningKind::Mount);
        }
        $first = true;
        $simple = $rig->conditions->simpleAperture;
        $working = $rig->inventory->workingLens;
        foreach ($rig->chain as $i => $part) {
            $rear = $axis->front;
            if ($part instanceof Spacer) {
                $axis->space($i, $part->lengthMm, $part->clearMm);
            } elseif ($part instanceof VariableSpacer) {
                $axis->space($i, $rig->setting->lengthMm[$i] ?? $part->minMm, $part->clearMm);
            } elseif ($part instanceof Lens) {
                $axis->lens($rig, $i, $part, $first, $simple, $working === $i);
                $first = false;
            } elseif ($part instanceof CloseUpLens) {
                $axis->closeUpLens($i, $part);
            } elseif ($part instanceof Objective) {
                $axis->objective($i, $part);
            } elseif ($part instanceof Teleconverter) {
                $axis->teleconverter($i, $part);
            } elseif ($part instanceof Port) {
                $axis->port($part);
            }
            $axis->rearMm[] = $rear;
            $axis->frontMm[] = $axis->front;
        }

        return $axis;
    }

    private function space(int $i, float $length, ?float $clear): void
    {
        if ($clear !== null) {
            $space = count($this->phi);
            $this->open($this->frontOptical, $clear / 2.0, $space, $i, OpeningKind::Throat);
            $this->open($this->frontOptical + $length, $clear / 2.0, $space, $i, OpeningKind::Throat);
        }
        $this->front += $length;
        $this->frontOptical += $length;
    }

    /** A lens either way round, with its diaphragm as the image side sees it (OPTICS.md, "The rig"). */
    private function lens(Rig $rig, int $i, Lens $part, bool $first, bool $simple, bool $working): void
    {
        $lens = $rig->lenses[$i];
        $s = $lens->m0 > 0.0 ? $rig->setting->focus[$i] ?? 0.0 : 0.0;
        $m = $s * $lens->m0;
        $f = $lens->f0 === $lens->f1 ? $lens->f0 : $lens->focalLength($s);
        $a = $f * (1.0 + $m) - $lens->register;
        $b = $a + $lens->g0 + ($lens->g1 - $lens->g0) * $s;
        $rim = $lens->rimAt($s);
        $p = $simple ? 1.0 : $lens->pupilRatio($s);
        $e = $simple ? $f : $lens->entrance($s);
        $n = $rig->setting->aperture[$i] ?? $lens->widest;
        if ($n !== null && $lens->showsEffective) {
            $n /= $f / $e * (1.0 + $m / $p);
        }
        $z0 = $this->front;
        $space = count($this->phi);
        if ($part->reversed) {
            $zi = $z0 + $rim - $b;
            $zo = $z0 + $rim - $a;
            if ($lens->frontGlass !== null) {
                $this->open($z0, $lens->frontGlass / 2.0, $space, $i, OpeningKind::Glass);
            }
            if ($n !== null) {
                $this->open($zi - $f * (1.0 - 1.0 / $p), $e / (2.0 * $n), $space, $i, OpeningKind::Diaphragm);
            }
            $this->front = $z0 + $rim + $lens->protrusion;
        } else {
            $zi = $z0 + $a;
            $zo = $z0 + $b;
            if ($n !== null) {
                $this->open($zi - $f * (1.0 - $p), $p * $e / (2.0 * $n), $space, $i, OpeningKind::Diaphragm);
            }
            if ($lens->frontGlass !== null) {
                $this->open($z0 + $rim, $lens->frontGlass / 2.0, $space + 1, $i, OpeningKind::Glass);
            }
            $this->front = $z0 + $rim;
            if ($first) {
                $this->extensionMm = $z0 - $lens->register;
                if ($lens->imageCircle !== null) {
                    $this->imageCircleMm = $lens->imageCircle * (1.0 + ($zi / $f - 1.0) / $p) * $this->factor;
                }
            }
        }
        $this->group($zi, $zo, 1.0 / $f, $i);
        $this->frontOptical = $this->front;
        if ($working) {
            $this->marked = $n;
        }
    }

    private function closeUpLens(int $i, CloseUpLens $part): void
    {
        $wet = $this->medium !== 1.0;
        $power = $wet ? $part->powerInWaterD($this->medium) : $part->powerD;
        $plane = $this->frontOptical + ($part->thicknessMm - $part->planeFromFrontMm) / $this->medium;
        $space = count($this->phi);
        $tip = $this->frontOptical + $part->thicknessMm / $this->medium;
        if ($part->clearMm !== null) {
            $this->open($this->frontOptical, $part->clearMm / 2.0, $space, $i, OpeningKind::Throat);
            $this->open($tip, $part->clearMm / 2.0, $space + 1, $i, OpeningKind::Throat);
        }
        $this->group($plane, $plane, $power / 1000.0, $i);
        $this->front += $part->thicknessMm;
        $this->frontOptical = $tip;
    }

    private function objective(int $i, Objective $part): void
    {
        $plane = $this->frontOptical + $part->planeMm();
        $this->group($plane, $plane, 1.0 / $part->focalLengthMm(), $i);
        $tip = $part->parfocalMm - $part->workingDistanceMm;
        $this->front += $tip;
        $this->frontOptical += $tip;
        $this->na = $part->na;
        $this->naPart = $i;
    }

    private function teleconverter(int $i, Teleconverter $part): void
    {
        if ($i === 0) {
            $this->factor = $part->factor;
            $this->converterMm = $part->lengthMm;
        } else {
            $this->unmodelled = true;
            $this->front += $part->lengthMm;
            $this->frontOptical += $part->lengthMm;
        }
    }

    private function port(Port $part): void
    {
        $this->front += $part->gapMm + $part->glassMm;
        $this->frontOptical += $part->gapMm + $part->glassMm / $part->index;
        $this->medium = $part->medium;
    }

    private function group(float $zi, float $zo, float $phi, int $part): void
    {
        $this->zi[] = $zi;
        $this->zo[] = $zo;
        $this->phi[] = $phi;
        $this->groupPart[] = $part;
    }

    private function open(float $z, float $radius, int $space, int $part, OpeningKind $kind): void
    {
        $this->openZ[] = $z;
        $this->openR[] = $radius;
        $this->openSpace[] = $space;
        $this->openPart[] = $part;
        $this->openKind[] = $kind;
    }
}
