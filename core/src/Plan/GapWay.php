<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

/** Ways to close the gap between this light's exposure and the longest shutter in which all stands still. */
enum GapWay: string
{
    case Flash = 'flash';
    /** A lamp, or whatever else is brighter. */
    case MoreLight = 'more-light';
    case OpenUp = 'open-up';
    case Iso = 'iso';
    /** Calm the subject, or wait until it is. */
    case Slower = 'slower';
    /** Paint with a torch in the dark: for what stands still. */
    case Torch = 'torch';
}
