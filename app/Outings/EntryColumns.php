<?php

declare(strict_types=1);

namespace App\Outings;

use ZincThimble\Core\File\EntryDocument;
use ZincThimble\Core\File\Json;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Outing\LedgerFigure;
use ZincThimble\Core\Outing\Measurements;
use ZincThimble\Core\Outing\Prediction;
use ZincThimble\Core\Plan\ReadOff;

/** What of an entry is told once more beside its document, so that the log can be searched. */
final class EntryColumns
{
    /** @return array<string, mixed> */
    public static function of(EntryDocument $entry): array
    {
        $fields = $entry->fields;
        $measured = Measurements::of($entry->rig, $fields->object('measured'));
        $predicted = self::predicted($entry);
        $parts = array_values(array_unique(array_map(static fn (Part $part): string => $part->label(), $entry->rig->chain)));
        $camera = $entry->rig->camera->name;
        $pictures = array_map(static fn (Values $each): string => $each->stringOr('name', ''), $fields->objects('pictures'));

        return [
            'at' => $entry->at->format('Y-m-d H:i:s.uP'), 'day' => $entry->at->format('Y-m-d'), 'subject' => $fields->stringOrNull('subject'), 'result' => $fields->has('result') ? $fields->intOr('result', 0) : null,
            'magnification' => $measured->floatOrNull(LedgerFigure::Magnification->value) ?? $predicted->floatOrNull(LedgerFigure::Magnification->value),
            'replaces' => json_encode($entry->replaces, JSON_THROW_ON_ERROR), 'parts' => implode("\n", [...$camera === null ? [] : [$camera], ...$parts]),
            'words' => implode("\n", array_filter([$fields->stringOrNull('subject'), $fields->stringOrNull('note'), ...$pictures])),
            'measured' => self::figures($measured), 'predicted' => self::figures($predicted),
        ];
    }

    /**
     * What was said of the rig at that moment; where the device could say nothing, because it stood otherwise than planned, what its scales
     * give. Scales that can't be read give nothing.
     */
    private static function predicted(EntryDocument $entry): Values
    {
        $said = $entry->fields->object('predicted');
        if ($said->fields !== []) {
            return $said;
        }
        $read = ReadOff::of($entry->rig, $entry->fields->objects('scales'));

        return $read->unread === [] ? Prediction::of($read->rig) : new Values([]);
    }

    private static function figures(Values $figures): ?string
    {
        return $figures->fields === [] ? null : trim(Json::write($figures->fields));
    }
}
