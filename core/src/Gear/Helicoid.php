<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/** A short screw-driven spacer of variable length. */
final readonly class Helicoid extends VariableSpacer
{
    /** @param  ?float  $pitchMm  mm of travel per turn */
    public function __construct(
        PartIdentity $identity,
        Values $document,
        float $minMm,
        float $maxMm,
        ?float $clearMm,
        public ?float $pitchMm,
    ) {
        parent::__construct(Kind::Helicoid, $identity, $document, $minMm, $maxMm, $clearMm);
    }

    /**
     * Shortest and longest length, mm, 0 to 3,000.
     *
     * @throws InvalidFigure names `maxMm` when it is under `minMm`.
     */
    public static function from(Values $values): self
    {
        return new self(
            PartIdentity::from(Kind::Helicoid, $values),
            $values,
            $values->float('minMm'),
            $values->float('maxMm'),
            $values->floatOrNull('clearMm'),
            $values->floatOrNull('pitchMm'),
        );
    }
}
