<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

/** How a rig's plan gets the whole depth of a subject. */
enum ShotsBy: string
{
    case Single = 'single';
    case Rail = 'rail';
    case Ring = 'ring';
    case Bracketing = 'bracketing';
}
