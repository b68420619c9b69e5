<?php

declare(strict_types=1);

namespace App\Kit;

use App\Http\Resources\WordsLine;
use App\Models\Kit;
use App\Models\User;
use ZincThimble\Core\File\FieldGuide;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\File\Json;
use ZincThimble\Core\File\KitItem;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Joint;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Plan\TypicalUse;
use ZincThimble\Core\Start\PartLine;
use ZincThimble\Core\Start\PartList;

/** A list in words, read beside a kit: what its camera ends in and what its joints are called is known already. */
final class InWords
{
    /** @return list<WordsLine> */
    public function read(Kit $kit, User $owner, string $text): array
    {
        $joint = null;
        $names = $owner->joints()->pluck('name')->all();
        foreach ($kit->parts()->get(['kind', 'rear', 'front', 'document']) as $part) {
            array_push($names, (string) $part->rear, (string) $part->front);
            $own = $part->document->joint ?? null;
            if ($part->kind === Kind::Camera->value && is_string($own) && $own !== 'fixed') {
                $joint ??= $own;
                $names[] = $own;
            }
        }
        $bayonets = array_values(array_unique(array_filter($names, static fn (mixed $name): bool => is_string($name) && $name !== '' && ! Joint::parse($name)->isThread())));

        return array_map(self::line(...), PartList::read($text, $bayonets, $joint));
    }

    private static function line(PartLine $line): WordsLine
    {
        $trouble = $line->trouble;
        $item = null;
        if ($line->fields !== null) {
            try {
                $item = PartDocument::read(Json::read(Json::write($line->fields)), '');
            } catch (FileInvalid $invalid) {
                $fault = $invalid->faults[0];
                $kind = Kind::from(is_string($line->fields['kind'] ?? null) ? $line->fields['kind'] : 'tube');
                $trouble = FieldGuide::orName($kind, str_replace('/', '.', ltrim($fault->pointer, '/')))['label'].' '.$fault->message;
            }
        }
        $name = $item?->fields['name'] ?? null;

        return new WordsLine(
            line: $line->line, text: $line->text, kind: $item?->kind, name: is_string($name) ? $name : '', part: $item === null ? null : (object) ['kind' => $item->kind->value, ...$item->fields],
            taken: $line->taken, roomHalfWidthMm: $item === null ? null : self::cost($item), trouble: $trouble,
        );
    }

    private static function cost(KitItem $item): ?float
    {
        if ($item->kind !== Kind::Lens) {
            return null;
        }
        try {
            $lens = PartDocument::core($item);

            return $lens instanceof Lens ? TypicalUse::of($lens, $lens->isZoom() ? $lens->figures->focalLengthMm : null)->workingDistanceHalfWidth : null;
        } catch (InvalidFigure) {
            return null;
        }
    }
}
