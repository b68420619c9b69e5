<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/** A positive (or negative) lens on the front of another, by power. */
final readonly class CloseUpLens extends Part
{
    public function __construct(
        PartIdentity $identity,
        Values $document,
        /** Power in air, dioptres, -50 to 50, not 0. */
        public float $powerD,
        /** 1 = single glass, 2 = corrected pair. */
        public int $elements,
        public float $thicknessMm,
        /** Its plane, behind its own front, mm. */
        public float $planeFromFrontMm,
        /** Whether that plane was given, not taken from the number of elements. */
        public bool $planeGiven,
        public ?float $clearMm,
        /** Air-spaced and sealed: keeps its whole power under water. */
        public bool $sealed,
        /** Refractive index of its glass. */
        public float $index,
        public ?float $clipMinMm,
        public ?float $clipMaxMm,
        /** Half-width of the power, dioptres. */
        public float $powerHalfWidthD,
    ) {
        parent::__construct(Kind::CloseUpLens, $identity, $document);
    }

    /** @throws InvalidFigure names `powerD` when it is 0 */
    public static function from(Values $values): self
    {
        $power = $values->float('powerD');
        if ($power === 0.0) {
            throw InvalidFigure::because('powerD', 'a close-up lens has a power other than 0');
        }
        $elements = $values->intOr('elements', 1);
        $thickness = $values->floatOr('thicknessMm', 0.0);
        $plane = $values->floatOrNull('planeFromFrontMm');
        $measured = $values->object('measured');

        return new self(
            identity: PartIdentity::from(Kind::CloseUpLens, $values),
            document: $values,
            powerD: $power,
            elements: $elements,
            thicknessMm: $thickness,
            planeFromFrontMm: $plane ?? ($elements >= 2 ? 0.0 : $thickness / 2.0),
            planeGiven: $plane !== null,
            clearMm: $values->floatOrNull('clearMm'),
            sealed: $values->boolOr('sealed', false),
            index: $values->floatOr('index', 1.5168),
            clipMinMm: $values->floatOrNull('clipMinMm'),
            clipMaxMm: $values->floatOrNull('clipMaxMm'),
            powerHalfWidthD: $measured->floatOrNull('powerD') ?? abs($power) * 0.05,
        );
    }

    /** Power left with both faces in water of that index, dioptres (OPTICS.md, "Water and flat ports"). */
    public function powerInWaterD(float $medium): float
    {
        return $this->sealed ? $this->powerD : $this->powerD * ($this->index - $medium) / ($this->index - 1.0);
    }

    /** The same lens with power (dioptres) and plane (mm) moved: what its readings owe to them. */
    public function perturbed(float $powerD, float $planeMm): self
    {
        return new self(
            identity: $this->identity, document: $this->document, powerD: $this->powerD + $powerD, elements: $this->elements, thicknessMm: $this->thicknessMm,
            planeFromFrontMm: $this->planeFromFrontMm + $planeMm, planeGiven: $this->planeGiven, clearMm: $this->clearMm, sealed: $this->sealed, index: $this->index,
            clipMinMm: $this->clipMinMm, clipMaxMm: $this->clipMaxMm, powerHalfWidthD: $this->powerHalfWidthD,
        );
    }

    /** Its thickness, mm: how much longer the rig gets. */
    public function shortestMm(): float
    {
        return $this->thicknessMm;
    }
}
