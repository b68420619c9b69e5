<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

use ZincThimble\Core\Reading\Columns;
use ZincThimble\Core\Reading\Infinity;
use ZincThimble\Core\Reading\Range;
use ZincThimble\Core\Reading\UncertainInput;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;

/** What findings are made from: a rig, what it can reach, and its readings at one or many places of one control. */
final readonly class Facts
{
    /**
     * @param  list<float>  $places  where the control stands in each row; [] when there is one row as set
     * @param  array<string, float>  $halfWidths  at the rig as set
     * @param  array<string, UncertainInput>  $sources
     */
    public function __construct(
        public Rig $rig,
        public Range $range,
        public Infinity $infinity,
        public Columns $columns,
        public ?Travel $travel = null,
        public array $places = [],
        public array $halfWidths = [],
        public array $sources = [],
    ) {}

    /** A span over all rows. @return list<Span> */
    public function always(Finding $finding): array
    {
        return [new Span($finding, 0, $this->columns->rows - 1)];
    }
}
