<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Gear\Focusing;
use ZincThimble\Core\Gear\Objective;
use ZincThimble\Core\Rig\Rig;

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
}
