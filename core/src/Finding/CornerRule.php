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
        $spans = [];
        $dark = [];
        foreach ($context->columns->cornerBrightness as $row => $brightness) {
            if ($brightness !== null && $brightness < Limits::CORNER_BRIGHTNESS) {
                $part = $context->columns->cornerPart[$row];
                if ($part !== null) {
                    $dark[$part][$row] = 1.0 - $brightness;
                }
            }
        }
        foreach ($dark as $part => $rows) {
            $column = self::filled($rows, $context->columns->rows);
            array_push($spans, ...Span::where($column, 0.0, INF, new Finding(Code::Vignette, Severity::Warn, $part,
                '{part} cuts the corners: they lose {dark:pct} of their light.', ['part' => self::label($context->rig, $part)]), ['dark' => $column]));
        }

        $working = $context->rig->workingLens();
        $other = [];
        foreach ($context->columns->stopPart as $row => $part) {
            if ($part !== null && $part !== $working && ! ($part >= 0 && $context->rig->chain[$part] instanceof Objective)) {
                $other[$part][$row] = 1.0;
            }
        }
        foreach ($other as $part => $rows) {
            array_push($spans, ...Span::where(self::filled($rows, $context->columns->rows), 0.0, INF, new Finding(Code::Vignette, Severity::Warn, $part,
                '{part} limits the light, not the aperture that is set: the rig is really at {effective:f}.',
                ['part' => self::label($context->rig, $part)]), ['effective' => $context->columns->effectiveAperture]));
        }

        return $spans;
    }

    /**
     * @param  array<int, float>  $rows
     * @return list<?float>
     */
    private static function filled(array $rows, int $count): array
    {
        $column = [];
        for ($row = 0; $row < $count; $row++) {
            $column[] = $rows[$row] ?? null;
        }

        return $column;
    }

    private static function label(Rig $rig, int $part): string
    {
        return $part < 0 ? 'The camera’s mount' : $rig->chain[$part]->label();
    }
}
