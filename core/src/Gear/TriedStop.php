<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/** How sharp an edge came out at one stop of a trial. */
final readonly class TriedStop
{
    public function __construct(
        /** Marked f-number. */
        public float $aperture,
        /** What it came to in that rig. */
        public float $effectiveAperture,
        /** Cycles a pixel at which half of the contrast was left, above 0. */
        public float $mtf50,
        /** Of it; null = not known. */
        public ?float $halfWidth = null,
    ) {
    }

    /** @throws InvalidFigure names the field that is missing */
    public static function from(Values $values): self
    {
        return new self($values->float('aperture'), $values->float('effectiveAperture'), $values->float('mtf50'), $values->floatOrNull('halfWidth'));
    }
}
