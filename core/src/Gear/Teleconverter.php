<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/** Multiplies the image of all that stands before it; modelled only directly at the camera. */
final readonly class Teleconverter extends Part
{
    public function __construct(
        PartIdentity $identity,
        Values $document,
        /** 1 to 4. */
        public float $factor,
        public float $lengthMm,
    ) {
        parent::__construct(Kind::Teleconverter, $identity, $document);
    }

    /** Factor 1 to 4, and length, mm. */
    public static function from(Values $values): self
    {
        return new self(
            PartIdentity::from(Kind::Teleconverter, $values),
            $values,
            $values->float('factor'),
            $values->floatOr('lengthMm', 0.0),
        );
    }

    /** Its length, mm. */
    public function shortestMm(): float
    {
        return $this->lengthMm;
    }
}
