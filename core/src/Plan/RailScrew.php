<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

use ZincThimble\Core\Gear\InvalidFigure;

/** What moves a rig along: a screw, and how finely it can be turned. */
final readonly class RailScrew
{
    /** A dial of so many lines is what hands read. */
    public const DIAL = 100;

    private function __construct(
        /** mm a turn. */
        public float $pitchMm,
        /** Steps a turn: of a motor, or lines of a dial. */
        public int $steps,
        /** Play that is taken up by coming from one side, mm. */
        public float $backlashMm,
        /** How far it goes, mm; null = far enough. */
        public ?float $travelMm,
    ) {
    }

    /** @throws InvalidFigure names what can't be */
    public static function of(float $pitchMm, int $steps = self::DIAL, float $backlashMm = 0.0, ?float $travelMm = null): self
    {
        if (! is_finite($pitchMm) || $pitchMm <= 0.0) {
            throw InvalidFigure::because('pitchMm', 'should be above 0');
        }
        if ($steps < 1 || $steps > 10_000_000) {
            throw InvalidFigure::because('steps', 'should be 1 to 10,000,000');
        }
        if (! is_finite($backlashMm) || $backlashMm < 0.0) {
            throw InvalidFigure::because('backlashMm', 'should be 0 or more');
        }
        if ($travelMm !== null && $travelMm <= 0.0) {
            throw InvalidFigure::because('travelMm', 'should be above 0');
        }

        return new self($pitchMm, $steps, $backlashMm, $travelMm);
    }

    /** The least way that it can be turned, mm. */
    public function unitMm(): float
    {
        return $this->pitchMm / $this->steps;
    }
}
