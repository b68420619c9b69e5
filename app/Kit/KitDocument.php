<?php

declare(strict_types=1);

namespace App\Kit;

use App\Models\Kit;
use App\Models\Part;
use ZincThimble\Core\File\KitCsv;
use ZincThimble\Core\File\KitFile;
use ZincThimble\Core\File\KitItem;

/** A kit as a file, the parts as they are. */
final class KitDocument
{
    /** @param  iterable<Part>  $parts */
    public static function write(Kit $kit, iterable $parts): string
    {
        return self::of($kit, $parts)->write();
    }

    /** @param  iterable<Part>  $parts */
    public static function csv(Kit $kit, iterable $parts): string
    {
        return KitCsv::write(self::of($kit, $parts));
    }

    /** @param  iterable<Part>  $parts */
    private static function of(Kit $kit, iterable $parts): KitFile
    {
        $items = [];
        foreach ($parts as $part) {
            $items[] = new KitItem($part->kindOf(), get_object_vars($part->document));
        }

        return new KitFile($kit->name, $kit->currency, $items, get_object_vars($kit->extra));
    }
}
