<?php

declare(strict_types=1);

namespace ZincThimble\Core\File;

use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Rig\Rig;

/** Outing files, version 1: what is wanted of a day, what was planned for it and what was written down. */
final readonly class OutingFile
{
    public const FORMAT = 'zinc-thimble/outing';

    public const MOST_BYTES = 24 * 1024 * 1024;

    public const MOST_SUBJECTS = 30;

    public const MOST_ENTRIES = 2000;

    private const KNOWN = ['format', 'version', 'subjects', 'plan', 'entries'];

    /**
     * @param  Values  $fields  checked: name, date, place, startsAt, conditions, by, preparations, checks, packed; unknown keys too
     * @param  list<Values>  $subjects  checked, without their pins
     * @param  array<int, Rig>  $pinned  by subject
     * @param  list<EntryDocument>  $entries
     */
    public function __construct(
        public Values $fields,
        public array $subjects,
        public array $pinned = [],
        /** As it was written: what was planned then. */
        public ?\stdClass $plan = null,
        public array $entries = [],
    ) {
    }

    /** Whether a document says of itself that it is one. */
    public static function isOne(mixed $document): bool
    {
        return $document instanceof \stdClass && ($document->format ?? null) === self::FORMAT;
    }

    /** @throws FileInvalid with every fault and its place */
    public static function parse(string $json): self
    {
        return self::read(Json::read($json, self::MOST_BYTES));
    }

    /** @throws FileInvalid with every fault and its place */
    public static function read(mixed $value): self
    {
        if (! $value instanceof \stdClass || ! self::isOne($value) || ($value->version ?? null) !== 1) {
            throw FileInvalid::at('/format', 'should be '.self::FORMAT.', version 1');
        }
        $check = new Check;
        $around = clone $value;
        unset($around->entries);
        Sound::check($around, $check);
        $check->throwIfFaulty();
        $fields = $check->object($value, OutingShapes::outing(), '');
        $starts = $fields['startsAt'] ?? null;
        if (is_string($starts) && EntryDocument::moment($starts) === null) {
            $check->fault('/startsAt', 'should be a time with its offset, as 2026-12-04T06:50:00+01:00');
        }
        $date = $fields['date'] ?? null;
        if (is_string($date) && ! self::isDate($date)) {
            $check->fault('/date', 'should be a date, as 2026-12-04');
        }
        [$subjects, $pinned] = self::subjects($value->subjects ?? [], $check);
        $plan = $value->plan ?? null;
        if ($plan !== null && ! $plan instanceof \stdClass) {
            $check->fault('/plan', 'should be an object');
        }
        $entries = self::entries($value->entries ?? [], $check);
        $check->throwIfFaulty();

        return new self(new Values(array_diff_key($fields, array_flip(self::KNOWN))), $subjects, $pinned, $plan instanceof \stdClass ? $plan : null, $entries);
    }

    /** Whether it is a day of the calendar, as 2026-12-04. */
    public static function isDate(string $date): bool
    {
        return preg_match('/^(\d{4})-(\d\d)-(\d\d)$/', $date, $part) === 1 && checkdate((int) $part[2], (int) $part[3], (int) $part[1]);
    }

    /** As pretty-printed JSON, UTF-8; the same outing gives the same bytes. */
    public function write(): string
    {
        return Json::write($this->document());
    }

    /** @return array<string, mixed> in the order of the format, unknown keys last */
    public function document(): array
    {
        $subjects = [];
        foreach ($this->subjects as $s => $subject) {
            $subjects[] = $subject->fields + (isset($this->pinned[$s]) ? ['pinned' => RigFile::document($this->pinned[$s])] : []);
        }

        return ['format' => self::FORMAT, 'version' => 1] + $this->fields->fields + ['subjects' => $subjects]
            + ($this->plan === null ? [] : ['plan' => $this->plan])
            + ($this->entries === [] ? [] : ['entries' => array_map(static fn (EntryDocument $entry): array => $entry->document(), $this->entries)]);
    }

    /** @return array{list<Values>, array<int, Rig>} */
    private static function subjects(mixed $value, Check $check): array
    {
        $list = $check->list($value, '/subjects');
        if (count($list) > self::MOST_SUBJECTS) {
            $check->fault('/subjects', 'has more than '.self::MOST_SUBJECTS.' entries');

            return [[], []];
        }
        $subjects = $pinned = $names = [];
        foreach ($list as $s => $subject) {
            $place = '/subjects/'.$s;
            $fields = $check->object($subject, OutingShapes::subject(), $place);
            $at = $fields['at'] ?? null;
            if (is_string($at) && EntryDocument::moment($at) === null) {
                $check->fault($place.'/at', 'should be a time with its offset, as 2026-12-04T07:40:00+01:00');
            }
            $name = $fields['name'] ?? null;
            if (is_string($name) && isset($names[$name])) {
                $check->fault($place.'/name', 'is the name of another subject too');
            }
            $names[is_string($name) ? $name : ''] = true;
            $wish = $fields['wish'] ?? [];
            if (is_array($wish) && array_intersect_key($wish, ['fieldWidthMm' => 0, 'magnification' => 0, 'workingDistanceMm' => 0, 'subjectDistanceMm' => 0]) === []) {
                $check->fault($place.'/wish', 'should say a field, a magnification or a distance');
            }
            $pin = $subject instanceof \stdClass ? $subject->pinned ?? null : null;
            $rig = $pin === null ? null : EntryDocument::rig($pin, $place.'/pinned', $check);
            if ($rig !== null) {
                $pinned[$s] = $rig;
            }
            $subjects[] = new Values(array_diff_key($fields, ['pinned' => 0]));
        }

        return [$subjects, $pinned];
    }

    /** @return list<EntryDocument> */
    private static function entries(mixed $value, Check $check): array
    {
        $list = $check->list($value, '/entries');
        if (count($list) > self::MOST_ENTRIES) {
            $check->fault('/entries', 'has more than '.number_format(self::MOST_ENTRIES).' entries');

            return [];
        }
        $entries = $ids = [];
        foreach ($list as $n => $one) {
            $entry = EntryDocument::checked($one, '/entries/'.$n, $check);
            if ($entry !== null && isset($ids[$entry->id])) {
                $check->fault('/entries/'.$n.'/id', 'is the id of another entry too');
            }
            if ($entry !== null) {
                $ids[$entry->id] = true;
                $entries[] = $entry;
            }
        }

        return $entries;
    }
}
