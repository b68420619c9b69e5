<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

use ZincThimble\Core\Reading\Infinity;
use ZincThimble\Core\Reading\Range;
use ZincThimble\Core\Reading\ReadingTable;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Rig\TravelKind;

/** What findings are made from: a rig, what it can reach, and its readings at one or many places of one control. */
final readonly class RuleContext
{
    /**
     * @param  list<float>  $positions  where the control stands in each row; [] when there is one row as set
     */
    public function __construct(
        public Rig $rig,
        public Range $range,
        public Infinity $infinity,
        public ReadingTable $columns,
        public ?Travel $travel = null,
        public array $positions = [],
    ) {
    }

    /** The rig as it stands in one row. */
    public function rigAt(int $row): Rig
    {
        return $this->travel === null ? $this->rig : $this->rig->with($this->travel->kind, $this->travel->part, $this->positions[$row]);
    }

    /** Whether the control that is moved belongs to that part. */
    public function moves(int $part, TravelKind ...$kinds): bool
    {
        return $this->travel !== null && $this->travel->part === $part && in_array($this->travel->kind, $kinds, true);
    }

    /**
     * A number for each row: worked out once where the moved control can't change it.
     *
     * @param  \Closure(Rig): ?float  $number
     * @return list<?float>
     */
    public function column(bool $changes, \Closure $number): array
    {
        if (! $changes) {
            return array_fill(0, $this->columns->rows, $number($this->rig));
        }
        $column = [];
        for ($row = 0; $row < $this->columns->rows; $row++) {
            $column[] = $number($this->rigAt($row));
        }

        return $column;
    }

    /**
     * A span over all rows.
     *
     * @return list<Span>
     */
    public function always(Finding $finding): array
    {
        return [new Span($finding, 0, $this->columns->rows - 1)];
    }
}
