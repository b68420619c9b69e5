<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

/** The figure of a part that a reading owes most of its half-width to. */
final readonly class Contributor
{
    public function __construct(
        public int $part,
        /** The field of the part, as the file spells it. */
        public string $field,
        /** Whether its half-width was measured rather than assumed. */
        public bool $measured,
    ) {
    }
}
