<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

use ZincThimble\Core\Gear\CloseUpLens;
use ZincThimble\Core\Rig\LensModel;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\TravelKind;

/** `diopter-strong`, `stacked-diopters-order`: close-up lenses that ask too much. */
final class CloseUpRule implements Rule
{
    /** `diopter-strong`, `stacked-diopters-order`. */
    public function find(RuleContext $context): array
    {
        $sum = 0.0;
        $last = null;
        $order = null;
        $previous = null;
        foreach ($context->rig->chain as $i => $part) {
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
        $spans = $order === null ? [] : $context->always($order);
        if ($last === null || $sum < Limits::STRONG_D) {
            return $spans;
        }
        $at = $context->rig->workingLens();
        $changes = $at !== null && $context->moves($at, TravelKind::Aperture, TravelKind::Focus, TravelKind::Zoom);
        // A wide pupil, or one that isn't known, leaves the fault as it is; a narrow one forgives a step.
        $widths = $context->column($changes, static fn (Rig $rig): float => self::pupilMm($rig) ?? INF);
        $pattern = 'Single close-up lenses of {power:d} together: soft, with colour at the edges. Stop down, or take a corrected pair.';
        $severe = new Finding(Code::DiopterStrong, Severity::Warn, $last, $pattern, ['power' => $sum]);
        $slight = new Finding(Code::DiopterStrong, Severity::Note, $last, $pattern, ['power' => $sum]);
        $narrowest = Limits::FORGIVING_PUPIL_MM * (1.0 - 1e-12);

        return $sum > Limits::STRONG_D
            ? [...$spans, ...Span::where($widths, $narrowest, INF, $severe), ...Span::where($widths, -INF, $narrowest, $slight)]
            : [...$spans, ...Span::where($widths, $narrowest, INF, $slight)];
    }

    /** Width of the working lens's entrance pupil, E/N, mm. */
    public static function pupilMm(Rig $rig): ?float
    {
        $at = $rig->workingLens();
        $marked = $at === null ? null : $rig->markedAperture($at);

        return $at === null || $marked === null ? null : LensModel::of($rig->lenses[$at])->entrance($rig->setting->focus[$at] ?? 0.0) / $marked;
    }
}
