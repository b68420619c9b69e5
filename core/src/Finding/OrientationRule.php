<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

use ZincThimble\Core\Gear\Design;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Rig\LensModel;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\TravelKind;

/** `turn-it-round`, `unsuited`: whether the lens is the right one, the right way round. */
final class OrientationRule implements Rule
{
    /** `turn-it-round`, `unsuited`. */
    public function find(RuleContext $context): array
    {
        $at = $context->rig->workingLens();
        $lens = $at === null ? null : $context->rig->chain[$at];
        if ($at === null || ! $lens instanceof Lens) {
            return [];
        }
        $spans = [];
        $far = self::madeForFarThings($lens);
        $magnification = $context->columns->magnification;
        if ($lens->reversed) {
            $same = self::usualWay($context, $at);
            $column = [];
            foreach ($magnification as $row => $m) {
                $column[] = $m !== null && $m > 0.0 && $same[$row] >= Limits::SAME_EITHER_WAY * $m ? 1.0 : null;
            }
            array_push($spans, ...Span::where($column, 0.0, INF, new Finding(Code::TurnItRound, Severity::Note, $at,
                '{part} gains nothing by being reversed: the usual way round gives {same:x} and keeps its coupling.', ['part' => $lens->label()]), ['same' => $same]));
            // That it gains nothing says it all.
            $wasted = array_map(static fn (float $share, ?float $gainsNothing): ?float => $gainsNothing === null ? $share : null, self::wasted($context, $at), $column);
            array_push($spans, ...Span::where($wasted, Limits::WASTED, INF, new Finding(Code::Unsuited, Severity::Note, $at,
                '{part} is ill suited to being reversed: {wasted:pct} of its length adds no extension.', ['part' => $lens->label()]), ['wasted' => $wasted]));
        } elseif ($far && self::isAlone($context->rig) && ! $context->rig->camera->isBuiltIn()) {
            array_push($spans, ...Span::where($magnification, Limits::BETTER_REVERSED, INF, new Finding(Code::TurnItRound, Severity::Note, $at,
                'Above life size, {part} is better corrected the other way round: it was made for far things.', ['part' => $lens->label()])));
        }
        if ($context->rig->subject?->flat === true && $lens->flatField === false) {
            array_push($spans, ...$context->always(new Finding(Code::Unsuited, Severity::Note, $at,
                'The field of {part} is curved and the subject is flat: edges and middle won’t be sharp together.', ['part' => $lens->label()])));
        }
        $widest = $context->rig->lenses[$at]->widest;
        if ($far && ! $lens->reversed && $widest !== null && $widest < Limits::WIDE_APERTURE) {
            array_push($spans, ...Span::where($magnification, Limits::CLOSE_UP_WORK, INF, new Finding(Code::Unsuited, Severity::Note, $at,
                '{part} opens to {widest:f} and is not designed for close-up work: expect softness until it is stopped down well.', ['part' => $lens->label(), 'widest' => $widest])));
        }

        return $spans;
    }

    /** Neither a macro lens nor one for copying and enlarging. */
    public static function madeForFarThings(Lens $lens): bool
    {
        return $lens->flatField !== true && $lens->design !== Design::Triplet && ($lens->figures->maxMagnification ?? 0.0) < Limits::CLOSE_UP_WORK;
    }

    /**
     * M of the same lens the usual way round in the place of its reversing ring, row by row: `e / f`.
     *
     * @return list<float>
     */
    private static function usualWay(RuleContext $context, int $at): array
    {
        $rig = $context->rig;
        $rows = $context->columns->rows;
        $z0 = $rig->camera->registerMm;
        $moved = null;
        for ($i = 0; $i < $at; $i++) {
            $kind = $rig->chain[$i]->kind;
            if ($kind->isOptical()) {
                return array_fill(0, $rows, 0.0);
            }
            if ($context->moves($i, TravelKind::Length)) {
                $moved = $i;
            } elseif ($kind !== Kind::ReversingRing && $kind !== Kind::CouplingRing) {
                $z0 += $rig->lengthMm($i);
            }
        }
        // `(z0 + a) / f - 1`, a straight line over the length as over the ring: `(z0 - R) / f(s) + m`, and 1/f(s) is one too.
        $lens = LensModel::of($rig->lenses[$at]);
        $z0 -= $lens->register;
        $s = $rig->setting->focus[$at] ?? 0.0;
        [$least, $more] = match (true) {
            $context->moves($at, TravelKind::Focus) => [$z0 * $lens->phi0 + $lens->mag0, $z0 * $lens->phi1 + $lens->mag1],
            $moved !== null => [$z0 / $lens->focalLength($s) + $lens->magnification($s), 1.0 / $lens->focalLength($s)],
            default => [$z0 / $lens->focalLength($s) + $lens->magnification($s), 0.0],
        };
        if ($more === 0.0) {
            return array_fill(0, $rows, max(0.0, $least));
        }
        $magnifications = [];
        foreach ($context->positions as $position) {
            $m = $least + $more * $position;
            $magnifications[] = $m > 0.0 ? $m : 0.0;
        }

        return $magnifications;
    }

    /**
     * Share of a reversed lens's length that adds no extension, row by row: its image-side plane lies that far behind its tip.
     *
     * @return list<float>
     */
    private static function wasted(RuleContext $context, int $at): array
    {
        $lens = LensModel::of($context->rig->lenses[$at]);
        $share = static function (float $s) use ($lens): float {
            $rim = $lens->rim($s);

            return $rim <= 0.0 ? 0.0 : min(1.0, 1.0 - ($rim - $lens->b($s)) / $rim);
        };

        return $context->moves($at, TravelKind::Focus)
            ? array_map($share, $context->positions)
            : array_fill(0, $context->columns->rows, $share($context->rig->setting->focus[$at] ?? 0.0));
    }

    private static function isAlone(Rig $rig): bool
    {
        return count($rig->lenses) === 1;
    }
}
