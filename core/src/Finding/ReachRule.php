<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\VariableSpacer;
use ZincThimble\Core\Optics\Image;
use ZincThimble\Core\Reading\Infinity;
use ZincThimble\Core\Rig\Rig;

/** `outside-window`, `infinity-lost`, `infinity-overshot`: over what range the rig still focuses. */
final class ReachRule implements Rule
{
    /** `outside-window`, `infinity-lost`, `infinity-overshot`. */
    public function find(RuleContext $context): array
    {
        return [...$this->window($context), ...$this->infinity($context)];
    }

    /** @return list<Span> */
    private function window(RuleContext $context): array
    {
        $asked = $context->rig->conditions->askedDistanceMm;
        [$nearest, $furthest] = $context->range->workingDistanceMm;
        if ($asked === null || $nearest === null) {
            return [];
        }
        if ($asked < $nearest - 1e-9) {
            return $context->always(new Finding(Code::OutsideWindow, Severity::Warn, null,
                match (true) {
                    $furthest === null => 'The nearest it focuses is {nearest:mm} from the front: move back by {by:mm}.',
                    self::isOnePlane($nearest, $furthest) => 'It focuses only {nearest:mm} from the front: move back by {by:mm}.',
                    default => 'It focuses from {nearest:mm} to {furthest:mm} from the front: move back by {by:mm}.',
                },
                ['nearest' => $nearest, 'furthest' => $furthest ?? 0.0, 'by' => $nearest - $asked]));
        }
        if ($furthest !== null && $asked > $furthest + 1e-9) {
            return $context->always(new Finding(Code::OutsideWindow, Severity::Warn, null,
                self::isOnePlane($nearest, $furthest)
                    ? 'It focuses only {nearest:mm} from the front: move in by {by:mm}.'
                    : 'It focuses from {nearest:mm} to {furthest:mm} from the front: move in by {by:mm}.',
                ['nearest' => $nearest, 'furthest' => $furthest, 'by' => $asked - $furthest]));
        }

        return [];
    }

    /** Whether both ends of a window are told by the same figure. */
    private static function isOnePlane(float $nearest, float $furthest): bool
    {
        return Phrase::figure($nearest, 'mm') === Phrase::figure($furthest, 'mm');
    }

    /** @return list<Span> */
    private function infinity(RuleContext $context): array
    {
        $infinity = $context->infinity;
        if ($infinity->neverMm !== null) {
            return [];
        }
        $past = $rest = [];
        foreach ($context->columns->image as $row => $image) {
            $past[] = $short = $image === Image::AtInfinity ? Infinity::pastMm($context->rigAt($row)) : null;
            $rest[] = $short === null ? 1.0 : null;
        }
        // Which control cures it is for its mend to say: along a travel that is another at every place.
        $spans = Span::where($past, 0.0, INF, new Finding(Code::InfinityOvershot, Severity::Note, null,
            'Set past infinity: nothing is sharp at any distance. {over:mm} more of extension makes infinity sharp.'), ['over' => $past]);
        $finding = $this->lostOrToSpare($context);

        return $finding === null ? $spans : [...$spans, ...Span::where($rest, 0.0, INF, $finding)];
    }

    /** A shim is for what no spacer can be set to. */
    private function lostOrToSpare(RuleContext $context): ?Finding
    {
        $infinity = $context->infinity;
        if (! self::asks($context->rig)) {
            return null;
        }
        if ($infinity->reached) {
            return $infinity->overshotMm === null || $infinity->overshotMm <= Limits::SHIM_MM || $this->hasVariableSpacer($context->rig) ? null : new Finding(
                Code::InfinityOvershot, Severity::Note, null,
                'The rig is {over:mm} too short: the infinity mark lies before its stop. A shim of {over:mm} makes the stop right.',
                ['over' => $infinity->overshotMm],
            );
        }

        return $infinity->furthestSubjectMm === null ? null : new Finding(Code::InfinityLost, Severity::Note, null,
            $infinity->spacerToKeepMm === null
                ? 'Infinity is lost: the furthest focus is {furthest:mm} from the sensor.'
                : 'Infinity is lost: the furthest focus is {furthest:mm} from the sensor. A spacer of {keep:mm} would keep it.',
            ['furthest' => $infinity->furthestSubjectMm, 'keep' => $infinity->spacerToKeepMm ?? 0.0]);
    }

    /** Whether somebody wants infinity of it: said so, has a far subject, or put nothing on that could have been meant to take it. */
    private static function asks(Rig $rig): bool
    {
        if ($rig->conditions->infinity || ($rig->conditions->askedDistanceMm ?? 0.0) >= Limits::FAR_MM || ($rig->subject->widthMm ?? 0.0) >= Limits::FAR_WIDTH_MM) {
            return true;
        }
        foreach ($rig->chain as $i => $part) {
            if ($part instanceof Lens) {
                if ($part->reversed || $rig->lenses[$i]->mBegin > 0.0) {
                    return false;
                }
            } elseif (! in_array($part->kind, [Kind::Adapter, Kind::StepRing, Kind::Filter, Kind::Hood, Kind::Teleconverter], true)) {
                return false;
            }
        }

        return true;
    }

    private function hasVariableSpacer(Rig $rig): bool
    {
        foreach ($rig->chain as $part) {
            if ($part instanceof VariableSpacer) {
                return true;
            }
        }

        return false;
    }
}
