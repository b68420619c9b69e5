<?php

declare(strict_types=1);

namespace ZincThimble\Core\Joint;

/** Cameras and parts of a kit that can be put together, by their places in the lists a map was made from. */
final readonly class Island
{
    /**
     * @param  list<int>  $cameras
     * @param  list<int>  $parts
     */
    public function __construct(public array $cameras, public array $parts)
    {
    }
}
