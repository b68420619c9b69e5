<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

/** A figure that a settled lens has otherwise than it was given, or that nobody gave (OPTICS.md, "Settling a lens": "taken as"). */
final readonly class TakenAs
{
    public function __construct(
        public LensFigure $figure,
        /** As given; null = it was not, and a rule filled it in. */
        public ?float $given,
        public float $taken,
        public float $halfWidth,
    ) {
    }
}
