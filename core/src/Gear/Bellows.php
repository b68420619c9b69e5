<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/** A cloth spacer of variable draw on a rail. */
final readonly class Bellows extends VariableSpacer
{
    public function __construct(
        PartIdentity $identity,
        Values $document,
        float $minMm,
        float $maxMm,
        ?float $clearMm,
        /** Draw at which the engraved scale reads 0, mm. */
        public float $scaleZeroMm,
        /** How far its rail stays clear of the camera's mount, mm. */
        public float $rearClearanceMm,
        /** Whether its front can work a lever by hand. */
        public bool $latch,
        public float $maxSwingDeg,
        public float $maxShiftMm,
    ) {
        parent::__construct(Kind::Bellows, $identity, $document, $minMm, $maxMm, $clearMm);
    }

    /**
     * Shortest and longest draw, mm, 0 to 3,000.
     *
     * @throws InvalidFigure names `maxMm` when it is under `minMm`.
     */
    public static function from(Values $values): self
    {
        return new self(
            identity: PartIdentity::from(Kind::Bellows, $values),
            document: $values,
            minMm: $values->float('minMm'),
            maxMm: $values->float('maxMm'),
            clearMm: $values->floatOrNull('clearMm'),
            scaleZeroMm: $values->floatOr('scaleZeroMm', 0.0),
            rearClearanceMm: $values->floatOr('rearClearanceMm', 0.0),
            latch: $values->boolOr('latch', false),
            maxSwingDeg: $values->floatOr('maxSwingDeg', 0.0),
            maxShiftMm: $values->floatOr('maxShiftMm', 0.0),
        );
    }
}
