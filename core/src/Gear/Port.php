<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/** A flat window with water behind it (OPTICS.md, "Water and flat ports"). */
final readonly class Port extends Part
{
    public function __construct(
        PartIdentity $identity,
        Values $document,
        /** Air between the front-most metal and the glass, mm. */
        public float $gapMm,
        public float $glassMm,
        /** Refractive index of the window, 1 to 2.5. */
        public float $index,
        /** Refractive index of the water, 1 to 2.5. */
        public float $medium,
    ) {
        parent::__construct(Kind::Port, $identity, $document);
    }

    /** Gap and glass, mm; indices of glass and water, 1 to 2.5; water 1.333 where absent. */
    public static function from(Values $values): self
    {
        return new self(
            PartIdentity::from(Kind::Port, $values),
            $values,
            $values->float('gapMm'),
            $values->float('glassMm'),
            $values->float('index'),
            $values->floatOr('medium', 1.333),
        );
    }

    /** Gap and glass together, mm. */
    public function shortestMm(): float
    {
        return $this->gapMm + $this->glassMm;
    }
}
