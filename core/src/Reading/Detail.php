<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

/** Magnify or crop (OPTICS.md, "Magnify or crop"): the smallest thing that can be told apart, in the subject. */
final class Detail
{
    /**
     * Diffraction (Rayleigh), two pixels, and the lens where a trial tells it, in quadrature; mm in the subject.
     *
     * @param  ?float  $lensMm  smallest detail the lens itself resolves here, from a trial
     */
    public static function smallestMm(float $magnification, float $effective, float $lambdaMm, ?float $pitchMm, ?float $lensMm = null): float
    {
        $diffraction = 1.22 * $lambdaMm * $effective / $magnification;
        $pixels = 2.0 * ($pitchMm ?? 0.0) / $magnification;

        return sqrt($diffraction * $diffraction + $pixels * $pixels + ($lensMm ?? 0.0) ** 2);
    }

    /** Columns left when a rig that covers more is cropped to a target field; all of them when it covers less. */
    public static function columnsLeft(int $columns, float $targetFieldMm, float $fieldMm): int
    {
        return (int) floor($columns * min(1.0, $targetFieldMm / $fieldMm));
    }
}
