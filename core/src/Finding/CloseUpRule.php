<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

use ZincThimble\Core\Gear\CloseUpLens;

/** `diopter-strong`, `stacked-diopters-order`: close-up lenses that ask too much. */
final class CloseUpRule implements Rule
{
    public const STRONG_D = 4.0;

    /** An entrance pupil narrower than this forgives one step. */
    public const NARROW_MM = 5.0;

    public function find(Facts $facts): array
    {
        $sum = 0.0;
        $last = null;
        $order = null;
        $previous = null;
        foreach ($facts->rig->chain as $i => $part) {
            if (! $part instanceof CloseUpLens) {
                $previous = null;

                continue;
            }
            if ($part->elements < 2 && $part->powerD > 0.0) {
                $sum += $part->powerD;
                $last = $i;
            }
            if ($previous !== null && $part->powerD > $previous->powerD) {
                $order ??= new Finding(Code::StackedDioptersOrder, Severity::Note, $i,
                    'The stronger close-up lens, {part}, belongs next to the lens.', ['part' => $part->label()]);
            }
            $previous = $part;
        }
        $spans = $order === null ? [] : $facts->always($order);
        if ($last === null || $sum < self::STRONG_D) {
            return $spans;
        }
        $rank = $sum > self::STRONG_D ? 2 : 1;
        $width = self::pupilMm($facts);
        if ($width !== null && $width < self::NARROW_MM) {
            $rank--;
        }
        if ($rank > 0) {
            array_push($spans, ...$facts->always(new Finding(Code::DiopterStrong, $rank > 1 ? Severity::Warn : Severity::Note, $last,
                'Single close-up lenses of {power:d} together: soft, with colour at the edges. Stop down, or take a corrected pair.', ['power' => $sum])));
        }

        return $spans;
    }

    /** Width of the working lens's entrance pupil, E/N, mm. */
    public static function pupilMm(Facts $facts): ?float
    {
        $at = $facts->rig->workingLens();
        $marked = $at === null ? null : $facts->rig->markedAperture($at);

        return $at === null || $marked === null ? null : $facts->rig->lenses[$at]->entrance($facts->rig->setting->focus[$at] ?? 0.0) / $marked;
    }
}
