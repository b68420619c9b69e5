<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

/** One rig that would do for a subject: what it takes out of the bag. */
final readonly class BagOption
{
    /**
     * @param  array<string, int<1, max>>  $counts  how many of each item, by the item's key
     * @param  string  $rig  the same for rigs that are put together the same way, however they are set
     */
    public function __construct(public array $counts, public string $rig)
    {
    }
}
