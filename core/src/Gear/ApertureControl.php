<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/** How a lens's diaphragm is worked. */
enum ApertureControl: string
{
    case Ring = 'ring';
    case Electronic = 'electronic';
    case Lever = 'lever';
    case None = 'none';
}
