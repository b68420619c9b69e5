<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

use ZincThimble\Core\Gear\InvalidFigure;

/**
 * One picture of a ruler through a lens with its ring at infinity (OPTICS.md, "Calibration"): how long a piece of the ruler
 * came out on the sensor, and how far from the sensor the lens stood.
 */
final readonly class RulerShot
{
    private function __construct(
        /** Sensor to the rear of the lens as mounted, mm: camera register + all that stands between. */
        public float $z0,
        public float $magnification,
        /** Half-width of the magnification. */
        public float $halfWidth,
        /** Front-most metal to the ruler, mm; null = not measured. */
        public ?float $workingDistanceMm,
        /** Half-width of that, mm. */
        public float $workingDistanceHalfMm,
    ) {
    }

    /**
     * @param  float  $registerMm  of the camera
     * @param  float  $spacersMm  everything between camera and lens, mm, 0 to 3,000
     * @param  float  $onSensorMm  length of the piece on the sensor, mm (pixels x pixel pitch), above 0
     * @param  float  $onSensorHalfMm  how far that may be off, mm: two pixels, say
     * @param  float  $rulerMm  the piece of the ruler, mm, above 0
     * @param  float  $rulerHalfMm  how far that may be off, mm
     *
     * @throws InvalidFigure names the measure
     */
    public static function of(
        float $registerMm,
        float $spacersMm,
        float $onSensorMm,
        float $onSensorHalfMm,
        float $rulerMm,
        float $rulerHalfMm = 0.05,
        ?float $workingDistanceMm = null,
        float $workingDistanceHalfMm = 0.5,
    ): self {
        foreach (['onSensorMm' => $onSensorMm, 'rulerMm' => $rulerMm] as $field => $value) {
            if (! is_finite($value) || $value <= 0.0 || $value > 3000.0) {
                throw InvalidFigure::because($field, 'should be above 0 and at most 3,000 mm');
            }
        }
        if (! is_finite($spacersMm) || $spacersMm < 0.0 || $spacersMm > 3000.0) {
            throw InvalidFigure::because('spacersMm', 'should be from 0 to 3,000 mm');
        }
        if ($onSensorHalfMm >= $onSensorMm || $rulerHalfMm >= $rulerMm) {
            throw InvalidFigure::because('rulerMm', 'is no longer than what it may be off; use a longer piece of the ruler');
        }
        $magnification = $onSensorMm / $rulerMm;

        return new self(
            $registerMm + $spacersMm,
            $magnification,
            $magnification * hypot($onSensorHalfMm / $onSensorMm, $rulerHalfMm / $rulerMm),
            $workingDistanceMm,
            $workingDistanceHalfMm,
        );
    }
}
