<?php

declare(strict_types=1);

namespace ZincThimble\Core\Picture;

use ZincThimble\Core\Gear\LensTrial;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\LensSharpness;
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
        /** What the lens blurs of its own by its trial: a part of it; 0 = nothing is known of it. */
        public float $lensMm,
    ) {
    }

    /** @return ?self null = nothing is imaged at a distance, or the light isn't known */
    public static function of(Rig $rig): ?self
    {
        $axis = Axis::of($rig);
        $reading = Reading::along($rig, $axis, false);

        return self::told($rig, $axis->medium, $reading->magnification, $reading->effectiveAperture, $reading->entrancePupilMm, $reading->depthOfFieldMm, $reading->markedAperture);
    }

    /**
     * Of readings that are known already: the rows of a sweep.
     *
     * @param  float  $medium  refractive index before the rig
     * @param  ?float  $pupilMm  entrance pupil to the plane of focus; null = telecentric
     * @param  ?float  $sliceMm  near and far limit together; null = to infinity
     * @param  ?float  $marked  number at which the working lens stands; null = not known
     * @return ?self null = nothing is imaged at a distance, or the light isn't known
     */
    public static function told(Rig $rig, float $medium, ?float $magnification, ?float $effectiveAperture, ?float $pupilMm, ?float $sliceMm, ?float $marked): ?self
    {
        if ($magnification === null || $magnification <= 0.0 || $effectiveAperture === null) {
            return null;
        }
        $lambda = $rig->conditions->wavelengthNm * 1e-6;
        $pitch = $rig->frame->pitchMm();

        $lens = LensSharpness::of($rig, $magnification)?->blurMm($marked) ?? 0.0;

        return new self(
            magnification: $magnification, effectiveAperture: $effectiveAperture, pupilMm: $pupilMm, medium: $medium, lambdaMm: $lambda, pitchMm: $pitch, sliceMm: $sliceMm,
            gaussianMm: sqrt((LensTrial::SPOT * $lambda * $effectiveAperture) ** 2 + (LensTrial::PIXEL * ($pitch ?? 0.0)) ** 2 + $lens ** 2), lensMm: $lens,
        );
    }

    /** The same with another blur of the lens's own, mm at the sensor: what it truly is, not what a trial says. */
    public function withLensBlur(float $mm): self
    {
        return new self(
            magnification: $this->magnification, effectiveAperture: $this->effectiveAperture, pupilMm: $this->pupilMm, medium: $this->medium, lambdaMm: $this->lambdaMm, pitchMm: $this->pitchMm,
            sliceMm: $this->sliceMm, gaussianMm: sqrt(max(0.0, $this->gaussianMm ** 2 - $this->lensMm ** 2) + $mm ** 2), lensMm: $mm,
        );
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
     * Period of the finest lines that are told apart, mm in the subject: where what diffraction, pixels, lens and disc pass on together falls
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
        $finest = Transfer::firstAt(0.1, $this->lambdaMm * $this->effectiveAperture, $this->pitchMm, $layer->discMm, $this->lensMm);

        return max(1.0 / $finest, 2.0 * ($this->pitchMm ?? 0.0)) / $layer->magnification;
    }
}
