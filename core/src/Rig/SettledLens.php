<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

use ZincThimble\Core\Gear\Focusing;

/**
 * A lens whose figures have been brought into agreement (OPTICS.md, "Settling a lens"), ready to be traced (Optics\LensModel). mm.
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
        public float $aperturePerturbation,
    ) {
    }

    /** Whether another is the same lens with its rim elsewhere. */
    public function isButForItsRim(self $other): bool
    {
        return array_replace(get_object_vars($this), ['rim' => $other->rim]) === get_object_vars($other);
    }
}
