<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Rig\Rig;

/** One input of a rig that is not known exactly, and the rig with it moved up and down by its half-width. */
final readonly class UncertainInput
{
    public function __construct(
        public int $part,
        /** The field of the part, as the file spells it; `design` for what comes from the family. */
        public string $field,
        /** Whether its half-width was measured rather than assumed. */
        public bool $measured,
        public Rig $up,
        public Rig $down,
    ) {
    }
}
