<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

/** One measure of one shot beside what the settled lens would have shown. */
final readonly class ShotResidual
{
    /** Standard deviations from which a shot is named as at odds (OPTICS.md, "Shots"). */
    public const AT_ODDS = 3.0;

    public function __construct(
        /** Which shot, from 0. */
        public int $shot,
        /** `magnification`, `workingDistanceMm` or `subjectDistanceMm`. */
        public string $reading,
        public float $measured,
        public float $halfWidth,
        /** What the lens as settled gives; null = nothing sharp at all. */
        public ?float $settled,
    ) {
    }

    /** How many standard deviations of the measurement they lie apart. */
    public function deviations(): float
    {
        return $this->settled === null ? INF : abs($this->measured - $this->settled) / ($this->halfWidth / KnownFigures::NINE_IN_TEN);
    }

    public function isAtOdds(): bool
    {
        return $this->deviations() > self::AT_ODDS;
    }
}
