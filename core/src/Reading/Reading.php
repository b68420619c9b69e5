<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Trace\Image;
use ZincThimble\Core\Trace\OpeningKind;

/**
 * What a rig does as it is set (rig file, version 1, "What a reading returns"). mm unless named otherwise; null =
 * infinite or not defined. The names are those of the file.
 */
final readonly class Reading
{
    public function __construct(
        public Image $image,
        /** Image size / subject size; 0 at infinity. */
        public ?float $magnification,
        public ?float $fieldWidthMm,
        public ?float $fieldHeightMm,
        /** Front-most metal to the subject; negative: focus falls inside. */
        public ?float $workingDistanceMm,
        /** Sensor to the subject. */
        public ?float $subjectDistanceMm,
        public ?float $effectiveAperture,
        public ?float $stopsLost,
        /** Near and far limit together, always geometric. */
        public ?float $depthOfFieldMm,
        public ?float $nearMm,
        public ?float $farMm,
        public ?float $waveDepthMm,
        /** Diameter of the diffraction spot at the sensor. */
        public ?float $airyDiameterMm,
        /** Smallest detail in the subject (Rayleigh). */
        public ?float $detailMm,
        /** Entrance pupil to the subject plane; null when telecentric. */
        public ?float $entrancePupilMm,
        /** How far the first lens stands beyond its own register; null when it is reversed. */
        public ?float $extensionMm,
        /** Highest angle over the subject plane from which light still gets past the rig, degrees. */
        public ?float $lightGapDeg,
        /** Brightness of the corner, 0 to 1, as far as openings cut it. */
        public ?float $cornerBrightness,
        /** The part whose opening cuts the corner most; null = none, -1 = the camera. */
        public ?int $cornerPart,
        /** What the lens covers here. */
        public ?float $imageCircleMm,
        /** Marked f-number of the working lens, converted where the camera shows the effective one. */
        public ?float $markedAperture,
        /** What limits the light, and the part it belongs to; null = nothing known does. */
        public ?OpeningKind $stop,
        public ?int $stopPart,
        /** Whether the picture is relayed and erect. */
        public bool $erect,
        public ?float $momentAtMountNm,
        public ?float $momentAtFootNm,
    ) {
    }
}
