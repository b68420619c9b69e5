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
        $rows = [[$this->first, ...array_map(static fn (array $column): string => $column['name'].($column['unit'] === 'mm' ? ' (mm)' : ''), $this->columns)]];
        foreach ($this->rows as $row) {
            $rows[] = [$row->label, ...array_map(static fn (float|string|null $value): float|string|null => is_float($value) ? (is_infinite($value) ? 'infinity' : round($value, 3)) : $value, $row->values)];
        }

        return Csv::of($rows);
    }
}
