<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

/** Depth of field and wave depth (OPTICS.md, "Depth"). */
final class Depth
{
    /**
     * How far sharpness reaches from the subject plane towards the rig, mm: `s (c/M) / (De + c/M)`; null = to infinity.
     *
     * @param  float  $m  magnification, above 0
     * @param  float  $neff  effective aperture
     * @param  float  $c  blur limit at the sensor, mm
     * @param  ?float  $pupil  entrance pupil to subject, mm, negative when the pupil lies beyond; null = telecentric
     * @param  float  $medium  index of what the subject lies in
     */
    public static function near(float $m, float $neff, float $c, ?float $pupil, float $medium): ?float
    {
        if ($pupil === null) {
            return $c * $neff / ($m * $m) * $medium;
        }
        $s = $pupil / $medium;
        $blur = $c / $m;
        $de = $s * $m / $neff;

        return $de < 0.0 && $de >= -$blur ? null : $s * $blur / ($de + $blur) * $medium;
    }

    /** How far it reaches away from the rig, mm: `s (c/M) / (De - c/M)`; null = to infinity. Takes what near() takes. */
    public static function far(float $m, float $neff, float $c, ?float $pupil, float $medium): ?float
    {
        if ($pupil === null) {
            return $c * $neff / ($m * $m) * $medium;
        }
        $s = $pupil / $medium;
        $blur = $c / $m;
        $de = $s * $m / $neff;

        return $de > 0.0 && $de <= $blur ? null : $s * $blur / ($de - $blur) * $medium;
    }

    /** `lambda / to^2` with `to = M / (2 Neff)`, mm. */
    public static function wave(float $m, float $neff, float $lambdaMm, float $medium): float
    {
        $to = $m / (2.0 * $neff);

        return $lambdaMm / ($to * $to) * $medium;
    }
}
