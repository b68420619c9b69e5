<?php

declare(strict_types=1);

namespace ZincThimble\Core\Start;

/**
 * What sort of lens somebody names at the first visit, and what such lenses have where its owner doesn't know: rough figures of
 * lenses in use, each with a half-width that takes in nine of ten (OPTICS.md, "What its owner knows" weighs them). Lengths in mm.
 */
enum LensKind: string
{
    case Usual = 'usual';
    case Wide = 'wide';
    case Long = 'long';
    case Macro = 'macro';
    case Zoom = 'zoom';
    case Enlarging = 'enlarging';

    /** A register as long as mirror cameras have it; what a lens for a shorter one carries of the difference in its own barrel. */
    private const MIRROR_MM = 46.5;

    private const CARRIED = 0.7;

    /** Share of a guessed length of barrel, of a closest focus, and the least of the first. */
    private const RIM = 0.25;

    private const RIM_LEAST_MM = 5.0;

    private const CLOSEST = 0.25;

    public function focalLengthMm(): float
    {
        return match ($this) {
            self::Usual, self::Enlarging => 50.0,
            self::Wide => 28.0,
            self::Long => 135.0,
            self::Macro => 100.0,
            self::Zoom => 24.0,
        };
    }

    /** Its longer end; null = it is no zoom. */
    public function longestMm(): ?float
    {
        return $this === self::Zoom ? 70.0 : null;
    }

    public function widest(): float
    {
        return match ($this) {
            self::Usual => 1.8,
            self::Wide, self::Macro, self::Enlarging => 2.8,
            self::Long, self::Zoom => 4.0,
        };
    }

    public function smallest(): float
    {
        return $this === self::Enlarging ? 16.0 : 22.0;
    }

    /** Mount to front rim, for a mount of that register. */
    public function rimMm(float $focalMm, float $registerMm): float
    {
        $own = match ($this) {
            self::Usual => 18.0 + 0.4 * $focalMm,
            self::Wide => 32.0 + 0.4 * $focalMm,
            self::Long => 20.0 + 0.5 * $focalMm,
            self::Macro => 15.0 + 0.9 * $focalMm,
            self::Zoom => 75.0 + 0.25 * $focalMm,
            self::Enlarging => 18.0 + 0.1 * $focalMm,
        };

        return round($this === self::Enlarging ? $own : $own + self::CARRIED * max(0.0, self::MIRROR_MM - $registerMm));
    }

    public static function rimHalfWidthMm(float $rimMm): float
    {
        return round(max(self::RIM_LEAST_MM, self::RIM * $rimMm), 1);
    }

    /** Subject to sensor at its closest; null = it has no ring of its own, or is told better by its magnification. */
    public function closestMm(float $focalMm): ?float
    {
        return match ($this) {
            self::Usual, self::Wide => round(9.0 * $focalMm, -1),
            self::Long => round(10.0 * $focalMm, -1),
            self::Zoom, self::Macro, self::Enlarging => null,
        };
    }

    public static function closestHalfWidthMm(float $closestMm): float
    {
        return round(self::CLOSEST * $closestMm);
    }

    /**
     * Greatest magnification by its own ring and its half-width; null = its closest focus tells it well. What focuses inside loses focal
     * length as it comes near: of a zoom that counts for more than the closest focus does.
     *
     * @return ?array{float, float}
     */
    public function greatest(): ?array
    {
        return match ($this) {
            self::Macro => [1.0, 0.25],
            self::Zoom => [0.22, 0.08],
            default => null,
        };
    }

    /** The same at a zoom's shorter end: by a closest focus where that is told, a third of the long end's else. */
    public static function greatestShort(float $focalMm, ?float $closestMm, float $long): float
    {
        return round($closestMm !== null && $closestMm > 4.0 * $focalMm ? min($long, $focalMm / ($closestMm - 2.0 * $focalMm)) : $long / 3.0, 4);
    }

    public static function greatestShortHalfWidth(float $magnification): float
    {
        return round(0.35 * $magnification, 4);
    }

    /** Design family, for a mount of that register. */
    public function design(float $focalMm, float $registerMm): string
    {
        $short = $registerMm < 35.0;
        $wide = $short ? 'wide' : 'retrofocus';

        return match ($this) {
            self::Usual => $focalMm < 40.0 ? $wide : ($focalMm <= 70.0 ? 'symmetrical' : 'unknown'),
            self::Wide => $wide,
            self::Long => 'telephoto',
            self::Macro => 'symmetrical',
            self::Zoom => 'unknown',
            self::Enlarging => 'triplet',
        };
    }
}
