<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Rig\LensFigure;
use ZincThimble\Core\Rig\Rig;

/** What the figure is called that a reading rests on, as a sentence says it. */
final class Measurement
{
    public static function assumed(Rig $rig, Contributor $source): string
    {
        $lens = $rig->lenses[$source->part] ?? null;
        $part = $rig->chain[$source->part];
        $figures = $part instanceof Lens ? $part->figuresAt($rig->setting->zoomMm[$source->part] ?? null) : null;
        $shots = $figures !== null && $figures->shots !== [];
        $filled = $lens !== null && in_array(LensFigure::tryFrom($source->field), $lens->known->filled, true);

        return match ($source->field) {
            'focalLengthMm' => $shots ? 'the focal length as measured so far' : 'the nominal focal length',
            'principalGapMm' => match (true) {
                $shots => 'the principal gap as measured so far',
                $figures?->principalGapMm === null => 'a principal gap typical of the design',
                default => 'the principal gap',
            },
            'registerMm' => $filled ? 'a register guessed from the focal length' : 'the register',
            'frontRimMm' => $filled ? 'a guessed length from flange to rim' : 'the length from flange to rim',
            'maxMagnification' => isset($figures->guessed['maxMagnification']) ? 'a guessed greatest magnification' : ($filled ? 'a greatest magnification worked out from the closest focus' : 'the catalogue’s greatest magnification'),
            'minFocusMm' => $filled ? 'a guessed closest focus' : 'the catalogue’s closest focus',
            'closePrincipalGapMm', 'closeEffectiveAperture', 'closeFocalLengthMm', 'focusing' => 'an assumed inner focusing',
            'pupilRatio' => 'a pupil ratio typical of the design',
            'powerD' => 'the nominal power',
            'planeFromFrontMm' => 'an assumed place of the glass',
            default => 'the measured '.$source->field,
        };
    }
}
