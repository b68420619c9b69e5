<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Rig\Rig;

/** How far a rig must be moved to be sharp again on what it was sharp on before it was changed (handbook, "The job"). */
final class Refocus
{
    /** Less than anybody moves a rig by, mm. */
    private const LEAST_MM = 0.05;

    /**
     * Measured where it is held: at its foot, else at the camera.
     *
     * @return ?float mm, above 0 = away from the subject; null = it needn't move, or one of the two is sharp at no distance
     */
    public static function byMm(Rig $before, Rig $after): ?float
    {
        $held = $before->totals->hasFoot && $after->totals->hasFoot;
        $from = self::fromHeldMm($before, $held);
        $to = self::fromHeldMm($after, $held);

        return $from === null || $to === null || abs($to - $from) < self::LEAST_MM ? null : $to - $from;
    }

    /** Where it is held to the subject, mm. */
    private static function fromHeldMm(Rig $rig, bool $atFoot): ?float
    {
        $axis = Axis::of($rig);
        $subject = Reading::along($rig, $axis, false)->subjectDistanceMm;

        return $subject === null ? null : $subject - ($atFoot ? Balance::footMm($rig, $axis) ?? 0.0 : 0.0);
    }
}
