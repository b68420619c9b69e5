<?php

declare(strict_types=1);

namespace App\Outings;

use App\Http\Resources\LogEntry;
use App\Http\Resources\LoggedPicture;
use App\Http\Resources\LoggedView;
use App\Http\Resources\ScaleView;
use App\Http\Resources\TrialStop;
use ZincThimble\Core\Plan\Csv;

/** Entries as CSV, one a row: figures unrounded, settings as engraved. */
final class LogCsv
{
    public const COLUMNS = [
        'id', 'at', 'outing', 'subject', 'rig', 'scales', 'magnification', 'magnificationHalfWidth', 'workingDistanceMm', 'workingDistanceMmHalfWidth', 'sliceMm', 'sliceMmHalfWidth',
        'predictedMagnification', 'predictedMagnificationHalfWidth', 'predictedWorkingDistanceMm', 'predictedWorkingDistanceMmHalfWidth', 'predictedSliceMm', 'predictedSliceMmHalfWidth',
        'light', 'aperture', 'exposureS', 'iso', 'frames', 'trial', 'pictures', 'result', 'note',
    ];

    /** @param  list<LogEntry>  $entries */
    public static function of(array $entries): string
    {
        return Csv::of([self::COLUMNS, ...array_map(self::row(...), $entries)]);
    }

    /** @return list<string|float|int|null> */
    private static function row(LogEntry $entry): array
    {
        $named = [
            'id' => $entry->id, 'at' => $entry->at, 'outing' => $entry->outingName, 'subject' => $entry->subject, 'rig' => $entry->title,
            'scales' => implode('; ', array_map(static fn (ScaleView $each): string => $each->part.': '.$each->reads, $entry->scales)),
        ] + self::figures($entry->measured, '') + self::figures($entry->predicted, 'predicted') + [
            'light' => $entry->light, 'aperture' => $entry->aperture, 'exposureS' => $entry->exposureS, 'iso' => $entry->iso, 'frames' => $entry->frames,
            'trial' => implode('; ', array_map(static fn (TrialStop $each): string => 'f/'.$each->aperture.': '.$each->mtf50.($each->halfWidth === null ? '' : ' ± '.$each->halfWidth), $entry->trial)),
            'pictures' => implode('; ', array_map(static fn (LoggedPicture $each): string => $each->name, $entry->pictures)), 'result' => $entry->result, 'note' => $entry->note,
        ];

        return array_map(static fn (string $column): string|float|int|null => $named[$column], self::COLUMNS);
    }

    /** @return array<string, ?float> */
    private static function figures(LoggedView $of, string $before): array
    {
        $named = [];
        foreach (get_object_vars($of) as $name => $value) {
            $named[$before === '' ? $name : $before.ucfirst($name)] = $value;
        }

        return $named;
    }
}
