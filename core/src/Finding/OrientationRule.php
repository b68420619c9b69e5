<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

use ZincThimble\Core\Gear\Design;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\TravelKind;

/** `turn-it-round`, `unsuited`: whether the lens is the right one, the right way round. */
final class OrientationRule implements Rule
{
    /** A lens that goes this far by itself was made for near things. */
    private const MACRO = 0.5;

    /** Wider than this, a lens made for far things is soft near by. */
    private const WIDE_APERTURE = 1.5;

    /** `turn-it-round`, `unsuited`. */
    public function find(Facts $facts): array
    {
        $at = $facts->rig->workingLens();
        $lens = $at === null ? null : $facts->rig->chain[$at];
        if ($at === null || ! $lens instanceof Lens) {
            return [];
        }
        $spans = [];
        $far = self::madeForFarThings($lens);
        $magnification = $facts->columns->magnification;
        if ($lens->reversed) {
            $moved = $facts->travel !== null && ($facts->travel->kind === TravelKind::Length || $facts->moves($at, TravelKind::Focus, TravelKind::Zoom));
            $same = $facts->column($moved, static fn (Rig $rig): float => self::usualWay($rig, $at));
            $column = [];
            foreach ($magnification as $row => $m) {
                $column[] = $m !== null && $m > 0.0 && $same[$row] >= 0.95 * $m ? 1.0 : null;
            }
            array_push($spans, ...Span::where($column, 0.0, INF, new Finding(Code::TurnItRound, Severity::Note, $at,
                '{part} gains nothing by being reversed: the usual way round gives {same:x} and keeps its coupling.', ['part' => $lens->label()]), ['same' => $same]));
            $wasted = $facts->column($facts->moves($at, TravelKind::Focus, TravelKind::Zoom), static fn (Rig $rig): float => min(1.0, self::wasted($rig, $at)));
            array_push($spans, ...Span::where($wasted, 0.5, INF, new Finding(Code::Unsuited, Severity::Note, $at,
                '{part} is ill suited to being reversed: {wasted:pct} of its length adds no extension.', ['part' => $lens->label()]), ['wasted' => $wasted]));
        } elseif ($far && self::isAlone($facts->rig)) {
            array_push($spans, ...Span::where($magnification, 1.0, INF, new Finding(Code::TurnItRound, Severity::Note, $at,
                'Above life size, {part} is better corrected the other way round: it was made for far things.', ['part' => $lens->label()])));
        }
        if ($facts->rig->subject?->flat === true && $lens->flatField === false) {
            array_push($spans, ...$facts->always(new Finding(Code::Unsuited, Severity::Note, $at,
                'The field of {part} is curved and the subject is flat: edges and middle won’t be sharp together.', ['part' => $lens->label()])));
        }
        $widest = $facts->rig->lenses[$at]->widest;
        if ($far && ! $lens->reversed && $widest !== null && $widest < self::WIDE_APERTURE) {
            array_push($spans, ...Span::where($magnification, self::MACRO, INF, new Finding(Code::Unsuited, Severity::Note, $at,
                '{part} opens to {widest:f} and was not made for near: expect softness until it is stopped down well.', ['part' => $lens->label(), 'widest' => $widest])));
        }

        return $spans;
    }

    /** Neither a macro lens nor one for copying and enlarging. */
    public static function madeForFarThings(Lens $lens): bool
    {
        return $lens->flatField !== true && $lens->design !== Design::Triplet && ($lens->figures->maxMagnification ?? 0.0) < self::MACRO;
    }

    /** M of the same lens the usual way round in the place of its reversing ring: `e / f`. */
    private static function usualWay(Rig $rig, int $at): float
    {
        $settled = $rig->lenses[$at];
        $z0 = $rig->camera->registerMm;
        for ($i = 0; $i < $at; $i++) {
            if ($rig->chain[$i]->kind->isOptical()) {
                return 0.0;
            }
            if ($rig->chain[$i]->kind !== Kind::ReversingRing && $rig->chain[$i]->kind !== Kind::CouplingRing) {
                $z0 += $rig->lengthMm($i);
            }
        }
        $s = $rig->setting->focus[$at] ?? 0.0;

        return max(0.0, ($z0 + $settled->a($s)) / $settled->focalLength($s) - 1.0);
    }

    /** Share of a reversed lens's length that adds no extension: its image-side plane lies that far behind its tip. */
    private static function wasted(Rig $rig, int $at): float
    {
        $settled = $rig->lenses[$at];
        $s = $rig->setting->focus[$at] ?? 0.0;
        $rim = $settled->rimAt($s);

        return $rim <= 0.0 ? 0.0 : 1.0 - ($rim - $settled->a($s) - $settled->principalGap($s)) / $rim;
    }

    private static function isAlone(Rig $rig): bool
    {
        return count($rig->lenses) === 1;
    }
}
