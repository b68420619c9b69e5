<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

/** What a rig's plan is lit by. */
enum LightSource: string
{
    case There = 'there';
    case Flash = 'flash';
    case Lamp = 'lamp';
    /** Painted in the dark. */
    case Torch = 'torch';
}
