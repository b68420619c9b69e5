<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Rig\Rig;

/** How bright the corner of the frame is left by rings, throats, glass and pupils (OPTICS.md, "Vignetting"). */
final class Vignetting
{
    /**
     * The opening that cuts the corner most; null = none does.
     *
     * @param  float  $x  share of the axial ray in the chief ray
     * @param  float  $neff  effective aperture without a teleconverter
     * @param  int  $stopAt  the opening that is the stop; -1 = an objective
     */
    public static function darkest(Axis $axis, float $corner, float $x, float $neff, int $stopAt): ?int
    {
        $least = 1.0;
        $darkest = null;
        $half = 0.5 / $neff;
        $axialAt = $axis->axialAt;
        $fieldAt = $axis->fieldAt;
        foreach ($axis->openR as $j => $clear) {
            if ($j === $stopAt) {
                continue;
            }
            $axial = $axialAt[$j];
            $q = $corner * ($fieldAt[$j] + $x * $axial);
            $q = $q < 0.0 ? -$q : $q;
            $p = ($axial < 0.0 ? -$axial : $axial) * $half;
            if ($q + $p > $clear * (1.0 + 1e-9)) {
                $brightness = self::overlap($p, $clear, $q);
                if ($brightness < $least) {
                    $least = $brightness;
                    $darkest = $j;
                }
            }
        }

        return $darkest;
    }

    /** How bright one opening leaves the corner, 0 to 1. Takes what darkest() takes. */
    public static function brightness(Axis $axis, float $corner, float $x, float $neff, int $opening): float
    {
        $axial = $axis->axialAt[$opening];

        return self::overlap(abs($axial) / (2.0 * $neff), $axis->openR[$opening], $corner * abs($axis->fieldAt[$opening] + $x * $axial));
    }

    /**
     * How bright the picture is from its middle to its corner, at so many places of equal distance, 0 to 1.
     *
     * @param  int  $places  2 or more
     * @return list<float> the last one is the corner's; all 1 where nothing known limits the light
     */
    public static function across(Rig $rig, Axis $axis, int $places): array
    {
        $corner = self::cornerMm($rig);
        $bright = [];
        if ($axis->chief === null) {
            return array_fill(0, $places, 1.0);
        }
        for ($k = 0; $k < $places; $k++) {
            $out = $corner * $k / ($places - 1);
            $darkest = self::darkest($axis, $out / $axis->factor, $axis->chief, $axis->number, $axis->stop);
            $bright[] = match (true) {
                $axis->imageCircleMm !== null && 2.0 * $out > $axis->imageCircleMm * (1.0 + 1e-9) => 0.0,
                $darkest === null => 1.0,
                default => self::brightness($axis, $out / $axis->factor, $axis->chief, $axis->number, $darkest),
            };
        }

        return $bright;
    }

    /** Sensor centre to the corner that is furthest from the lens's axis, mm: a shift moves it out. */
    public static function cornerMm(Rig $rig): float
    {
        $shift = 0.0;
        foreach ($rig->setting->shiftMm as $mm) {
            $shift += $mm ?? 0.0;
        }
        $halfWidth = $rig->frame->widthMm / 2.0 + abs($shift);
        $halfHeight = $rig->frame->heightMm / 2.0;

        return sqrt($halfWidth * $halfWidth + $halfHeight * $halfHeight);
    }

    /** Overlap of two circles (radii p and c, centres q apart) over the area of the first. */
    public static function overlap(float $p, float $c, float $q): float
    {
        if ($p <= 0.0) {
            return $q <= $c ? 1.0 : 0.0;
        }
        if ($q >= $p + $c) {
            return 0.0;
        }
        if ($q <= abs($p - $c)) {
            return $c >= $p ? 1.0 : $c * $c / ($p * $p);
        }
        $one = ($q * $q + $p * $p - $c * $c) / (2.0 * $q * $p);
        $two = ($q * $q + $c * $c - $p * $p) / (2.0 * $q * $c);
        $lens = (-$q + $p + $c) * ($q + $p - $c) * ($q - $p + $c) * ($q + $p + $c);
        $area = $p * $p * acos(max(-1.0, min(1.0, $one))) + $c * $c * acos(max(-1.0, min(1.0, $two))) - 0.5 * sqrt(max(0.0, $lens));

        return max(0.0, min(1.0, $area / (M_PI * $p * $p)));
    }
}
