<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/**
 * Catalogue figures of a lens at one focal length (OPTICS.md, "A lens"). Lengths in mm. Null = not known.
 *
 * @immutable nothing but its own copies is ever written to
 */
final class LensFigures
{
    public function __construct(
        public float $focalLengthMm,
        public float $registerMm,
        /** Mount flange to front rim with the ring at infinity. */
        public float $frontRimMm,
        public ?float $minFocusMm = null,
        public ?float $maxMagnification = null,
        public ?float $principalGapMm = null,
        public ?float $pupilRatio = null,
        public ?float $closeFocalLengthMm = null,
        public ?float $closePrincipalGapMm = null,
        public ?float $closePupilRatio = null,
        public ?float $closeEffectiveAperture = null,
        public float $rimTravelMm = 0.0,
        public float $rearProtrusionMm = 0.0,
        public ?float $frontGlassMm = null,
        public ?float $imageCircleMm = null,
        public ?float $widest = null,
        public ?float $smallest = null,
    ) {
    }

    /** @throws InvalidFigure names a needed field that is missing */
    public static function from(Values $values): self
    {
        $aperture = $values->object('aperture');

        return new self(
            focalLengthMm: $values->float('focalLengthMm'),
            registerMm: $values->float('registerMm'),
            frontRimMm: $values->float('frontRimMm'),
            minFocusMm: $values->floatOrNull('minFocusMm'),
            maxMagnification: $values->floatOrNull('maxMagnification'),
            principalGapMm: $values->floatOrNull('principalGapMm'),
            pupilRatio: $values->floatOrNull('pupilRatio'),
            closeFocalLengthMm: $values->floatOrNull('closeFocalLengthMm'),
            closePrincipalGapMm: $values->floatOrNull('closePrincipalGapMm'),
            closePupilRatio: $values->floatOrNull('closePupilRatio'),
            closeEffectiveAperture: $values->floatOrNull('closeEffectiveAperture'),
            rimTravelMm: $values->floatOr('rimTravelMm', 0.0),
            rearProtrusionMm: $values->floatOr('rearProtrusionMm', 0.0),
            frontGlassMm: $values->floatOrNull('frontGlassMm'),
            imageCircleMm: $values->floatOrNull('imageCircleMm'),
            widest: $aperture->floatOrNull('widest'),
            smallest: $aperture->floatOrNull('smallest'),
        );
    }

    /**
     * The figures that are known, by field.
     *
     * @return array<string, float>
     */
    public function known(): array
    {
        $known = [];
        foreach (get_object_vars($this) as $field => $value) {
            if (\is_float($value)) {
                $known[(string) $field] = $value;
            }
        }

        return $known;
    }

    /** The same figures with one of them changed. */
    public function with(string $field, float $value): self
    {
        $copy = clone $this;
        $copy->{$field} = $value;

        return $copy;
    }

    /** Every number linear between this station (0) and the next (1). A figure only one of them knows is not known between. */
    public function between(self $next, float $share): self
    {
        if ($share <= 0.0) {
            return $this;
        }
        if ($share >= 1.0) {
            return $next;
        }
        $mix = static fn (?float $a, ?float $b): ?float => $a === null || $b === null ? null : $a + ($b - $a) * $share;

        return new self(
            focalLengthMm: $this->focalLengthMm + ($next->focalLengthMm - $this->focalLengthMm) * $share,
            registerMm: $this->registerMm + ($next->registerMm - $this->registerMm) * $share,
            frontRimMm: $this->frontRimMm + ($next->frontRimMm - $this->frontRimMm) * $share,
            minFocusMm: $mix($this->minFocusMm, $next->minFocusMm),
            maxMagnification: $mix($this->maxMagnification, $next->maxMagnification),
            principalGapMm: $mix($this->principalGapMm, $next->principalGapMm),
            pupilRatio: $mix($this->pupilRatio, $next->pupilRatio),
            closeFocalLengthMm: $mix($this->closeFocalLengthMm, $next->closeFocalLengthMm),
            closePrincipalGapMm: $mix($this->closePrincipalGapMm, $next->closePrincipalGapMm),
            closePupilRatio: $mix($this->closePupilRatio, $next->closePupilRatio),
            closeEffectiveAperture: $mix($this->closeEffectiveAperture, $next->closeEffectiveAperture),
            rimTravelMm: $this->rimTravelMm + ($next->rimTravelMm - $this->rimTravelMm) * $share,
            rearProtrusionMm: $this->rearProtrusionMm + ($next->rearProtrusionMm - $this->rearProtrusionMm) * $share,
            frontGlassMm: $mix($this->frontGlassMm, $next->frontGlassMm),
            imageCircleMm: $mix($this->imageCircleMm, $next->imageCircleMm),
            widest: $mix($this->widest, $next->widest),
            smallest: $mix($this->smallest, $next->smallest),
        );
    }
}
