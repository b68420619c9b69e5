<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/** A spacer whose length is set by hand: helicoid or bellows. */
abstract readonly class VariableSpacer extends Part
{
    /**
     * @param  float  $minMm  shortest length, 0 to 3,000
     * @param  float  $maxMm  longest length, not under $minMm
     * @param  ?float  $clearMm  narrowest inner diameter
     *
     * @throws InvalidFigure names `maxMm` when it is shorter than `minMm`
     */
    public function __construct(
        Kind $kind,
        PartIdentity $identity,
        Values $document,
        public float $minMm,
        public float $maxMm,
        public ?float $clearMm,
    ) {
        if ($maxMm < $minMm) {
            throw InvalidFigure::because('maxMm', 'the longest is shorter than the shortest');
        }
        parent::__construct($kind, $identity, $document);
    }

    /** Its shortest length, mm. */
    public function shortestMm(): float
    {
        return $this->minMm;
    }
}
