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
use ZincThimble\Core\Rig\Travel;

/**
 * The axial ray alone, many times over, with some travels moved: what range and solving need, without laying the rig
 * out anew. Agrees with Axis to rounding (a property test holds it to that).
 */
final class AxialSampler
{
    /** @var list<AxialStep> */
    private array $steps = [];

    private float $converterMm = 0.0;

    private float $factor = 1.0;

    private float $medium = 1.0;

    /** Metal length of what is reduced differently from metal: port and wet lenses, real less reduced. */
    private float $realMore = 0.0;

    private bool $unmodelled = false;

    /** Outcome of the last sample: slope in front, height at the last principal plane, and the readings. */
    public float $t = 0.0;

    private float $last = 0.0;

    public Image $image = Image::None;

    public float $magnification = 0.0;

    public float $workingDistanceMm = 0.0;

    public float $subjectDistanceMm = 0.0;

    /**
     * @param  list<Travel>  $travels  the ones that samples move
     * @param  ?int  $without  place of a part to leave out
     */
    public function __construct(Rig $rig, array $travels, ?int $without = null)
    {
        $moved = [];
        foreach ($travels as $at => $travel) {
            $moved[$travel->name()] = $at;
        }
        $air = $rig->camera->registerMm;
        foreach ($rig->chain as $i => $part) {
            if ($i === $without) {
                continue;
            }
            if ($part instanceof Spacer) {
                $air += $part->lengthMm;
            } elseif ($part instanceof VariableSpacer) {
                $at = $moved[$i.'.length'] ?? -1;
                if ($at < 0) {
                    $air += $rig->lengthMm($i);
                } else {
                    $this->steps[] = new AxialStep(AxialStep::AIR, $at, 0.0);
                }
            } elseif ($part instanceof Lens) {
                $this->air($air);
                $air = 0.0;
                $this->lens($rig, $i, $part, $moved[$i.'.focus'] ?? -1);
            } elseif ($part instanceof CloseUpLens) {
                $wet = $this->medium !== 1.0;
                $this->air($air + ($part->thicknessMm - $part->planeFromFrontMm) / $this->medium);
                $this->steps[] = new AxialStep(AxialStep::THIN, -1, ($wet ? $part->powerInWaterD($this->medium) : $part->powerD) / 1000.0);
                $air = $part->planeFromFrontMm / $this->medium;
                $this->realMore += $part->thicknessMm * (1.0 - 1.0 / $this->medium);
            } elseif ($part instanceof Objective) {
                $this->air($air + $part->planeMm());
                $this->steps[] = new AxialStep(AxialStep::THIN, -1, 1.0 / $part->focalLengthMm());
                $air = $part->shortestMm() - $part->planeMm();
            } elseif ($part instanceof Teleconverter) {
                $this->unmodelled = $this->unmodelled || $i > 0;
                $this->factor = $part->factor;
                $this->converterMm = $part->lengthMm;
            } elseif ($part instanceof Port) {
                $air += $part->gapMm + $part->glassMm / $part->index;
                $this->realMore += $part->glassMm * (1.0 - 1.0 / $part->index);
                $this->medium = $part->medium;
            }
        }
        $this->air($air);
    }

    /** @param  array<int, float>  $at a value for each travel given to the constructor */
    public function sample(array $at): void
    {
        $y = 0.0;
        $t = 1.0;
        $z = 0.0;
        // Height at the last principal plane: what tells a real image from none.
        $last = 0.0;
        foreach ($this->steps as $step) {
            $travel = $step->travel;
            if ($step->kind === AxialStep::AIR) {
                $d = $travel < 0 ? $step->value : $at[$travel];
                $y += $t * $d;
                $z += $d;
            } elseif ($step->kind === AxialStep::THIN) {
                $t -= $y * $step->value;
                $last = $y;
            } else {
                $s = $travel < 0 ? $step->focus : $at[$travel];
                $phi = $step->value + $s * $step->phiWay;
                $a = (1.0 + $s * $step->m0) / $phi - $step->register;
                $rim = $step->rim + $s * $step->rimWay;
                $toRim = $rim - $a - $step->gap - $s * $step->gapWay;
                $tip = $step->tip;
                if ($tip < 0.0) {
                    $y += $t * $a;
                    $t -= $y * $phi;
                    $last = $y;
                    $y += $t * $toRim;
                    $z += $rim;
                } else {
                    $y += $t * $toRim;
                    $t -= $y * $phi;
                    $last = $y;
                    $y += $t * ($a + $tip);
                    $z += $rim + $tip;
                }
            }
        }
        $this->t = $t;
        $this->last = $last;
        $this->image = $this->unmodelled ? Image::None : Image::of($last, $t);
        if ($this->image !== Image::Real) {
            $this->magnification = 0.0;

            return;
        }
        $this->magnification = abs($t) * $this->factor;
        $this->workingDistanceMm = -$this->medium * $y / $t;
        $this->subjectDistanceMm = $z + $this->realMore + $this->workingDistanceMm + $this->converterMm;
    }

    /**
     * Magnification at many places of the one travel given to the constructor; null where there is no real image.
     *
     * @param  list<float>  $places  rising
     * @param  bool  $straight  whether slopes are straight lines over that travel: then its two ends say it all
     * @return list<?float>
     */
    public function magnifications(array $places, bool $straight): array
    {
        $from = $places[0];
        $way = $places[count($places) - 1] - $from;
        if (! $straight || $way <= 0.0 || $this->unmodelled) {
            $column = [];
            foreach ($places as $place) {
                $this->sample([$place]);
                $column[] = $this->image === Image::Real ? $this->magnification : null;
            }

            return $column;
        }
        $this->sample([$from]);
        [$t0, $last0] = [$this->t, $this->last];
        $this->sample([$from + $way]);
        $t1 = ($this->t - $t0) / $way;
        $last1 = ($this->last - $last0) / $way;
        $factor = $this->factor;
        $column = [];
        foreach ($places as $place) {
            $e = $place - $from;
            $t = $t0 + $t1 * $e;
            $column[] = Image::of($last0 + $last1 * $e, $t) === Image::Real ? abs($t) * $factor : null;
        }

        return $column;
    }

    private function lens(Rig $rig, int $i, Lens $part, int $travel): void
    {
        $lens = $rig->lenses[$i];
        $step = new AxialStep(AxialStep::LENS, $travel, 1.0 / $lens->f0);
        $step->phiWay = 1.0 / $lens->f1 - 1.0 / $lens->f0;
        $step->register = $lens->register;
        $step->gap = $lens->g0;
        $step->gapWay = $lens->g1 - $lens->g0;
        $step->rim = $lens->rim;
        $step->rimWay = $lens->rimAt(1.0) - $lens->rim;
        $step->m0 = $lens->m0;
        $step->tip = $part->reversed ? $lens->protrusion : -1.0;
        $step->focus = $lens->m0 > 0.0 ? $rig->setting->focus[$i] ?? 0.0 : 0.0;
        $this->steps[] = $step;
    }

    private function air(float $length): void
    {
        if ($length !== 0.0) {
            $this->steps[] = new AxialStep(AxialStep::AIR, -1, $length);
        }
    }
}
