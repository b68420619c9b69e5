<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/** What moves a whole rig along its axis, by a screw. */
final readonly class Rail extends Item
{
    public function __construct(
        PartIdentity $identity,
        Values $document,
        /** How far it goes, mm, above 0. */
        public float $travelMm,
        /** mm a turn of its screw, above 0. */
        public float $pitchMm,
        /** What it carries, g; null = not known. */
        public ?float $loadG,
    ) {
        parent::__construct(Kind::Rail, $identity, $document);
    }

    /** @throws InvalidFigure names what is missing, or the joint that is none */
    public static function from(Values $values): self
    {
        return new self(PartIdentity::from(Kind::Rail, $values), $values, $values->float('travelMm'), $values->float('pitchMm'), $values->floatOrNull('loadG'));
    }
}
