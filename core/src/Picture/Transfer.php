<?php

declare(strict_types=1);

namespace ZincThimble\Core\Picture;

/**
 * How much of the contrast of lines is passed on, by how many of them stand on a millimetre of the sensor (OPTICS.md, "Resolved
 * detail"). Each factor falls from 1 to its first zero; only so far are they asked.
 */
final class Transfer
{
    /** First zero of `J1`. */
    private const J1_ZERO = 3.8317059702075123;

    /** Places at which Bessel's integral is summed: so smooth a function is told to the last digit by far fewer. */
    private const PLACES = 48;

    /**
     * Of an ideal round pupil.
     *
     * @param  float  $spotMm  lambda Neff
     * @param  float  $perMm  lines a mm, 0 or more
     */
    public static function diffraction(float $spotMm, float $perMm): float
    {
        $x = $spotMm * $perMm;

        return $x >= 1.0 ? 0.0 : 2.0 / M_PI * (acos($x) - $x * sqrt(1.0 - $x * $x));
    }

    /** Of square pixels without gaps. */
    public static function pixel(float $pitchMm, float $perMm): float
    {
        $x = M_PI * $pitchMm * $perMm;

        return $x < 1e-9 ? 1.0 : abs(sin($x) / $x);
    }

    /** Of a disc, which is what a point off the plane of focus becomes. */
    public static function disc(float $discMm, float $perMm): float
    {
        $x = M_PI * $discMm * $perMm;

        return $x < 1e-6 ? 1.0 : abs(2.0 * self::j1($x) / $x);
    }

    /** Of a lens whose own blur is a Gaussian of that standard deviation. */
    public static function lens(float $sigmaMm, float $perMm): float
    {
        return exp(-2.0 * M_PI * M_PI * $sigmaMm * $sigmaMm * $perMm * $perMm);
    }

    /**
     * Lines a mm at which all of them together first fall to a share.
     *
     * @param  float  $share  above 0, below 1
     * @param  float  $spotMm  lambda Neff, above 0
     * @param  ?float  $pitchMm  null = pixels are left out
     */
    public static function firstAt(float $share, float $spotMm, ?float $pitchMm, float $discMm = 0.0, float $sigmaMm = 0.0): float
    {
        $passed = static fn (float $perMm): float => self::diffraction($spotMm, $perMm) * ($pitchMm === null ? 1.0 : self::pixel($pitchMm, $perMm))
            * ($discMm > 0.0 ? self::disc($discMm, $perMm) : 1.0) * ($sigmaMm > 0.0 ? self::lens($sigmaMm, $perMm) : 1.0);
        // Up to the first zero of any of them all of them fall, so the first crossing is the only one there.
        $low = 0.0;
        $high = min(1.0 / $spotMm, $pitchMm === null || $pitchMm <= 0.0 ? INF : 1.0 / $pitchMm, $discMm > 0.0 ? self::J1_ZERO / (M_PI * $discMm) : INF);
        for ($n = 0; $n < 60; $n++) {
            $middle = ($low + $high) / 2.0;
            if ($passed($middle) > $share) {
                $low = $middle;
            } else {
                $high = $middle;
            }
        }

        return ($low + $high) / 2.0;
    }

    /** Bessel's function of the first kind and order 1, by his integral; up to its first zero to twelve digits. */
    private static function j1(float $x): float
    {
        $sum = 0.0;
        for ($k = 0; $k < self::PLACES; $k++) {
            $angle = M_PI * ($k + 0.5) / self::PLACES;
            $sum += cos($angle - $x * sin($angle));
        }

        return $sum / self::PLACES;
    }
}
