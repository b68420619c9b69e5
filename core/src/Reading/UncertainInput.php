<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Rig\Rig;

/**
 * One independent way in which a rig may be otherwise than told, and the rig moved up and down by its half-width: an input by itself, or
 * one column of what is sure of a lens's figures together (OPTICS.md, "How sure").
 */
final readonly class UncertainInput
{
    public function __construct(
        public int $part,
        /** The field of the part, as the file spells it; of a column, the first figure it moves. */
        public string $field,
        /** Whether its half-width was measured rather than assumed. */
        public bool $measured,
        public Rig $up,
        public Rig $down,
        /** Which column of the lens's figures it is; -1 = it stands by itself. */
        public int $way = -1,
    ) {
    }
}
