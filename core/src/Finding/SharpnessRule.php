<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

use ZincThimble\Core\Reading\Stack;

/** `diffraction`, `slice-thin`, `sway`: how much of the subject can be sharp. */
final class SharpnessRule implements Rule
{
    /** Usual sway to and fro in the hand over half a second, mm (OPTICS.md, "Light"). */
    public const SWAY_MM = ['hand' => 1.0, 'braced' => 0.3];

    /** `diffraction`, `slice-thin`, `sway`. */
    public function find(RuleContext $context): array
    {
        $c = $context->rig->blurLimitMm;
        $spans = Span::where($context->columns->airyDiameterMm, 2.0 * $c, INF, new Finding(Code::Diffraction, Severity::Warn, null,
            'Diffraction draws every point {spot:mm} wide, more than twice the blur limit of {limit:mm}. Open the aperture and stack instead.', ['limit' => $c]), ['spot' => $context->columns->airyDiameterMm]);
        $slice = Stack::depths($context->columns, $context->rig->conditions->totalDepth);
        $model = $context->rig->conditions->totalDepth ? 'geometric and wave depth together' : 'geometric depth';

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
            ...Span::where($share, 10.0, INF, new Finding(Code::SliceThin, Severity::Warn, null, $pattern, ['model' => $model]), $columns),
            ...Span::where($share, 1.0, 10.0, new Finding(Code::SliceThin, Severity::Note, null, $pattern, ['model' => $model]), $columns),
        ];
    }

    /**
     * @param  list<?float>  $slice
     * @return list<Span>
     */
    private function sway(RuleContext $context, array $slice): array
    {
        $sway = self::SWAY_MM[$context->rig->conditions->support ?? ''] ?? null;
        if ($sway === null) {
            return [];
        }
        $share = array_map(static fn (?float $depth): ?float => $depth === null || $depth <= 0.0 ? null : $sway / ($depth / 2.0), $slice);

        return Span::where($share, 1.0, INF, new Finding(Code::Sway, Severity::Warn, null,
            'In the hand you sway about {sway:mm} to and fro, more than half the slice of {slice:mm}. Lean on something, use flash, or shoot a burst.', ['sway' => $sway]), ['slice' => $slice]);
    }
}
