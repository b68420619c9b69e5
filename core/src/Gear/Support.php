<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/** What carries a rig and stays where it is: a tripod or a stand. */
final readonly class Support extends Item
{
    public function __construct(
        Kind $kind,
        PartIdentity $identity,
        Values $document,
        /** What it carries, g; null = not known. */
        public ?float $loadG,
    ) {
        parent::__construct($kind, $identity, $document);
    }

    /** @throws InvalidFigure names the joint that is none */
    public static function from(Kind $kind, Values $values): self
    {
        return new self($kind, PartIdentity::from($kind, $values), $values, $values->floatOrNull('loadG'));
    }
}
