<?php

declare(strict_types=1);

namespace ZincThimble\Core\Search;

use ZincThimble\Core\Finding\Finding;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\Rig;

/** A rig that fulfils a wish, set where it does, and why it stands where it stands. */
final readonly class Candidate
{
    /**
     * @param  list<float>  $rank  what it is put in order by, the first difference counts
     * @param  list<Finding>  $warnings
     * @param  int  $alike  how many rigs within 5 % of it in every reading it stands for, itself included
     */
    public function __construct(
        public Rig $rig,
        public Reading $reading,
        public Route $route,
        public array $warnings,
        public array $rank,
        public int $alike = 1,
    ) {
    }

    /** The same standing for so many. */
    public function standingFor(int $alike): self
    {
        return new self($this->rig, $this->reading, $this->route, $this->warnings, $this->rank, $alike);
    }
}
