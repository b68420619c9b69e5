<?php

declare(strict_types=1);

namespace App\Outings;

use App\Models\Kit;
use App\Models\Outing;
use App\Models\User;
use ZincThimble\Core\File\OutingFile;
use ZincThimble\Core\Gear\Values;

/** Outings as an archive has them: open files, parts by their names there, without a plan, which the kit gives again. */
final class OutingArchive
{
    public function __construct(private readonly OutingStore $store)
    {
    }

    /**
     * @param  array<int, string>  $names  of parts, by their row
     */
    public function write(Outing $outing, array $names): OutingFile
    {
        $file = $this->store->read($outing);
        $packed = $outing->ticks()->where('ticked', true)->orderBy('what')->pluck('what')->all();

        return self::renamed(new OutingFile(new Values($file->fields->fields + ($packed === [] ? [] : ['packed' => $packed])), $file->subjects, $file->pinned), static fn (string $part): string => $names[(int) $part] ?? $part);
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
