<?php

declare(strict_types=1);

namespace ZincThimble\Core\Start;

/** What a lens was made for, as seen from the body it is put on. */
enum Mount: string
{
    case Own = 'own';
    case Mirror = 'mirror';
    case Screw = 'screw';

    /** Register, mm; null = the body's own. */
    public function registerMm(): ?float
    {
        return match ($this) {
            self::Own => null,
            self::Mirror => 46.5,
            self::Screw => 45.46,
        };
    }

    /** The joint's name; null = the body's own. */
    public function joint(): ?string
    {
        return match ($this) {
            self::Own => null,
            self::Mirror => 'mirror 46',
            self::Screw => 'thread:42x1',
        };
    }
}
