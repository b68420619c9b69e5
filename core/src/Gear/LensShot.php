<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/**
 * One picture taken to learn about a lens, as it was measured (OPTICS.md, "Shots"): the lens alone on plain spacers, which way round,
 * its ring where, and of magnification, working distance and subject distance whatever was taken. Lengths in mm.
 */
final readonly class LensShot
{
    /** Half-width of a magnification, as a share of it, unless given. */
    public const MAGNIFICATION = 0.01;

    /** Half-width of a working distance, mm, unless given. */
    public const WORKING_MM = 1.0;

    /** Half-width of a distance from the sensor, mm, unless given. */
    public const SUBJECT_MM = 2.0;

    /** Half-width of where a far window comes out sharp, mm, unless given: its magnification is 0, of which there is no share. */
    public const WINDOW_MM = 0.5;

    public function __construct(
        public float $cameraRegisterMm,
        /** Everything between camera and lens. */
        public float $spacersMm,
        public bool $reversed = false,
        /** Where the ring stood, 0 infinity to 1 closest. */
        public float $focus = 0.0,
        /** 0 = what came out sharp was far away. */
        public ?float $magnification = null,
        public ?float $magnificationHalfWidth = null,
        /** From the front-most metal. */
        public ?float $workingDistanceMm = null,
        public ?float $workingDistanceMmHalfWidth = null,
        /** From the sensor. */
        public ?float $subjectDistanceMm = null,
        public ?float $subjectDistanceMmHalfWidth = null,
        /** When it was taken, as written. */
        public ?string $at = null,
        /** The rig it was taken with, or what else there is to say. */
        public ?string $note = null,
    ) {
    }

    /** @throws InvalidFigure names the field that is missing */
    public static function from(Values $values): self
    {
        return new self(
            cameraRegisterMm: $values->float('cameraRegisterMm'),
            spacersMm: $values->float('spacersMm'),
            reversed: $values->boolOr('reversed', false),
            focus: $values->floatOr('focus', 0.0),
            magnification: $values->floatOrNull('magnification'),
            magnificationHalfWidth: $values->floatOrNull('magnificationHalfWidth'),
            workingDistanceMm: $values->floatOrNull('workingDistanceMm'),
            workingDistanceMmHalfWidth: $values->floatOrNull('workingDistanceMmHalfWidth'),
            subjectDistanceMm: $values->floatOrNull('subjectDistanceMm'),
            subjectDistanceMmHalfWidth: $values->floatOrNull('subjectDistanceMmHalfWidth'),
            at: $values->stringOrNull('at'),
            note: $values->stringOrNull('note'),
        );
    }

    /** Sensor to the rear of the lens as mounted, mm. */
    public function z0(): float
    {
        return $this->cameraRegisterMm + $this->spacersMm;
    }
}
