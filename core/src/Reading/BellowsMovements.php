<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Gear\Bellows;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Rig\Rig;

/** What swing and shift of a bellows do (OPTICS.md, "Bellows movements"). Angles in degrees, lengths in mm. */
final readonly class BellowsMovements
{
    private function __construct(
        /** The bellows of the rig. */
        public int $part,
        /** Where its front plate swings, mm from the sensor. */
        public float $pivotMm,
        public float $swingDeg,
        public float $shiftMm,
        /** Tilt of the sharp plane against the sensor, the way the front is swung. */
        public float $planeTiltDeg,
        /** How far the middle of the field moves, the way the front is shifted; null at infinity. */
        public ?float $fieldMovesMm,
    ) {
    }

    /**
     * Of a rig as it is set: its first bellows that is swung or shifted.
     *
     * @param  ?float  $magnification  of the reading; null = no image
     * @return ?self null = none is, or there is no image to move
     */
    public static function of(Rig $rig, Axis $axis, ?float $magnification): ?self
    {
        if ($magnification === null) {
            return null;
        }
        foreach ($rig->chain as $i => $part) {
            $swing = $rig->setting->swingDeg[$i] ?? 0.0;
            $shift = $rig->setting->shiftMm[$i] ?? 0.0;
            if (! $part instanceof Bellows || ($swing === 0.0 && $shift === 0.0)) {
                continue;
            }
            $pivot = $axis->frontMm[$i] + $axis->converterMm;
            $moves = null;
            if ($magnification > 0.0) {
                $moves = self::lensShiftMovesFieldMm($shift, $magnification);
                $focal = Beside::combinedFocalLengthMm($axis);
                // Only what swings about a place away from its rear principal plane carries that plane along.
                if ($swing !== 0.0 && $focal !== null) {
                    $moves += self::swingMovesFieldMm($focal / $axis->factor * (1.0 + $magnification / $axis->factor) + $axis->converterMm - $pivot, $swing, $magnification);
                }
            }

            return new self($i, $pivot, $swing, $shift, self::planeTiltToSensorDeg($magnification, $swing), $moves);
        }

        return null;
    }

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
