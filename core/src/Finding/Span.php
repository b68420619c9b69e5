<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

/** A finding and the rows of a table of readings, first and last, where it holds. */
final readonly class Span
{
    /** @param  array<string, list<?float>>  $columns numbers of the sentence that change from row to row, over all rows */
    public function __construct(
        public Finding $finding,
        public int $from,
        public int $to,
        public array $columns = [],
    ) {
    }

    /**
     * The changing numbers over the rows where it holds, from the first.
     *
     * @return array<string, list<?float>>
     */
    public function held(): array
    {
        return array_map(fn (array $column): array => array_slice($column, $this->from, $this->to - $this->from + 1), $this->columns);
    }

    /** The finding as it stands at one row. */
    public function at(int $row): Finding
    {
        $numbers = $this->finding->numbers;
        foreach ($this->columns as $name => $column) {
            $numbers[$name] = $column[$row] ?? 0.0;
        }

        return new Finding($this->finding->code, $this->finding->severity, $this->finding->part, $this->finding->pattern, $numbers);
    }

    /**
     * The findings of many rows, each row's own, joined where they say the same with other numbers.
     *
     * @param  list<list<Finding>>  $rows
     * @return list<self>
     */
    public static function joined(array $rows): array
    {
        $open = [];
        $spans = [];
        foreach ($rows as $row => $findings) {
            $next = [];
            foreach ($findings as $finding) {
                $words = array_filter($finding->numbers, is_string(...));
                $key = serialize([$finding->code, $finding->severity, $finding->part, $finding->pattern, $words]);
                [$from, $columns] = $open[$key] ?? [$row, []];
                foreach (array_diff_key($finding->numbers, $words) as $name => $number) {
                    $columns[$name] = array_pad($columns[$name] ?? [], $row, null);
                    $columns[$name][] = (float) $number;
                }
                $next[$key] = [$from, $columns, new Finding($finding->code, $finding->severity, $finding->part, $finding->pattern, $words)];
            }
            foreach (array_diff_key($open, $next) as [$from, $columns, $finding]) {
                $spans[] = new self($finding, $from, $row - 1, $columns);
            }
            $open = $next;
        }
        foreach ($open as [$from, $columns, $finding]) {
            $spans[] = new self($finding, $from, count($rows) - 1, $columns);
        }

        return $spans;
    }

    /**
     * A column that says something of some rows and nothing of the others.
     *
     * @param  array<int, float>  $rows
     * @return list<?float>
     */
    public static function filled(array $rows, int $count): array
    {
        $column = [];
        for ($row = 0; $row < $count; $row++) {
            $column[] = $rows[$row] ?? null;
        }

        return $column;
    }

    /**
     * A span for each stretch of rows where the column is above one bound and not above the other.
     *
     * @param  list<?float>  $column
     * @param  array<string, list<?float>>  $columns
     * @return list<self>
     */
    public static function where(array $column, float $above, float $upTo, Finding $finding, array $columns = []): array
    {
        $spans = [];
        $from = -1;
        foreach ($column as $row => $value) {
            $holds = $value !== null && $value > $above && $value <= $upTo;
            if ($holds && $from < 0) {
                $from = $row;
            } elseif (! $holds && $from >= 0) {
                $spans[] = new self($finding, $from, $row - 1, $columns);
                $from = -1;
            }
        }
        if ($from >= 0) {
            $spans[] = new self($finding, $from, count($column) - 1, $columns);
        }

        return $spans;
    }
}
