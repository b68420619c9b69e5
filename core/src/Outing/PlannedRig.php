<?php

declare(strict_types=1);

namespace ZincThimble\Core\Outing;

/** One rig of an outing, however often it is set otherwise. */
final readonly class PlannedRig
{
    /** @param  non-empty-list<string>  $parts  names, camera first */
    public function __construct(public string $letter, public array $parts)
    {
    }
}
