<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

/** Depth of field and wave depth (OPTICS.md, "Depth"). */
final class Depth
{
    /**
     * How far sharpness reaches before and behind the subject plane, mm; null = to infinity.
     *
     * @param  float  $m  magnification, above 0
     * @param  float  $neff  effective aperture
     * @param  float  $c  blur limit at the sensor, mm
     * @param  ?float  $pupil  entrance pupil to subject, mm, negative when the pupil lies beyond; null = telecentric
     * @param  float  $medium  index of what the subject lies in
     * @return array{?float, ?float} near, far
     */
    public static function nearAndFar(float $m, float $neff, float $c, ?float $pupil, float $medium): array
    {
        if ($pupil === null) {
            $both = $c * $neff / ($m * $m) * $medium;

            return [$both, $both];
        }
        $s = $pupil / $medium;
        $blur = $c / $m;
        $de = $s * $m / $neff;
        $far = $de > 0.0 && $de <= $blur ? null : $s * $blur / ($de - $blur) * $medium;
        $near = $de < 0.0 && $de >= -$blur ? null : $s * $blur / ($de + $blur) * $medium;

        return [$near, $far];
    }

    /** `lambda / to^2` with `to = M / (2 Neff)`, mm. */
    public static function wave(float $m, float $neff, float $lambdaMm, float $medium): float
    {
        $to = $m / (2.0 * $neff);

        return $lambdaMm / ($to * $to) * $medium;
    }
}
