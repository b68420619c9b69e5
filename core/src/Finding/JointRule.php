<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

use ZincThimble\Core\Gear\Bellows;
use ZincThimble\Core\Gear\Joint;
use ZincThimble\Core\Gear\JointEnd;
use ZincThimble\Core\Joint\Fit;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\TravelKind;

/** `joint-mismatch`, `thread-lookalike`, `grip-fouls`: whether the parts go together at all. */
final class JointRule implements Rule
{
    /** `joint-mismatch`, `thread-lookalike`, `grip-fouls`, `screw-loose`. */
    public function find(RuleContext $context): array
    {
        $spans = [];
        $camera = $context->rig->camera;
        $behind = null;
        foreach ($context->rig->chain as $i => $part) {
            $fit = $context->rig->fitAt($i);
            if ($fit !== Fit::Mates && $fit !== Fit::Unknown) {
                $front = $behind === null ? $camera->front : $behind->identity->front;
                $spans[] = new Span($this->misfit($fit, $i, $front, $part->identity->rear, [
                    'behind' => $behind?->label() ?? $camera->name ?? 'the camera',
                    'part' => $part->label(),
                ]), 0, $context->columns->rows - 1);
            }
            $behind = $part;
        }

        return [...$spans, ...$this->grip($context)];
    }

    /** @param  array{behind: string, part: string}  $names */
    private function misfit(Fit $fit, int $i, JointEnd $front, JointEnd $rear, array $names): Finding
    {
        $numbers = $names + ['one' => self::end($front), 'other' => self::end($rear)];

        return match ($fit) {
            Fit::LookAlike => new Finding(Code::ThreadLookalike, Severity::Stop, $i,
                '{behind} ends in {one}, {part} begins with {other}: same diameter, different pitch. They start, bind and are ruined. Don’t force them.', $numbers),
            Fit::SameSide => new Finding(Code::JointMismatch, Severity::Stop, $i,
                '{behind} and {part} are both {side} at {one}. A ring between them is missing, or one stands the wrong way round.', $numbers + ['side' => $front->side->value]),
            Fit::ClipSize => new Finding(Code::JointMismatch, Severity::Stop, $i,
                'The clip of {part} doesn’t go round the front of {behind}.', $numbers),
            Fit::Improvised => new Finding(Code::JointMismatch, Severity::Warn, $i,
                '{part} is held on {behind} by tape. It may tilt, leak light or let go: keep a hand under it.', $numbers),
            default => new Finding(Code::JointMismatch, Severity::Stop, $i,
                '{behind} ends in {one}, {part} begins with {other}. They don’t go together without an adapter.', $numbers),
        };
    }

    private static function end(JointEnd $end): string
    {
        return implode(' or ', array_map(static fn (Joint $joint): string => $joint->spoken(), $end->joints));
    }

    /**
     * Spacers before a bellows shorter than `gripOverhangMm - rearClearanceMm` (OPTICS.md, "Light").
     *
     * @return list<Span>
     */
    private function grip(RuleContext $context): array
    {
        $overhang = $context->rig->camera->gripOverhangMm;
        if ($overhang === null) {
            return [];
        }
        foreach ($context->rig->chain as $i => $part) {
            if ($part instanceof Bellows) {
                $moved = $context->travel !== null && $context->travel->kind === TravelKind::Length && $context->travel->part < $i;
                $missing = $context->column($moved, static fn (Rig $rig): float => $overhang - $part->rearClearanceMm - self::spacersBefore($rig, $i));

                return Span::where($missing, 1e-9, INF, new Finding(Code::GripFouls, Severity::Stop, $i,
                    'The camera’s grip meets the rail of {part}. It needs {missing:mm} more spacer behind the bellows.', ['part' => $part->label()]), ['missing' => $missing]);
            }
        }

        return [];
    }

    /** Length of the spacers between the camera and the part at that place, mm. */
    private static function spacersBefore(Rig $rig, int $index): float
    {
        $length = 0.0;
        for ($i = 0; $i < $index; $i++) {
            $length += $rig->chain[$i]->kind->isOptical() ? 0.0 : $rig->lengthMm($i);
        }

        return $length;
    }
}
