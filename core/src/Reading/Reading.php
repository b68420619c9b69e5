<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Outline;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Optics\Image;
use ZincThimble\Core\Optics\OpeningKind;
use ZincThimble\Core\Rig\Rig;

/**
 * What a rig does as it is set (rig file, version 1, "What a reading returns"), told from two rays: one way for every kind of
 * rig. mm unless named otherwise; null = infinite or not defined. The names are those of the file.
 *
 * @immutable once it is made; a constructor of 26 arguments would cost as much as tracing the rig
 */
final class Reading
{
    /** @phpstan-allow-private-mutation */
    public Image $image = Image::None;

    /**
     * Image size / subject size; 0 at infinity.
     *
     * @phpstan-allow-private-mutation
     */
    public ?float $magnification = null;

    /** @phpstan-allow-private-mutation */
    public ?float $fieldWidthMm = null;

    /** @phpstan-allow-private-mutation */
    public ?float $fieldHeightMm = null;

    /**
     * Front-most metal to the subject; negative: focus falls inside.
     *
     * @phpstan-allow-private-mutation
     */
    public ?float $workingDistanceMm = null;

    /**
     * Sensor to the subject.
     *
     * @phpstan-allow-private-mutation
     */
    public ?float $subjectDistanceMm = null;

    /** @phpstan-allow-private-mutation */
    public ?float $effectiveAperture = null;

    /** @phpstan-allow-private-mutation */
    public ?float $stopsLost = null;

    /**
     * Near and far limit together, always geometric.
     *
     * @phpstan-allow-private-mutation
     */
    public ?float $depthOfFieldMm = null;

    /** @phpstan-allow-private-mutation */
    public ?float $nearMm = null;

    /** @phpstan-allow-private-mutation */
    public ?float $farMm = null;

    /** @phpstan-allow-private-mutation */
    public ?float $waveDepthMm = null;

    /**
     * Diameter of the diffraction spot at the sensor.
     *
     * @phpstan-allow-private-mutation
     */
    public ?float $airyDiameterMm = null;

    /**
     * Smallest detail in the subject (Rayleigh).
     *
     * @phpstan-allow-private-mutation
     */
    public ?float $detailMm = null;

    /**
     * Entrance pupil to the subject plane; null when telecentric.
     *
     * @phpstan-allow-private-mutation
     */
    public ?float $entrancePupilMm = null;

    /**
     * How far the first lens stands beyond its own register; null when it is reversed.
     *
     * @phpstan-allow-private-mutation
     */
    public ?float $extensionMm = null;

    /**
     * Highest angle over the subject plane from which light still gets past the rig, degrees.
     *
     * @phpstan-allow-private-mutation
     */
    public ?float $lightGapDeg = null;

    /**
     * Brightness of the corner, 0 to 1, as far as openings cut it.
     *
     * @phpstan-allow-private-mutation
     */
    public ?float $cornerBrightness = null;

    /**
     * The part whose opening cuts the corner most; null = none, -1 = the camera.
     *
     * @phpstan-allow-private-mutation
     */
    public ?int $cornerPart = null;

    /**
     * What the lens covers here.
     *
     * @phpstan-allow-private-mutation
     */
    public ?float $imageCircleMm = null;

    /**
     * Marked f-number of the working lens, converted where the camera shows the effective one.
     *
     * @phpstan-allow-private-mutation
     */
    public ?float $markedAperture = null;

    /**
     * What limits the light, and the part it belongs to; null = nothing known does.
     *
     * @phpstan-allow-private-mutation
     */
    public ?OpeningKind $stop = null;

    /** @phpstan-allow-private-mutation */
    public ?int $stopPart = null;

    /**
     * Whether the picture is relayed and erect.
     *
     * @phpstan-allow-private-mutation
     */
    public bool $erect = false;

    /** @phpstan-allow-private-mutation */
    public ?float $momentAtMountNm = null;

    /** @phpstan-allow-private-mutation */
    public ?float $momentAtFootNm = null;

    private function __construct()
    {
    }

    /** The readings of a rig as it is set (OPTICS.md, "The rig"). */
    public static function of(Rig $rig): self
    {
        return self::along($rig, Axis::of($rig));
    }

    /** The readings of a rig that is laid out already. */
    public static function along(Rig $rig, Axis $axis): self
    {
        $reading = new self;
        $reading->momentAtMountNm = Balance::aboutMount($rig, $axis);
        $reading->momentAtFootNm = Balance::aboutFoot($rig, $axis);
        if ($axis->unmodelled) {
            return $reading;
        }
        $y = $axis->y;
        $t = $axis->t;
        $factor = $axis->factor;
        $image = Image::of($y, $t);
        $traced = $image === Image::Real ? abs($t) : 0.0;
        $reading->image = $image;
        $reading->extensionMm = $axis->extensionMm;
        $reading->imageCircleMm = $axis->imageCircleMm;
        $reading->markedAperture = $axis->marked;
        $reading->erect = $image === Image::Real && $t > 0.0;
        if ($image !== Image::None) {
            $reading->magnification = $traced * $factor;
        }

        // Effective aperture: the greatest number of all openings (OPTICS.md, "Effective aperture").
        $axialAt = $axis->axialAt;
        $neff = -1.0;
        $stop = -1;
        foreach ($axis->openR as $j => $radius) {
            $h = $axialAt[$j];
            $number = ($h < 0.0 ? -$h : $h) / (2.0 * $radius);
            if ($number > $neff) {
                $neff = $number;
                $stop = $j;
            }
        }
        $telecentric = $axis->na !== null && $image !== Image::None && $traced / (2.0 * $axis->na) > $neff;
        // The chief ray: field ray + x axial ray, through the centre of the stop (OPTICS.md, "Chief ray").
        $x = null;
        if ($telecentric) {
            $neff = $traced / (2.0 * $axis->na);
            $stop = -1;
            $reading->stop = OpeningKind::NumericalAperture;
            $reading->stopPart = $axis->naPart;
            $x = -$axis->fieldT / $t;
        } elseif ($stop >= 0) {
            $reading->stop = $axis->openKind[$stop];
            $reading->stopPart = $axis->openPart[$stop];
            if ($axialAt[$stop] !== 0.0) {
                $x = -$axis->fieldAt[$stop] / $axialAt[$stop];
            }
        }
        $isLimited = $neff > 0.0;
        $effective = $neff * $factor;
        $lambda = $rig->conditions->wavelengthNm * 1e-6;
        if ($isLimited) {
            $reading->effectiveAperture = $effective;
            $reading->airyDiameterMm = 2.44 * $lambda * $effective;
            if ($axis->marked !== null) {
                $reading->stopsLost = 2.0 * log($effective / $axis->marked, 2.0);
            }
        }

        if ($image === Image::Real) {
            $magnification = $traced * $factor;
            $subject = $axis->zLast - $y / $t;
            $working = $axis->medium * ($subject - $axis->frontOptical);
            $reading->workingDistanceMm = $working;
            $reading->subjectDistanceMm = $axis->front + $working + $axis->converterMm;
            $reading->fieldWidthMm = $rig->frame->widthMm / $magnification;
            $reading->fieldHeightMm = $rig->frame->heightMm / $magnification;
            $reading->lightGapDeg = self::lightGap($rig, $working);
            $pupil = null;
            if ($x !== null && ! $telecentric) {
                $chiefT = $axis->fieldT + $x * $t;
                if (abs($chiefT) > 1e-14 * (1.0 + abs($x * $t))) {
                    $pupil = $axis->medium * (($axis->fieldY + $x * $y) / $chiefT - $y / $t);
                    $reading->entrancePupilMm = $pupil;
                }
            }
            if ($isLimited) {
                $near = Depth::near($magnification, $effective, $rig->blurLimitMm, $pupil, $axis->medium);
                $far = Depth::far($magnification, $effective, $rig->blurLimitMm, $pupil, $axis->medium);
                $reading->nearMm = $near;
                $reading->farMm = $far;
                if ($near !== null && $far !== null) {
                    $reading->depthOfFieldMm = $near + $far;
                }
                $reading->waveDepthMm = Depth::wave($magnification, $effective, $lambda, $axis->medium);
                $reading->detailMm = 1.22 * $lambda * $effective / $magnification;
            }
        } elseif ($image === Image::AtInfinity) {
            $reading->lightGapDeg = 90.0;
        }

        if ($x !== null && $isLimited) {
            $corner = Vignetting::cornerMm($rig);
            $reading->cornerBrightness = 1.0;
            if ($axis->imageCircleMm !== null && 2.0 * $corner > $axis->imageCircleMm * (1.0 + 1e-9)) {
                $reading->cornerBrightness = 0.0;
                $reading->cornerPart = self::firstLens($rig);
            } else {
                $darkest = Vignetting::darkest($axis, $corner / $factor, $x, $neff, $stop);
                if ($darkest !== null) {
                    $reading->cornerBrightness = Vignetting::brightness($axis, $corner / $factor, $x, $neff, $darkest);
                    $reading->cornerPart = $axis->openPart[$darkest];
                }
            }
        }

        return $reading;
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

    /** The lens whose image circle it is. */
    private static function firstLens(Rig $rig): ?int
    {
        foreach ($rig->chain as $i => $part) {
            if ($part instanceof Lens) {
                return $i;
            }
        }

        return null;
    }
}
