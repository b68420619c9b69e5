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
 *
 * The chain is kept as columns of steps: a step is a stretch of air, a thin lens, or a photographic lens.
 */
final class AxialSampler
{
    private const AIR = 0;

    private const THIN = 1;

    private const LENS = 2;

    /** @var array<int, int> */
    private array $step = [];

    /** @var array<int, int> index into the travels moved, -1 = none */
    private array $travel = [];

    /**
     * AIR: length. THIN: power. LENS: 1/f0.
     *
     * @var array<int, float>
     */
    private array $one = [];

    /**
     * LENS: 1/f1 - 1/f0.
     *
     * @var array<int, float>
     */
    private array $two = [];

    /**
     * LENS: register.
     *
     * @var array<int, float>
     */
    private array $register = [];

    /**
     * LENS: g0, and g1 - g0.
     *
     * @var array<int, float>
     */
    private array $gap = [];

    /** @var array<int, float> */
    private array $gapSlope = [];

    /**
     * LENS: rim, and its movement over the ring.
     *
     * @var array<int, float>
     */
    private array $rim = [];

    /** @var array<int, float> */
    private array $rimSlope = [];

    /**
     * LENS: m0.
     *
     * @var array<int, float>
     */
    private array $m0 = [];

    /**
     * LENS: protrusion when reversed, -1 when normal.
     *
     * @var array<int, float>
     */
    private array $tip = [];

    /**
     * LENS: ring position when no travel moves it.
     *
     * @var array<int, float>
     */
    private array $focus = [];

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
                    $this->add(self::AIR, $at, 0.0);
                }
            } elseif ($part instanceof Lens) {
                $this->air($air);
                $air = 0.0;
                $this->lens($rig, $i, $part, $moved[$i.'.focus'] ?? -1);
            } elseif ($part instanceof CloseUpLens) {
                $wet = $this->medium !== 1.0;
                $this->air($air + ($part->thicknessMm - $part->planeFromFrontMm) / $this->medium);
                $this->add(self::THIN, -1, ($wet ? $part->powerInWaterD($this->medium) : $part->powerD) / 1000.0);
                $air = $part->planeFromFrontMm / $this->medium;
                $this->realMore += $part->thicknessMm * (1.0 - 1.0 / $this->medium);
            } elseif ($part instanceof Objective) {
                $this->air($air + $part->planeMm());
                $this->add(self::THIN, -1, 1.0 / $part->focalLengthMm());
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
        $one = $this->one;
        $travels = $this->travel;
        foreach ($this->step as $k => $step) {
            $travel = $travels[$k];
            if ($step === self::AIR) {
                $d = $travel < 0 ? $one[$k] : $at[$travel];
                $y += $t * $d;
                $z += $d;
            } elseif ($step === self::THIN) {
                $t -= $y * $one[$k];
                $last = $y;
            } else {
                $s = $travel < 0 ? $this->focus[$k] : $at[$travel];
                $f = 1.0 / ($one[$k] + $s * $this->two[$k]);
                $a = $f * (1.0 + $s * $this->m0[$k]) - $this->register[$k];
                $b = $a + $this->gap[$k] + $s * $this->gapSlope[$k];
                $rim = $this->rim[$k] + $s * $this->rimSlope[$k];
                $tip = $this->tip[$k];
                if ($tip < 0.0) {
                    $y += $t * $a;
                    $t -= $y / $f;
                    $last = $y;
                    $y += $t * ($rim - $b);
                    $z += $rim;
                } else {
                    $y += $t * ($rim - $b);
                    $t -= $y / $f;
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
            $last = $last0 + $last1 * $e;
            // What Image::of() tells: a real image where height and slope have opposite signs.
            $column[] = ($last < 0.0 && $t > Image::PARALLEL || $last > 0.0 && $t < -Image::PARALLEL) ? abs($t) * $factor : null;
        }

        return $column;
    }

    private function lens(Rig $rig, int $i, Lens $part, int $travel): void
    {
        $lens = $rig->lenses[$i];
        $this->add(self::LENS, $travel, 1.0 / $lens->f0, 1.0 / $lens->f1 - 1.0 / $lens->f0);
        $k = count($this->step) - 1;
        $this->register[$k] = $lens->register;
        $this->gap[$k] = $lens->g0;
        $this->gapSlope[$k] = $lens->g1 - $lens->g0;
        $this->rim[$k] = $lens->rim;
        $this->rimSlope[$k] = $lens->rimAt(1.0) - $lens->rim;
        $this->m0[$k] = $lens->m0;
        $this->tip[$k] = $part->reversed ? $lens->protrusion : -1.0;
        $this->focus[$k] = $lens->m0 > 0.0 ? $rig->setting->focus[$i] ?? 0.0 : 0.0;
    }

    private function air(float $length): void
    {
        if ($length !== 0.0) {
            $this->add(self::AIR, -1, $length);
        }
    }

    private function add(int $step, int $travel, float $one, float $two = 0.0): void
    {
        $this->step[] = $step;
        $this->travel[] = $travel;
        $this->one[] = $one;
        $this->two[] = $two;
        $this->register[] = $this->gap[] = $this->gapSlope[] = $this->rim[] = $this->rimSlope[] = $this->m0[] = $this->focus[] = 0.0;
        $this->tip[] = -1.0;
    }
}
