<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Spacer;
use ZincThimble\Core\Gear\VariableSpacer;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\TravelKind;

/** `screw-loose`, `no-shoulder`, `bare-rear`, `flare`: small things that spoil a session. */
final class HandlingRule implements Rule
{
    /** `no-shoulder`, `bare-rear`, `body-uncoupled`, `flare`. */
    public function find(RuleContext $context): array
    {
        $findings = [];
        foreach ($context->rig->chain as $i => $part) {
            if ($part instanceof Lens && $context->rig->lenses[$i]->turns() && $part->identity->rear->main()?->isThread() === true) {
                $findings[] = new Finding(Code::ScrewLoose, Severity::Note, $i,
                    '{part} sits on a screw joint: turning its ring may unscrew it instead of focusing. Hold the barrel.', ['part' => $part->label()]);
            }
            if ($part instanceof Spacer && $part->shoulder === false && ($part->kind === Kind::Adapter || $part->kind === Kind::StepRing)) {
                $findings[] = new Finding(Code::NoShoulder, Severity::Note, $i,
                    '{part} has no shoulder to stop against: it can be screwed in too far.', ['part' => $part->label()]);
            }
            if ($part instanceof Lens && $part->reversed && $i === count($context->rig->chain) - 1) {
                $findings[] = new Finding(Code::BareRear, Severity::Note, $i,
                    'Rear glass and levers of {part} stand bare towards the subject: put a hood or ring on.', ['part' => $part->label()]);
            }
        }
        $spans = [];
        foreach ($findings as $finding) {
            array_push($spans, ...$context->always($finding));
        }

        return [...$spans, ...$this->flare($context)];
    }

    /** @return list<Span> */
    private function flare(RuleContext $context): array
    {
        [$length, $tubes, $moving] = self::bareBehindTheLens($context->rig, $context->travel?->kind === TravelKind::Length ? $context->travel->part : null);
        $many = $tubes >= Limits::BARE_TUBES;
        if (! $moving && ! $many && $length <= Limits::BARE_MM) {
            return [];
        }
        $bare = array_fill(0, $context->columns->rows, $length);
        if ($moving) {
            foreach ($context->positions as $row => $position) {
                $bare[$row] = $length + $position;
            }
            $bare = array_values($bare);
        }

        return Span::where($bare, $many ? -INF : Limits::BARE_MM, INF, new Finding(Code::Flare, Severity::Note, null,
            'There are {bare:mm} of bare tube and cloth behind the lens: line or hood them against flare.'), ['bare' => $bare]);
    }

    /** @return array{float, int, bool} length behind the first lens, tubes among it, and whether the moving part is left out */
    private static function bareBehindTheLens(Rig $rig, ?int $movingPart): array
    {
        $length = 0.0;
        $tubes = 0;
        $moving = false;
        foreach ($rig->chain as $i => $part) {
            if ($part->kind->isOptical()) {
                break;
            }
            if ($part instanceof VariableSpacer && $i === $movingPart) {
                $moving = true;
            } elseif ($part->kind === Kind::Tube || $part instanceof VariableSpacer) {
                $length += $rig->lengthMm($i);
            }
            $tubes += $part->kind === Kind::Tube ? 1 : 0;
        }

        return [$length, $tubes, $moving];
    }
}
