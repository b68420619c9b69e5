<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Gear\Outline;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Trace\Axis;
use ZincThimble\Core\Trace\Image;
use ZincThimble\Core\Trace\OpeningKind;
use ZincThimble\Core\Trace\Rays;

/**
 * Reads a rig as it is set: lays it out, traces two rays, and tells every reading from them. One way for every kind of
 * rig.
 */
final class Reader
{
    /** The readings of a rig as it is set (OPTICS.md, "The rig"). */
    public static function read(Rig $rig): Reading
    {
        $axis = Axis::of($rig);

        return self::readAxis($rig, $axis, Rays::through($axis));
    }

    /** The readings of an axis already traced. */
    public static function readAxis(Rig $rig, Axis $axis, Rays $rays): Reading
    {
        $mount = Balance::aboutMount($rig, $axis);
        $foot = Balance::aboutFoot($rig, $axis);
        if ($axis->unmodelled) {
            return self::blank($mount, $foot);
        }
        $y = $rays->y;
        $t = $rays->t;
        $image = Image::of($y, $t);
        $factor = $axis->factor;
        $traced = $image === Image::Real ? abs($t) : ($image === Image::AtInfinity ? 0.0 : null);
        $magnification = $traced === null ? null : $traced * $factor;

        // Effective aperture: the greatest number of all openings (OPTICS.md, "Effective aperture").
        $openR = $axis->openR;
        $axialAt = $rays->axialAt;
        $neff = -1.0;
        $stopAt = -1;
        foreach ($openR as $j => $radius) {
            $number = abs($axialAt[$j]) / (2.0 * $radius);
            if ($number > $neff) {
                $neff = $number;
                $stopAt = $j;
            }
        }
        $telecentric = false;
        if ($axis->na !== null && $traced !== null && $traced / (2.0 * $axis->na) > $neff) {
            $neff = $traced / (2.0 * $axis->na);
            $telecentric = true;
        }
        $stop = $telecentric ? OpeningKind::NumericalAperture : ($stopAt >= 0 ? $axis->openKind[$stopAt] : null);
        $stopPart = $telecentric ? $axis->naPart : ($stopAt >= 0 ? $axis->openPart[$stopAt] : null);
        $effective = $neff > 0.0 ? $neff * $factor : null;
        $marked = $axis->marked;

        // Chief ray: field ray + x axial ray, through the centre of the stop (OPTICS.md, "Chief ray").
        $x = null;
        if ($telecentric) {
            $x = -$rays->fieldT / $t;
        } elseif ($stopAt >= 0 && $axialAt[$stopAt] !== 0.0) {
            $x = -$rays->fieldAt[$stopAt] / $axialAt[$stopAt];
        }

        $subject = null;
        $working = null;
        $sensorDistance = null;
        $pupil = null;
        $fieldWidth = null;
        $fieldHeight = null;
        $gap = null;
        if ($image === Image::Real && $magnification !== null) {
            $subject = $rays->zLast - $y / $t;
            $working = $axis->medium * ($subject - $axis->frontOptical);
            $sensorDistance = $axis->front + $working + $axis->converterMm;
            $fieldWidth = $rig->frame->widthMm / $magnification;
            $fieldHeight = $rig->frame->heightMm / $magnification;
            $gap = self::lightGap($rig, $working);
            if ($x !== null && ! $telecentric) {
                $chiefT = $rays->fieldT + $x * $t;
                if (abs($chiefT) > 1e-14 * (1.0 + abs($x * $t))) {
                    $pupil = $axis->medium * ($subject - $rays->zLast + ($rays->fieldY + $x * $y) / $chiefT);
                }
            }
        } elseif ($image === Image::AtInfinity) {
            $gap = 90.0;
        }

        $near = $far = $wave = $detail = $airy = null;
        if ($effective !== null) {
            $lambda = $rig->conditions->wavelengthNm * 1e-6;
            $airy = 2.44 * $lambda * $effective;
            if ($working !== null) {
                [$near, $far] = Depth::nearAndFar($magnification, $effective, $rig->blurLimitMm, $pupil, $axis->medium);
                $wave = Depth::wave($magnification, $effective, $lambda, $axis->medium);
                $detail = 1.22 * $lambda * $effective / $magnification;
            }
        }

        $brightness = null;
        $darkest = null;
        if ($x !== null && $effective !== null) {
            [$brightness, $darkest] = Vignetting::darkest($rig, $axis, $rays, $x, $neff, $telecentric ? -1 : $stopAt);
        }

        return new Reading(
            $image,
            $magnification,
            $fieldWidth,
            $fieldHeight,
            $working,
            $sensorDistance,
            $effective,
            $effective !== null && $marked !== null ? 2.0 * log($effective / $marked, 2.0) : null,
            $near === null || $far === null ? null : $near + $far,
            $near,
            $far,
            $wave,
            $airy,
            $detail,
            $pupil,
            $axis->extensionMm,
            $gap,
            $brightness,
            $darkest,
            $axis->imageCircleMm,
            $marked,
            $stop,
            $stopPart,
            $image === Image::Real && $t > 0.0,
            $mount,
            $foot,
        );
    }

    /** Light gap angle, degrees: `atan(WD / (front outer diameter / 2))` (OPTICS.md, "Light"); null with focus inside. */
    private static function lightGap(Rig $rig, float $working): ?float
    {
        $last = count($rig->chain) - 1;
        if ($working < 0.0 || $last < 0) {
            return null;
        }

        return atan2($working, Outline::frontMm($rig->chain[$last]) / 2.0) * 180.0 / M_PI;
    }

    /** Nothing optical can be told. */
    private static function blank(?float $mount, ?float $foot): Reading
    {
        return new Reading(
            Image::None, null, null, null, null, null, null, null, null, null, null, null, null, null, null, null,
            null, null, null, null, null, null, null, false, $mount, $foot,
        );
    }
}
