<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

/** Tables as CSV: UTF-8, comma, CRLF, quoted where it has to be (RFC 4180). */
final class Csv
{
    /**
     * Numbers as they are; null = an empty cell.
     *
     * @param  list<list<string|float|int|null>>  $rows
     */
    public static function of(array $rows): string
    {
        return implode('', array_map(static fn (array $row): string => self::line(array_map(
            static fn (string|float|int|null $cell): string => is_string($cell) ? self::safe($cell) : (string) $cell, $row,
        )), $rows));
    }

    /** @param  list<string>  $cells */
    public static function line(array $cells): string
    {
        return implode(',', array_map(
            static fn (string $cell): string => strpbrk($cell, ",\"\r\n") === false ? $cell : '"'.str_replace('"', '""', $cell).'"', $cells,
        ))."\r\n";
    }

    /** A cell that a spreadsheet would take for a formula is kept a text; a number with its sign is none. */
    private static function safe(string $cell): string
    {
        return preg_match('/^[=+@\t\r-]/', $cell) === 1 && ! is_numeric($cell) ? "'".$cell : $cell;
    }
}
