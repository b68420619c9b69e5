<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

/** What an assumed figure is called, and the one measurement that settles it. */
final class Measurement
{
    /** @param  string  $field as the file spells it; `design` for what comes from the family */
    public static function assumed(string $field): string
    {
        return match ($field) {
            'focalLengthMm' => 'the nominal focal length',
            'minFocusMm' => 'the catalogue’s closest focus',
            'maxMagnification' => 'the catalogue’s greatest magnification',
            'frontRimMm' => 'the catalogue length',
            'design' => 'figures assumed from the design family',
            'closePrincipalGapMm', 'closeEffectiveAperture' => 'an assumed inner focusing',
            'powerD' => 'the nominal power',
            'planeFromFrontMm' => 'an assumed place of the glass',
            default => 'the measured '.$field,
        };
    }

    /** The one measurement that would settle that input, as a sentence. */
    public static function settling(string $field): string
    {
        return match ($field) {
            'focalLengthMm' => 'Two ruler shots at different extensions settle it.',
            'design', 'closePrincipalGapMm', 'maxMagnification' => 'One ruler shot settles it.',
            'minFocusMm' => 'Measure from the sensor mark to the subject at the closest.',
            'frontRimMm' => 'Measure from the mount’s flange to the front rim.',
            'closeEffectiveAperture' => 'Read the f-number that the camera shows wide open at the closest.',
            'powerD' => 'Focus a ruler with the lens at infinity: its distance from the glass, in metres, is 1 / power.',
            'planeFromFrontMm' => 'Measure the working distance once.',
            default => 'Measure it once more.',
        };
    }
}
