<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Models\Part;
use Carbon\CarbonInterface;
use Illuminate\Support\Carbon;

/**
 * Everything a person has, as one ZIP of open files: kits and rigs as version-1 documents, what else is known of them beside each, their
 * histories one step a line, deleted parts, wishes, own joints, links that were shared, what was practised. Parts are named by kit and short name
 * (`1/tube-9`), never by row. The same data gives the same bytes.
 *
 * Version 2 has dates, links and revisions, and histories in files of their own (`….history.jsonl`); version 1 is read for ever.
 */
final class ArchiveFormat
{
    public const NAME = 'zinc-thimble/archive';

    public const VERSION = 2;

    /** Unpacked, all together and one line of a history. */
    public const MOST_BYTES = 1024 * 1024 * 1024;

    public const MOST_LINE = 8 * 1024 * 1024;

    public const MOST_DOCUMENT = 48 * 1024 * 1024;

    public const MOST_FILES = 5000;

    public static function date(?CarbonInterface $date): ?string
    {
        return $date?->utc()->format('Y-m-d\TH:i:s\Z');
    }

    /** A date as it was written; now where there is none that can be read, or none that there ever was. */
    public static function dated(mixed $text): CarbonInterface
    {
        $read = is_string($text) ? \DateTimeImmutable::createFromFormat('!Y-m-d\TH:i:s\Z', $text, new \DateTimeZone('UTC')) : false;

        // The forty-eighth of November would be read as the eighteenth of December.
        return $read !== false && $read->getTimestamp() >= 0 && $read->format('Y-m-d\TH:i:s\Z') === $text ? Carbon::instance($read) : now();
    }

    /**
     * The parts of a rig's document that refer to a kit's parts, by what they are called on the other side.
     *
     * @param  \Closure(mixed): (int|string|null)  $refer
     */
    public static function referring(\stdClass $document, \Closure $refer): \stdClass
    {
        $chain = $document->chain ?? null;
        foreach ([$document->camera ?? null, ...(is_array($chain) ? $chain : [])] as $part) {
            if ($part instanceof \stdClass && isset($part->{Part::REFERENCE})) {
                $part->{Part::REFERENCE} = $refer($part->{Part::REFERENCE});
            }
        }

        return $document;
    }
}
