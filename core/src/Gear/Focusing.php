<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/** How a lens focuses by its own ring. */
enum Focusing: string
{
    /** The whole block moves forward. */
    case Unit = 'unit';
    /** The barrel keeps its length and the focal length shrinks. */
    case Internal = 'internal';
    case Fixed = 'fixed';
    case Unknown = 'unknown';
}
