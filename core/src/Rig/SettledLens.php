<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

use ZincThimble\Core\Gear\Focusing;

/**
 * A lens whose figures have been brought into agreement (OPTICS.md, "Settling a lens"), ready to be traced. mm.
 *
 * @immutable
 */
final class SettledLens
{
    public function __construct(
        /** Focal length at infinity and at the closest. */
        public float $f0,
        public float $f1,
        /** Principal gap at infinity and at the closest. */
        public float $g0,
        public float $g1,
        public float $register,
        public float $rim,
        /** Greatest native magnification by its own ring; 0 when the ring does nothing. */
        public float $m0,
        /** Pupil ratio at infinity. */
        public float $p0,
        /** Pupil ratio at the closest, when given. */
        public ?float $p1,
        /** Effective aperture shown wide open at the closest over the widest, less 1, when given. */
        public ?float $closeLoss,
        /** How it focuses, once that is decided. */
        public Focusing $focusing,
        public float $rimTravel,
        public float $protrusion,
        public ?float $frontGlass,
        public ?float $imageCircle,
        public ?float $widest,
        public ?float $smallest,
        public bool $showsEffective,
        /** D - (A f + g) by the nominal figures, mm; null when D isn't used. */
        public ?float $disagreement,
        /** What that may be without the figures being at odds, mm. */
        public ?float $tolerance,
        /** Whether the catalogue figures can't all be right. */
        public bool $disagrees,
        /** Whether the kind of focusing was decided here. */
        public bool $decided,
        /** Share by which E is moved at m = 1 to learn its half-width; 0 but in a variant. */
        public float $apertureNudge,
    ) {
    }

    /** f(s): `1/f(s) = (1-s)/f + s/f1`. */
    public function focalLength(float $s): float
    {
        return $this->f0 === $this->f1 ? $this->f0 : 1.0 / ((1.0 - $s) / $this->f0 + $s / $this->f1);
    }

    /** g(s), linear in s. */
    public function principalGap(float $s): float
    {
        return $this->g0 + ($this->g1 - $this->g0) * $s;
    }

    /** Flange to front rim, mm: the rim moves by f m (unit) or s x its travel (internal). */
    public function rimAt(float $s): float
    {
        return $this->focusing === Focusing::Internal ? $this->rim + $s * $this->rimTravel : $this->rim + $this->f0 * $s * $this->m0;
    }

    /** Whether another is the same lens with its rim elsewhere. */
    public function isButForItsRim(self $other): bool
    {
        return array_replace(get_object_vars($this), ['rim' => $other->rim]) === get_object_vars($other);
    }

    /** Flange forward to the image-side principal plane, mm: `a = f(s) (1 + m) - R`. */
    public function a(float $s): float
    {
        return $this->focalLength($s) * (1.0 + $s * $this->m0) - $this->register;
    }

    /** P(s): constant but for internal focusing, where `P max(1 - 0.5 m, 0.25)` or linear to the closest one given. */
    public function pupilRatio(float $s): float
    {
        if ($this->focusing !== Focusing::Internal) {
            return $this->p0;
        }
        if ($this->p1 !== null) {
            return $this->p0 + ($this->p1 - $this->p0) * $s;
        }

        return $this->p0 * max(1.0 - 0.5 * $s * $this->m0, 0.25);
    }

    /** E(s), mm: the entrance pupil is E/N wide. */
    public function entrance(float $s): float
    {
        if ($this->focusing !== Focusing::Internal) {
            return $this->f0;
        }
        $m = $s * $this->m0;
        $bare = $this->focalLength($s) * (1.0 + $m / $this->pupilRatio($s));
        $loss = $this->closeLoss === null ? 1.0 + 0.7 * $m : 1.0 + $s * $this->closeLoss;

        return $bare / ($loss * (1.0 + $this->apertureNudge * $m));
    }

    /**
     * pupilRatio() and what entrance() makes the bare lens lose, `(f / E) (1 + m / P)`, as straight lines over the ring: for loops.
     *
     * @param  bool  $simple  whether P = 1 and E = f are asked for
     * @return array{float, float, float, float, float} P, its change, its least; the loss is `(1 + fourth s) (1 + fifth s)`
     */
    public function pupilLines(bool $simple): array
    {
        return match (true) {
            $simple => [1.0, 0.0, 1.0, $this->m0, 0.0],
            $this->focusing !== Focusing::Internal => [$this->p0, 0.0, $this->p0, $this->m0 / $this->p0, 0.0],
            default => [
                $this->p0,
                $this->p1 === null ? -0.5 * $this->p0 * $this->m0 : $this->p1 - $this->p0,
                $this->p1 === null ? 0.25 * $this->p0 : 0.0,
                $this->closeLoss ?? 0.7 * $this->m0,
                $this->apertureNudge * $this->m0,
            ],
        };
    }
}
