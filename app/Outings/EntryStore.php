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
                DB::table('entries')->insertOrIgnore(EntryColumns::of($entry) + [
                    'user_id' => $outing->user_id, 'id' => $entry->id, 'outing_id' => $outing->id, 'document' => trim(Json::write($entry->document())),
                    // What replaces it may have come first.
                    'stands' => ! $entry->fields->boolOr('withdrawn', false) && ! Entry::query()->where('outing_id', $outing->id)->whereJsonContains('replaces', $entry->id)->exists(),
                ]);
                Entry::query()->where('outing_id', $outing->id)->whereIn('id', $entry->replaces)->update(['stands' => false]);
                Quota::bytes($outing->user_id);
            }

            return $this->find($outing, $entry->id) ?? throw ValidationException::withMessages(['entry' => 'This is an entry of another outing.']);
        });
    }

    /** An entry of an outing; null = it has none of that id. */
    public function find(Outing $outing, string $id): ?Entry
    {
        return Entry::query()->where('user_id', $outing->user_id)->where('outing_id', $outing->id)->where('id', $id)->first()?->setRelation('outing', $outing);
    }

    /** @return list<Entry> in the order in which they were written down */
    public function of(Outing $outing): array
    {
        $query = Entry::query()->where('outing_id', $outing->id);
        $query->oldest('at')->oldest('number');

        $entries = $query->get();
        foreach ($entries as $entry) {
            $entry->setRelation('outing', $outing);
        }

        return array_values($entries->all());
    }
}
