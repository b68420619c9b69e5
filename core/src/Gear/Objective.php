<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/** A microscope objective, corrected for a finite tube or for infinity (OPTICS.md, "The rig"). */
final readonly class Objective extends Part
{
    /**
     * @throws InvalidFigure names `parfocalMm` or `tubeMm` when the figures leave no room for a thin lens
     */
    public function __construct(
        PartIdentity $identity,
        Values $document,
        /** Nominal magnification. */
        public float $nominal,
        /** Numerical aperture, above 0 to 1.5. */
        public float $na,
        public float $workingDistanceMm,
        /** Whether it is corrected for infinity. */
        public bool $infinite,
        /** Shoulder to image, mm (finite ones). */
        public float $tubeMm,
        /** Shoulder to subject at the nominal conjugate, mm. */
        public float $parfocalMm,
        /** Focal length of the tube lens it was made for, mm (infinite ones). */
        public float $referenceMm,
    ) {
        parent::__construct(Kind::Objective, $identity, $document);
        if ($workingDistanceMm > $parfocalMm) {
            throw InvalidFigure::because('workingDistanceMm', 'is longer than the parfocal distance from shoulder to subject');
        }
        if (! $infinite && ($this->planeMm() >= $parfocalMm || $this->planeMm() <= -$tubeMm)) {
            throw InvalidFigure::because('parfocalMm', 'tube, parfocal distance and magnification leave no place for the lens');
        }
    }

    /** Nominal magnification, NA and working distance (mm), with the usual tube, parfocal and reference lengths where absent. */
    public static function from(Values $values): self
    {
        return new self(
            identity: PartIdentity::from(Kind::Objective, $values),
            document: $values,
            nominal: $values->float('nominal'),
            na: $values->float('na'),
            workingDistanceMm: $values->float('workingDistanceMm'),
            infinite: $values->stringOr('corrected', 'finite') === 'infinite',
            tubeMm: $values->floatOr('tubeMm', 150.0),
            parfocalMm: $values->floatOr('parfocalMm', 45.0),
            referenceMm: $values->floatOr('referenceMm', 200.0),
        );
    }

    /** Focal length, mm. */
    public function focalLengthMm(): float
    {
        if ($this->infinite) {
            return $this->referenceMm / $this->nominal;
        }
        $h = $this->planeMm();

        return 1.0 / (1.0 / ($this->tubeMm + $h) + 1.0 / ($this->parfocalMm - $h));
    }

    /** Its thin plane, in front of its shoulder, mm. */
    public function planeMm(): float
    {
        return $this->infinite
            ? $this->parfocalMm - $this->referenceMm / $this->nominal
            : ($this->nominal * $this->parfocalMm - $this->tubeMm) / (1.0 + $this->nominal);
    }

    /** Shoulder to tip, mm. */
    public function shortestMm(): float
    {
        return $this->parfocalMm - $this->workingDistanceMm;
    }
}
