<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

/** A table for the bag, one page: what was computed ahead so that nobody has to where there is no screen. */
final readonly class Card
{
    /**
     * @param  list<array{name: string, unit: string}>  $columns  after the first, which names the row; unit `mm`, `x`, `stops`, `f`, `money` or `text`
     * @param  list<CardRow>  $rows
     * @param  list<string>  $notes
     */
    public function __construct(public string $title, public string $first, public array $columns, public array $rows, public array $notes)
    {
    }

    /** As CSV, UTF-8, RFC 4180: full precision to a thousandth, empty = none, `infinity` where it is infinite. */
    public function csv(): string
    {
        $lines = [self::line([$this->first, ...array_map(static fn (array $column): string => $column['name'].($column['unit'] === 'mm' ? ' (mm)' : ''), $this->columns)])];
        foreach ($this->rows as $row) {
            $cells = [$row->label];
            foreach ($row->values as $value) {
                $cells[] = match (true) {
                    is_string($value) => $value,
                    $value === null => '',
                    is_infinite($value) => 'infinity',
                    default => (string) round($value, 3),
                };
            }
            $lines[] = self::line($cells);
        }

        return implode("\r\n", $lines)."\r\n";
    }

    /** @param  list<string>  $cells */
    private static function line(array $cells): string
    {
        return implode(',', array_map(static function (string $cell): string {
            // A cell that a spreadsheet would take for a formula is kept a text.
            $safe = preg_match('/^[=+@\t\r-](?!\d)/', $cell) === 1 ? "'".$cell : $cell;

            return preg_match('/[",\r\n]/', $safe) === 1 ? '"'.str_replace('"', '""', $safe).'"' : $safe;
        }, $cells));
    }
}
