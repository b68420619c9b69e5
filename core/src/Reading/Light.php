<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

/** Exposure, flash and shutter for a rig (OPTICS.md, "Light"). Static arithmetic: nothing here looks at a rig. */
final class Light
{
    /** What any meter reading without the rig is multiplied by: `(Neff/N)^2`. */
    public static function exposureFactor(float $effective, float $marked): float
    {
        return ($effective / $marked) ** 2;
    }

    /**
     * Shutter time from scratch, s: `t = Neff^2 * 100 / (ISO * 2^EV)`.
     *
     * @param  float  $iso  above 0
     * @param  float  $ev  exposure value at ISO 100
     */
    public static function exposureS(float $effective, float $iso, float $ev): float
    {
        return $effective * $effective * 100.0 / ($iso * 2.0 ** $ev);
    }

    /**
     * Effective number that a flash needs: `GN * sqrt(ISO/100) / d`, less diffuser and the spread of its source.
     *
     * @param  float  $guideNumber  m at ISO 100
     * @param  float  $distanceM  flash to subject, m, above 0
     * @param  float  $diffuserStops  light that a diffuser takes, stops
     * @param  float  $sourceRadiusM  radius of the shining surface, m: light falls off by `d^2 / (d^2 + q^2)` less
     */
    public static function flashNumber(float $guideNumber, float $iso, float $distanceM, float $diffuserStops = 0.0, float $sourceRadiusM = 0.0): float
    {
        $spread = $distanceM * $distanceM / ($distanceM * $distanceM + $sourceRadiusM * $sourceRadiusM);

        return $guideNumber * sqrt($iso / 100.0) / $distanceM * sqrt($spread * 2.0 ** -$diffuserStops);
    }

    /** The marked number that gives that effective one: divided by Neff/N. */
    public static function markedForFlash(float $effectiveNeeded, float $effective, float $marked): float
    {
        return $effectiveNeeded / ($effective / $marked);
    }

    /** So much light of a bare lamp goes to the side that its reflector faces: all of it, over half a sphere. */
    private const HALF_SPHERE = 2.0 * M_PI;

    /**
     * How far off a lamp gives so much light, mm: `E = lumens / (2 pi d^2)`, its light spread evenly over half a sphere.
     *
     * @param  float  $lumens  above 0
     * @param  float  $lux  above 0
     */
    public static function lampMm(float $lumens, float $lux): float
    {
        return 1000.0 * sqrt($lumens / (self::HALF_SPHERE * $lux));
    }

    /**
     * Longest shutter when something moves across, s: `c / (v M)`; null when it stands still or nothing is imaged.
     *
     * @param  float  $blurLimitMm  at the sensor
     * @param  float  $speedMmS  in the subject
     */
    public static function longestAcrossS(float $blurLimitMm, float $speedMmS, float $magnification): ?float
    {
        return $speedMmS > 0.0 && $magnification > 0.0 ? $blurLimitMm / ($speedMmS * $magnification) : null;
    }

    /** Longest shutter when something moves to and fro, s: `depth / v`. */
    public static function longestToAndFroS(float $depthMm, float $speedMmS): ?float
    {
        return $speedMmS > 0.0 ? $depthMm / $speedMmS : null;
    }
}
