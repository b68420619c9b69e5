<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

use ZincThimble\Core\Gear\Objective;
use ZincThimble\Core\Rig\Rig;

/** `vignette`: what cuts the corner, and what stops the light instead of the working diaphragm. */
final class CornerRule implements Rule
{
    /** `vignette`: the part that cuts the corner, and how dark it is left. */
    public function find(RuleContext $context): array
    {
        $working = $context->rig->workingLens();
        $dark = $other = [];
        foreach ($context->columns->cornerBrightness as $row => $brightness) {
            $part = $context->columns->cornerPart[$row];
            if ($brightness !== null && $brightness < Limits::CORNER_BRIGHTNESS && $part !== null) {
                $dark[$part][$row] = 1.0 - $brightness;
            }
            $stop = $context->columns->stopPart[$row];
            if ($stop !== null && $stop !== $working && ! ($stop >= 0 && $context->rig->chain[$stop] instanceof Objective)) {
                $other[$stop][$row] = 1.0;
            }
        }
        $spans = [];
        $effective = $context->columns->effectiveAperture;
        foreach (array_unique([...array_keys($dark), ...array_keys($other)]) as $part) {
            $label = ['part' => self::label($context->rig, $part)];
            // Where one part does both, one sentence says both.
            $both = array_intersect_key($dark[$part] ?? [], $other[$part] ?? []);
            foreach ([
                [$both, '{part} limits the light, not the aperture that is set, and cuts the corners: the rig is really at {effective:f}, and they lose {dark:pct} of their light.'],
                [array_diff_key($dark[$part] ?? [], $both), '{part} cuts the corners: they lose {dark:pct} of their light.'],
                [array_diff_key($other[$part] ?? [], $both), '{part} limits the light, not the aperture that is set: the rig is really at {effective:f}.'],
            ] as [$rows, $pattern]) {
                $column = Span::filled($rows, $context->columns->rows);
                $said = Phrase::said($pattern, ['dark' => $column, 'effective' => $effective]);
                array_push($spans, ...Span::where($column, 0.0, INF, new Finding(Code::Vignette, Severity::Warn, $part, $pattern, $label), $said));
            }
        }

        return $spans;
    }

    private static function label(Rig $rig, int $part): string
    {
        return $part < 0 ? 'The camera’s mount' : $rig->chain[$part]->label();
    }
}
