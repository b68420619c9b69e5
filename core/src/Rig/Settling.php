<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

use ZincThimble\Core\Gear\Focusing;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\LensFigures;

/**
 * Brings the catalogue figures of a lens into agreement before anything is traced (OPTICS.md, "Settling a lens").
 */
final class Settling
{
    /** Half-width of a nominal focal length, as a share of it. */
    public const FOCAL_LENGTH = 0.03;

    /** Half-width of a closest focus, as a share of it. */
    public const CLOSEST_FOCUS = 0.01;

    /** Half-width of a greatest magnification, as a share of it. */
    public const GREATEST_MAGNIFICATION = 0.03;

    /** Half-width of a length from flange to rim, mm. */
    public const RIM_MM = 1.0;

    /** What an internally focusing lens gains in principal gap at its closest, over f m0, and the half-width of that. */
    private const CLOSE_GAP = 0.4;

    private const CLOSE_GAP_HALF_WIDTH = 0.3;

    /** Half-width of the effective aperture of an internally focusing lens at m = 1, as a share. */
    public const CLOSE_APERTURE = 0.15;

    /** Focal lengths at the closest, over the one at infinity, that an internally focusing lens can believably have. */
    private const BELIEVABLE = [0.4, 1.1];

    /**
     * @param  ?float  $zoomMm  where a zoom is set
     * @param  ?LensFigures  $figures  figures to settle instead of the lens's own
     * @param  ?Focusing  $taken  the kind of focusing, where that is decided already
     *
     * @throws InvalidFigure names `minFocusMm` when no focal length at the closest fits
     */
    public static function settle(Lens $lens, ?float $zoomMm, ?LensFigures $figures = null, ?Perturbation $perturbation = null, ?Focusing $taken = null): SettledLens
    {
        $figures ??= $lens->figuresAt($zoomMm);
        $perturbation ??= Perturbation::none();
        $aperturePerturbation = $perturbation->aperture * self::CLOSE_APERTURE;
        $f = $figures->focalLengthMm;
        $d = $figures->minFocusMm;
        $m0 = $figures->maxMagnification;
        $gapGiven = $figures->principalGapMm !== null;
        $g = $figures->principalGapMm ?? ($lens->design->gapRatio() + $perturbation->family * $lens->design->gapRatioHalfWidth()) * $f;
        $p = $figures->pupilRatio ?? $lens->design->pupilRatio() + $perturbation->family * $lens->design->pupilRatioHalfWidth();

        if ($d === null || $m0 === null || $m0 <= 0.0 || $lens->focusing === Focusing::Fixed) {
            return self::make($lens, $figures, $aperturePerturbation, $f, $f, $g, $g, 0.0, $p, [Focusing::Fixed, null, null, false, false]);
        }

        // The ring's own law at the closest: D = A f + g, with A = 2 + m0 + 1/m0.
        $bigA = 2.0 + $m0 + 1.0 / $m0;
        $r = $d - ($bigA * $f + $g);
        $sf = $lens->measured['focalLengthMm'] ?? self::FOCAL_LENGTH * $f;
        $sg = $gapGiven ? 0.0 : $lens->design->gapRatioHalfWidth() * $f;
        $variance = $bigA * $sf * $bigA * $sf + $sg * $sg;
        $tolerance = 2.0 * sqrt($variance);

        // A variant of a lens keeps the kind of focusing that was decided for the lens itself.
        $focusing = $taken ?? $lens->focusing;
        $decided = $focusing === Focusing::Unknown;
        if ($decided) {
            $focusing = abs($r) <= $tolerance ? Focusing::Unit : Focusing::Internal;
        }
        if ($focusing === Focusing::Unit) {
            if (! $gapGiven && $variance > 0.0) {
                $f += $bigA * $sf * $sf * $r / $variance;
                $g += $sg * $sg * $r / $variance;
            }
            if ($f <= 0.0) {
                throw InvalidFigure::because('minFocusMm', 'is too short for this focal length and magnification');
            }

            return self::make($lens, $figures, $aperturePerturbation, $f, $f, $g, $g, $m0, $p, [$focusing, $r, $tolerance, abs($r) > $tolerance, $decided]);
        }

        $g1 = $figures->closePrincipalGapMm ?? $g + (self::CLOSE_GAP + $perturbation->closeGap * self::CLOSE_GAP_HALF_WIDTH) * $f * $m0;
        $f1 = $figures->closeFocalLengthMm ?? ($d - $g1) / $bigA;
        if ($f1 <= 0.0) {
            throw InvalidFigure::because('minFocusMm', 'is shorter than the lens itself at this magnification');
        }
        $disagrees = $f1 < self::BELIEVABLE[0] * $f || $f1 > self::BELIEVABLE[1] * $f;

        return self::make($lens, $figures, $aperturePerturbation, $f, $f1, $g, $g1, $m0, $p, [$focusing, $r, $tolerance, $disagrees, $decided]);
    }

    /** @param  array{Focusing, ?float, ?float, bool, bool}  $verdict focusing, disagreement, tolerance, disagrees, decided */
    private static function make(
        Lens $lens,
        LensFigures $figures,
        float $aperturePerturbation,
        float $f0,
        float $f1,
        float $g0,
        float $g1,
        float $m0,
        float $p,
        array $verdict,
    ): SettledLens {
        $closeLoss = $figures->closeEffectiveAperture !== null && $figures->widest !== null
            ? $figures->closeEffectiveAperture / $figures->widest - 1.0
            : null;

        return new SettledLens(
            f0: $f0,
            f1: $f1,
            g0: $g0,
            g1: $g1,
            register: $figures->registerMm,
            rim: $figures->frontRimMm,
            m0: $m0,
            p0: $p,
            p1: $figures->closePupilRatio,
            closeLoss: $closeLoss,
            focusing: $verdict[0],
            rimTravel: $figures->rimTravelMm,
            protrusion: $figures->rearProtrusionMm,
            frontGlass: $figures->frontGlassMm,
            imageCircle: $figures->imageCircleMm,
            widest: $figures->widest,
            smallest: $figures->smallest,
            showsEffective: $lens->aperture->showsEffective,
            disagreement: $verdict[1],
            tolerance: $verdict[2],
            disagrees: $verdict[3],
            decided: $verdict[4],
            aperturePerturbation: $aperturePerturbation,
        );
    }
}
