<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

/** What practitioners disagree about (handbook, "Schools"): settled for one's own gear by laying both side by side. */
enum School: string
{
    case TubesOrGlass = 'tubes-or-glass';
    case UsualOrTurned = 'usual-or-turned';
    case MagnifyOrCrop = 'magnify-or-crop';
    case StopOrStop = 'stop-or-stop';
}
