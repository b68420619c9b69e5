<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/**
 * An afocal converter in front of a lens that stays on the camera, or of a wet lens: parallel light leaves it parallel, at another slope.
 *
 * Traced outwards from the sensor it makes a height `factor` times as great and a slope `factor` times as small, where it begins
 * (towards the camera); through its thickness light goes straight on. So far off it multiplies the focal length by its factor and leaves
 * the f-number as it is, and Lagrange's invariant holds (OPTICS.md, "Frame of reference": `y -> k y`, `t -> t / k`). Above 1 it brings
 * far things nearer (tele), below 1 it takes in more (wide). With the ring left where it is the plane of focus moves from u to k^2 u before
 * it and the magnification becomes 1 / k of what it was: 400 mm and 1 : 7 become 900 mm and 1 : 10.5 at k = 1.5, and at one and the same
 * far distance the picture is k times as large, as of a lens of 75 mm instead of 50.
 */
final readonly class Afocal extends Part
{
    public function __construct(
        PartIdentity $identity,
        Values $document,
        /** 0.1 to 10, not 1: above 1 tele, below 1 wide. */
        public float $factor,
        /** mm, 0 to 3,000. */
        public float $thicknessMm,
        /** Clear diameter at both ends, mm; null = not known. */
        public ?float $clearMm,
    ) {
        parent::__construct(Kind::Afocal, $identity, $document);
    }

    /** @throws InvalidFigure names the field that no such part can have */
    public static function from(Values $values): self
    {
        $factor = $values->float('factor');
        if ($factor === 1.0) {
            throw InvalidFigure::because('factor', 'changes nothing at 1: above 1 it is a tele converter, below 1 a wide one');
        }

        return new self(PartIdentity::from(Kind::Afocal, $values), $values, $factor, $values->floatOr('thicknessMm', 0.0), $values->floatOrNull('clearMm'));
    }

    /** Its thickness, mm. */
    public function shortestMm(): float
    {
        return $this->thicknessMm;
    }
}
