<?php

declare(strict_types=1);

namespace ZincThimble\Core\Search;

/** What a search found. */
final readonly class SearchResult
{
    /**
     * @param  list<Candidate>  $rows  the best first
     * @param  list<Candidate>  $each  every rig that was read and fulfils it, none standing for others, the best first
     * @param  list<string>  $leftOut  what was not looked at, in words; empty = nothing
     */
    public function __construct(
        public array $rows,
        /** Rigs gone through. */
        public int $rigs,
        /** Rigs that fulfil the wish. */
        public int $fulfil,
        /** Rigs that may, if their rings are wide enough: they rank too low to have been read. */
        public int $mayFulfil,
        /** Rigs that the rows stand for: the best were read in full and folded. */
        public int $read,
        public array $leftOut,
        /** Rigs that were read and are in no row, since their corners lose all light. */
        public int $dark = 0,
        public array $each = [],
    ) {
    }
}
