<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Optics\AxialSampler;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Optics\Image;

/** `adds-little`: a part whose absence changes the field by less than 5 %. */
final class ContributionRule implements Rule
{
    /** `adds-little`: parts without which the field hardly changes. */
    public function find(RuleContext $context): array
    {
        $spans = [];
        foreach ($context->rig->chain as $i => $part) {
            if ($part->kind !== Kind::Tube && $part->kind !== Kind::CloseUpLens) {
                continue;
            }
            $column = $this->changes($context, $i);
            array_push($spans, ...Span::where($column, -1.0, Limits::ADDS_LITTLE - 1e-12, new Finding(Code::AddsLittle, Severity::Note, $i,
                '{part} adds next to nothing: without it the field changes by {change:pct}.', ['part' => $part->label()]), ['change' => $column]));
        }

        return $spans;
    }

    /**
     * By how much of itself the field changes without that part, row by row.
     *
     * @return list<?float>
     */
    private function changes(RuleContext $context, int $part): array
    {
        $moved = $context->travel !== null && $context->travel->kind->movesFocus() && $context->travel->part !== $part ? [$context->travel] : [];
        if ($moved === []) {
            $axis = Axis::of($context->rig, $part);
            $without = array_fill(0, $context->columns->rows, Image::of($axis->y, $axis->t) === Image::Real && ! $axis->unmodelled ? abs($axis->t) * $axis->factor : null);
        } else {
            [, $without] = (new AxialSampler($context->rig, $moved, $part))->columns([$context->positions]);
        }
        $column = [];
        foreach ($context->columns->magnification as $row => $magnification) {
            $other = $without[$row];
            if ($magnification === null || $magnification <= 0.0 || $other === null || $other <= 0.0) {
                $column[] = null;
            } else {
                $change = $magnification / $other - 1.0;
                $column[] = $change < 0.0 ? -$change : $change;
            }
        }

        return $column;
    }
}
