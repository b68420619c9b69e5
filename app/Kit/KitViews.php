<?php

declare(strict_types=1);

namespace App\Kit;

use App\Bench\Tray;
use App\Http\Resources\HistoryView;
use App\Http\Resources\KitPart;
use App\Http\Resources\KitView;
use App\Models\Kit;
use App\Models\Part;

/** Turns what is kept of a kit into what its screen gets. */
final class KitViews
{
    public function __construct(private readonly KitStore $store)
    {
    }

    public function kit(Kit $kit): KitView
    {
        $kit->load('parts');
        $history = $this->store->history($kit);

        return new KitView(
            $kit->id, $kit->revision, $kit->name, $kit->currency,
            array_values($kit->parts->map(self::part(...))->all()),
            new HistoryView($history['undo'], $history['redo']),
            $kit->deletedParts()->count(),
        );
    }

    /** @return list<string> the fields that were measured; shots and pupils are such */
    private static function measured(\stdClass $document): array
    {
        $measured = array_map(strval(...), array_keys(($document->measured ?? null) instanceof \stdClass ? get_object_vars($document->measured) : []));
        $stations = is_array($document->stations ?? null) ? $document->stations : [];
        foreach (['shots', 'pupils'] as $field) {
            if (array_filter([$document, ...$stations], static fn (mixed $each): bool => $each instanceof \stdClass && ($each->{$field} ?? []) !== []) !== []) {
                $measured[] = $field;
            }
        }

        return $measured;
    }

    public static function part(Part $part): KitPart
    {
        $document = $part->document;
        $text = static fn (mixed $value): ?string => is_string($value) ? $value : null;

        return new KitPart(
            part: Tray::part($part), ref: (string) $part->ref, version: $part->version, massG: $part->mass_g, price: $part->price, note: $text($document->note ?? null), keptOn: $text($document->marriedTo ?? null),
            measured: self::measured($document),
            fields: (object) (['kind' => $part->kind] + get_object_vars($document)),
        );
    }
}
