<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Gear\Outline;
use ZincThimble\Core\Optics\Image;
use ZincThimble\Core\Optics\Rays;
use ZincThimble\Core\Optics\SplitSystem;
use ZincThimble\Core\Rig\Rig;

/**
 * Readings of one rig at many positions of one control, a column each: what a sweep holds, and what findings are made from. One reading
 * is a table of one row. Told from rays it says what Reading says (a property test holds it to that), in flat loops.
 */
final class ReadingTable
{
    /** The columns that are named as the readings are. */
    public const NAMES = [
        'image', 'magnification', 'workingDistanceMm', 'subjectDistanceMm', 'effectiveAperture', 'stopsLost', 'depthOfFieldMm', 'nearMm', 'farMm', 'waveDepthMm',
        'airyDiameterMm', 'detailMm', 'entrancePupilMm', 'lightGapDeg', 'cornerBrightness', 'cornerPart', 'momentAtMountNm', 'stopPart',
    ];

    /** 2 / ln(2): stops from a natural logarithm. */
    private const STOPS = 2.885390081777927;

    /** @var list<Image> */
    public array $image = [];

    /** @var list<?float> */
    public array $magnification = [];

    /** @var list<?float> */
    public array $workingDistanceMm = [];

    /** @var list<?float> */
    public array $subjectDistanceMm = [];

    /** @var list<?float> */
    public array $effectiveAperture = [];

    /** @var list<?float> */
    public array $stopsLost = [];

    /** @var list<?float> near and far together */
    public array $depthOfFieldMm = [];

    /** @var list<?float> */
    public array $nearMm = [];

    /** @var list<?float> */
    public array $farMm = [];

    /** @var list<?float> */
    public array $waveDepthMm = [];

    /** @var list<?float> */
    public array $airyDiameterMm = [];

    /** @var list<?float> */
    public array $detailMm = [];

    /** @var list<?float> */
    public array $entrancePupilMm = [];

    /** @var list<?float> */
    public array $lightGapDeg = [];

    /** @var list<?float> */
    public array $cornerBrightness = [];

    /** @var list<?int> */
    public array $cornerPart = [];

    /** @var list<?float> */
    public array $momentAtMountNm = [];

    /** @var list<?int> */
    public array $stopPart = [];

    private function __construct(public readonly int $rows)
    {
    }

    /** A table of one row. */
    public static function ofOne(Reading $reading): self
    {
        return self::ofMany([$reading]);
    }

    /** @param  list<Reading>  $readings */
    public static function ofMany(array $readings): self
    {
        $self = new self(count($readings));
        foreach (self::NAMES as $name) {
            $self->{$name} = array_column($readings, $name);
        }

        return $self;
    }

    /** Everything but the corner and the moment, told from rays. */
    public static function told(Rays $rays, SplitSystem $split, Rig $rig): self
    {
        $self = new self(count($rays->slope));
        $self->stopPart = $rays->stopPart;
        $self->light($rays, $split, $rig);
        $self->distances($rays, $split, $rig);
        $self->depths($rays, $split, $rig);

        return $self;
    }

    /** What the stop says: effective aperture, stops lost, diffraction spot. */
    private function light(Rays $rays, SplitSystem $split, Rig $rig): void
    {
        $factor = $split->axis->factor;
        $marked = $split->axis->marked;
        $everyMarked = $rays->marked;
        $spot = 2.44 * $rig->conditions->wavelengthNm * 1e-6;
        $cEffective = $cAiry = $cLost = array_fill(0, $this->rows, null);
        $known = $marked !== null || $everyMarked !== [];
        $perMarked = $marked === null ? 1.0 : 1.0 / $marked;
        foreach ($rays->number as $row => $number) {
            if ($number > 0.0) {
                $effective = $number * $factor;
                $cEffective[$row] = $effective;
                $cAiry[$row] = $spot * $effective;
                if ($known) {
                    $cLost[$row] = self::STOPS * \log($everyMarked === [] ? $effective * $perMarked : $effective / $everyMarked[$row]);
                }
            }
        }
        // Of a column without gaps array_values() is no copy.
        $this->effectiveAperture = array_values($cEffective);
        $this->airyDiameterMm = array_values($cAiry);
        $this->stopsLost = array_values($cLost);
    }

    /** What the axial ray says: magnification, working and subject distance, the angle that is left for light. */
    private function distances(Rays $rays, SplitSystem $split, Rig $rig): void
    {
        $medium = $split->axis->medium;
        $factor = $split->axis->factor;
        $last = count($rig->chain) - 1;
        $frontRadius = $last < 0 ? 0.0 : Outline::frontMm($rig->chain[$last]) / 2.0;
        $heights = $rays->height;
        $metal = $rays->metalMm;
        $cImage = array_fill(0, $this->rows, Image::Real);
        $cMagnification = $cWorking = $cSubject = $cGap = array_fill(0, $this->rows, null);
        foreach ($rays->slope as $row => $t) {
            if ($t > 0.0) {
                $cMagnification[$row] = $t * $factor;
                $working = -$medium * $heights[$row] / $t;
                $cWorking[$row] = $working;
                $cSubject[$row] = $metal[$row] + $working;
                if ($working >= 0.0) {
                    $cGap[$row] = \atan2($working, $frontRadius) * 180.0 / M_PI;
                }
            } elseif ($t === 0.0) {
                $cImage[$row] = Image::AtInfinity;
                $cMagnification[$row] = 0.0;
                $cGap[$row] = 90.0;
            } else {
                $cImage[$row] = Image::None;
            }
        }
        $this->image = array_values($cImage);
        $this->magnification = array_values($cMagnification);
        $this->workingDistanceMm = array_values($cWorking);
        $this->subjectDistanceMm = array_values($cSubject);
        $this->lightGapDeg = array_values($cGap);
    }

    /** What both say together: entrance pupil, near and far limit, wave depth, detail (Depth, in one loop). */
    private function depths(Rays $rays, SplitSystem $split, Rig $rig): void
    {
        $medium = $split->axis->medium;
        $factor = $split->axis->factor;
        $lambda = $rig->conditions->wavelengthNm * 1e-6;
        $waves = 4.0 * $lambda * $medium;
        $limit = $rig->blurLimitMm;
        $numbers = $rays->number;
        $invariants = $rays->invariant;
        $chiefs = $rays->chief;
        $cPupil = $cNear = $cFar = $cDepth = $cWave = $cDetail = array_fill(0, $this->rows, null);
        foreach ($rays->slope as $row => $t) {
            $number = $numbers[$row];
            if ($t <= 0.0 || $number <= 0.0) {
                continue;
            }
            $ratio = $number / $t;
            $cWave[$row] = $waves * $ratio * $ratio;
            $cDetail[$row] = 1.22 * $lambda * $ratio;
            $blur = $limit / ($t * $factor);
            $k = $invariants[$row];
            $share = $chiefs[$row] * $t;
            if ($k === 0.0 || ($k < 0.0 ? -$k : $k) <= 1e-14 * $number * (1.0 + ($share < 0.0 ? -$share : $share))) {
                $near = $blur * $ratio * $medium;
                $cNear[$row] = $near;
                $cFar[$row] = $near;
                $cDepth[$row] = $near + $near;

                continue;
            }
            $pupil = $ratio / $k;
            $cPupil[$row] = $medium * $pupil;
            $de = 1.0 / $k;
            $way = $medium * $pupil * $blur;
            $isNear = $de >= 0.0 || $de < -$blur;
            $isFar = $de <= 0.0 || $de > $blur;
            $near = $far = 0.0;
            if ($isNear) {
                $near = $way / ($de + $blur);
                $cNear[$row] = $near;
            }
            if ($isFar) {
                $far = $way / ($de - $blur);
                $cFar[$row] = $far;
            }
            if ($isNear && $isFar) {
                $cDepth[$row] = $near + $far;
            }
        }
        $this->entrancePupilMm = array_values($cPupil);
        $this->nearMm = array_values($cNear);
        $this->farMm = array_values($cFar);
        $this->depthOfFieldMm = array_values($cDepth);
        $this->waveDepthMm = array_values($cWave);
        $this->detailMm = array_values($cDetail);
    }
}
