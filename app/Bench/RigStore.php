<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\Kit;
use App\Models\Part;
use App\Models\Rig;
use App\Models\RigPart;
use App\Models\RigStep;
use App\Models\User;
use App\Operations\Quota;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\File\Json;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\File\Text;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Part as CorePart;
use ZincThimble\Core\Gear\Spacer;
use ZincThimble\Core\Gear\VariableSpacer;
use ZincThimble\Core\Rig\Rig as CoreRig;

/**
 * Between the rows of a rig and the core's rig. In the core's documents a part of a kit carries its row's id as
 * `kitPart`. Files neither bring it nor take it along: what a rig refers to is looked up in its own kit whenever it is written.
 */
final class RigStore
{
    public const REFERENCE = Part::REFERENCE;

    public function read(Rig $rig): CoreRig
    {
        return RigFile::read($this->document($rig));
    }

    /** Why a rig can't be read any more, with the place; null = it can. One such rig is in no other's way. */
    public function trouble(Rig $rig): ?string
    {
        try {
            $this->read($rig);

            return null;
        } catch (FileInvalid $invalid) {
            return (string) $invalid->faults[0];
        }
    }

    /** @param  bool  $loose  whether it stands on no list: it was set up to be compared, and makes room by itself */
    public function create(User $user, ?Kit $kit, CoreRig $core, ?string $name, bool $loose = false): Rig
    {
        return DB::transaction(function () use ($user, $kit, $core, $name, $loose): Rig {
            if (! $loose) {
                Quota::oneMoreRig($user);
            }
            $known = $this->known($kit?->id, $core);
            $rig = new Rig(['kit_id' => $kit?->id, 'name' => $name, 'revision' => 1, 'step' => 0, 'news' => [], 'tags' => [], 'loose' => $loose, ...$this->columns($core, $known)]);
            $user->rigs()->save($rig);
            $this->writeParts($rig, $core, $known);
            $this->remember($rig, $core, 0, 'Start', $known);

            return $rig;
        });
    }

    /**
     * Keeps a rig after a step, drops what was undone before it, and names the step.
     *
     * @throws StaleRevision when somebody else changed it meanwhile
     */
    public function keep(Rig $rig, int $revision, CoreRig $core, string $label, ?string $sentAs = null): Rig
    {
        return $this->locked($rig, $revision, function (Rig $rig) use ($core, $label, $sentAs): void {
            $this->enlist($rig);
            $rig->steps()->where('number', '>', $rig->step)->delete();
            $rig->step++;
            $this->remember($rig, $core, $rig->step, $label, $this->known($rig->kit_id, $core), $sentAs);
            $rig->steps()->where('number', '<=', $rig->step - (int) config('zinc.undo_steps'))->delete();
            $this->write($rig, $core);
            Quota::bytes($rig->user_id);
        });
    }

    /**
     * Whether a step has been taken already: its sender never heard of it and sends it again.
     *
     * @phpstan-impure
     */
    public function hasTaken(Rig $rig, ?string $sentAs): bool
    {
        return $sentAs !== null && $rig->steps()->where('sent_as', $sentAs)->exists();
    }

    /** One step back in the history; a rig without an older step stays as it is. */
    public function undo(Rig $rig, int $revision): Rig
    {
        return $this->moveInHistory($rig, $revision, -1);
    }

    public function redo(Rig $rig, int $revision): Rig
    {
        return $this->moveInHistory($rig, $revision, 1);
    }

    /**
     * Puts a rig that was set up to be compared among the others; one that stands there already stays as it is.
     *
     * @throws ValidationException when there is no room for it
     */
    public function putOnBench(Rig $rig): Rig
    {
        return $this->locked($rig, null, function (Rig $rig): void {
            if ($rig->loose) {
                $this->enlist($rig);
                $rig->save();
            }
        });
    }

    /** A name, with a number behind it where somebody keeps a rig of that name already. */
    public function freeName(User $user, string $wanted): string
    {
        return Text::freeAmong($wanted, $user->rigs()->where('loose', false)->whereNotNull('name')->pluck('name')->all());
    }

    public function rename(Rig $rig, int $revision, ?string $name): Rig
    {
        try {
            return $this->locked($rig, $revision, function (Rig $rig) use ($name): void {
                $this->enlist($rig);
                $rig->name = $name;
                $rig->revision++;
                $rig->save();
            });
        } catch (UniqueConstraintViolationException) {
            throw ValidationException::withMessages(['name' => 'You already keep a rig of that name.']);
        }
    }

    /**
     * Labels of the steps that undo and redo would take.
     *
     * @return array{undo: ?string, redo: ?string}
     */
    public function history(Rig $rig): array
    {
        $labels = $rig->steps()->whereIn('number', [$rig->step - 1, $rig->step, $rig->step + 1])->pluck('label', 'number');
        // The first state isn't a step: nothing is undone to get before it.
        $undo = $labels->has($rig->step - 1) ? $labels[$rig->step] ?? null : null;
        $redo = $labels[$rig->step + 1] ?? null;

        return ['undo' => is_string($undo) ? $undo : null, 'redo' => is_string($redo) ? $redo : null];
    }

    /** The rig as a file for other people: without the rows that its parts refer to. */
    public function export(Rig $rig): string
    {
        $document = self::without($this->document($rig));
        try {
            $document = RigFile::document(RigFile::read($document));
        } catch (FileInvalid) {
            // What can't be read can be taken out all the same, as it lies there.
            $document = array_filter(get_object_vars($document), static fn (mixed $value): bool => $value !== null);
        }
        if ($rig->name !== null) {
            $document = ['format' => $document['format'], 'version' => $document['version'], 'name' => $rig->name] + $document;
        }

        return Json::write($document);
    }

    /** The rig as other people may have it: without the rows that its parts refer to. */
    public function forOthers(Rig $rig): CoreRig
    {
        return RigFile::read(self::without($this->document($rig)));
    }

    /** A rig's document from outside: whatever it names as parts of a kit is not believed. */
    public static function without(\stdClass $document): \stdClass
    {
        $strip = static function (mixed $part): mixed {
            if ($part instanceof \stdClass) {
                $part = clone $part;
                unset($part->{self::REFERENCE});
            }

            return $part;
        };
        $document = clone $document;
        if (isset($document->camera)) {
            $document->camera = $strip($document->camera);
        }
        if (is_array($document->chain ?? null)) {
            $document->chain = array_map($strip, $document->chain);
        }

        return $document;
    }

    /**
     * Puts the corrected figures of a kit's part wherever the rig uses it, and keeps the news until somebody has seen it.
     * How the part is set stays, brought within what it now can do.
     *
     * @param  array<string, mixed>  $fields  as a rig holds a part of a kit (self::inRig)
     *
     * @throws FileInvalid when no such rig can be; nothing is written then
     */
    public function follow(Rig $rig, int $part, array $fields, \stdClass $news): void
    {
        $this->locked($rig, null, function (Rig $rig) use ($part, $fields, $news): void {
            $document = $this->document($rig);
            self::correct($document, [$part => $fields]);
            $core = RigFile::read($document);
            $rig->news = [...$rig->news, $news];
            $this->write($rig, $core);
        });
    }

    public function tell(Rig $rig, \stdClass $news): void
    {
        $this->locked($rig, null, function (Rig $rig) use ($news): void {
            $rig->news = [...$rig->news, $news];
            $rig->revision++;
            $rig->save();
        });
    }

    public function seen(Rig $rig): void
    {
        $this->locked($rig, null, function (Rig $rig): void {
            $rig->news = [];
            $rig->timestamps = false;
            $rig->save();
        });
    }

    /**
     * A part of a kit as a rig holds it: without what only a kit has, and with the row it refers to.
     *
     * @return array<string, mixed>
     */
    public static function inRig(Part $part): array
    {
        return [self::REFERENCE => $part->id] + get_object_vars(self::withoutNotes((object) array_diff_key(get_object_vars($part->document), array_flip(self::ONLY_KIT))));
    }

    /** What somebody noted of a shot, and when it was taken, stays in the kit like every other note: a rig is shared. */
    private static function withoutNotes(\stdClass $fields): \stdClass
    {
        $copy = clone $fields;
        if (is_array($copy->shots ?? null)) {
            $copy->shots = array_map(static fn (mixed $shot): mixed => $shot instanceof \stdClass ? (object) array_diff_key(get_object_vars($shot), ['note' => 0, 'at' => 0]) : $shot, $copy->shots);
        }
        if (is_array($copy->stations ?? null)) {
            $copy->stations = array_map(static fn (mixed $station): mixed => $station instanceof \stdClass ? self::withoutNotes($station) : $station, $copy->stations);
        }

        return $copy;
    }

    /** What belongs to a kit alone: a rig doesn't hold it. */
    public const ONLY_KIT = ['id', 'count', 'marriedTo', 'note'];

    /** How a part is set in a rig: what a correction leaves alone. */
    public const SETTINGS = ['set' => 0, 'setMm' => 0, 'swingDeg' => 0, 'shiftMm' => 0, 'plateTurned' => 0, 'taped' => 0, 'reversed' => 0];

    /**
     * Gives the parts of a rig's document the figures that their rows have now; how they are set stays, brought within what they can do.
     *
     * @param  array<int, array<string, mixed>>  $parts  corrected fields (self::inRig) by the row they belong to
     */
    public static function correct(\stdClass $document, array $parts): void
    {
        $corrected = static function (mixed $part) use ($parts): mixed {
            if (! $part instanceof \stdClass || ! isset($parts[$part->{self::REFERENCE} ?? 0])) {
                return $part;
            }
            $fields = $parts[$part->{self::REFERENCE}];
            $stays = self::SETTINGS + ['kind' => 0];
            $new = (object) (array_intersect_key(get_object_vars($part), $stays) + array_diff_key($fields, $stays));
            if (isset($new->setMm, $new->minMm, $new->maxMm)) {
                $new->setMm = max($new->minMm, min($new->maxMm, $new->setMm));
            }

            return $new;
        };
        $document->camera = $corrected($document->camera ?? null);
        $document->chain = array_map($corrected, is_array($document->chain ?? null) ? $document->chain : []);
    }

    private function moveInHistory(Rig $rig, int $revision, int $by): Rig
    {
        return $this->locked($rig, $revision, function (Rig $rig) use ($by): void {
            $step = $rig->steps()->where('number', $rig->step + $by)->first();
            if ($step instanceof RigStep) {
                $rig->step += $by;
                $this->write($rig, $this->asTheKitKnows($rig, $step->document));
            }
        });
    }

    /** A rig of the past, with the figures that its parts have in the kit today. */
    private function asTheKitKnows(Rig $rig, \stdClass $document): CoreRig
    {
        $parts = [];
        foreach (Part::query()->where('kit_id', $rig->kit_id)->get() as $part) {
            $parts[$part->id] = self::inRig($part);
        }
        $past = clone $document;
        self::correct($document, $parts);
        try {
            return RigFile::read($document);
        } catch (FileInvalid) {
            return RigFile::read($past);
        }
    }

    /**
     * Reads the rig anew under its lock and changes that: what somebody holds in hand may be older than what lies there.
     *
     * @param  ?int  $revision  the one it has to be; null = whichever it is
     * @param  callable(Rig): void  $change
     */
    private function locked(Rig $rig, ?int $revision, callable $change): Rig
    {
        return DB::transaction(function () use ($rig, $revision, $change): Rig {
            $query = Rig::query()->whereKey($rig->id);
            $query->lockForUpdate();
            $locked = $query->firstOrFail();
            if ($revision !== null && $locked->revision !== $revision) {
                throw new StaleRevision($locked->revision);
            }
            $change($locked);

            return $locked;
        });
    }

    /** Whoever works on a rig keeps it: it stands among the others from then on. */
    private function enlist(Rig $rig): void
    {
        if ($rig->loose) {
            $user = $rig->user()->firstOrFail();
            Quota::oneMoreRig($user);
            $rig->name = $rig->name === null ? null : $this->freeName($user, $rig->name);
            $rig->loose = false;
        }
    }

    private function write(Rig $rig, CoreRig $core): void
    {
        $known = $this->known($rig->kit_id, $core);
        $rig->fill($this->columns($core, $known));
        $rig->revision++;
        $rig->save();
        RigPart::query()->where('rig_id', $rig->id)->delete();
        $this->writeParts($rig, $core, $known);
        $rig->unsetRelation('parts');
    }

    /**
     * Which of the rows that a rig's parts name are its kit's own.
     *
     * @return array<int, true>
     */
    private function known(?int $kit, CoreRig $core): array
    {
        $named = array_filter(array_map(static fn (array $fields): ?int => self::reference($fields), [$core->camera->document->fields, ...array_map(static fn (CorePart $part): array => $part->document->fields, $core->chain)]));
        if ($kit === null || $named === []) {
            return [];
        }
        $known = [];
        foreach (Part::withTrashed()->where('kit_id', $kit)->whereKey(array_values($named))->pluck('id') as $id) {
            $known[is_int($id) ? $id : 0] = true;
        }

        return $known;
    }

    /**
     * @param  array<string, mixed>  $fields
     * @param  array<int, true>  $known
     * @return array<string, mixed>
     */
    private static function referring(array $fields, array $known): array
    {
        return isset($known[self::reference($fields) ?? 0]) ? $fields : array_diff_key($fields, [self::REFERENCE => 0]);
    }

    /**
     * @param  array<int, true>  $known
     * @return array<string, mixed>
     */
    private function columns(CoreRig $core, array $known): array
    {
        $camera = self::referring($core->camera->document->fields, $known);

        return [
            'camera_id' => self::reference($camera),
            'camera' => (object) $camera,
            'conditions' => (object) $core->conditions->document->fields,
            'subject' => $core->subject === null ? null : (object) $core->subject->document->fields,
            'extra' => (object) $core->extra,
        ];
    }

    /** @param  array<int, true>  $known */
    private function writeParts(Rig $rig, CoreRig $core, array $known): void
    {
        $rows = [];
        foreach ($core->chain as $i => $part) {
            $fields = self::referring(array_diff_key($part->document->fields, self::SETTINGS), $known);
            $variable = $part instanceof VariableSpacer;
            $row = new RigPart([
                'part_id' => self::reference($fields),
                'place' => $i,
                'kind' => $part->kind->value,
                'document' => (object) $fields,
                'reversed' => ($part instanceof Lens || $part instanceof Spacer) && $part->reversed,
                'working' => $core->setting->working === $i,
                'makeshift' => $core->setting->makeshift[$i] ?? false,
                'length_mm' => $variable ? RigFile::plain($core->setting->lengthMm[$i] ?? null) : null,
                'focus' => RigFile::plain($core->setting->focus[$i] ?? null),
                'aperture' => RigFile::plain($core->setting->aperture[$i] ?? null),
                'zoom_mm' => RigFile::plain($core->setting->zoomMm[$i] ?? null),
                'swing_deg' => RigFile::plain($core->setting->swingDeg[$i] ?? null),
                'shift_mm' => RigFile::plain($core->setting->shiftMm[$i] ?? null),
            ]);
            $row->rig_id = $rig->id;
            $row->kit_id = $row->part_id === null ? null : $rig->kit_id;
            $rows[] = $row->getAttributes();
        }
        if ($rows !== []) {
            RigPart::query()->insert($rows);
        }
    }

    /** @param  array<int, true>  $known */
    private function remember(Rig $rig, CoreRig $core, int $number, string $label, array $known, ?string $sentAs = null): void
    {
        $document = RigFile::document($core);
        $document['camera'] = self::referring($core->camera->document->fields, $known);
        $document['chain'] = array_map(static fn (array $part): array => self::referring($part, $known), RigFile::chain($core));
        $rig->steps()->create(['number' => $number, 'label' => Text::cut($label, 200), 'document' => $document, 'sent_as' => $sentAs]);
    }

    /** The version-1 document that the rows make up, `kitPart` included. */
    private function document(Rig $rig): \stdClass
    {
        $chain = [];
        foreach ($rig->parts as $row) {
            $part = (object) (['kind' => $row->kind] + get_object_vars($row->document));
            if (in_array($row->kind, ['helicoid', 'bellows'], true)) {
                $part->setMm = $row->length_mm;
                $part->swingDeg = $row->swing_deg;
                $part->shiftMm = $row->shift_mm;
                $part->plateTurned = $row->makeshift ?: null;
            }
            if ($row->kind === 'close-up-lens' && $row->makeshift) {
                $part->taped = true;
            }
            if ($row->reversed) {
                $part->reversed = true;
            }
            if ($row->kind === 'lens') {
                $part->set = (object) array_filter(
                    ['focus' => $row->focus, 'aperture' => $row->aperture, 'zoomMm' => $row->zoom_mm, 'working' => $row->working ?: null, 'makeshift' => $row->makeshift ?: null],
                    static fn (mixed $value): bool => $value !== null,
                );
            }
            $chain[] = $part;
        }

        return (object) ([
            'format' => RigFile::FORMAT,
            'version' => 1,
            'name' => $rig->name,
            'camera' => $rig->camera,
            'chain' => $chain,
            'conditions' => $rig->conditions,
            'subject' => $rig->subject,
        ] + get_object_vars($rig->extra));
    }

    /** @param  array<string, mixed>  $fields */
    public static function reference(array $fields): ?int
    {
        $reference = $fields[self::REFERENCE] ?? null;

        return is_int($reference) ? $reference : null;
    }
}
