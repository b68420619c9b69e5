<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

use ZincThimble\Core\Reading\Stack;

/** `diffraction`, `slice-thin`, `sway`: how much of the subject can be sharp. */
final class SharpnessRule implements Rule
{
    /** `diffraction`, `slice-thin`, `sway`. */
    public function find(RuleContext $context): array
    {
        $c = $context->rig->blurLimitMm;
        $spans = Span::where($context->columns->airyDiameterMm, Limits::SPOT_OVER_BLUR * $c, INF, new Finding(Code::Diffraction, Severity::Warn, null,
            'Diffraction draws every point {spot:mm} wide, more than twice the blur limit of {limit:mm}. Open the aperture and stack instead.', ['limit' => $c]), ['spot' => $context->columns->airyDiameterMm]);
        $slice = Stack::depths($context->columns, $context->rig->conditions->totalDepth);
        $model = $context->rig->conditions->totalDepth ? 'geometric and diffraction depth together' : 'geometric depth';

        return [...$spans, ...$this->thin($context, $slice, $model), ...$this->sway($context, $slice)];
    }

    /**
     * @param  list<?float>  $slice
     * @return list<Span>
     */
    private function thin(RuleContext $context, array $slice, string $model): array
    {
        $subject = $context->rig->subject;
        if ($subject === null) {
            return [];
        }
        $share = [];
        $needed = [];
        $frames = [];
        foreach ($slice as $row => $depth) {
            $m = $context->columns->magnification[$row];
            $z = $subject->depthOver($m === null || $m <= 0.0 ? null : $context->rig->frame->widthMm / $m);
            $needed[] = $z;
            $share[] = $depth === null || $depth <= 0.0 || $z === null || $z <= 0.0 ? null : $z / $depth;
            $frames[] = $depth === null || $z === null ? null : (float) Stack::frames($z, $depth, Stack::OVERLAP);
        }
        $columns = ['slice' => $slice, 'depth' => $needed, 'frames' => $frames];
        $pattern = 'The slice is {slice:mm} and the subject {depth:mm} deep ({model}): stop down, or stack {frames:n} frames.';

        return [
            ...Span::where($share, Limits::MANY_SLICES, INF, new Finding(Code::SliceThin, Severity::Warn, null, $pattern, ['model' => $model]), $columns),
            ...Span::where($share, Limits::SLICES, Limits::MANY_SLICES, new Finding(Code::SliceThin, Severity::Note, null, $pattern, ['model' => $model]), $columns),
        ];
    }

    /**
     * @param  list<?float>  $slice
     * @return list<Span>
     */
    private function sway(RuleContext $context, array $slice): array
    {
        $sway = Limits::SWAY_MM[$context->rig->conditions->support ?? ''] ?? null;
        if ($sway === null) {
            return [];
        }
        $share = array_map(static fn (?float $depth): ?float => $depth === null || $depth <= 0.0 ? null : $sway / ($depth / 2.0), $slice);

        return Span::where($share, Limits::SWAY_SHARE, INF, new Finding(Code::Sway, Severity::Warn, null,
            $context->rig->conditions->support === 'braced'
                ? 'Even braced you sway about {sway:mm} to and fro, more than half the slice of {slice:mm}. Put it on the table, use flash, or shoot a burst.'
                : 'In the hand you sway about {sway:mm} to and fro, more than half the slice of {slice:mm}. Lean on something, use flash, or shoot a burst.', ['sway' => $sway]), ['slice' => $slice]);
    }
}
