<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/** A light that stays on. */
final readonly class Lamp extends Item
{
    public function __construct(
        PartIdentity $identity,
        Values $document,
        /** What it draws, W; null = not known. */
        public ?float $watts,
        /** Light from each watt, lm; null = not known. */
        public ?float $lumensPerWatt,
    ) {
        parent::__construct(Kind::Lamp, $identity, $document);
    }

    /** @throws InvalidFigure names the joint that is none */
    public static function from(Values $values): self
    {
        return new self(PartIdentity::from(Kind::Lamp, $values), $values, $values->floatOrNull('watts'), $values->floatOrNull('lumensPerWatt'));
    }
}
