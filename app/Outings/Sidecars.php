<?php

declare(strict_types=1);

namespace App\Outings;

use App\Models\Entry;
use App\Models\Outing;
use Illuminate\Support\Str;
use ZincThimble\Core\File\EntryDocument;
use ZincThimble\Core\Gear\Values;

/** The sidecars of all pictures that an outing names, in one archive. */
final class Sidecars
{
    /**
     * @param  list<Entry>  $entries  that stand
     * @return string a ZIP archive; '' when no picture is named
     */
    public static function of(Outing $outing, array $entries): string
    {
        $files = [];
        foreach ($entries as $row) {
            $entry = EntryDocument::read($row->document);
            foreach ($entry->fields->objects('pictures') as $picture) {
                $files[self::name($picture, $files)] = Sidecar::of($entry, $picture, $outing->name);
            }
        }
        if ($files === []) {
            return '';
        }
        $path = tempnam(sys_get_temp_dir(), 'xmp') ?: throw new \RuntimeException('There is no room for an archive.');
        try {
            $zip = new \ZipArchive;
            $zip->open($path, \ZipArchive::OVERWRITE);
            foreach ($files as $name => $xmp) {
                $zip->addFromString((string) $name, $xmp);
            }
            $zip->close();

            return (string) file_get_contents($path);
        } finally {
            unlink($path);
        }
    }

    /**
     * The name of a picture with `.xmp` for its ending, of plain letters; a second one of that name is numbered.
     *
     * @param  array<array-key, string>  $taken  by name
     */
    public static function name(Values $picture, array $taken): string
    {
        $stem = pathinfo(basename(str_replace('\\', '/', $picture->stringOr('name', ''))), PATHINFO_FILENAME);
        $stem = trim((string) preg_replace('/[^A-Za-z0-9._-]+/', '-', Str::ascii($stem)), '.-') ?: 'picture';
        $name = $stem.'.xmp';
        for ($n = 2; isset($taken[$name]); $n++) {
            $name = $stem.'-'.$n.'.xmp';
        }

        return $name;
    }
}
