<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Objective;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Optics\Image;
use ZincThimble\Core\Rig\Rig;

/** Where a rig is sharp as it is set (OPTICS.md, "Range, infinity"): one of five, everywhere the same. */
enum FocusState: string
{
    /** At a distance, with room in front of it. */
    case Sharp = 'sharp';
    /** At infinity, or past it by no more than the depth of focus. */
    case AtInfinity = 'at-infinity';
    /** Past infinity: at no distance as it is set, at some where another control stands elsewhere. */
    case PastInfinity = 'past-infinity';
    /** At no distance however it is set, or there is no image at all. */
    case Never = 'never';
    /** Only behind its own front. */
    case Inside = 'inside';

    /** @param  ?Infinity  $infinity  of all its travels; null = held where they stand, so that never is told of no image alone */
    public static function of(Rig $rig, Axis $axis, ?float $workingDistanceMm, ?Infinity $infinity = null): self
    {
        return match (true) {
            $axis->unmodelled, $axis->image === Image::None, $infinity?->neverMm !== null, self::lacksTubeLens($rig) => self::Never,
            $axis->image === Image::AtInfinity => Infinity::pastMm($rig, $axis) === null ? self::AtInfinity : self::PastInfinity,
            default => $workingDistanceMm !== null && $workingDistanceMm < 0.0 ? self::Inside : self::Sharp,
        };
    }

    /** Whether an objective corrected for infinity stands without the lens that makes its picture. */
    public static function lacksTubeLens(Rig $rig): bool
    {
        foreach ($rig->chain as $part) {
            if ($part instanceof Lens) {
                return false;
            }
            if ($part instanceof Objective && $part->infinite) {
                return true;
            }
        }

        return false;
    }
}
