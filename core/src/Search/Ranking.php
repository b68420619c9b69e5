<?php

declare(strict_types=1);

namespace ZincThimble\Core\Search;

/** By what rigs that fulfil a wish are put in order. */
enum Ranking: string
{
    /** Fewest warnings, then fewest joints, then fewest stops lost. */
    case Ease = 'ease';
    /** Greatest working distance. */
    case Room = 'room';
    /** Fewest stops lost. */
    case Light = 'light';
    /** Least mass. */
    case Mass = 'mass';
    /** Least price. */
    case Price = 'price';
}
