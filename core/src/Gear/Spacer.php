<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/** A part of fixed length with nothing but air in it: tube, adapter, ring, filter, hood. */
final readonly class Spacer extends Part
{
    /**
     * @param  float  $lengthMm  0 to 3,000
     * @param  ?float  $clearMm  narrowest inner diameter
     * @param  ?bool  $shoulder  whether it has a stop to screw against; null = not known
     */
    public function __construct(
        Kind $kind,
        PartIdentity $identity,
        Values $document,
        public float $lengthMm,
        public ?float $clearMm,
        public ?bool $shoulder,
    ) {
        parent::__construct($kind, $identity, $document);
    }

    /** A ring, tube, filter or hood of a fixed length, mm, 0 to 3,000. */
    public static function from(Kind $kind, Values $values): self
    {
        return new self(
            $kind,
            PartIdentity::from($kind, $values),
            $values,
            $values->floatOr('lengthMm', 0.0),
            $values->floatOrNull('clearMm'),
            $values->boolOrNull('shoulder'),
        );
    }

    /** Its length, mm. */
    public function shortestMm(): float
    {
        return $this->lengthMm;
    }
}
