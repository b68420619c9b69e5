<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

use ZincThimble\Core\Gear\Focusing;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\LensFigures;

/**
 * A lens whose figures have been weighed against each other and against its shots (OPTICS.md, "Settling a lens", "Shots"), ready to be
 * traced (LensModel), and how sure they are. mm.
 *
 * @immutable nothing but its own copies is ever written to
 */
final class SettledLens
{
    /** Half-widths half way between the ends of an internally focusing lens: of f(s), as a share, and of g(s), over the focal length. */
    private const BEND = 0.025;

    private const BULGE = 0.05;

    /**
     * Focal length at infinity and at the closest.
     *
     * @phpstan-allow-private-mutation
     */
    public float $f0;

    /** @phpstan-allow-private-mutation */
    public float $f1;

    /**
     * Principal gap at infinity and at the closest.
     *
     * @phpstan-allow-private-mutation
     */
    public float $g0;

    /** @phpstan-allow-private-mutation */
    public float $g1;

    /** @phpstan-allow-private-mutation */
    public float $register;

    /** @phpstan-allow-private-mutation */
    public float $rim;

    /**
     * Greatest native magnification by its own ring; where the ring does nothing, the one it stands at.
     *
     * @phpstan-allow-private-mutation
     */
    public float $m0;

    /**
     * How far its figures may be off together: the Cholesky factor of their covariance as columns, each times 1.645, so that a column
     * is one independent way of being wrong, nine times in ten no further than that.
     *
     * @var list<list<float>> by column and figure
     *
     * @phpstan-allow-private-mutation
     */
    public array $ways;

    /**
     * What is taken otherwise than it is given, or was not given at all.
     *
     * @var list<TakenAs>
     *
     * @phpstan-allow-private-mutation
     */
    public array $takenAs;

    /**
     * What each shot showed, beside what the settled lens would have shown.
     *
     * @var list<ShotResidual>
     *
     * @phpstan-allow-private-mutation
     */
    public array $residuals;

    /**
     * Times s (1 - s), what f(s) has more as a share, and g(s) in mm; not 0 where a half-width is learnt.
     *
     * @phpstan-allow-private-mutation
     */
    public float $bend;

    /** @phpstan-allow-private-mutation */
    public float $bulge;

    /**
     * Share by which E is moved at m = 1, likewise.
     *
     * @phpstan-allow-private-mutation
     */
    public float $apertureShift;

    /**
     * @param  list<LensFigure>  $figures  what is weighed, in the order of `place()` and of each way
     */
    private function __construct(
        public Focusing $focusing,
        public array $figures,
        public KnownFigures $known,
        /** Native magnification where the ring begins. */
        public float $mBegin,
        /**
         * Pupil ratio at infinity.
         *
         * @phpstan-allow-private-mutation
         */
        public float $p0,
        /** Pupil ratio at the closest, when given. */
        public ?float $p1,
        /** Effective aperture shown wide open at the closest over the widest, less 1, when given. */
        public ?float $closeLoss,
        public float $rimTravel,
        public float $protrusion,
        public ?float $frontGlass,
        public ?float $imageCircle,
        public ?float $widest,
        public ?float $smallest,
        public bool $showsEffective,
        /** Whether the kind of focusing was decided here. */
        public bool $decided,
        /** D - (A f + g) by the figures as given, mm; null when D isn't used. */
        public ?float $disagreement,
        /**
         * Whether the catalogue figures can't all be right.
         *
         * @phpstan-allow-private-mutation
         */
        public bool $disagrees,
    ) {
        $this->f0 = $this->f1 = $this->g0 = $this->g1 = $this->register = $this->rim = $this->m0 = 0.0;
        $this->bend = $this->bulge = $this->apertureShift = 0.0;
        $this->ways = $this->takenAs = $this->residuals = [];
    }

    /** With the figures as they are known, before anything is weighed. */
    public static function from(Lens $lens, LensFigures $figures, KnownFigures $known): self
    {
        $focusing = $lens->focusing;
        $gap = $known->disagreementMm();
        $beyond = $gap !== null && abs($gap) > $known->toleranceMm();
        $decided = false;
        if ($known->magnification === null) {
            $focusing = Focusing::Fixed;
        } elseif ($focusing === Focusing::Unknown) {
            $decided = true;
            $focusing = $beyond ? Focusing::Internal : Focusing::Unit;
        }
        $self = new self(
            focusing: $focusing,
            figures: match (true) {
                $focusing === Focusing::Fixed => [LensFigure::FocalLength, LensFigure::PrincipalGap, LensFigure::Register, LensFigure::FrontRim],
                $focusing === Focusing::Unit => [
                    LensFigure::FocalLength, LensFigure::PrincipalGap, LensFigure::Register, LensFigure::FrontRim, LensFigure::Magnification,
                ],
                default => [
                    LensFigure::FocalLength, LensFigure::PrincipalGap, LensFigure::Register, LensFigure::FrontRim, LensFigure::Magnification,
                    LensFigure::CloseGap, $known->closeFocalLengthMm === null && $known->closestMm !== null ? LensFigure::ClosestFocus : LensFigure::CloseFocalLength,
                ],
            },
            known: $known,
            mBegin: $known->leastMagnification,
            p0: $known->pupilRatio,
            p1: $figures->closePupilRatio,
            closeLoss: $figures->closeEffectiveAperture !== null && $figures->widest !== null ? $figures->closeEffectiveAperture / $figures->widest - 1.0 : null,
            rimTravel: $figures->rimTravelMm,
            protrusion: $figures->rearProtrusionMm,
            frontGlass: $figures->frontGlassMm,
            imageCircle: $figures->imageCircleMm,
            widest: $figures->widest,
            smallest: $figures->smallest,
            showsEffective: $lens->aperture->showsEffective,
            decided: $decided,
            disagreement: $gap,
            disagrees: $known->tooClose || ($focusing === Focusing::Unit && $beyond),
        );

        return $self->at($self->catalogue());
    }

    /**
     * The figures as they are known, in the order of `$figures`: what an internally focusing lens has at its closest is told as what it
     * differs by from its rule, or as its closest focus.
     *
     * @return list<float>
     */
    public function catalogue(): array
    {
        return array_map(fn (LensFigure $figure): float => match ($figure) {
            LensFigure::FocalLength => $this->known->focalLengthMm,
            LensFigure::PrincipalGap => $this->known->gapMm,
            LensFigure::Register => $this->known->registerMm,
            LensFigure::FrontRim => $this->known->rimMm,
            LensFigure::Magnification => $this->known->magnification ?? 0.0,
            LensFigure::CloseGap => 0.0,
            LensFigure::ClosestFocus => $this->known->closestMm ?? 0.0,
            LensFigure::CloseFocalLength => 0.0,
        }, $this->figures);
    }

    /** @return list<float> half-widths of those */
    public function halfWidths(): array
    {
        return array_map(fn (LensFigure $figure): float => match ($figure) {
            LensFigure::FocalLength => $this->known->focalLengthHalfWidth,
            LensFigure::PrincipalGap => $this->known->gapHalfWidth,
            LensFigure::Register => $this->known->registerHalfWidth,
            LensFigure::FrontRim => $this->known->rimHalfWidth,
            LensFigure::Magnification => $this->known->magnificationHalfWidth,
            LensFigure::CloseGap => $this->known->closeGapHalfWidth(),
            LensFigure::ClosestFocus => $this->known->closestHalfWidth,
            LensFigure::CloseFocalLength => $this->known->closeFocalLengthHalfWidth(),
        }, $this->figures);
    }

    /**
     * The same lens with its figures at these values, in the order of `$figures` (OPTICS.md, "Settling a lens"). What an internally
     * focusing lens has at its closest rests on the catalogue's figures, not on what shots made of the ones at infinity.
     *
     * @param  list<float>  $x
     */
    public function at(array $x): self
    {
        $copy = clone $this;
        $known = $this->known;
        $copy->f0 = $copy->f1 = $x[0];
        $copy->g0 = $copy->g1 = $x[1];
        $copy->register = $x[2];
        $copy->rim = $x[3];
        $copy->m0 = $m = $x[4] ?? $this->mBegin;
        if ($this->focusing === Focusing::Internal) {
            $copy->g1 = $known->closeGapAt($m) + $x[5];
            $copy->f1 = $this->figures[6] === LensFigure::ClosestFocus
                ? ($x[6] - $copy->g1) / (2.0 + $m + 1.0 / $m)
                : $known->closeFocalLengthAt($m) + $x[6];
        }

        return $copy;
    }

    /**
     * The same lens with what its settling told.
     *
     * @param  list<list<float>>  $ways
     * @param  list<TakenAs>  $takenAs
     * @param  list<ShotResidual>  $residuals
     */
    public function told(array $ways, array $takenAs, array $residuals, bool $disagrees): self
    {
        $copy = clone $this;
        $copy->ways = $ways;
        $copy->takenAs = $takenAs;
        $copy->residuals = $residuals;
        $copy->disagrees = $disagrees;

        return $copy;
    }

    /** @return list<float> the figures as they stand, in the order of `$figures` */
    public function place(): array
    {
        $x = [$this->f0, $this->g0, $this->register, $this->rim, $this->m0];
        if ($this->focusing === Focusing::Internal) {
            $known = $this->known;
            $x[] = $this->g1 - $known->closeGapAt($this->m0);
            $x[] = $this->figures[6] === LensFigure::ClosestFocus
                ? $this->f1 * (2.0 + $this->m0 + 1.0 / $this->m0) + $this->g1
                : $this->f1 - $known->closeFocalLengthAt($this->m0);
        }

        return array_slice($x, 0, count($this->figures));
    }

    /** Whether its ring moves the plane of focus. */
    public function turns(): bool
    {
        return $this->focusing !== Focusing::Fixed && $this->m0 > $this->mBegin;
    }

    /** Where the ring ends on the far side, 0 or, of one that turns on past infinity, less: `-pastInfinityMm / (f m0)`. */
    public function leastFocus(): float
    {
        return $this->focusing === Focusing::Unit && $this->known->pastInfinityMm > 0.0 && $this->turns()
            ? -$this->known->pastInfinityMm / ($this->f0 * ($this->m0 - $this->mBegin))
            : 0.0;
    }

    /** The same lens wrong by one half-width of one of its ways, up (1) or down (-1). */
    public function moved(int $way, float $side): self
    {
        $x = $this->place();
        foreach ($this->ways[$way] as $k => $by) {
            $x[$k] += $side * $by;
        }

        return $this->at(array_values($x));
    }

    /** The same lens with another pupil ratio. */
    public function withPupilRatio(float $ratio): self
    {
        $copy = clone $this;
        $copy->p0 = $ratio;

        return $copy;
    }

    /** The same lens with its entrance pupil at m = 1 so much narrower, as a share. */
    public function withApertureShift(float $share): self
    {
        $copy = clone $this;
        $copy->apertureShift = $share;

        return $copy;
    }

    /** The same lens bent otherwise between the ends of its ring: f(s) by a share of `4 s (1 - s)`, g(s) by so many mm of it. */
    public function withBend(float $share, float $mm): self
    {
        $copy = clone $this;
        $copy->bend = 4.0 * $share;
        $copy->bulge = 4.0 * $mm;

        return $copy;
    }

    /**
     * An internally focusing lens between its ends bends otherwise than a straight line from one to the other: the lens with its focal
     * length and with its principal gap there up and down by their half-widths (OPTICS.md, "How sure").
     *
     * @return list<array{self, self}>
     */
    public function bends(): array
    {
        return [
            [$this->withBend(self::BEND, 0.0), $this->withBend(-self::BEND, 0.0)],
            [$this->withBend(0.0, self::BULGE * $this->f0), $this->withBend(0.0, -self::BULGE * $this->f0)],
        ];
    }

    /** Half-width of one figure, mm (1 of a magnification), shots and all. */
    public function halfWidth(LensFigure $figure): float
    {
        $at = array_search($figure, $this->figures, true);
        $sum = 0.0;
        foreach ($this->ways as $way) {
            $sum += ($way[(int) $at] ?? 0.0) ** 2;
        }

        return $at === false ? 0.0 : sqrt($sum);
    }

    /** Whether another is the same lens with its rim elsewhere. */
    public function isButForItsRim(self $other): bool
    {
        return $this->f0 === $other->f0 && $this->f1 === $other->f1 && $this->g0 === $other->g0 && $this->g1 === $other->g1 && $this->m0 === $other->m0
            && $this->register === $other->register && $this->p0 === $other->p0 && $this->bend === $other->bend && $this->bulge === $other->bulge
            && $this->apertureShift === $other->apertureShift;
    }

    /** @throws InvalidFigure names `minFocusMm` when no focal length fits */
    public function mustBeALens(): self
    {
        if ($this->f0 <= 0.0) {
            throw InvalidFigure::because('minFocusMm', 'is too short for this focal length and magnification');
        }
        if ($this->f1 <= 0.0) {
            throw InvalidFigure::because('minFocusMm', 'is shorter than the lens itself at this magnification');
        }

        return $this;
    }
}
