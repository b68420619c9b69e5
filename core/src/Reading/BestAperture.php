<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Rig\MarkedStops;
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
        $lens = $at === null ? null : $rig->chain[$at];
        $settled = $at === null ? null : $rig->lenses[$at];
        if ($at === null || ! $lens instanceof Lens || $settled->widest === null || $settled->smallest === null) {
            return null;
        }
        $best = null;
        $bestBlur = INF;
        $stacking = $settled->widest;
        $narrowest = $sharpest ?? $settled->widest * 2.0;
        foreach (MarkedStops::between($settled->widest, $settled->smallest, $lens->aperture->control) as $stop) {
            $reading = Reading::of($rig->with(TravelKind::Aperture, $at, $stop));
            if ($reading->magnification === null || $reading->magnification <= 0.0 || $reading->effectiveAperture === null || $reading->airyDiameterMm === null) {
                return null;
            }
            $blur = self::edgeBlurMm($depthMm, $reading->magnification, $reading->effectiveAperture, $rig->conditions->wavelengthNm * 1e-6, $rig->frame->pitchMm());
            if ($blur < $bestBlur) {
                $best = $stop;
                $bestBlur = $blur;
            }
            if ($stop <= $narrowest * (1.0 + 1e-9) && $reading->airyDiameterMm <= $rig->blurLimitMm) {
                $stacking = $stop;
            }
        }
        if ($best === null) {
            return null;
        }
        $reading = Reading::of($rig->with(TravelKind::Aperture, $at, $stacking));
        $slice = Stack::depths(ReadingTable::ofOne($reading), $rig->conditions->totalDepth)[0];

        return new self($best, $bestBlur, $stacking, $slice === null || $slice <= 0.0 ? null : Stack::through(
            $depthMm, $slice, Stack::OVERLAP, $reading->entrancePupilMm, $pitchMm, $secondsPerFrame,
        ));
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
