<?php

declare(strict_types=1);

namespace ZincThimble\Core\File;

use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Rig\Rig;

/**
 * One entry of an outing's log, as it was written down: never changed afterwards. Who corrects it writes another that replaces it; where
 * two replace the same, both stand until somebody decides.
 */
final readonly class EntryDocument
{
    private const UUID = '/^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/';

    private function __construct(
        /** A UUID, made where it was written, in small letters. */
        public string $id,
        /** When it was written down. */
        public \DateTimeImmutable $at,
        /** Checked, without the rig. */
        public Values $fields,
        /** The rig as it stood. */
        public Rig $rig,
        /**
         * Ids of the entries that it takes the place of.
         *
         * @var list<string>
         */
        public array $replaces,
    ) {
    }

    /** @throws FileInvalid with every fault and its place */
    public static function read(mixed $value): self
    {
        $check = new Check;
        $entry = self::checked($value, '', $check);
        $check->throwIfFaulty();

        return $entry ?? throw FileInvalid::at('', 'can not be read');
    }

    /** The entry at a place of a larger file; null where something is wrong with it. */
    public static function checked(mixed $value, string $pointer, Check $check): ?self
    {
        $before = count($check->faults());
        if (! $value instanceof \stdClass) {
            $check->fault($pointer, 'should be an object');

            return null;
        }
        Sound::check($value, $check, $pointer);
        if (count($check->faults()) > $before) {
            return null;
        }
        $fields = $check->object($value, OutingShapes::entry(), $pointer);
        $id = $fields['id'] ?? null;
        $replaces = is_array($fields['replaces'] ?? null) ? $fields['replaces'] : [];
        foreach (['/id' => $id] + array_combine(array_map(static fn (int $i): string => '/replaces/'.$i, array_keys($replaces)), $replaces) as $place => $uuid) {
            if (is_string($uuid) && preg_match(self::UUID, $uuid) !== 1) {
                $check->fault($pointer.$place, 'should be a UUID in small letters');
            }
        }
        $at = self::moment($fields['at'] ?? null);
        if ($at === null && is_string($fields['at'] ?? null)) {
            $check->fault($pointer.'/at', 'should be a time with its offset, as 2026-12-04T10:20:00+01:00');
        }
        $rig = self::rig($value->rig ?? null, $pointer.'/rig', $check);
        if ($rig === null || $at === null || ! is_string($id) || count($check->faults()) > $before) {
            return null;
        }

        return new self($id, $at, new Values(array_diff_key($fields, ['rig' => 0])), $rig, array_values(array_filter($replaces, is_string(...))));
    }

    /** @return array<string, mixed> in the order of the format, unknown keys last */
    public function document(): array
    {
        return ['id' => $this->id, 'at' => $this->fields->fields['at'], 'rig' => RigFile::document($this->rig)] + $this->fields->fields;
    }

    /** A whole rig file within another; null where something is wrong with it. */
    public static function rig(mixed $value, string $pointer, Check $check): ?Rig
    {
        if ($value === null) {
            $check->fault($pointer, 'is needed and missing');

            return null;
        }
        try {
            return RigFile::read($value);
        } catch (FileInvalid $invalid) {
            foreach ($invalid->faults as $fault) {
                $check->fault($pointer.$fault->pointer, $fault->message);
            }

            return null;
        }
    }

    /** A moment that says its own offset; null = it is none. */
    public static function moment(mixed $value): ?\DateTimeImmutable
    {
        if (! is_string($value) || preg_match('/^\d{4}-\d\d-\d\dT\d\d:\d\d(:\d\d(\.\d{1,6})?)?(Z|[+-]\d\d:\d\d)$/', $value) !== 1) {
            return null;
        }
        $time = date_create_immutable($value);

        return $time === false || date_get_last_errors() !== false ? null : $time;
    }
}
