<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

/** What swing and shift of a bellows do (OPTICS.md, "Bellows movements"). Angles in degrees, lengths in mm. */
final class BellowsMovements
{
    /** Magnification on the lens's own axis when it is swung: `(1 + M) / cos(alpha) - 1`. */
    public static function swungMagnification(float $magnification, float $swingDeg): float
    {
        return (1.0 + $magnification) / cos(deg2rad($swingDeg)) - 1.0;
    }

    /** Tilt of the sharp plane in the lens's frame: `atan(tan(alpha) / Ma)`; 90 when nothing is magnified. */
    public static function planeTiltDeg(float $magnification, float $swingDeg): float
    {
        return rad2deg(atan2(tan(deg2rad($swingDeg)), self::swungMagnification($magnification, $swingDeg)));
    }

    /** Tilt of the sharp plane against the sensor: alpha plus that. */
    public static function planeTiltToSensorDeg(float $magnification, float $swingDeg): float
    {
        return $swingDeg + self::planeTiltDeg($magnification, $swingDeg);
    }

    /**
     * How far the field moves when the pivot lies away from the rear principal plane: `p sin(alpha) (1 + 1/M)`.
     *
     * @param  float  $magnification  above 0
     */
    public static function swingMovesFieldMm(float $pivotMm, float $swingDeg, float $magnification): float
    {
        return $pivotMm * sin(deg2rad($swingDeg)) * (1.0 + 1.0 / $magnification);
    }

    /** How far the field moves when the lens is shifted: `h (1 + 1/M)`. */
    public static function lensShiftMovesFieldMm(float $shiftMm, float $magnification): float
    {
        return $shiftMm * (1.0 + 1.0 / $magnification);
    }

    /** How far the field moves when the camera is shifted: `h / M`. */
    public static function cameraShiftMovesFieldMm(float $shiftMm, float $magnification): float
    {
        return $shiftMm / $magnification;
    }

    /** Image circle that a shift along the width needs: `2 hypot(w/2 + h, height/2)`. */
    public static function neededCircleMm(float $widthMm, float $heightMm, float $shiftMm): float
    {
        return 2.0 * hypot($widthMm / 2.0 + abs($shiftMm), $heightMm / 2.0);
    }
}
