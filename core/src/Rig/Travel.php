<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

/** One control of one part of a rig: what it changes and how far it goes. */
final readonly class Travel
{
    public function __construct(
        public int $part,
        public TravelKind $kind,
        public float $least,
        public float $greatest,
        /** Distance between two places where it can rest, in its own unit; 0 = marked places only. */
        public float $step,
    ) {
    }

    /** Whether it goes anywhere: more than a billionth of its unit. */
    public function spans(): bool
    {
        return $this->greatest > $this->least;
    }

    /** The nearest value within its ends. */
    public function clamp(float $value): float
    {
        return max($this->least, min($this->greatest, $value));
    }

    /** Place in the chain and control, as addresses and files name it: `1.length`. */
    public function name(): string
    {
        return $this->part.'.'.$this->kind->value;
    }
}
