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
    /**
     * @param  array<string, float>  $measured  half-widths of the fields that were measured
     * @param  array<string, float>  $guessed  and of those that nobody knows and that stand for lenses of that kind
     * @param  list<LensShot>  $shots  what was measured with it
     */
    public function __construct(
        public float $focalLengthMm,
        /** Of the mount it was made for; null = not known, as an enlarging lens's often is. */
        public ?float $registerMm,
        /** Mount flange to front rim with the ring at infinity, or where it begins. */
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
        /** Closest focus from the front of the lens. */
        public ?float $minFocusFrontMm = null,
        /** Native magnification where its ring begins, when that isn't infinity. */
        public float $minMagnification = 0.0,
        /** How far its ring turns on past infinity, mm of the lens's way. */
        public float $pastInfinityMm = 0.0,
        /** Diameters of both pupils, seen from over a metre. */
        public ?float $entranceMm = null,
        public ?float $exitMm = null,
        public array $measured = [],
        public array $guessed = [],
        /** @phpstan-allow-private-mutation */
        public array $shots = [],
    ) {
    }

    /** @throws InvalidFigure names a needed field that is missing */
    public static function from(Values $values): self
    {
        $aperture = $values->object('aperture');
        $pupils = $values->object('pupils');

        return new self(
            focalLengthMm: $values->float('focalLengthMm'),
            registerMm: $values->floatOrNull('registerMm'),
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
            minFocusFrontMm: $values->floatOrNull('minFocusFrontMm'),
            minMagnification: $values->floatOr('minMagnification', 0.0),
            pastInfinityMm: $values->floatOr('pastInfinityMm', 0.0),
            entranceMm: $pupils->floatOrNull('entranceMm'),
            exitMm: $pupils->floatOrNull('exitMm'),
            measured: self::halfWidths($values->object('measured')),
            guessed: self::halfWidths($values->object('guessed')),
            shots: array_map(LensShot::from(...), $values->objects('shots')),
        );
    }

    /** The same figures before anything was measured with the lens. */
    public function withoutShots(): self
    {
        return $this->withShots([]);
    }

    /** @param  list<LensShot>  $shots */
    public function withShots(array $shots): self
    {
        $copy = clone $this;
        $copy->shots = $shots;

        return $copy;
    }

    /**
     * Every number linear between this station (0) and the next (1). A figure only one of them knows is not known between. Shots belong
     * to a station: what they tell is carried over by what is settled from them.
     */
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
            registerMm: $mix($this->registerMm, $next->registerMm),
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
            minFocusFrontMm: $mix($this->minFocusFrontMm, $next->minFocusFrontMm),
            minMagnification: $this->minMagnification + ($next->minMagnification - $this->minMagnification) * $share,
            pastInfinityMm: $this->pastInfinityMm + ($next->pastInfinityMm - $this->pastInfinityMm) * $share,
            entranceMm: $mix($this->entranceMm, $next->entranceMm),
            exitMm: $mix($this->exitMm, $next->exitMm),
            measured: self::mixed($this->measured, $next->measured, $share),
            guessed: self::mixed($this->guessed, $next->guessed, $share),
        );
    }

    /** @return array<string, float> by field */
    private static function halfWidths(Values $values): array
    {
        return array_map(static fn (mixed $half): float => is_int($half) || is_float($half) ? abs((float) $half) : 0.0, $values->fields);
    }

    /**
     * Half-widths between two stations, of what both tell.
     *
     * @param  array<string, float>  $these
     * @param  array<string, float>  $next
     * @return array<string, float>
     */
    private static function mixed(array $these, array $next, float $share): array
    {
        $mixed = [];
        foreach (array_intersect_key($these, $next) as $field => $half) {
            $mixed[$field] = $half + ($next[$field] - $half) * $share;
        }

        return $mixed;
    }
}
