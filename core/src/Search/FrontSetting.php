<?php

declare(strict_types=1);

namespace ZincThimble\Core\Search;

/** A front assembly set so that a wish's target is met: where it stands, and what can be told of it whatever carries it there. */
final readonly class FrontSetting
{
    public function __construct(
        /** Place of the first lens's ring. */
        public float $s,
        /** Sensor to the rear of the front assembly, without a converter's length, mm. */
        public float $z,
        public float $magnification,
        public float $workingDistanceMm,
        public float $subjectDistanceMm,
        /** f-number set on the working lens; null = not known. */
        public ?float $stop,
        /** Effective aperture, as long as no ring behind the front assembly is narrower; 0 = not known. */
        public float $effective,
        /** null = there is no marked number to lose from. */
        public ?float $stopsLost,
        /** Weight of what is certainly wrong here; rings may add to it. */
        public float $weight,
        /** Whether all limits that the front assembly alone decides are kept. */
        public bool $fits,
        /** How far it misses the limits it doesn't keep, as a sum of shares; 0 when it fits. */
        public float $miss,
    ) {
    }
}
