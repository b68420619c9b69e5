<?php

declare(strict_types=1);

namespace App\Search;

use App\Models\Part;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Rig\Rig;

/** A rig put together from a kit, as a file of its own. */
final class RigAsFound
{
    /** What belongs to a kit alone, and the row that a part came from. */
    private const ONLY_KIT = [Part::REFERENCE => 0, 'id' => 0, 'count' => 0, 'marriedTo' => 0, 'note' => 0];

    /** @return array<string, mixed> */
    public static function document(Rig $rig): array
    {
        $document = RigFile::document($rig);
        $document['camera'] = array_diff_key($rig->camera->document->fields, self::ONLY_KIT);
        $document['chain'] = array_map(static fn (array $part): array => array_diff_key($part, self::ONLY_KIT), RigFile::chain($rig));

        return $document;
    }
}
