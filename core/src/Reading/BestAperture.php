<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Rig\LensSharpness;
use ZincThimble\Core\Rig\Rig;

/**
 * At which marked stop one picture is sharpest all through a deep subject, and at which a stack is (OPTICS.md, "Depth":
 * blur at the edge, best single-shot aperture, stacking aperture).
 */
final readonly class BestAperture
{
    /** Diameter of a disc over its standard deviation in one direction. */
    private const SPREADS = 4.0;

    private function __construct(
        /** Marked stop with the least blur at the edge of the subject. */
        public float $single,
        /** That blur at the sensor, mm. */
        public float $singleBlurMm,
        /** Narrowest marked stop at which diffraction still is within the blur limit. */
        public float $stacking,
        /** The stack at that stop; null when its slice has no depth to step by. */
        public ?Stack $stack,
        /** The trial that tells how sharp the lens is here; null = there is none, and two stops from wide open stands for its sharpest. */
        public ?LensSharpness $tried = null,
    ) {
    }

    /**
     * @param  float  $depthMm  depth of the subject with its sag, above 0
     * @param  ?float  $pitchMm  rail, mm per turn
     */
    public static function of(Rig $rig, float $depthMm, ?float $pitchMm = null, float $secondsPerFrame = 4.0): ?self
    {
        $at = $rig->workingLens();
        $stops = $at === null ? [] : $rig->stopsAt($at);
        $numbers = $at === null || $stops === [] ? null : StopNumbers::of($rig, $at, $stops);
        if ($numbers === null) {
            return null;
        }
        $magnification = $numbers->magnification;
        $effective = $numbers->effective;
        $pixel = $rig->frame->pitchMm() ?? 0.0;
        $lambdaMm = $rig->conditions->wavelengthNm * 1e-6;
        $best = $stops[0];
        $stacking = 0;
        $bestBlur = INF;
        $tried = LensSharpness::of($rig, $magnification);
        $narrowest = $tried?->sharpest() ?? $stops[0] * 2.0;
        foreach ($stops as $n => $stop) {
            $blur = self::edgeBlurSquared($depthMm, $magnification, $effective[$n], $lambdaMm, $pixel, $tried?->blurMm($stop) ?? 0.0);
            if ($blur < $bestBlur) {
                $best = $stop;
                $bestBlur = $blur;
            }
            if ($stop <= $narrowest * (1.0 + 1e-9) && 2.44 * $lambdaMm * $effective[$n] <= $rig->blurLimitMm) {
                $stacking = $n;
            }
        }
        ['sliceMm' => $slice, 'pupilMm' => $pupil] = $numbers->at($stacking);

        return new self($best, sqrt($bestBlur), $stops[$stacking], $slice === null || $slice <= 0.0 ? null : Stack::through(
            $depthMm, $slice, Stack::OVERLAP, $pupil, $pitchMm, $secondsPerFrame,
        ), $tried);
    }

    /**
     * Blur at the edge of a subject of depth Z focused in its middle, mm at the sensor: geometric `(Z/2) M^2 / Neff`,
     * diffraction `2.44 lambda Neff` and pixel pitch, in quadrature; and what a trial says that the lens blurs of its own, as the disc that
     * spreads as much (four standard deviations).
     */
    public static function edgeBlurMm(float $depthMm, float $magnification, float $effective, float $lambdaMm, ?float $pitchMm, float $lensMm = 0.0): float
    {
        return sqrt(self::edgeBlurSquared($depthMm, $magnification, $effective, $lambdaMm, $pitchMm ?? 0.0, $lensMm));
    }

    /** That blur of a rig as it is set; null = nothing is imaged. */
    public static function edgeBlurOf(Rig $rig, Reading $reading, float $depthMm): ?float
    {
        if ($reading->magnification === null || $reading->magnification <= 0.0 || $reading->effectiveAperture === null) {
            return null;
        }
        $lens = LensSharpness::of($rig, $reading->magnification)?->blurMm($reading->markedAperture) ?? 0.0;

        return self::edgeBlurMm($depthMm, $reading->magnification, $reading->effectiveAperture, $rig->conditions->wavelengthNm * 1e-6, $rig->frame->pitchMm(), $lens);
    }

    /** Its square, which is enough to tell which is less: it is asked for every stop of every row. */
    private static function edgeBlurSquared(float $depthMm, float $magnification, float $effective, float $lambdaMm, float $pitchMm, float $lensMm): float
    {
        $geometric = $depthMm / 2.0 * $magnification * $magnification / $effective;
        $diffraction = 2.44 * $lambdaMm * $effective;

        return $geometric * $geometric + $diffraction * $diffraction + $pitchMm * $pitchMm + self::SPREADS * self::SPREADS * $lensMm * $lensMm;
    }

    /** Where that blur is least if stops were continuous: `Neff = M sqrt(Z / (4.88 lambda))`. */
    public static function continuousEffective(float $depthMm, float $magnification, float $lambdaMm): float
    {
        return $magnification * sqrt($depthMm / (4.88 * $lambdaMm));
    }
}
