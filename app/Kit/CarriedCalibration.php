<?php

declare(strict_types=1);

namespace App\Kit;

/**
 * A lens that one ruler shot rewrote before shots were kept, told as that shot again. The half-widths that were left on register and
 * principal gap tell how large the picture was, when its working distance was measured too; then everything else follows. Of a shot
 * without one nothing tells it: such a lens stays as it is.
 */
final class CarriedCalibration
{
    /** Half-width that a working distance was given, mm. */
    private const WORKING_MM = 0.5;

    private const LEAST_M = 0.03;

    private const MOST_M = 12.0;

    /** What a ruler may have been read to, as a share: outside it the figures came about otherwise. */
    private const READ_TO = [0.0003, 0.08];

    private const LONGEST_MM = 600.0;

    /**
     * @param  array<string, mixed>  $fields  as the part has them
     * @param  float  $register  of its mount, before it was rewritten, mm
     * @param  ?float  $gap  principal gap before that; null = it was not given
     * @return ?array<string, mixed> the fields with the shot instead; null = it can't be told
     */
    public static function of(array $fields, float $register, ?float $gap): ?array
    {
        $measured = is_array($fields['measured'] ?? null) ? $fields['measured'] : [];
        [$f, $rim] = [self::number($fields, 'focalLengthMm'), self::number($fields, 'frontRimMm')];
        [$told, $toldGap] = [self::number($fields, 'registerMm'), self::number($fields, 'principalGapMm')];
        [$half, $halfGap] = [self::number($measured, 'registerMm'), self::number($measured, 'principalGapMm')];
        if ($f === null || $rim === null || $told === null || $toldGap === null || $half === null || $halfGap === null || isset($measured['focalLengthMm']) || isset($fields['stations'])) {
            return null;
        }
        $shots = array_values(array_filter([
            self::usual($f, $rim, $told, $toldGap, $half, $halfGap, $register),
            self::turned($f, $rim, $told, $toldGap, $half, $halfGap, $register, self::number($fields, 'rearProtrusionMm') ?? 0.0),
        ]));
        // Where either way round could have given the same figures nobody knows which it was.
        if (count($shots) !== 1) {
            return null;
        }
        $left = array_diff_key($measured, ['registerMm' => 0, 'principalGapMm' => 0]);
        $kept = ['registerMm' => $register] + ($gap === null ? [] : ['principalGapMm' => $gap]) + array_diff_key($fields, ['principalGapMm' => 0, 'measured' => 0, 'registerMm' => 0]);

        return $kept + ($left === [] ? [] : ['measured' => $left]) + ['shots' => [$shots[0] + ['note' => 'From figures that were measured before shots were kept']]];
    }

    /** @return ?array<string, mixed> */
    private static function usual(float $f, float $rim, float $told, float $gap, float $half, float $halfGap, float $register): ?array
    {
        // R' = z0 - M f, half-width f h; g' = WD + rim - f (2 + 1/M) + R', half-width of WD, R' and f h / M^2 together.
        $square = $halfGap ** 2 - self::WORKING_MM ** 2 - $half ** 2;
        if ($square <= 0.0) {
            return null;
        }
        $m = sqrt($half / sqrt($square));

        return self::shot($m, $half / $f, $told + $m * $f - $register, $gap - $rim + $f * (2.0 + 1.0 / $m) - $told, $register, false);
    }

    /** @return ?array<string, mixed> */
    private static function turned(float $f, float $rim, float $told, float $gap, float $half, float $halfGap, float $register, float $protrusion): ?array
    {
        // R' = protrusion + WD - f/M, half-width of WD and f h / M^2 together; g' = rim + R' - (M + 2) f + z0, of R' and f h.
        $far = $half ** 2 - self::WORKING_MM ** 2;
        $near = $halfGap ** 2 - $half ** 2;
        if ($far <= 0.0 || $near <= 0.0) {
            return null;
        }
        $m = sqrt(sqrt($near) / sqrt($far));

        return self::shot($m, sqrt($near) / $f, $gap - $rim - $told + ($m + 2.0) * $f - $register, $told - $protrusion + $f / $m, $register, true);
    }

    /** @return ?array<string, mixed> null = no picture that anybody took */
    private static function shot(float $m, float $half, float $spacers, float $working, float $register, bool $reversed): ?array
    {
        if ($m < self::LEAST_M || $m > self::MOST_M || $half / $m < self::READ_TO[0] || $half / $m > self::READ_TO[1] || $spacers < -0.05 || $spacers > self::LONGEST_MM || $working <= 0.0 || $working > 3000.0) {
            return null;
        }

        return ['cameraRegisterMm' => $register, 'spacersMm' => round(max(0.0, $spacers), 3)] + ($reversed ? ['reversed' => true] : [])
            + ['magnification' => round($m, 6), 'magnificationHalfWidth' => round($half, 6), 'workingDistanceMm' => round($working, 3), 'workingDistanceMmHalfWidth' => self::WORKING_MM];
    }

    /** @param  array<array-key, mixed>  $fields */
    private static function number(array $fields, string $name): ?float
    {
        $value = $fields[$name] ?? null;

        return is_int($value) || is_float($value) ? (float) $value : null;
    }
}
