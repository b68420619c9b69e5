<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

use ZincThimble\Core\Gear\Focusing;

/**
 * A settled lens as its focus ring turns: the one place that knows f, a, b, rim, P and E at a setting s of the ring, 0 infinity to 1
 * closest (OPTICS.md, "Focus ring"). mm. Beside each law stand its coefficients, for loops that go along a ring: a call for each place
 * costs more than the law.
 *
 * @immutable
 */
final class LensModel
{
    /** `1/f(s) = (phi0 + phi1 s) (1 - bend s (1 - s))`; bend is 0 but where a half-width is learnt. */
    public float $phi0;

    public float $phi1;

    public float $bend;

    /** Native magnification is `mag0 + mag1 s`: what the ring begins with, 0 unless it begins nearer than infinity, and what it adds. */
    public float $mag0;

    public float $mag1;

    public float $register;

    /** `g(s) = gap0 + gap1 s + bulge s (1 - s)`; bulge like bend. */
    public float $gap0;

    public float $gap1;

    public float $bulge;

    /** Flange to front rim is `rim0 + rim1 s`: the rim moves with the lens (unit) or by s times its travel (internal). */
    public float $rim0;

    public float $rim1;

    /** `P(s) = max(pupil0 + pupil1 s, leastPupil)`. */
    public float $pupil0;

    public float $pupil1;

    public float $leastPupil;

    /** What the bare lens loses, `(f/E) (1 + m/P)`, is `(loss0 + loss1 s) (spread0 + spread1 s)`; the second is 1 but where a half-width is learnt. */
    public float $loss0;

    public float $loss1;

    public float $spread0;

    public float $spread1;

    /** Whether the ring changes more than where the lens stands. */
    public bool $bends;

    /** Whether the camera shows the effective number, which the bare lens's loss is taken off. */
    public bool $showsEffective;

    /** How far the rear stands out behind the flange: reversed, that is the front-most metal. */
    public float $protrusion;

    /** Clear diameter of the front glass; null = not known. */
    public ?float $frontGlass;

    private float $f0;

    private function __construct(SettledLens $lens, bool $simple)
    {
        $this->f0 = $lens->f0;
        $this->phi0 = 1.0 / $lens->f0;
        $this->phi1 = $lens->f1 === $lens->f0 ? 0.0 : 1.0 / $lens->f1 - 1.0 / $lens->f0;
        $this->bend = $lens->bend;
        $this->mag0 = $lens->mBegin;
        $this->mag1 = $lens->m0 - $lens->mBegin;
        $this->register = $lens->register;
        $this->gap0 = $lens->g0;
        $this->gap1 = $lens->g1 - $lens->g0;
        $this->bulge = $lens->bulge;
        $this->rim0 = $lens->rim;
        $this->bends = $lens->focusing === Focusing::Internal;
        // The rim is measured where the ring begins: only what the ring adds moves it.
        $this->rim1 = $this->bends ? $lens->rimTravel : $lens->f0 * $this->mag1;
        $this->showsEffective = $lens->showsEffective;
        $this->protrusion = $lens->protrusion;
        $this->frontGlass = $lens->frontGlass;
        $shift = $simple || ! $this->bends ? 0.0 : $lens->apertureShift;
        $this->spread0 = 1.0 + $shift * $this->mag0;
        $this->spread1 = $shift * $this->mag1;
        if ($simple) {
            $this->pupil0 = $this->leastPupil = 1.0;
            $this->pupil1 = 0.0;
            $this->loss0 = 1.0 + $this->mag0;
            $this->loss1 = $this->mag1;
        } elseif (! $this->bends) {
            $this->pupil0 = $this->leastPupil = $lens->p0;
            $this->pupil1 = 0.0;
            $this->loss0 = 1.0 + $this->mag0 / $lens->p0;
            $this->loss1 = $this->mag1 / $lens->p0;
        } else {
            $this->pupil0 = $lens->p0 * ($lens->p1 === null ? max(1.0 - 0.5 * $this->mag0, 0.25) : 1.0);
            $this->pupil1 = $lens->p1 === null ? -0.5 * $lens->p0 * $this->mag1 : $lens->p1 - $lens->p0;
            $this->leastPupil = $lens->p1 === null ? 0.25 * $lens->p0 : 0.0;
            $this->loss0 = 1.0 + ($lens->closeLoss === null ? 0.7 * $this->mag0 : 0.0);
            $this->loss1 = $lens->closeLoss ?? 0.7 * $this->mag1;
        }
    }

    /** @param  bool  $simple  the simple school: P = 1 and E = f everywhere */
    public static function of(SettledLens $lens, bool $simple = false): self
    {
        static $made = null, $simply = null;
        // Models made before, as long as their lenses live.
        $made ??= new \WeakMap;
        $simply ??= new \WeakMap;
        /** @var \WeakMap<SettledLens, self> $models */
        $models = $simple ? $simply : $made;

        return $models[$lens] ??= new self($lens, $simple);
    }

    /** Native magnification at s. */
    public function magnification(float $s): float
    {
        return $this->mag0 + $this->mag1 * $s;
    }

    /** f(s): `1/f(s) = (1-s)/f + s/f1`. */
    public function focalLength(float $s): float
    {
        return $this->phi1 === 0.0 && $this->bend === 0.0 ? $this->f0 : 1.0 / (($this->phi0 + $this->phi1 * $s) * (1.0 - $this->bend * $s * (1.0 - $s)));
    }

    /** g(s): image-side to subject-side principal plane, linear in s. */
    public function principalGap(float $s): float
    {
        return $this->gap0 + ($this->gap1 + $this->bulge * (1.0 - $s)) * $s;
    }

    /** Flange forward to the image-side principal plane: `a = f(s) (1 + m) - R`. */
    public function a(float $s): float
    {
        return $this->focalLength($s) * (1.0 + $this->magnification($s)) - $this->register;
    }

    /** Flange forward to the subject-side principal plane: `b = a + g(s)`. */
    public function b(float $s): float
    {
        return $this->a($s) + $this->principalGap($s);
    }

    /** Flange to front rim. */
    public function rim(float $s): float
    {
        return $this->rim0 + $this->rim1 * $s;
    }

    /** P(s), exit over entrance pupil: constant but for internal focusing, where `P max(1 - 0.5 m, 0.25)` or linear to the closest one given. */
    public function pupilRatio(float $s): float
    {
        return max($this->pupil0 + $this->pupil1 * $s, $this->leastPupil);
    }

    /** What the bare lens loses at s, as a factor of its number: `(f/E) (1 + m/P)`. */
    public function loss(float $s): float
    {
        return ($this->loss0 + $this->loss1 * $s) * ($this->spread0 + $this->spread1 * $s);
    }

    /** E(s): the entrance pupil is E/N wide. */
    public function entrance(float $s): float
    {
        return $this->bends ? $this->focalLength($s) * (1.0 + $this->magnification($s) / $this->pupilRatio($s)) / $this->loss($s) : $this->f0;
    }

    /** The marked number of a lens whose camera shows a number at s. */
    public function marked(float $shown, float $s): float
    {
        return $this->showsEffective ? $shown / $this->loss($s) : $shown;
    }
}
