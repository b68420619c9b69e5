<?php

declare(strict_types=1);

namespace App\Outings;

use App\Http\Resources\DrawingCamera;
use App\Http\Resources\DrawingPart;
use App\Http\Resources\InsideView;
use App\Http\Resources\LogEntry;
use App\Http\Resources\LoggedPicture;
use App\Http\Resources\LoggedView;
use App\Http\Resources\ScaleView;
use App\Http\Resources\SincePart;
use App\Http\Resources\SinceView;
use App\Http\Resources\TrialStop;
use App\Models\Entry;
use ZincThimble\Core\Drawing\Layout;
use ZincThimble\Core\File\EntryDocument;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\Finding\Phrase;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Outing\LedgerFigure;
use ZincThimble\Core\Outing\LoggedFigures;
use ZincThimble\Core\Outing\Prediction;
use ZincThimble\Core\Outing\Residual;
use ZincThimble\Core\Plan\ReadOff;
use ZincThimble\Core\Reading\Reading;

/** Entries of the log as their screens get them. */
final class EntryViews
{
    /** What light it was, in words. */
    private const LIGHT = ['there' => 'the light that was there', 'flash' => 'flash', 'lamp' => 'lamp', 'torch' => 'torch'];

    public static function listed(Entry $row): LogEntry
    {
        $entry = EntryDocument::read($row->document);
        $fields = $entry->fields;
        $at = $fields->fields['at'] ?? null;

        return new LogEntry(
            id: $row->id, outing: $row->outing_id, outingName: $row->outing->name ?? '', at: is_string($at) ? $at : $row->at->format(DATE_ATOM), subject: $row->subject,
            title: EntryRig::titleOf($entry->rig), scales: self::scales($entry), unread: ReadOff::of($entry->rig, $fields->objects('scales'))->unread,
            magnification: $row->magnification, measured: self::figures(self::values($row->measured)), predicted: self::figures(self::values($row->predicted)), inside: self::inside($row, $entry),
            aperture: $fields->floatOrNull('aperture'), exposureS: $fields->floatOrNull('exposureS'), iso: $fields->floatOrNull('iso'),
            frames: $fields->has('frames') ? $fields->intOr('frames', 1) : null, light: self::light($fields->object('light')),
            sharpest: self::sharpest($fields->objects('trial')), trial: array_map(static fn (Values $each): TrialStop => new TrialStop($each->float('aperture'), $each->float('mtf50'), $each->floatOrNull('halfWidth')), $fields->objects('trial')),
            pictures: array_map(static fn (Values $each): LoggedPicture => new LoggedPicture($each->stringOr('name', ''), $each->object('exif')->stringOrNull('takenAt'), SmallPicture::of($each) !== null), $fields->objects('pictures')),
            result: $row->result, note: $fields->stringOrNull('note'), replaces: $entry->replaces,
        );
    }

    public static function since(Entry $row, EntryDocument $entry, EntryRig $stood): SinceView
    {
        $trouble = null;
        $now = null;
        try {
            $now = self::figures(Prediction::of($stood->now()));
        } catch (FileInvalid $invalid) {
            $trouble = (string) $invalid->faults[0];
        } catch (InvalidFigure $figure) {
            $trouble = $figure->getMessage();
        }
        $axis = Axis::of($stood->then);
        $reading = Reading::along($stood->then, $axis);
        $plan = Layout::of($stood->then, $axis, $reading);
        $told = ShotOfEntry::of($entry, $stood, $row->outing->name ?? '');
        $shot = $told instanceof ShotOfEntry ? $told : null;

        return new SinceView(
            title: $stood->title(), scales: self::scales($entry), unread: $stood->unread,
            parts: array_map(static fn (array $each): SincePart => new SincePart($each['part'], $each['what'], $each['changes']), $stood->since()),
            then: self::figures(Prediction::of($stood->then)), now: $now, trouble: $trouble,
            body: new DrawingCamera(...$plan['camera']), drawn: DrawingPart::all($plan['parts']), tipMm: $plan['tipMm'], subjectDistanceMm: $reading->subjectDistanceMm,
            lens: $shot?->lens->id, lensKit: $shot?->lens->kit_id, settled: $shot?->isTaken() ?? false,
        );
    }

    /** @return list<ScaleView> as they were read, else as the rig is set */
    private static function scales(EntryDocument $entry): array
    {
        $read = array_map(static fn (Values $each): ScaleView => new ScaleView($each->stringOr('part', ''), trim($each->stringOr('reads', '').' '.$each->stringOr('unit', ''))), $entry->fields->objects('scales'));

        return $read === [] ? OutingViews::scales($entry->rig) : $read;
    }

    private static function figures(Values $figures): LoggedView
    {
        $half = static fn (LedgerFigure $figure): ?float => $figures->floatOrNull($figure->halfWidth());

        return new LoggedView(
            magnification: $figures->floatOrNull(LedgerFigure::Magnification->value), magnificationHalfWidth: $half(LedgerFigure::Magnification),
            workingDistanceMm: $figures->floatOrNull(LedgerFigure::WorkingDistance->value), workingDistanceMmHalfWidth: $half(LedgerFigure::WorkingDistance),
            sliceMm: $figures->floatOrNull(LedgerFigure::Slice->value), sliceMmHalfWidth: $half(LedgerFigure::Slice),
        );
    }

    private static function inside(Entry $row, EntryDocument $entry): InsideView
    {
        $logged = new LoggedFigures($entry->rig, self::values($row->measured), self::values($row->predicted));
        $of = static fn (LedgerFigure $figure): ?bool => Residual::of(0, $figure, $logged, [])?->isInside();

        return new InsideView(magnification: $of(LedgerFigure::Magnification), workingDistanceMm: $of(LedgerFigure::WorkingDistance), sliceMm: $of(LedgerFigure::Slice));
    }

    /** @param  list<Values>  $trial */
    private static function sharpest(array $trial): ?float
    {
        usort($trial, static fn (Values $one, Values $other): int => $other->float('mtf50') <=> $one->float('mtf50'));

        return isset($trial[0]) ? $trial[0]->float('aperture') : null;
    }

    public static function values(?\stdClass $figures): Values
    {
        return new Values($figures === null ? [] : get_object_vars($figures));
    }

    private static function light(Values $light): ?string
    {
        $source = $light->stringOrNull('source');
        $power = $light->floatOrNull('power');
        $said = array_filter([
            $light->stringOrNull('name') ?? ($source === null ? null : self::LIGHT[$source] ?? null),
            $power === null ? null : 'at '.($power >= 1.0 ? 'full power' : '1/'.Phrase::digits(1.0 / $power)),
            $light->floatOrNull('distanceMm') === null ? null : Phrase::figure($light->float('distanceMm'), 'mm').' away',
            $light->floatOrNull('angleDeg') === null ? null : Phrase::figure($light->float('angleDeg'), 'deg'),
            $light->floatOrNull('ev') === null ? null : 'EV '.Phrase::digits($light->float('ev')), $light->stringOrNull('note'),
        ], static fn (?string $each): bool => $each !== null && $each !== '');

        return $said === [] ? null : implode(', ', $said);
    }
}
