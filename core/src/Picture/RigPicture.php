<?php

declare(strict_types=1);

namespace ZincThimble\Core\Picture;

use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\Rig;

/**
 * What the picture of a rig looks like as it is set: scale and disc before and behind the plane of focus, the blur everywhere, the
 * finest lines that are told apart (OPTICS.md, "What a picture looks like").
 */
final readonly class RigPicture
{
    /** A layer is no thicker than this share of the slice. */
    private const OF_THE_SLICE = 0.25;

    private const MOST_LAYERS = 64;

    /** Standard deviation of the diffraction spot over lambda Neff, and of a pixel over its pitch. */
    private const SPOT = 0.42;

    private const PIXEL = 0.29;

    private function __construct(
        /** In the plane of focus. */
        public float $magnification,
        public float $effectiveAperture,
        /** Entrance pupil to the plane of focus, mm; null = telecentric. */
        private ?float $pupilMm,
        private float $medium,
        private float $lambdaMm,
        /** Of a pixel, mm; null = not known. */
        private ?float $pitchMm,
        /** Near and far limit together, mm; null = to infinity. */
        private ?float $sliceMm,
        /** Standard deviation of the blur that is everywhere, mm at the sensor. */
        public float $gaussianMm,
    ) {
    }

    /** @return ?self null = nothing is imaged at a distance, or the light isn't known */
    public static function of(Rig $rig): ?self
    {
        $axis = Axis::of($rig);
        $reading = Reading::along($rig, $axis, false);

        return self::told($rig, $axis->medium, $reading->magnification, $reading->effectiveAperture, $reading->entrancePupilMm, $reading->depthOfFieldMm);
    }

    /**
     * Of readings that are known already: the rows of a sweep.
     *
     * @param  float  $medium  refractive index before the rig
     * @param  ?float  $pupilMm  entrance pupil to the plane of focus; null = telecentric
     * @param  ?float  $sliceMm  near and far limit together; null = to infinity
     * @return ?self null = nothing is imaged at a distance, or the light isn't known
     */
    public static function told(Rig $rig, float $medium, ?float $magnification, ?float $effectiveAperture, ?float $pupilMm, ?float $sliceMm): ?self
    {
        if ($magnification === null || $magnification <= 0.0 || $effectiveAperture === null) {
            return null;
        }
        $lambda = $rig->conditions->wavelengthNm * 1e-6;
        $pitch = $rig->frame->pitchMm();

        return new self($magnification, $effectiveAperture, $pupilMm, $medium, $lambda, $pitch, $sliceMm, hypot(self::SPOT * $lambda * $effectiveAperture, self::PIXEL * ($pitch ?? 0.0)));
    }

    /** Things that far beyond the plane of focus, mm; below 0 = nearer than it. */
    public function at(float $mm): Layer
    {
        // Behind water distances are n times the reduced ones.
        $d = $mm / $this->medium;
        $to = $this->magnification / (2.0 * $this->effectiveAperture);
        if ($this->pupilMm === null) {
            return new Layer($mm, $this->magnification, 2.0 * $this->magnification * $to * abs($d));
        }
        $s = $this->pupilMm / $this->medium;
        $from = $s + $d;
        if (abs($from) < 1e-9 * abs($s)) {
            return new Layer($mm, INF, INF);
        }

        return new Layer($mm, $this->magnification * $s / $from, 2.0 * $this->magnification * $to * abs($s) * abs($d) / abs($from));
    }

    /**
     * Layers through everything from one distance to another, the furthest first: each no thicker than a quarter of the slice, and not more
     * than 64.
     *
     * @return list<Layer> at least one
     */
    public function through(float $fromMm, float $toMm): array
    {
        $thick = $this->sliceMm === null || $this->sliceMm <= 0.0 ? INF : $this->sliceMm * self::OF_THE_SLICE;
        $count = (int) max(1.0, min((float) self::MOST_LAYERS, ceil(abs($toMm - $fromMm) / $thick - 1e-9)));
        $near = min($fromMm, $toMm);
        $each = abs($toMm - $fromMm) / $count;
        $layers = [];
        for ($k = $count - 1; $k >= 0; $k--) {
            $layers[] = $this->at($near + ($k + 0.5) * $each);
        }

        return $layers;
    }

    /**
     * Period of the finest lines that are told apart, mm in the subject: where what diffraction, pixels and the disc pass on together falls
     * to a tenth, and never under two pixels.
     *
     * @param  float  $atMm  beyond the plane of focus
     */
    public function resolvedDetailMm(float $atMm = 0.0): float
    {
        $layer = $this->at($atMm);
        if (! is_finite($layer->discMm)) {
            return INF;
        }
        $finest = Transfer::firstAt(0.1, $this->lambdaMm * $this->effectiveAperture, $this->pitchMm, $layer->discMm);

        return max(1.0 / $finest, 2.0 * ($this->pitchMm ?? 0.0)) / $layer->magnification;
    }
}
