<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/** A flash. */
final readonly class Flash extends Item
{
    public function __construct(
        PartIdentity $identity,
        Values $document,
        /** f-number times metres at ISO 100, at full power, above 0. */
        public float $guideNumber,
        /** Seconds until it fires again at full power; null = not known. */
        public ?float $recycleS,
    ) {
        parent::__construct(Kind::Flash, $identity, $document);
    }

    /** @throws InvalidFigure names what is missing, or the joint that is none */
    public static function from(Values $values): self
    {
        return new self(PartIdentity::from(Kind::Flash, $values), $values, $values->float('guideNumber'), $values->floatOrNull('recycleS'));
    }
}
