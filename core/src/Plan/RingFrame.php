<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

/** One frame of a stack by the focus ring. */
final readonly class RingFrame
{
    public function __construct(
        /** Of the ring, 0 to 1. */
        public float $focus,
        /** Plane of focus from the sensor mark, mm. */
        public float $planeMm,
        /** Width of the frame there, mm. */
        public float $fieldMm,
        /** Depth that it covers, mm. */
        public float $sliceMm,
    ) {
    }
}
