<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;

/** Where to set one control so that a reading is what was asked for, or as near as it gets. */
final readonly class Solution
{
    public function __construct(
        public Travel $travel,
        /** Where to set it, in its own unit. */
        public float $value,
        /** Whether the wish is met, not just approached. */
        public bool $exact,
        /** What the reading is there. */
        public float $reached,
        /** The rig so set. */
        public Rig $rig,
    ) {
    }
}
