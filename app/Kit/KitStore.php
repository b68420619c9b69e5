<?php

declare(strict_types=1);

namespace App\Kit;

use App\Bench\CorrectionPropagator;
use App\Models\Kit;
use App\Models\KitStep;
use App\Models\Part;
use App\Models\Rig;
use App\Models\User;
use App\Operations\Quota;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use ZincThimble\Core\File\KitItem;
use ZincThimble\Core\File\Text;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Start\Guesses;

/**
 * Changes of a kit. Each is one step of its history, kept as what every part it touched was before and after, so that
 * undo writes the one and redo the other. A part that goes stays in the table, marked, with its id: rigs stand on it.
 */
final class KitStore
{
    /** A kit larger than this is a mistake. */
    public const MOST_PARTS = 2000;

    /** As many kits one person may have. */
    public const MOST_KITS = 20;

    public function __construct(private readonly CorrectionPropagator $following)
    {
    }

    /** An empty kit more; more than MOST_KITS are refused. */
    public function start(User $user, string $name, ?string $currency): Kit
    {
        return DB::transaction(function () use ($user, $name, $currency): Kit {
            User::query()->whereKey($user->id)->lockForUpdate()->first();
            if ($user->kits()->count() >= self::MOST_KITS) {
                throw ValidationException::withMessages(['name' => 'You have '.self::MOST_KITS.' kits already, and that is as many as there is room for.']);
            }
            $kit = new Kit(['name' => $name, 'currency' => $currency, 'extra' => new \stdClass]);
            $user->kits()->save($kit);

            return $kit->refresh();
        });
    }

    /** A name, with a number behind it where the person has a kit of that name already. */
    public function freeName(User $user, string $wanted): string
    {
        return Text::freeAmong($wanted, $user->kits()->pluck('name')->all());
    }

    /**
     * An empty kit goes. The last one is refused, and one that parts are in or rigs were built from.
     */
    public function drop(Kit $kit): void
    {
        DB::transaction(function () use ($kit): void {
            User::query()->whereKey($kit->user_id)->lockForUpdate()->first();
            $reason = match (true) {
                Kit::query()->where('user_id', $kit->user_id)->count() < 2 => 'This is your only kit: it stays.',
                $kit->parts()->exists() => 'There are parts in this kit. Remove them first.',
                Rig::query()->where('kit_id', $kit->id)->exists() => 'Rigs were built from this kit. Delete them first.',
                default => null,
            };
            if ($reason !== null) {
                throw ValidationException::withMessages(['kit' => $reason]);
            }
            $kit->delete();
        });
    }

    /**
     * @param  non-empty-list<KitItem>  $items
     * @return list<Part> the new rows
     */
    public function add(Kit $kit, array $items, ?string $label = null): array
    {
        $added = [];
        $this->step($kit, $label ?? 'add '.self::called($items[0]->fields, $items[0]->kind, count($items)), function (Kit $kit) use ($items, &$added): array {
            if ($kit->parts()->count() + count($items) > self::MOST_PARTS) {
                throw ValidationException::withMessages(['parts' => 'A kit holds at most '.number_format(self::MOST_PARTS).' parts.']);
            }
            $added = $this->insert($kit, $items);
            $this->checkMarriages($kit);

            return array_map(static fn (Part $row): array => ['part' => $row->id, 'before' => null, 'after' => $row->state()], $added);
        });

        return $added;
    }

    /** @throws StalePart when somebody changed the part meanwhile */
    public function update(Part $part, int $version, KitItem $item, ?string $label = null): Part
    {
        $kit = $part->kit;
        $this->step($kit, $label ?? 'change '.self::called($item->fields, $item->kind), function (Kit $kit) use ($part, $version, $item): array {
            $row = $this->fresh($part, $version);
            if ($item->kind !== $row->kindOf()) {
                throw ValidationException::withMessages(['part.kind' => 'A part stays what it is; add another one.']);
            }
            $before = $row->state();
            $ref = $item->fields['id'] ?? $row->ref;
            if ($ref !== $row->ref && Part::withTrashed()->where('kit_id', $kit->id)->where('ref', $ref)->exists()) {
                throw ValidationException::withMessages(['part.id' => 'Another part has that short name.']);
            }
            $was = json_decode(json_encode($row->document, JSON_THROW_ON_ERROR), true, 64, JSON_THROW_ON_ERROR);
            $fields = Guesses::left(is_array($was) ? $was : [], $item->fields);
            $this->write($row, (object) ['kind' => $row->kind, 'position' => $row->position, 'fields' => (object) (['id' => $ref] + $fields)]);
            $this->checkMarriages($kit);

            return [['part' => $row->id, 'before' => $before, 'after' => $row->state()]];
        });

        return $part->refresh();
    }

    /**
     * @param  bool  $anyway  whether rigs that use it have been told of
     *
     * @throws PartInUse
     */
    public function remove(Part $part, bool $anyway): void
    {
        $rigs = $this->following->rigsOf($part);
        if ($rigs !== [] && ! $anyway) {
            throw new PartInUse(array_map(static fn ($rig): string => $rig->name ?? 'Unnamed rig', $rigs));
        }
        $this->step($part->kit, 'remove '.($part->name ?? $part->kind), function (Kit $kit) use ($part): array {
            $row = $this->fresh($part);
            $before = $row->state();
            $row->delete();

            return [['part' => $row->id, 'before' => $before, 'after' => null]];
        });
    }

    /** Brings a part back that was taken out. */
    public function restore(Part $part): Part
    {
        $this->step($part->kit, 'bring back '.($part->name ?? $part->kind), function () use ($part): array {
            $part->restore();

            return [['part' => $part->id, 'before' => null, 'after' => $part->state()]];
        });

        return $part;
    }

    /**
     * All of an import in one step. An item replaces the part of the kit that it is matched with.
     *
     * @param  list<array{KitItem, ?Part}>  $items
     */
    public function import(Kit $kit, int $revision, array $items, string $label): Kit
    {
        return $this->step($kit, $label, function (Kit $kit) use ($items): array {
            $changes = $new = [];
            foreach ($items as $at => [$item, $match]) {
                if ($match instanceof Part) {
                    $row = $this->fresh($match);
                    $before = $row->state();
                    $this->write($row, (object) ['kind' => $row->kind, 'position' => $row->position, 'fields' => (object) (['id' => $row->ref] + $item->fields)]);
                    $changes[$at] = ['part' => $row->id, 'before' => $before, 'after' => $row->state()];
                } else {
                    $new[$at] = $item;
                }
            }
            foreach (array_combine(array_keys($new), $this->insert($kit, array_values($new))) as $at => $row) {
                $changes[$at] = ['part' => $row->id, 'before' => null, 'after' => $row->state()];
            }
            ksort($changes);
            if ($new !== [] && $kit->parts()->count() > self::MOST_PARTS) {
                throw ValidationException::withMessages(['text' => 'A kit holds at most '.number_format(self::MOST_PARTS).' parts.']);
            }
            $this->checkMarriages($kit);

            return array_values($changes);
        }, $revision);
    }

    public function undo(Kit $kit, int $revision): Kit
    {
        return $this->moveInHistory($kit, $revision, -1);
    }

    public function redo(Kit $kit, int $revision): Kit
    {
        return $this->moveInHistory($kit, $revision, 1);
    }

    /**
     * Labels of the steps that undo and redo would take.
     *
     * @return array{undo: ?string, redo: ?string}
     */
    public function history(Kit $kit): array
    {
        $labels = $kit->steps()->whereIn('number', [$kit->step, $kit->step + 1])->pluck('label', 'number');
        $undo = $labels[$kit->step] ?? null;
        $redo = $labels[$kit->step + 1] ?? null;

        return ['undo' => is_string($undo) ? $undo : null, 'redo' => is_string($redo) ? $redo : null];
    }

    private function moveInHistory(Kit $kit, int $revision, int $by): Kit
    {
        return $this->locked($kit, $revision, function (Kit $kit) use ($by): void {
            $step = $kit->steps()->where('number', $by < 0 ? $kit->step : $kit->step + 1)->first();
            if (! $step instanceof KitStep) {
                return;
            }
            foreach ($by < 0 ? array_reverse($step->changes) : $step->changes as $change) {
                $row = Part::withTrashed()->where('kit_id', $kit->id)->whereKey($change->part)->firstOrFail();
                $state = $by < 0 ? $change->before : $change->after;
                if ($state === null) {
                    $row->delete();
                } else {
                    $row->deleted_at = null;
                    $this->write($row, $state);
                }
            }
            $kit->step += $by;
            $kit->revision++;
            $kit->save();
        });
    }

    /** @param  callable(Kit): list<array{part: int, before: ?\stdClass, after: ?\stdClass}>  $change */
    private function step(Kit $kit, string $label, callable $change, ?int $revision = null): Kit
    {
        return $this->locked($kit, $revision, function (Kit $kit) use ($label, $change): void {
            $changes = $change($kit);
            if ($changes === []) {
                return;
            }
            $kit->steps()->where('number', '>', $kit->step)->delete();
            $kit->step++;
            $kit->steps()->create(['number' => $kit->step, 'label' => Text::cut($label, 200), 'changes' => $changes]);
            $kit->steps()->where('number', '<=', $kit->step - (int) config('zinc.undo_steps'))->delete();
            $kit->revision++;
            $kit->save();
            Quota::bytes($kit->user_id);
        });
    }

    /** @param  callable(Kit): void  $change */
    private function locked(Kit $kit, ?int $revision, callable $change): Kit
    {
        return DB::transaction(function () use ($kit, $revision, $change): Kit {
            $query = Kit::query()->whereKey($kit->id);
            $query->lockForUpdate();
            $locked = $query->firstOrFail();
            if ($revision !== null && $locked->revision !== $revision) {
                throw new StalePart('The kit', $locked->revision);
            }
            $change($locked);

            return $locked;
        });
    }

    private function fresh(Part $part, ?int $version = null): Part
    {
        $row = Part::query()->whereKey($part->id)->first();
        if (! $row instanceof Part) {
            throw new StalePart('This part', 0);
        }
        if ($version !== null && $row->version !== $version) {
            throw new StalePart($row->name ?? 'This part', $row->version);
        }

        return $row;
    }

    /**
     * New rows behind the others, each under a short name that no part of the kit has or had. As few questions for two thousand as for one:
     * the kit is locked, so what is free now stays so.
     *
     * @param  list<KitItem>  $items
     * @return list<Part> in the order of the items
     */
    private function insert(Kit $kit, array $items): array
    {
        if ($items === []) {
            return [];
        }
        $last = Part::withTrashed()->where('kit_id', $kit->id)->max('position');
        $position = is_int($last) ? $last : -1;
        $taken = array_fill_keys(Part::withTrashed()->where('kit_id', $kit->id)->pluck('ref')->all(), true);
        $rows = $refs = [];
        foreach ($items as $item) {
            $fields = $item->fields;
            $ref = is_string($fields['id'] ?? null) && $fields['id'] !== '' ? $fields['id'] : null;
            if ($ref === null || isset($taken[$ref])) {
                $ref = self::freeRef($taken, is_string($fields['name'] ?? null) ? $fields['name'] : $item->kind->value);
            }
            $taken[$ref] = true;
            $refs[] = $ref;
            $row = new Part(Part::columns(new KitItem($item->kind, ['id' => $ref] + $fields), ++$position));
            $row->kit_id = $kit->id;
            $row->updateTimestamps();
            $rows[] = $row->getAttributes();
        }
        // A statement carries 65,535 values at most.
        foreach (array_chunk($rows, 500) as $some) {
            Part::query()->insert($some);
        }
        $added = Part::query()->where('kit_id', $kit->id)->where('position', '>', $position - count($items))->get()->keyBy('ref');

        return array_map(static fn (string $ref): Part => $added[$ref] ?? throw new \LogicException('A part that was put in is not there.'), $refs);
    }

    private function write(Part $row, \stdClass $state): void
    {
        $before = $row->document;
        $row->fill(Part::columns(new KitItem(Kind::from($state->kind), get_object_vars($state->fields)), $state->position));
        $row->version++;
        $row->save();
        $this->following->follow($row, $before);
    }

    /** What is kept on a part is kept on one of this kit, and not on itself. */
    private function checkMarriages(Kit $kit): void
    {
        $parts = $kit->parts()->get(['id', 'ref', 'name', 'document']);
        $refs = array_fill_keys($parts->pluck('ref')->all(), true);
        foreach ($parts as $part) {
            $on = $part->document->marriedTo ?? null;
            if (is_string($on) && (! isset($refs[$on]) || $on === $part->ref)) {
                throw ValidationException::withMessages(['part.marriedTo' => ($part->name ?? 'A part').' is kept on “'.$on.'”, which is no other part of this kit.']);
            }
        }
    }

    /** @param  array<array-key, true>  $taken */
    private static function freeRef(array $taken, string $name): string
    {
        $base = Str::limit(Str::slug($name) ?: 'part', 60, '');
        $ref = $base;
        for ($n = 2; isset($taken[$ref]); $n++) {
            $ref = $base.'-'.$n;
        }

        return $ref;
    }

    /** @param  array<string, mixed>  $fields */
    private static function called(array $fields, Kind $kind, int $count = 1): string
    {
        $name = is_string($fields['name'] ?? null) ? $fields['name'] : $kind->spoken();

        return $count > 1 ? $name.' and '.($count - 1).' more' : $name;
    }
}
