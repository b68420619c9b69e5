<?php

declare(strict_types=1);

namespace App\Outings;

use ZincThimble\Core\File\EntryDocument;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Outing\LedgerFigure;
use ZincThimble\Core\Outing\Measurements;
use ZincThimble\Core\Plan\ReadOff;
use ZincThimble\Core\Reading\Reading;

/**
 * What was written down of a picture, to lie beside it as `NAME.xmp` (ISO 16684-1): the rig, magnification, field, working distance and
 * effective aperture. Measured figures stand before predicted ones; what isn't known isn't there.
 */
final class Sidecar
{
    /** The namespace of our own properties; it only has to be ours. */
    public const SPACE = 'urn:zinc-thimble:xmp:1';

    private const RDF = 'http://www.w3.org/1999/02/22-rdf-syntax-ns#';

    public static function of(EntryDocument $entry, Values $picture, string $outing): string
    {
        $fields = $entry->fields;
        $read = ReadOff::of($entry->rig, $fields->objects('scales'));
        $reading = null;
        if ($read->unread === []) {
            try {
                $reading = Reading::of($read->rig);
            } catch (\ArithmeticError) {
                // What can't be worked out isn't there.
            }
        }
        $measured = Measurements::of($entry->rig, $fields->object('measured'));
        $m = $measured->floatOrNull(LedgerFigure::Magnification->value) ?? $reading?->magnification;
        $figures = [
            'Rig' => EntryRig::titleOf($entry->rig),
            'Scales' => implode('; ', array_map(static fn (Values $each): string => $each->stringOr('part', '').': '.$each->stringOr('reads', ''), $fields->objects('scales'))),
            'Magnification' => $m,
            'FieldWidthMm' => $m === null || $m <= 0.0 ? null : $entry->rig->frame->widthMm / $m,
            'WorkingDistanceMm' => $measured->floatOrNull(LedgerFigure::WorkingDistance->value) ?? $reading?->workingDistanceMm,
            'EffectiveAperture' => $reading?->effectiveAperture,
            'Subject' => $fields->stringOrNull('subject'), 'Outing' => $outing, 'Entry' => $entry->id,
            'Result' => $fields->has('result') ? (float) $fields->intOr('result', 0) : null, 'WrittenAt' => $entry->at->format(DATE_ATOM), 'Picture' => $picture->stringOrNull('name'),
        ];

        return self::write($figures, $fields->stringOrNull('note'));
    }

    /** @param  array<string, string|float|null>  $figures */
    private static function write(array $figures, ?string $note): string
    {
        $xml = new \XMLWriter;
        $xml->openMemory();
        $xml->setIndent(true);
        $xml->writePi('xpacket', 'begin="'."\u{feff}".'" id="W5M0MpCehiHzreSzNTczkc9d"');
        $xml->startElementNs('rdf', 'RDF', self::RDF);
        $xml->startElementNs('rdf', 'Description', null);
        $xml->writeAttributeNs('rdf', 'about', null, '');
        $xml->writeAttribute('xmlns:zt', self::SPACE);
        $xml->writeAttribute('xmlns:dc', 'http://purl.org/dc/elements/1.1/');
        foreach ($figures as $name => $value) {
            if ($value !== null && $value !== '' && (is_string($value) || is_finite($value))) {
                $xml->writeElement('zt:'.$name, is_string($value) ? self::text($value) : (string) json_encode($value));
            }
        }
        if ($note !== null && $note !== '') {
            $xml->startElement('dc:description');
            $xml->startElement('rdf:Alt');
            $xml->startElement('rdf:li');
            $xml->writeAttribute('xml:lang', 'x-default');
            $xml->text(self::text($note));
            $xml->endElement();
            $xml->endElement();
            $xml->endElement();
        }
        $xml->endElement();
        $xml->endElement();
        $xml->writePi('xpacket', 'end="w"');

        return $xml->outputMemory();
    }

    /** Without the characters that XML has no place for. */
    private static function text(string $text): string
    {
        return (string) preg_replace('/[^\x{9}\x{a}\x{d}\x{20}-\x{d7ff}\x{e000}-\x{fffd}\x{10000}-\x{10ffff}]/u', '', $text);
    }
}
