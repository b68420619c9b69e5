<?php

declare(strict_types=1);

namespace App\Outings;

use App\Models\Entry;
use App\Models\Outing;
use App\Operations\Quota;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use ZincThimble\Core\File\EntryDocument;
use ZincThimble\Core\File\Json;
use ZincThimble\Core\File\OutingFile;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\Rig;

/** The log of an outing: entries come from devices, in any order and more than once, and none is ever changed. */
final class EntryStore
{
    /**
     * Takes an entry in. One that is there already stays as it is: whoever sends it again gets what is kept. One that there is no room for,
     * and one whose id is that of an entry of another outing, is refused with a validation error.
     */
    public function take(Outing $outing, EntryDocument $entry): Entry
    {
        return DB::transaction(function () use ($outing, $entry): Entry {
            $query = Outing::query()->whereKey($outing->id);
            $query->lockForUpdate();
            $query->firstOrFail();
            if ($this->find($outing, $entry->id) === null) {
                if (Entry::query()->where('outing_id', $outing->id)->count() >= OutingFile::MOST_ENTRIES) {
                    throw ValidationException::withMessages(['entry' => 'This outing holds as many entries as there is room for.']);
                }
                $measured = $entry->fields->object('measured')->floatOrNull('magnification');
                DB::table('entries')->insertOrIgnore([
                    'user_id' => $outing->user_id, 'id' => $entry->id, 'outing_id' => $outing->id, 'at' => $entry->at->format('Y-m-d H:i:s.uP'),
                    'subject' => $entry->fields->stringOrNull('subject'), 'result' => $entry->fields->has('result') ? $entry->fields->intOr('result', 0) : null,
                    'magnification' => $measured ?? $entry->fields->object('predicted')->floatOrNull('magnification') ?? self::read($entry->rig),
                    'document' => trim(Json::write($entry->document())),
                ]);
                Quota::bytes($outing->user_id);
            }

            return $this->find($outing, $entry->id) ?? throw ValidationException::withMessages(['entry' => 'This is an entry of another outing.']);
        });
    }

    /** What a rig without a figure beside it gives; null = nothing can be worked out of it. */
    private static function read(Rig $rig): ?float
    {
        try {
            return Reading::of($rig)->magnification;
        } catch (\ArithmeticError) {
            return null;
        }
    }

    private function find(Outing $outing, string $id): ?Entry
    {
        return Entry::query()->where('user_id', $outing->user_id)->where('outing_id', $outing->id)->where('id', $id)->first();
    }

    /** @return list<Entry> in the order in which they were written down */
    public function of(Outing $outing): array
    {
        $query = Entry::query()->where('outing_id', $outing->id);
        $query->oldest('at')->oldest('number');

        return array_values($query->get()->all());
    }
}
