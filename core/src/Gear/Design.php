<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/** Design family of a lens: what its principal gap and pupil ratio usually are (OPTICS.md, "A lens"). */
enum Design: string
{
    case Symmetrical = 'symmetrical';
    case Triplet = 'triplet';
    case Telephoto = 'telephoto';
    case Retrofocus = 'retrofocus';
    case Wide = 'wide';
    case Unknown = 'unknown';

    /** Principal gap over focal length. */
    public function gapRatio(): float
    {
        return match ($this) {
            self::Symmetrical => -0.18,
            self::Triplet => -0.06,
            self::Telephoto => 0.15,
            self::Retrofocus => 0.70,
            self::Wide => 0.45,
            self::Unknown => 0.0,
        };
    }

    /** Half-width of the gap ratio. */
    public function gapRatioHalfWidth(): float
    {
        return match ($this) {
            self::Symmetrical => 0.25,
            self::Triplet => 0.08,
            self::Telephoto => 0.25,
            self::Retrofocus => 0.50,
            self::Wide => 0.30,
            self::Unknown => 0.40,
        };
    }

    /** Exit over entrance pupil diameter. */
    public function pupilRatio(): float
    {
        return match ($this) {
            self::Symmetrical => 1.08,
            self::Triplet => 0.95,
            self::Telephoto => 0.72,
            self::Retrofocus => 1.65,
            self::Wide => 1.20,
            self::Unknown => 1.00,
        };
    }

    /** Half-width of the pupil ratio. */
    public function pupilRatioHalfWidth(): float
    {
        return match ($this) {
            self::Symmetrical => 0.20,
            self::Triplet => 0.12,
            self::Telephoto => 0.25,
            self::Retrofocus => 0.45,
            self::Wide => 0.35,
            self::Unknown => 0.45,
        };
    }

    /** What a register that nobody tells may be off, over the focal length; null = this family's has to be told (OPTICS.md, "What its owner knows"). */
    public function registerRatioHalfWidth(): ?float
    {
        return match ($this) {
            self::Symmetrical, self::Triplet => 0.08,
            self::Unknown => 0.15,
            default => null,
        };
    }

    /** The family's name as a sentence says it. */
    public function spoken(): string
    {
        return match ($this) {
            self::Symmetrical => 'symmetrical',
            self::Triplet => 'triplet or four-element',
            self::Telephoto => 'telephoto',
            self::Retrofocus => 'retrofocus',
            self::Wide => 'short-register wide',
            self::Unknown => 'unknown',
        };
    }
}
