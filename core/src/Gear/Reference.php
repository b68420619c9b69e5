<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/** A thing of known size to point a rig at: a target, a rule. */
final readonly class Reference extends Item
{
    public function __construct(
        PartIdentity $identity,
        Values $document,
        /** mm; null = not known. */
        public ?float $widthMm,
        /** mm; null = not known. */
        public ?float $depthMm,
    ) {
        parent::__construct(Kind::Reference, $identity, $document);
    }

    /** @throws InvalidFigure names the joint that is none */
    public static function from(Values $values): self
    {
        return new self(PartIdentity::from(Kind::Reference, $values), $values, $values->floatOrNull('widthMm'), $values->floatOrNull('depthMm'));
    }
}
