<?php

declare(strict_types=1);

namespace App\Outings;

use App\Bench\RigStore;
use App\Models\Entry;
use App\Models\Kit;
use App\Models\Outing;
use App\Models\User;
use ZincThimble\Core\File\EntryDocument;
use ZincThimble\Core\File\Json;
use ZincThimble\Core\File\OutingFile;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Rig\Rig;

/** Outings as an archive has them: open files, parts by their names there, without a plan, which the kit gives again. */
final class OutingArchive
{
    public function __construct(private readonly OutingStore $store, private readonly EntryStore $entries)
    {
    }

    /** Everything of it, with what is ticked off and with its log; of the rigs in it none names a row of a kit. */
    public function whole(Outing $outing, ?\stdClass $plan = null): OutingFile
    {
        $file = $this->store->read($outing);
        $packed = $outing->ticks()->where('ticked', true)->orderBy('what')->pluck('what')->all();

        return new OutingFile(
            new Values($file->fields->fields + ($packed === [] ? [] : ['packed' => $packed])), $file->subjects,
            array_map(static fn (Rig $rig): Rig => RigFile::read(RigStore::without(json_decode(Json::write(RigFile::document($rig)), false, 64, JSON_THROW_ON_ERROR))), $file->pinned), $plan,
            array_map(static fn (Entry $entry): EntryDocument => EntryDocument::read(self::withoutRows($entry->document)), $this->entries->of($outing)),
        );
    }

    private static function withoutRows(\stdClass $entry): \stdClass
    {
        $entry = clone $entry;
        if (($entry->rig ?? null) instanceof \stdClass) {
            $entry->rig = RigStore::without($entry->rig);
        }

        return $entry;
    }

    /**
     * @param  array<int, string>  $names  of parts, by their row
     */
    public function write(Outing $outing, array $names): OutingFile
    {
        return self::renamed($this->whole($outing), static fn (string $part): string => $names[(int) $part] ?? $part);
    }

    /**
     * @param  array<string, int>  $rows  of parts, by their names in the archive
     */
    public function read(User $user, ?Kit $kit, OutingFile $file, array $rows): Outing
    {
        return $this->store->create($user, $kit, self::renamed($file, static fn (string $part): string => (string) ($rows[$part] ?? $part)));
    }

    /**
     * A file as it comes from elsewhere: parts by what files call them become rows of this kit.
     */
    public static function ofKit(OutingFile $file, ?Kit $kit): OutingFile
    {
        $rows = [];
        foreach ($kit->parts ?? [] as $part) {
            $rows[(string) $part->ref] ??= $part->id;
        }

        return self::renamed($file, static fn (string $part): string => (string) ($rows[$part] ?? $part));
    }

    /** And the other way round, for others. */
    public static function forOthers(OutingFile $file, ?Kit $kit): OutingFile
    {
        $refs = [];
        foreach ($kit->parts ?? [] as $part) {
            $refs[$part->id] = (string) $part->ref;
        }

        return self::renamed($file, static fn (string $part): string => $refs[(int) $part] ?? $part);
    }

    /** @param  \Closure(string): string  $name */
    private static function renamed(OutingFile $file, \Closure $name): OutingFile
    {
        return new OutingFile($file->fields, array_map(static fn (Values $subject): Values => $subject->has('without')
            ? new Values(['without' => array_map($name, $subject->strings('without'))] + $subject->fields) : $subject, $file->subjects), $file->pinned, $file->plan, $file->entries);
    }
}
