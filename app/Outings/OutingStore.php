<?php

declare(strict_types=1);

namespace App\Outings;

use App\Bench\StaleRevision;
use App\Models\Kit;
use App\Models\Outing;
use App\Models\User;
use App\Operations\Quota;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use ZincThimble\Core\File\Json;
use ZincThimble\Core\File\OutingFile;
use ZincThimble\Core\File\Text;

/** Outings as they are kept: every change is checked as a file is, and made to the state that its person saw. */
final class OutingStore
{
    public const MOST = 400;

    /** Lines that may be ticked off in one outing. */
    public const MOST_TICKS = 400;

    public function __construct(private readonly EntryStore $entries)
    {
    }

    public function read(Outing $outing): OutingFile
    {
        return OutingFile::read((object) (get_object_vars($outing->document) + ['format' => OutingFile::FORMAT, 'version' => 1, 'name' => $outing->name]));
    }

    /** @throws ValidationException when the name is taken, or there is no room */
    public function create(User $user, ?Kit $kit, OutingFile $file, bool $anyName = false): Outing
    {
        return self::named(fn (): Outing => DB::transaction(function () use ($user, $kit, $file, $anyName): Outing {
            if ($user->outings()->count() >= self::MOST) {
                throw ValidationException::withMessages(['name' => 'Four hundred outings are kept already. Delete one first.']);
            }
            $name = self::nameOf($file);
            $taken = $anyName ? array_values(array_filter($user->outings()->pluck('name')->all(), is_string(...))) : [];
            $outing = new Outing(['kit_id' => $kit?->id] + self::columns($file, in_array($name, $taken, true) ? Text::freeAmong($name, $taken) : $name));
            $user->outings()->save($outing);
            foreach ($file->entries as $entry) {
                $this->entries->take($outing, $entry);
            }
            foreach ($file->fields->strings('packed') as $what) {
                self::ticked($outing, $what, true, new \DateTimeImmutable);
            }
            Quota::bytes($user->id);

            return $outing->refresh();
        }));
    }

    /**
     * @throws StaleRevision when it has changed meanwhile
     * @throws ValidationException when the name is taken
     */
    public function save(Outing $outing, int $revision, ?Kit $kit, OutingFile $file): Outing
    {
        return self::named(fn (): Outing => DB::transaction(static function () use ($outing, $revision, $kit, $file): Outing {
            $locked = self::locked($outing);
            if ($locked->revision !== $revision) {
                throw new StaleRevision($locked->revision, 'outing');
            }
            $locked->fill(['kit_id' => $kit?->id, 'revision' => $revision + 1] + self::columns($file, self::nameOf($file)))->save();
            Quota::bytes($locked->user_id);

            return $locked->refresh();
        }));
    }

    /** Of each line the last word counts, by the clock of who said it: one that comes late from a device without a network changes nothing newer. */
    public function tick(Outing $outing, string $what, bool $ticked, \DateTimeImmutable $at): void
    {
        DB::transaction(static function () use ($outing, $what, $ticked, $at): void {
            $locked = self::locked($outing);
            if ($locked->ticks()->where('what', '<>', $what)->count() >= self::MOST_TICKS) {
                throw ValidationException::withMessages(['what' => 'There are more lines on this list than anybody packs.']);
            }
            // A clock that runs ahead doesn't have the last word for ever.
            self::ticked($locked, $what, $ticked, min($at, new \DateTimeImmutable('+1 minute')));
        });
    }

    private static function ticked(Outing $outing, string $what, bool $ticked, \DateTimeImmutable $at): void
    {
        DB::statement('insert into outing_ticks (outing_id, what, ticked, said_at) values (?, ?, ?, ?)
            on conflict (outing_id, what) do update set ticked = excluded.ticked, said_at = excluded.said_at where outing_ticks.said_at <= excluded.said_at',
            [$outing->id, $what, $ticked, $at->format('Y-m-d H:i:s.uP')]);
    }

    private static function locked(Outing $outing): Outing
    {
        $query = Outing::query()->whereKey($outing->id);
        $query->lockForUpdate();

        return $query->firstOrFail();
    }

    private static function nameOf(OutingFile $file): string
    {
        $name = trim($file->fields->stringOr('name', ''));
        if ($name === '') {
            throw ValidationException::withMessages(['name' => 'An outing needs a name.']);
        }

        return $name;
    }

    /** @return array<string, mixed> */
    private static function columns(OutingFile $file, string $name): array
    {
        $document = $file->document();
        unset($document['format'], $document['version'], $document['name'], $document['plan'], $document['entries'], $document['packed']);

        return ['name' => $name, 'held_on' => $file->fields->stringOrNull('date'), 'document' => json_decode(Json::write($document), false, 64, JSON_THROW_ON_ERROR)];
    }

    /**
     * @param  \Closure(): Outing  $write
     */
    private static function named(\Closure $write): Outing
    {
        try {
            return $write();
        } catch (UniqueConstraintViolationException) {
            throw ValidationException::withMessages(['name' => 'You have an outing of that name already.']);
        }
    }
}
