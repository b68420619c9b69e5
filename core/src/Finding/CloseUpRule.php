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
        $fades = $context->column($changes, static fn (Rig $rig): ?float => self::fadesAt($rig));
        $said = [];
        foreach ($widths as $row => $width) {
            $isNarrow = $width < Limits::FORGIVING_PUPIL_MM;
            if ($isNarrow && $sum <= Limits::STRONG_D) {
                continue;
            }
            // Stopping down is no advice where diffraction asks for the opposite.
            $stop = $fades[$row];
            $spread = $context->columns->airyDiameterMm[$row];
            $most = Limits::SPOT_OVER_BLUR * $context->rig->blurLimitMm;
            $now = $at === null || $stop === null ? null : $context->rigAt($row)->markedAperture($at);
            $helps = ! $isNarrow && $spread !== null && $stop !== null && $now !== null && $spread * $stop / $now <= $most;
            $said[($sum > Limits::STRONG_D && ! $isNarrow ? 'warn' : 'note').($isNarrow ? ' faded' : ($helps ? ' fades' : ' stays'))][$row] = 1.0;
        }
        foreach ($said as $key => $rows) {
            [$severity, $how] = explode(' ', $key);
            $pattern = 'Single close-up lenses of {power:d} together: soft, with colour at the edges. '.match ($how) {
                'faded' => 'The pupil is narrow here, and that hides most of it; zooming in or a corrected pair hides the rest.',
                'fades' => 'From {fades:f} on the pupil is narrow enough to hide most of it; a corrected pair is better.',
                default => 'Take a corrected pair, or zoom in: the middle of the glass is better.',
            };
            array_push($spans, ...Span::where(Span::filled($rows, $context->columns->rows), 0.0, INF, new Finding(Code::DiopterStrong, $severity === 'warn' ? Severity::Warn : Severity::Note, $last, $pattern, ['power' => $sum]),
                $how === 'fades' ? ['fades' => $fades] : []));
        }

        return $spans;
    }

    /** The widest marked stop at which the entrance pupil is narrow enough to forgive; null = there is none. */
    private static function fadesAt(Rig $rig): ?float
    {
        $at = $rig->workingLens();
        $pupil = self::pupilMm($rig);
        $now = $at === null ? null : $rig->markedAperture($at);
        if ($at === null || $pupil === null || $now === null) {
            return null;
        }
        foreach ($rig->stopsAt($at) as $stop) {
            if ($pupil * $now / $stop < Limits::FORGIVING_PUPIL_MM) {
                return $stop;
            }
        }

        return null;
    }

    /** Width of the working lens's entrance pupil, E/N, mm. */
    public static function pupilMm(Rig $rig): ?float
    {
        $at = $rig->workingLens();
        $marked = $at === null ? null : $rig->markedAperture($at);

        return $at === null || $marked === null ? null : LensModel::of($rig->lenses[$at])->entrance($rig->setting->focus[$at] ?? 0.0) / $marked;
    }
}
