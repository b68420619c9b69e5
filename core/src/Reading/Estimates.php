<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Gear\Focusing;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Objective;
use ZincThimble\Core\Rig\LensFigure;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\SettledLens;

/** What was taken for granted where a rig is read, in sentences: they belong beside the figures, not among what is wrong. */
final class Estimates
{
    /** An objective's magnification off its nominal one by over this share makes its NA an estimate (OPTICS.md, "The rig"). */
    public const OFF_NOMINAL = 0.02;

    /** @return list<string> */
    public static function of(Rig $rig, ?float $magnification): array
    {
        $said = [];
        foreach ($rig->lenses as $i => $lens) {
            $guessed = self::guessed($rig, $i, $lens);
            if ($guessed !== []) {
                $said[] = sprintf('%s: %s guessed, as lenses of its kind have it.', $rig->chain[$i]->label(), implode(' and ', $guessed).(count($guessed) > 1 ? ' are' : ' is'));
            }
            if ($lens->decided) {
                $said[] = sprintf('%s: its focusing was taken to be %s.', $rig->chain[$i]->label(), $lens->focusing === Focusing::Unit ? 'by moving the whole lens' : 'internal');
            }
        }
        $tubeMm = null;
        foreach ($rig->chain as $i => $part) {
            $tubeMm ??= ($rig->lenses[$i] ?? null)?->f0;
            if ($part instanceof Objective && $magnification !== null && $magnification > 0.0) {
                $nominal = $part->infinite ? $part->nominal * ($tubeMm ?? $part->referenceMm) / $part->referenceMm : $part->nominal;
                if (abs($magnification / $nominal - 1.0) > self::OFF_NOMINAL) {
                    $said[] = sprintf('%s stands away from the distance it was made for: its NA of %s is an estimate here.', $part->label(), $part->na);
                }
            }
        }

        return $said;
    }

    /** @return list<string> what of a lens stands for others of its kind and is weighed with nothing, so that no figure settles it */
    private static function guessed(Rig $rig, int $i, SettledLens $lens): array
    {
        $part = $rig->chain[$i];
        if (! $part instanceof Lens) {
            return [];
        }
        $guessed = $part->figuresAt($rig->setting->zoomMm[$i] ?? null)->guessed;
        $closest = isset($guessed['minFocusMm']) && $lens->known->closestMm !== null && ! in_array(LensFigure::ClosestFocus, $lens->figures, true);

        return [
            ...(isset($guessed['aperture.widest']) && $lens->widest !== null ? [sprintf('f/%g', $lens->widest)] : []),
            ...($closest ? [sprintf('a closest focus of %d mm', (int) round($lens->known->closestMm))] : []),
        ];
    }
}
