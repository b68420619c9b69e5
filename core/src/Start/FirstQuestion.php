<?php

declare(strict_types=1);

namespace ZincThimble\Core\Start;

/** What was left open at the first visit and can be told with a ruler, or read off the lens. */
enum FirstQuestion: string
{
    case Rim = 'rim';
    case Closest = 'closest';

    /** The figure of the lens that it tells. */
    public function field(): string
    {
        return match ($this) {
            self::Rim => 'frontRimMm',
            self::Closest => 'minFocusMm',
        };
    }
}
