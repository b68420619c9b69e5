<?php

declare(strict_types=1);

namespace ZincThimble\Core\Joint;

/** How two ends go together. */
enum Fit: string
{
    case Mates = 'mates';
    /** Held by tape. */
    case Improvised = 'improvised';
    /** Same diameter, different pitch: starts, binds, ruins both. */
    case LookAlike = 'look-alike';
    /** Same standard, but both male or both female. */
    case SameSide = 'same-side';
    /** A clip-on that is too small or too large for this front. */
    case ClipSize = 'clip-size';
    case Different = 'different';
    /** One of the two ends is not known. */
    case Unknown = 'unknown';

    /** Whether the two stay together: mated, taped, or not known to miss. */
    public function holds(): bool
    {
        return $this === self::Mates || $this === self::Improvised || $this === self::Unknown;
    }
}
