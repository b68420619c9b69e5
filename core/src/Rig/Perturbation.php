<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

/**
 * Assumptions of a lens moved by their half-width, +1, -1 or 0 each, to learn what a reading owes to them.
 */
final readonly class Perturbation
{
    public function __construct(
        /** Principal gap and pupil ratio of the design family, together. */
        public float $family = 0.0,
        /** Principal gap at the closest of an internally focusing lens. */
        public float $closeGap = 0.0,
        /** Entrance pupil at the closest of an internally focusing lens. */
        public float $aperture = 0.0,
    ) {
    }

    /** Nothing moved. */
    public static function none(): self
    {
        /** @var self|null $none */
        static $none = null;

        return $none ??= new self;
    }
}
