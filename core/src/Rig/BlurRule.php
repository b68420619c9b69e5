<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

/** What counts as sharp enough (handbook, "Where the schools differ"). */
enum BlurRule: string
{
    /** Sensor diagonal / 1500: a print looked at whole. */
    case Format = 'format';
    /** Twice the pixel pitch: looked at 100 %. */
    case Pixel = 'pixel';
    case Given = 'given';
}
