<?php

declare(strict_types=1);

namespace ZincThimble\Core\Optics;

/** What the axial ray does in front of the rig (OPTICS.md, "Axial ray"). */
enum Image
{
    /** It crosses the axis: there is a plane of focus, before or behind the front. */
    case Real;
    /** Focused at infinity or past it: M = 0, distances infinite. */
    case AtInfinity;
    /** No plane anywhere is imaged on the sensor. */
    case None;

    /** Slopes at most this steep count as parallel. */
    public const PARALLEL = 1e-9;

    /** By the axial ray's height at the last principal plane, mm, and its slope in front (OPTICS.md, "Axial ray"). */
    public static function of(float $y, float $t): self
    {
        if ($t <= self::PARALLEL && $t >= -self::PARALLEL && $y !== 0.0 || $y > 0.0 && $t > 0.0) {
            return self::AtInfinity;
        }
        if ($y === 0.0 || $y < 0.0 && $t < 0.0) {
            return self::None;
        }

        return self::Real;
    }
}
