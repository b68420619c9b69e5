<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

/** How bad a finding is (handbook, "Mistakes to catch before they happen"). */
enum Severity: string
{
    /** Cannot work, or may damage. */
    case Stop = 'stop';
    /** Works badly. */
    case Warn = 'warn';
    /** Worth knowing. */
    case Note = 'note';

    /** 0 is the worst. */
    public function rank(): int
    {
        return match ($this) {
            self::Stop => 0,
            self::Warn => 1,
            self::Note => 2,
        };
    }
}
