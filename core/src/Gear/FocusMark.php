<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/** One engraving of a focus ring. */
final readonly class FocusMark
{
    public function __construct(
        /** Ring position, 0 infinity to 1 closest. */
        public float $focus,
        /** Engraved distance, mm; null = infinity or none. */
        public ?float $distanceMm,
        /** Engraved magnification; null = none. */
        public ?float $magnification,
    ) {
    }
}
