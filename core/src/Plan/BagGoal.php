<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

/** What a bag is to be least of. What is equal in that is decided by mass, then by the number of parts, then of rigs. */
enum BagGoal: string
{
    /** Lightest. */
    case Mass = 'mass';
    /** Fewest parts. */
    case Parts = 'parts';
    /** Fewest rigs to put together. */
    case Rigs = 'rigs';
    /** Least to buy. */
    case Price = 'price';
}
