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

    /** Only what the light along the axis says: no corner, no moments. Half-widths read a rig a score of times. */
    public static function onAxis(Rig $rig): self
    {
        return self::along($rig, Axis::of($rig), false);
    }

    /**
     * The readings of a rig that is laid out already.
     *
     * @param  bool  $whole  with corner and moments
     */
    public static function along(Rig $rig, Axis $axis, bool $whole = true): self
    {
        $reading = new self;
        if ($whole) {
            $reading->momentAtMountNm = Balance::aboutMount($rig, $axis);
            $reading->momentAtFootNm = Balance::aboutFoot($rig, $axis);
        }
        if ($axis->unmodelled) {
            return $reading;
        }
        $reading->image = $axis->image;
        $reading->extensionMm = $axis->extensionMm;
        $reading->imageCircleMm = $axis->imageCircleMm;
        $reading->markedAperture = $axis->marked;
        $reading->erect = $axis->slope > 0.0 && $axis->t > 0.0;
        $number = $axis->number;
        if ($axis->stop >= 0) {
            $reading->stop = $axis->openKind[$axis->stop];
            $reading->stopPart = $axis->openPart[$axis->stop];
        } elseif ($axis->isTelecentric()) {
            $reading->stop = OpeningKind::NumericalAperture;
            $reading->stopPart = $axis->naPart;
        }
        if ($number > 0.0) {
            $effective = $number * $axis->factor;
            $reading->effectiveAperture = $effective;
            $reading->airyDiameterMm = 2.44 * $rig->conditions->wavelengthNm * 1e-6 * $effective;
            if ($axis->marked !== null) {
                $reading->stopsLost = 2.0 * log($effective / $axis->marked, 2.0);
            }
        }
        if ($axis->slope > 0.0) {
            $reading->tell($rig, $axis);
        } elseif ($axis->image === Image::AtInfinity) {
            $reading->magnification = 0.0;
            $reading->lightGapDeg = 90.0;
        }
        if ($whole && $axis->chief !== null) {
            $reading->corner($rig, $axis, $axis->chief);
        }

        return $reading;
    }

    /** What only a rig with an image has: sizes, distances and depths. */
    private function tell(Rig $rig, Axis $axis): void
    {
        $medium = $axis->medium;
        $slope = $axis->slope;
        $number = $axis->number;
        $invariant = $axis->invariant;
        $magnification = $slope * $axis->factor;
        $working = -$medium * $axis->height / $slope;
        $this->magnification = $magnification;
        $this->workingDistanceMm = $working;
        $this->subjectDistanceMm = $axis->front + $working + $axis->converterMm;
        $this->fieldWidthMm = $rig->frame->widthMm / $magnification;
        $this->fieldHeightMm = $rig->frame->heightMm / $magnification;
        $this->lightGapDeg = self::lightGap($rig, $working);
        if ($number <= 0.0) {
            return;
        }
        $effective = $number * $axis->factor;
        $pupil = null;
        // Where the chief ray leaves parallel the pupil is infinitely far off.
        $share = $axis->chief * $slope;
        if (($invariant < 0.0 ? -$invariant : $invariant) > 1e-14 * $number * (1.0 + ($share < 0.0 ? -$share : $share))) {
            $pupil = $medium * $number / ($invariant * $slope);
            $this->entrancePupilMm = $pupil;
        }
        $lambda = $rig->conditions->wavelengthNm * 1e-6;
        $near = Depth::near($magnification, $effective, $rig->blurLimitMm, $pupil, $medium);
        $far = Depth::far($magnification, $effective, $rig->blurLimitMm, $pupil, $medium);
        $this->nearMm = $near;
        $this->farMm = $far;
        if ($near !== null && $far !== null) {
            $this->depthOfFieldMm = $near + $far;
        }
        $this->waveDepthMm = Depth::wave($magnification, $effective, $lambda, $medium);
        $this->detailMm = 1.22 * $lambda * $effective / $magnification;
    }

    /** What openings and the image circle leave of the corner (OPTICS.md, "Chief ray"). */
    private function corner(Rig $rig, Axis $axis, float $chief): void
    {
        $corner = Vignetting::cornerMm($rig);
        $this->cornerBrightness = 1.0;
        if ($axis->imageCircleMm !== null && 2.0 * $corner > $axis->imageCircleMm * (1.0 + 1e-9)) {
            $this->cornerBrightness = 0.0;
            $this->cornerPart = self::firstLens($rig);

            return;
        }
        $darkest = Vignetting::darkest($axis, $corner / $axis->factor, $chief, $axis->number, $axis->stop);
        if ($darkest !== null) {
            $this->cornerBrightness = Vignetting::brightness($axis, $corner / $axis->factor, $chief, $axis->number, $darkest);
            $this->cornerPart = $axis->openPart[$darkest];
        }
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
