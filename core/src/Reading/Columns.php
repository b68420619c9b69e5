<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Optics\Image;

/**
 * Readings of one rig at many places of one control, a column each: what a sweep holds, and what findings are made from.
 * One reading is a table of one row.
 */
final class Columns
{
    /**
     * @param  list<Image>  $image
     * @param  list<?float>  $magnification
     * @param  list<?float>  $workingDistanceMm
     * @param  list<?float>  $subjectDistanceMm
     * @param  list<?float>  $effectiveAperture
     * @param  list<?float>  $stopsLost
     * @param  list<?float>  $depthOfFieldMm  near and far together
     * @param  list<?float>  $nearMm
     * @param  list<?float>  $farMm
     * @param  list<?float>  $waveDepthMm
     * @param  list<?float>  $airyDiameterMm
     * @param  list<?float>  $detailMm
     * @param  list<?float>  $entrancePupilMm
     * @param  list<?float>  $lightGapDeg
     * @param  list<?float>  $cornerBrightness
     * @param  list<?int>  $cornerPart
     * @param  list<?float>  $momentAtMountNm
     * @param  list<?int>  $stopPart
     */
    public function __construct(
        public readonly int $rows,
        public readonly array $image,
        public readonly array $magnification,
        public readonly array $workingDistanceMm,
        public readonly array $subjectDistanceMm,
        public readonly array $effectiveAperture,
        public readonly array $stopsLost,
        public readonly array $depthOfFieldMm,
        public readonly array $nearMm,
        public readonly array $farMm,
        public readonly array $waveDepthMm,
        public readonly array $airyDiameterMm,
        public readonly array $detailMm,
        public readonly array $entrancePupilMm,
        public readonly array $lightGapDeg,
        public readonly array $cornerBrightness,
        public readonly array $cornerPart,
        public readonly array $momentAtMountNm,
        public readonly array $stopPart,
    ) {
    }

    /** A table of one row. */
    public static function ofOne(Reading $reading): self
    {
        return self::ofMany([$reading]);
    }

    /** @param  list<Reading>  $readings */
    public static function ofMany(array $readings): self
    {
        return new self(
            rows: count($readings),
            image: array_column($readings, 'image'),
            magnification: array_column($readings, 'magnification'),
            workingDistanceMm: array_column($readings, 'workingDistanceMm'),
            subjectDistanceMm: array_column($readings, 'subjectDistanceMm'),
            effectiveAperture: array_column($readings, 'effectiveAperture'),
            stopsLost: array_column($readings, 'stopsLost'),
            depthOfFieldMm: array_column($readings, 'depthOfFieldMm'),
            nearMm: array_column($readings, 'nearMm'),
            farMm: array_column($readings, 'farMm'),
            waveDepthMm: array_column($readings, 'waveDepthMm'),
            airyDiameterMm: array_column($readings, 'airyDiameterMm'),
            detailMm: array_column($readings, 'detailMm'),
            entrancePupilMm: array_column($readings, 'entrancePupilMm'),
            lightGapDeg: array_column($readings, 'lightGapDeg'),
            cornerBrightness: array_column($readings, 'cornerBrightness'),
            cornerPart: array_column($readings, 'cornerPart'),
            momentAtMountNm: array_column($readings, 'momentAtMountNm'),
            stopPart: array_column($readings, 'stopPart'),
        );
    }
}
