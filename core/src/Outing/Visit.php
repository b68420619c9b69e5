<?php

declare(strict_types=1);

namespace ZincThimble\Core\Outing;

/** A rig in its turn: what is photographed with it before it is taken apart. */
final readonly class Visit
{
    /** @param  non-empty-list<int>  $subjects  in the order in which they are photographed, by their place in the outing */
    public function __construct(
        public string $letter,
        public array $subjects,
        /** Joints of the rig before it that are undone; 0 for the first. */
        public int $undone,
        /** Joints that are made; for the first all it has. */
        public int $made,
    ) {
    }
}
