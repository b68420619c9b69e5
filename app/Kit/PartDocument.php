<?php

declare(strict_types=1);

namespace App\Kit;

use ZincThimble\Core\File\Fault;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\File\KitFile;
use ZincThimble\Core\File\KitItem;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Parts;
use ZincThimble\Core\Gear\Values;

/** One part as a request sends it, held to the shapes that files are held to. */
final class PartDocument
{
    /** Beyond this no close-up lens has dioptres, and a number is its focal length in mm, as many are engraved: 400, 200. */
    private const MOST_DIOPTRES = 50.0;

    /**
     * The same as somebody types it: a close-up lens by its dioptres or by its focal length.
     *
     * @throws FileInvalid as read() does
     */
    public static function typed(mixed $document, string $at): KitItem
    {
        if ($document instanceof \stdClass && ($document->kind ?? null) === 'close-up-lens') {
            $power = $document->powerD ?? null;
            if ((is_int($power) || is_float($power)) && abs($power) > self::MOST_DIOPTRES) {
                $document = clone $document;
                $document->powerD = round(1000.0 / $power, 4);
            }
        }

        return self::read($document, $at);
    }

    /**
     * The part itself.
     *
     * @throws \ZincThimble\Core\Gear\InvalidFigure where no such part can be
     */
    public static function core(KitItem $item): Part
    {
        /** @var array<string, mixed> $fields */
        $fields = json_decode(json_encode($item->fields, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION), true, 64, JSON_THROW_ON_ERROR);

        return Parts::make($item->kind, new Values($fields));
    }

    /**
     * @param  mixed  $document  as decoded, objects as stdClass, `kind` within
     * @param  string  $at  the JSON pointer of the place in the request
     *
     * @throws FileInvalid with every fault and its place in the request
     */
    public static function read(mixed $document, string $at): KitItem
    {
        if (! $document instanceof \stdClass) {
            throw FileInvalid::at($at, 'should be an object');
        }
        $camera = ($document->kind ?? null) === 'camera';
        $list = $camera ? 'cameras' : 'parts';
        $married = $document->marriedTo ?? null;
        $bare = clone $document;
        // Whether that part is there is asked of the kit, not of this document alone.
        unset($bare->marriedTo);
        if ($married !== null && ! is_string($married)) {
            throw FileInvalid::at($at.'/marriedTo', 'should be text');
        }
        try {
            $item = KitFile::read((object) ['format' => KitFile::FORMAT, 'version' => 1, $list => [$bare]])->items[0];
        } catch (FileInvalid $invalid) {
            throw new FileInvalid(array_map(
                static fn (Fault $fault): Fault => new Fault($at.substr($fault->pointer, strlen('/'.$list.'/0')), $fault->message), $invalid->faults,
            ));
        }

        return $married === null || $married === '' ? $item : new KitItem($item->kind, ['marriedTo' => $married] + $item->fields);
    }
}
