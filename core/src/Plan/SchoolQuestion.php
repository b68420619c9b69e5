<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

use ZincThimble\Core\Reading\SolveTarget;
use ZincThimble\Core\Rig\Rig;

/** A question of a school, ready to be asked with the rigs of one's own kit: all of them, brought to the same. */
final readonly class SchoolQuestion
{
    /** @param  non-empty-list<Rig>  $rigs  each named by what it stands for */
    public function __construct(
        public School $school,
        public array $rigs,
        public SolveTarget $to,
        /** × or mm. */
        public float $value,
    ) {
    }
}
