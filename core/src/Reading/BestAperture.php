<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Rig\Rig;

/**
 * At which marked stop one picture is sharpest all through a deep subject, and at which a stack is (OPTICS.md, "Depth":
 * blur at the edge, best single-shot aperture, stacking aperture).
 */
final readonly class BestAperture
{
    private function __construct(
        /** Marked stop with the least blur at the edge of the subject. */
        public float $single,
        /** That blur at the sensor, mm. */
        public float $singleBlurMm,
        /** Narrowest marked stop at which diffraction still is within the blur limit. */
        public float $stacking,
        /** The stack at that stop; null when its slice has no depth to step by. */
        public ?Stack $stack,
    ) {
    }

    /**
     * @param  float  $depthMm  depth of the subject with its sag, above 0
     * @param  ?float  $sharpest  the lens's own sharpest stop from a trial; null = two stops from wide open
     * @param  ?float  $pitchMm  rail, mm per turn
     */
    public static function of(Rig $rig, float $depthMm, ?float $sharpest = null, ?float $pitchMm = null, float $secondsPerFrame = 4.0): ?self
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
        $narrowest = $sharpest ?? $stops[0] * 2.0;
        foreach ($stops as $n => $stop) {
            $blur = self::edgeBlurSquared($depthMm, $magnification, $effective[$n], $lambdaMm, $pixel);
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
        ));
    }

    /**
     * Blur at the edge of a subject of depth Z focused in its middle, mm at the sensor: geometric `(Z/2) M^2 / Neff`,
     * diffraction `2.44 lambda Neff` and pixel pitch, in quadrature.
     */
    public static function edgeBlurMm(float $depthMm, float $magnification, float $effective, float $lambdaMm, ?float $pitchMm): float
    {
        return sqrt(self::edgeBlurSquared($depthMm, $magnification, $effective, $lambdaMm, $pitchMm ?? 0.0));
    }

    /** Its square, which is enough to tell which is less: it is asked for every stop of every row. */
    private static function edgeBlurSquared(float $depthMm, float $magnification, float $effective, float $lambdaMm, float $pitchMm): float
    {
        $geometric = $depthMm / 2.0 * $magnification * $magnification / $effective;
        $diffraction = 2.44 * $lambdaMm * $effective;

        return $geometric * $geometric + $diffraction * $diffraction + $pitchMm * $pitchMm;
    }

    /** Where that blur is least if stops were continuous: `Neff = M sqrt(Z / (4.88 lambda))`. */
    public static function continuousEffective(float $depthMm, float $magnification, float $lambdaMm): float
    {
        return $magnification * sqrt($depthMm / (4.88 * $lambdaMm));
    }
}
