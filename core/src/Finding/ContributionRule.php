<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

use ZincThimble\Core\Gear\Focusing;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Trace\AxialSampler;
use ZincThimble\Core\Trace\Image;

/** `adds-little`: a part whose absence changes the field by less than 5 %. */
final class ContributionRule implements Rule
{
    public const LITTLE = 0.05;

    /** `adds-little`: parts without which the field hardly changes. */
    public function find(Facts $facts): array
    {
        $spans = [];
        foreach ($facts->rig->chain as $i => $part) {
            if ($part->kind !== Kind::Tube && $part->kind !== Kind::CloseUpLens) {
                continue;
            }
            $column = $this->changes($facts, $i);
            array_push($spans, ...Span::where($column, -1.0, self::LITTLE - 1e-12, new Finding(Code::AddsLittle, Severity::Note, $i,
                '{part} adds next to nothing: without it the field changes by {change:pct}.', ['part' => $part->label()]), ['change' => $column]));
        }

        return $spans;
    }

    /**
     * By how much of itself the field changes without that part, row by row.
     *
     * @return list<?float>
     */
    private function changes(Facts $facts, int $part): array
    {
        $moved = $facts->travel !== null && $facts->travel->kind->movesFocus() && $facts->travel->part !== $part ? [$facts->travel] : [];
        $sampler = new AxialSampler($facts->rig, $moved, $part);
        if ($moved === []) {
            $sampler->sample([]);
            $without = array_fill(0, $facts->columns->rows, $sampler->image === Image::Real ? $sampler->magnification : null);
        } else {
            $without = $sampler->magnifications($facts->places, self::isStraight($facts, $moved[0]));
        }
        $column = [];
        foreach ($facts->columns->magnification as $row => $magnification) {
            $other = $without[$row];
            $column[] = $magnification === null || $magnification <= 0.0 || $other === null || $other <= 0.0 ? null : abs($magnification / $other - 1.0);
        }

        return $column;
    }

    /** Whether slopes are straight lines over the travel: true of lengths, and of the ring of a lens that moves as a whole. */
    private static function isStraight(Facts $facts, Travel $travel): bool
    {
        return $travel->kind === TravelKind::Length || $facts->rig->lenses[$travel->part]->focusing !== Focusing::Internal;
    }
}
