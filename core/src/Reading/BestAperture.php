<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\TravelKind;

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
        $numbers = $at === null || $stops === [] ? null : self::effectives($rig, $at, $stops);
        if ($numbers === null) {
            return null;
        }
        [$magnification, $effective] = $numbers;
        $lambdaMm = $rig->conditions->wavelengthNm * 1e-6;
        $best = $stacking = $stops[0];
        $bestBlur = INF;
        $narrowest = $sharpest ?? $stops[0] * 2.0;
        foreach ($stops as $n => $stop) {
            $blur = self::edgeBlurMm($depthMm, $magnification, $effective[$n], $lambdaMm, $rig->frame->pitchMm());
            if ($blur < $bestBlur) {
                $best = $stop;
                $bestBlur = $blur;
            }
            if ($stop <= $narrowest * (1.0 + 1e-9) && 2.44 * $lambdaMm * $effective[$n] <= $rig->blurLimitMm) {
                $stacking = $stop;
            }
        }
        $reading = Reading::of($rig->with(TravelKind::Aperture, $at, $stacking));
        $slice = Stack::depths(ReadingTable::ofOne($reading), $rig->conditions->totalDepth)[0];

        return new self($best, $bestBlur, $stacking, $slice === null || $slice <= 0.0 ? null : Stack::through(
            $depthMm, $slice, Stack::OVERLAP, $reading->entrancePupilMm, $pitchMm, $secondsPerFrame,
        ));
    }

    /**
     * Magnification, and the effective aperture at each marked stop: that of the working diaphragm, which goes with its marked number, or
     * of whatever else limits the light, whichever is greater. Two readings at the most tell both.
     *
     * @param  non-empty-list<float>  $stops  widest first
     * @return array{float, list<float>}|null null = nothing is imaged
     */
    public static function effectives(Rig $rig, int $at, array $stops): ?array
    {
        $wide = Reading::of($rig->with(TravelKind::Aperture, $at, $stops[0]));
        if ($wide->magnification === null || $wide->magnification <= 0.0 || $wide->effectiveAperture === null) {
            return null;
        }
        $else = 0.0;
        $perStop = 0.0;
        if ($wide->stopPart === $at) {
            $perStop = $wide->effectiveAperture / $stops[0];
        } else {
            $else = $wide->effectiveAperture;
            $last = $stops[count($stops) - 1];
            $narrow = Reading::of($rig->with(TravelKind::Aperture, $at, $last));
            if ($narrow->stopPart === $at && $narrow->effectiveAperture !== null) {
                $perStop = $narrow->effectiveAperture / $last;
            }
        }

        return [$wide->magnification, array_map(static fn (float $stop): float => max($else, $perStop * $stop), $stops)];
    }

    /**
     * Blur at the edge of a subject of depth Z focused in its middle, mm at the sensor: geometric `(Z/2) M^2 / Neff`,
     * diffraction `2.44 lambda Neff` and pixel pitch, in quadrature.
     */
    public static function edgeBlurMm(float $depthMm, float $magnification, float $effective, float $lambdaMm, ?float $pitchMm): float
    {
        $geometric = $depthMm / 2.0 * $magnification * $magnification / $effective;
        $diffraction = 2.44 * $lambdaMm * $effective;

        return sqrt($geometric * $geometric + $diffraction * $diffraction + ($pitchMm ?? 0.0) ** 2);
    }

    /** Where that blur is least if stops were continuous: `Neff = M sqrt(Z / (4.88 lambda))`. */
    public static function continuousEffective(float $depthMm, float $magnification, float $lambdaMm): float
    {
        return $magnification * sqrt($depthMm / (4.88 * $lambdaMm));
    }
}
