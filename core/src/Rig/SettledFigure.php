<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

/** One figure of a lens before and after it was measured. */
final readonly class SettledFigure
{
    public function __construct(
        /** As the files spell it: `focalLengthMm`, `registerMm`, `principalGapMm`, `pupilRatio`. */
        public string $field,
        /** What it was taken for: given, or the design family's. */
        public float $old,
        public float $oldHalfWidth,
        /** Whether the old one came from the design family. */
        public bool $assumed,
        public float $new,
        public float $newHalfWidth,
    ) {
    }
}
