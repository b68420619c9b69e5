<?php

declare(strict_types=1);

namespace ZincThimble\Core\File;

use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Plan\Csv;

/**
 * A kit as CSV (rig file, version 1, "Kit"): one part a row, columns named as the fields, nested ones with a dot, lists as
 * JSON within a cell. UTF-8, comma, quotes doubled, a header row. The same kit gives the same bytes.
 *
 * A text that a spreadsheet would take for a formula gets an apostrophe in front, which reading takes off again.
 */
final class KitCsv
{
    /** What begins a formula somewhere; and the apostrophe itself, so that reading gives back just what was written. */
    private const DANGEROUS = ['=', '+', '-', '@', "\t", "\r", "'"];

    public const MOST_ROWS = 2000;

    /** Line ends, those within cells included. */
    private const MOST_LINES = 40_000;

    /** The same kit gives the same bytes: UTF-8, comma, CRLF, a header row. */
    public static function write(KitFile $kit): string
    {
        $rows = [];
        $columns = ['kind' => true, 'id' => true, 'name' => true];
        foreach ($kit->items as $item) {
            $row = ['kind' => $item->kind->value];
            self::flatten($item->fields, self::shape($item->kind), '', $row);
            $rows[] = $row;
            $columns += array_fill_keys(array_keys($row), true);
        }
        $order = self::columnOrder();
        $names = array_keys($columns);
        usort($names, static fn (string $a, string $b): int => [$order[$a] ?? PHP_INT_MAX, $a] <=> [$order[$b] ?? PHP_INT_MAX, $b]);
        $lines = [Csv::line($names)];
        foreach ($rows as $row) {
            $lines[] = Csv::line(array_map(static fn (string $name): string => $row[$name] ?? '', $names));
        }

        return implode('', $lines);
    }

    /**
     * Faults name the place as `/3/lengthMm`: line 3 of the file, column lengthMm.
     *
     * @throws FileInvalid with every fault and its line and column
     */
    public static function parse(string $text): KitFile
    {
        if (strlen($text) > Shapes::MAX_BYTES) {
            throw FileInvalid::at('', 'the file is larger than 2 MiB');
        }
        if (! mb_check_encoding($text, 'UTF-8')) {
            throw FileInvalid::at('', 'is not UTF-8; save it as “CSV UTF-8”');
        }
        if (substr_count($text, "\n") + substr_count($text, "\r") > self::MOST_LINES) {
            throw FileInvalid::at('', 'has more lines than any kit');
        }
        $rows = self::rows(preg_replace('/^\xEF\xBB\xBF/', '', $text) ?? '');
        $header = array_shift($rows);
        if ($header === null || ! in_array('kind', $header[1], true)) {
            throw FileInvalid::at('/1', 'the first line should name the columns, `kind` among them');
        }
        $names = array_map(trim(...), $header[1]);
        $check = new Check;
        foreach (array_count_values(array_filter($names, static fn (string $name): bool => $name !== '')) as $name => $times) {
            if ($times > 1) {
                $check->fault('/1/'.$name, 'is a column twice');
            }
        }
        if (count($rows) > self::MOST_ROWS) {
            $check->fault('/'.(self::MOST_ROWS + 2), 'a kit has at most '.number_format(self::MOST_ROWS).' parts');
        }
        $check->throwIfFaulty();
        /** @var list<\stdClass> $cameras */
        $cameras = [];
        /** @var list<\stdClass> $parts */
        $parts = [];
        $lines = ['cameras' => [], 'parts' => []];
        foreach ($rows as [$line, $cells]) {
            $kind = Kind::tryFrom(trim($cells[array_search('kind', $names, true)] ?? ''));
            if ($kind === null) {
                $check->fault('/'.$line.'/kind', 'is no kind of part');

                continue;
            }
            if (count($cells) > count($names)) {
                $check->fault('/'.$line, 'has more cells than there are columns');

                continue;
            }
            $part = self::part($kind, $names, $cells, $line, $check);
            if ($kind === Kind::Camera) {
                $cameras[] = $part;
                $lines['cameras'][] = $line;
            } else {
                $parts[] = $part;
                $lines['parts'][] = $line;
            }
        }
        try {
            $kit = KitFile::read((object) ['format' => KitFile::FORMAT, 'version' => 1, 'cameras' => $cameras, 'parts' => $parts]);
        } catch (FileInvalid $invalid) {
            foreach ($invalid->faults as $fault) {
                [, $list, $index, $field] = explode('/', $fault->pointer, 4) + ['', '', '', ''];
                $line = $lines[$list][(int) $index] ?? null;
                $place = $line === null ? $fault->pointer : '/'.$line.($field === '' ? '' : '/'.str_replace('/', '.', $field));
                // A cell that could not be read is missing from the part, too; once is enough.
                if (! in_array($place, array_map(static fn (Fault $each): string => $each->pointer, $check->faults()), true)) {
                    $check->fault($place, $fault->message);
                }
            }
            $kit = null;
        }
        $check->throwIfFaulty();

        return $kit ?? throw FileInvalid::at('', 'can not be read');
    }

    /**
     * @param  array<int|string, mixed>  $fields
     * @param  array<string, Field>  $shape
     * @param  array<string, string>  $row
     */
    private static function flatten(array $fields, array $shape, string $prefix, array &$row): void
    {
        foreach ($fields as $name => $value) {
            $field = $shape[$name] ?? null;
            $nested = $value instanceof \stdClass ? get_object_vars($value) : $value;
            // A key with a dot in it would read as a nested field: it goes into one cell, as JSON, with all beside it.
            if ($field?->type === FieldType::Object && is_array($nested) && ! self::hasDots($nested)) {
                self::flatten($nested, self::byName($field->fields), $prefix.$name.'.', $row);
            } elseif ($prefix === '' && str_contains((string) $name, '.')) {
                $row['extra'] = self::json((array) json_decode($row['extra'] ?? '{}', true) + [$name => $value]);
            } else {
                $row[$prefix.$name] = self::cell($value, $field);
            }
        }
    }

    /** @param  array<int|string, mixed>  $fields */
    private static function hasDots(array $fields): bool
    {
        foreach (array_keys($fields) as $name) {
            if (str_contains((string) $name, '.')) {
                return true;
            }
        }

        return false;
    }

    private static function cell(mixed $value, ?Field $field): string
    {
        if (is_string($value) && ($field !== null || json_decode($value) === null && $value !== 'null')) {
            return in_array($value[0] ?? '', self::DANGEROUS, true) ? "'".$value : $value;
        }

        return self::json($value);
    }

    private static function json(mixed $value): string
    {
        return json_encode($value, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR);
    }

    /**
     * @param  list<string>  $names
     * @param  list<string>  $cells
     */
    private static function part(Kind $kind, array $names, array $cells, int $line, Check $check): \stdClass
    {
        $shape = self::shape($kind);
        $part = new \stdClass;
        foreach ($names as $i => $name) {
            $cell = $cells[$i] ?? '';
            if ($cell === '' || $name === '') {
                continue;
            }
            if ($name === 'extra' && ! isset($shape['extra'])) {
                $more = json_decode($cell);
                foreach ($more instanceof \stdClass ? get_object_vars($more) : [] as $key => $value) {
                    $part->{$key} = $value;
                }

                continue;
            }
            $steps = explode('.', $name);
            $field = $shape[$steps[0]] ?? null;
            if ($name === 'kind') {
                $part->kind = $kind->value;
            } elseif ($field?->type === FieldType::Object && count($steps) === 2) {
                $inner = self::byName($field->fields)[$steps[1]] ?? null;
                $part->{$steps[0]} ??= new \stdClass;
                if ($part->{$steps[0]} instanceof \stdClass) {
                    $part->{$steps[0]}->{$steps[1]} = self::value($cell, $inner, '/'.$line.'/'.$name, $check);
                }
            } else {
                $part->{$name} = self::value($cell, $field, '/'.$line.'/'.$name, $check);
            }
        }

        return $part;
    }

    private static function value(string $cell, ?Field $field, string $place, Check $check): mixed
    {
        if ($field === null) {
            $value = json_decode($cell);

            return $value === null && $cell !== 'null' ? self::text($cell) : $value;
        }
        switch ($field->type) {
            case FieldType::Text:
            case FieldType::Choice:
            case FieldType::Joint:
                return self::text($cell);
            case FieldType::Number:
            case FieldType::Integer:
                $number = json_decode(trim($cell));
                if (is_int($number) || is_float($number)) {
                    return $number;
                }
                $check->fault($place, str_contains($cell, ',') ? 'should be a number with a point: 26.1' : 'should be a number');

                return null;
            case FieldType::Flag:
                $flag = ['true' => true, 'false' => false, 'yes' => true, 'no' => false, '1' => true, '0' => false][strtolower(trim($cell))] ?? null;
                if ($flag === null) {
                    $check->fault($place, 'should be true or false');
                }

                return $flag;
            default:
                $value = json_decode($cell);
                if ($value === null && $cell !== 'null') {
                    if ($field->type === FieldType::Choices || $field->type === FieldType::Joints) {
                        // What people type: words with a comma or a space between.
                        return array_values(array_filter(array_map(trim(...), explode(',', self::text($cell))), static fn (string $word): bool => $word !== ''));
                    }
                    $check->fault($place, 'should be JSON');
                }

                return $value;
        }
    }

    private static function text(string $cell): string
    {
        return ($cell[0] ?? '') === "'" && in_array($cell[1] ?? '', self::DANGEROUS, true) ? substr($cell, 1) : $cell;
    }

    /** @return list<array{int, list<string>}> number of the line each begins at, and its cells; empty lines left out */
    private static function rows(string $text): array
    {
        $rows = [];
        $cells = [];
        $cell = '';
        $quoted = false;
        $line = $begins = 1;
        $length = strlen($text);
        for ($i = 0; $i <= $length; $i++) {
            $byte = $i < $length ? $text[$i] : "\n";
            if ($quoted && $i < $length) {
                if ($byte !== '"') {
                    $cell .= $byte;
                    $line += $byte === "\n" ? 1 : 0;
                } elseif (($text[$i + 1] ?? '') === '"') {
                    $cell .= '"';
                    $i++;
                } else {
                    $quoted = false;
                }
            } elseif ($byte === '"' && $cell === '') {
                $quoted = true;
            } elseif ($byte === ',') {
                $cells[] = $cell;
                $cell = '';
            } elseif ($byte === "\n" || $byte === "\r") {
                if ($byte === "\r" && ($text[$i + 1] ?? '') === "\n") {
                    $i++;
                }
                $cells[] = $cell;
                if ($cells !== ['']) {
                    $rows[] = [$begins, $cells];
                }
                $cells = [];
                $cell = '';
                $begins = ++$line;
            } else {
                $cell .= $byte;
            }
        }

        return $rows;
    }

    /** @return array<string, Field> */
    private static function shape(Kind $kind): array
    {
        return self::byName([...Shapes::inKit(), ...Shapes::part($kind)]);
    }

    /**
     * @param  list<Field>  $fields
     * @return array<string, Field>
     */
    private static function byName(array $fields): array
    {
        return array_combine(array_map(static fn (Field $field): string => $field->name, $fields), $fields);
    }

    /** @return array<string, int> every column there can be, in order */
    private static function columnOrder(): array
    {
        $order = ['kind' => 0, 'id' => 1, 'name' => 2];
        foreach (Kind::cases() as $kind) {
            foreach (self::shape($kind) as $name => $field) {
                foreach ($field->type === FieldType::Object ? self::byName($field->fields) : [null] as $inner => $_) {
                    $order += [$name.($_ === null ? '' : '.'.$inner) => count($order)];
                }
            }
        }

        return $order;
    }
}
