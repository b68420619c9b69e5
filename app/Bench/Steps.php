<?php

declare(strict_types=1);

namespace App\Bench;

use App\Http\Resources\StepRequest;
use App\Models\Part;
use App\Models\Rig;
use Illuminate\Validation\ValidationException;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Finding\Mending;
use ZincThimble\Core\Finding\Phrase;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Part as CorePart;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Gear\VariableSpacer;
use ZincThimble\Core\Joint\Mating;
use ZincThimble\Core\Reading\Solver;
use ZincThimble\Core\Reading\SolveTarget;
use ZincThimble\Core\Report\RigReport;
use ZincThimble\Core\Rig\Arrangement;
use ZincThimble\Core\Rig\Rig as CoreRig;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Rig\Travels;

/** Carries out one step that a person takes at the bench. */
final class Steps
{
    public function __construct(private readonly KitAtHand $kit)
    {
    }

    /** A rig longer than this is a mistake. */
    private const LONGEST = 40;

    /**
     * @return array{CoreRig, string} the rig after it, and what the step is called
     *
     * @throws ValidationException names the field
     */
    public function take(Rig $row, CoreRig $rig, StepRequest $step): array
    {
        try {
            return match ($step->action) {
                'set' => $this->set($rig, $step),
                'insert' => $this->insert($row, $rig, $step),
                'remove' => $this->remove($rig, $step),
                'turn' => $this->turn($rig, $step),
                'move' => $this->move($rig, $step),
                'camera' => $this->camera($row, $rig, $step),
                'mend' => $this->mend($row, $rig, $step),
                'solve' => $this->solve($rig, $step),
                'swap' => $this->swap($row, $rig, $step),
                'describe' => $this->describe($rig, $step),
                default => throw ValidationException::withMessages(['action' => 'There is no such step.']),
            };
        } catch (InvalidFigure $fault) {
            throw ValidationException::withMessages([$fault->field => $fault->getMessage()]);
        }
    }

    /** @return array{CoreRig, string} */
    private function set(CoreRig $rig, StepRequest $step): array
    {
        $travel = Travels::named($rig, (string) $step->travel) ?? throw ValidationException::withMessages(['travel' => 'This rig has no such control.']);
        if ($step->value === null || $step->value < $travel->least - 1e-9 || $step->value > $travel->greatest + 1e-9) {
            throw ValidationException::withMessages(['value' => sprintf('This control goes from %s to %s.', Phrase::digits($travel->least), Phrase::digits($travel->greatest))]);
        }
        $name = $rig->chain[$travel->part]->label();
        $told = match ($travel->kind) {
            TravelKind::Length => 'set '.$name.' to '.Phrase::figure($step->value, 'mm'),
            TravelKind::Zoom => 'zoom '.$name.' to '.Phrase::figure($step->value, 'mm'),
            TravelKind::Aperture => 'set '.$name.' to '.Phrase::figure($step->value, 'f'),
            TravelKind::Focus => 'turn the ring of '.$name,
            TravelKind::Swing => 'swing '.$name,
            TravelKind::Shift => 'shift '.$name,
        };

        return [$rig->with($travel->kind, $travel->part, $travel->clamp($step->value)), $told];
    }

    /** @return array{CoreRig, string} */
    private function insert(Rig $row, CoreRig $rig, StepRequest $step): array
    {
        $place = $this->place($step, count($rig->chain));
        $parts = array_map(fn (Part $part): CorePart => $this->kit->part($part), $this->fromKit($row, $step->parts ?? []));
        if ($parts === []) {
            throw ValidationException::withMessages(['parts' => 'Choose a part to put in.']);
        }
        if (count($rig->chain) + count($parts) > self::LONGEST) {
            throw ValidationException::withMessages(['parts' => 'A rig has at most '.self::LONGEST.' parts.']);
        }
        $parts = $this->wayRound($rig, $place, $parts);
        $names = implode(' + ', array_map(fn (CorePart $part): string => $part->label(), $parts));

        return [Arrangement::of($rig)->inserting($place, $parts)->rig($rig), 'put in '.$names];
    }

    /**
     * A lens that goes on only reversed is put in reversed.
     *
     * @param  list<CorePart>  $parts
     * @return list<CorePart>
     */
    private function wayRound(CoreRig $rig, int $place, array $parts): array
    {
        $behind = $rig->chain[$place - 1] ?? null;
        foreach ($parts as $i => $part) {
            if ($part instanceof Lens && ! Mating::of($rig->camera, $behind, $part)->holds() && Mating::of($rig->camera, $behind, $part->turned())->holds()) {
                $parts[$i] = $part->turned();
            }
            $behind = $parts[$i];
        }

        return $parts;
    }

    /** @return array{CoreRig, string} */
    private function remove(CoreRig $rig, StepRequest $step): array
    {
        $place = $this->place($step, count($rig->chain) - 1);

        return [$rig->without([$place]), 'take off '.$rig->chain[$place]->label()];
    }

    /** @return array{CoreRig, string} */
    private function turn(CoreRig $rig, StepRequest $step): array
    {
        $place = $this->place($step, count($rig->chain) - 1);
        if ($rig->chain[$place]->kind !== Kind::Lens) {
            throw ValidationException::withMessages(['place' => 'Only a lens can be turned round.']);
        }

        return [Arrangement::of($rig)->turning($place)->rig($rig), 'turn '.$rig->chain[$place]->label().' round'];
    }

    /** @return array{CoreRig, string} */
    private function move(CoreRig $rig, StepRequest $step): array
    {
        $place = $this->place($step, count($rig->chain) - 1);
        $to = (int) ($step->value ?? -1);
        if ($to < 0 || $to >= count($rig->chain)) {
            throw ValidationException::withMessages(['value' => 'There is no such place in the chain.']);
        }

        return [Arrangement::of($rig)->moving($place, $to)->rig($rig), 'move '.$rig->chain[$place]->label()];
    }

    /** @return array{CoreRig, string} */
    private function camera(Rig $row, CoreRig $rig, StepRequest $step): array
    {
        $parts = $this->fromKit($row, $step->parts ?? [], cameras: true);
        if (count($parts) !== 1) {
            throw ValidationException::withMessages(['parts' => 'Choose one camera.']);
        }
        $camera = Camera::from(new Values($this->kit->fields($parts[0])));
        $conditions = $rig->conditions->with(['mode' => null]);

        return [$rig->withCamera($camera)->withConditions($conditions), 'change to '.($camera->name ?? 'another camera')];
    }

    /**
     * One of the mends of a finding, worked out again here: a screen can't ask for any other change by this way.
     *
     * @return array{CoreRig, string}
     */
    private function mend(Rig $row, CoreRig $rig, StepRequest $step): array
    {
        $answer = RigReport::of($rig);
        foreach ($answer->findings as $finding) {
            if ($finding->code->value === $step->code && $finding->part === $step->place) {
                $mend = Mending::of($rig, $finding, $answer->findings, $this->kit->left($row))[(int) ($step->value ?? 0)] ?? null;
                if ($mend !== null) {
                    return [Mending::applied($rig, $mend), lcfirst($mend->label())];
                }
            }
        }
        throw ValidationException::withMessages(['code' => 'That is cured already, or can’t be cured so.']);
    }

    /** @return array{CoreRig, string} */
    private function solve(CoreRig $rig, StepRequest $step): array
    {
        $wish = SolveTarget::tryFrom((string) $step->wish);
        // A magnification of 0 is infinity; no frame and no distance is as short as nothing.
        if ($wish === null || $step->value === null || $step->value < ($wish === SolveTarget::Magnification ? 0.0 : 0.001)) {
            throw ValidationException::withMessages(['value' => 'Say which reading, and what it should be.']);
        }
        $solution = Solver::anywhere($rig, $wish, $step->value);
        if ($solution === null) {
            throw ValidationException::withMessages(['wish' => 'Nothing on this rig moves focus: change its parts.']);
        }
        $unit = $wish === SolveTarget::Magnification ? 'x' : 'mm';
        $told = ($solution->exact ? 'set to ' : 'as near as it gets to ').Phrase::figure($step->value, $unit).' with '.$rig->chain[$solution->travel->part]->label();

        return [$solution->rig, $told];
    }

    /**
     * Another part in the place of one: it keeps how the old one was set, as far as it can.
     *
     * @return array{CoreRig, string}
     */
    private function swap(Rig $row, CoreRig $rig, StepRequest $step): array
    {
        $place = $this->place($step, count($rig->chain) - 1);
        $parts = array_map(fn (Part $part): CorePart => $this->kit->part($part), $this->fromKit($row, $step->parts ?? []));
        if (count($parts) !== 1) {
            throw ValidationException::withMessages(['parts' => 'Choose one part to put in its place.']);
        }
        $old = $rig->chain[$place]->label();
        $parts = $this->wayRound($rig, $place, $parts);
        $swapped = Arrangement::of($rig)->inserting($place + 1, $parts)->without([$place])->rig($rig);
        $length = $rig->setting->lengthMm[$place] ?? null;
        $new = $swapped->chain[$place];
        if ($length !== null && $new instanceof VariableSpacer) {
            $swapped = $swapped->with(TravelKind::Length, $place, max($new->minMm, min($new->maxMm, $length)));
        }

        return [$swapped, 'swap '.$old.' for '.$new->label()];
    }

    /**
     * Subject and conditions, held to the shapes of the files.
     *
     * @return array{CoreRig, string}
     */
    private function describe(CoreRig $rig, StepRequest $step): array
    {
        $given = $step->document === null ? [] : get_object_vars($step->document);
        if ($given === []) {
            throw ValidationException::withMessages(['document' => 'Say what of subject or conditions is to change.']);
        }
        /** @var \stdClass $document */
        $document = json_decode(json_encode(RigFile::document($rig), JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION), false, 64, JSON_THROW_ON_ERROR);
        foreach ($given as $name => $value) {
            $document->{$name} = $value;
        }

        return [RigFile::read($document), array_key_exists('subject', $given) ? 'describe the subject' : 'change the conditions'];
    }

    private function place(StepRequest $step, int $last): int
    {
        if ($step->place === null || $step->place < 0 || $step->place > $last) {
            throw ValidationException::withMessages(['place' => 'There is no such place in the chain.']);
        }

        return $step->place;
    }

    /**
     * @param  list<int>  $ids
     * @return list<Part> in the order asked for
     */
    private function fromKit(Rig $row, array $ids, bool $cameras = false): array
    {
        $rows = Part::query()->where('kit_id', $row->kit_id)->whereKey($ids)->get()->keyBy('id');
        $parts = [];
        foreach ($ids as $id) {
            $part = $rows->get($id);
            if (! $part instanceof Part) {
                throw ValidationException::withMessages(['parts' => 'Your kit has no such part.']);
            }
            $kind = $part->kindOf();
            if ($cameras ? $kind !== Kind::Camera : ! $kind->inChain()) {
                throw ValidationException::withMessages(['parts' => ($part->name ?? 'This').' can’t stand there.']);
            }
            $parts[] = $part;
        }

        return $parts;
    }
}
