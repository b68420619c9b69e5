<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

/** One way to close the gap: its figure, and its price. Null = it isn't a matter of this way. */
final readonly class ClosedGap
{
    public function __construct(
        public GapWay $way,
        /** Stops of the gap that stay open; 0 = all of it is closed. */
        public float $leftStops,
        /** Share of a flash's power; marked f-number; ISO; times as much light; mm a second; s of torch light. */
        public ?float $figure,
        /** Slice by then, mm. */
        public ?float $sliceMm = null,
        /** Frames that the subject's depth takes by then. */
        public ?int $frames = null,
        /** Light on the subject that it takes, lux. */
        public ?float $lux = null,
    ) {
    }
}
