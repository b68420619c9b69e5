<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

use ZincThimble\Core\Gear\Focusing;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\LensFigures;

/**
 * What is known of a lens at one focal length before anything is weighed: each figure with its half-width (nine times in ten), from
 * the catalogue, from a measurement, or filled in by the rules of OPTICS.md ("A lens", "What its owner knows"). Lengths in mm.
 */
final readonly class KnownFigures
{
    /** Standard deviations in a half-width: nine times in ten. */
    public const NINE_IN_TEN = 1.645;

    /** Half-width of a nominal focal length, and of a given principal gap, over the focal length. */
    public const FOCAL_LENGTH = 0.03;

    public const GIVEN_GAP = 0.02;

    /** Half-width of a closest focus: a share of it, and at least so many mm. */
    public const CLOSEST_FOCUS = 0.01;

    public const CLOSEST_FOCUS_MM = 4.0;

    /** Half-width of a greatest magnification: a share of it, and at least so much. */
    public const MAGNIFICATION = 0.03;

    public const MAGNIFICATION_LEAST = 0.005;

    /** Half-width of a greatest magnification that the closest focus told, as a share: of a lens that moves as a whole, and of another. */
    public const TOLD_UNIT = 0.10;

    public const TOLD_OTHERWISE = 0.15;

    /** Half-width of a length from flange to rim, mm. */
    public const RIM_MM = 1.0;

    /** Half-width of the register of a bayonet and of a thread, mm. */
    public const BAYONET_MM = 0.1;

    public const THREAD_MM = 0.5;

    /** A register that nobody tells, over the focal length. */
    public const REGISTER = 0.93;

    /** What an internally focusing lens gains in principal gap at its closest, over f m0, and the half-width of that. */
    public const CLOSE_GAP = 0.4;

    public const CLOSE_GAP_HALF_WIDTH = 0.3;

    /** What it loses in focal length there, over f m0, where its closest focus isn't known. */
    public const CLOSE_LOSS = 0.25;

    public const CLOSE_LOSS_HALF_WIDTH = 0.15;

    /** Half-width of a pupil's diameter seen from over a metre, mm. */
    public const PUPIL_MM = 0.3;

    /** The nearest focal length at the closest that is tried where only a closest focus is known, over the one at infinity. */
    private const SHORTENED = 0.85;

    /**
     * @param  list<LensFigure>  $filled  which figures nobody gave: each comes from a rule, with its half-width
     */
    private function __construct(
        public float $focalLengthMm,
        public float $focalLengthHalfWidth,
        public float $gapMm,
        public float $gapHalfWidth,
        public float $registerMm,
        public float $registerHalfWidth,
        public float $rimMm,
        public float $rimHalfWidth,
        public float $pupilRatio,
        /** 0 = it was given. */
        public float $pupilRatioHalfWidth,
        /** Native magnification with the ring at its closest; null = the ring does nothing. */
        public ?float $magnification,
        public float $magnificationHalfWidth,
        /** Where the ring begins. */
        public float $leastMagnification,
        /** Subject to sensor at the closest; null = not known. */
        public ?float $closestMm,
        public float $closestHalfWidth,
        public ?float $closeGapMm,
        public ?float $closeFocalLengthMm,
        public float $pastInfinityMm,
        /** Whether a closest focus nearer than any lens of this focal length can have stands beside no magnification. */
        public bool $tooClose,
        public array $filled,
    ) {
    }

    /** @throws InvalidFigure names `registerMm` where its family needs it, `minMagnification` where the ring would end before it begins */
    public static function of(Lens $lens, LensFigures $figures): self
    {
        $design = $lens->design;
        // What was measured is no guess any more.
        $measured = $figures->measured + $figures->guessed;
        $f = $figures->focalLengthMm;
        $filled = array_values(array_filter(array_map(LensFigure::tryFrom(...), array_keys(array_diff_key($figures->guessed, $figures->measured)))));
        $gap = $figures->principalGapMm ?? $design->gapRatio() * $f;
        $gapHalf = $measured['principalGapMm'] ?? ($figures->principalGapMm === null ? $design->gapRatioHalfWidth() : self::GIVEN_GAP) * $f;
        $register = $figures->registerMm;
        $registerHalf = $measured['registerMm'] ?? ($lens->threaded ? self::THREAD_MM : self::BAYONET_MM);
        if ($register === null) {
            $register = self::REGISTER * $f;
            $registerHalf = $f * ($design->registerRatioHalfWidth()
                ?? throw InvalidFigure::because('registerMm', 'is needed and missing: of a '.$design->spoken().' lens nothing else tells it'));
            $filled[] = LensFigure::Register;
        }
        [$pupilRatio, $pupilHalf] = self::pupil($lens, $figures);
        $ring = $lens->focusing !== Focusing::Fixed;
        $m0 = $ring && $figures->maxMagnification !== 0.0 ? $figures->maxMagnification : null;
        $m0Half = $measured['maxMagnification'] ?? max(self::MAGNIFICATION * ($m0 ?? 0.0), self::MAGNIFICATION_LEAST);
        $closest = $ring && $figures->maxMagnification !== 0.0
            ? self::closest($lens, $figures, $register, $gap, $m0)
            : null;
        $tooClose = false;
        if ($closest !== null && $m0 === null) {
            [$m0, $m0Half, $tooClose] = self::told($lens->focusing, $closest, $f, $gap);
            $filled[] = LensFigure::Magnification;
        }
        if ($m0 !== null && $figures->minMagnification > $m0) {
            throw InvalidFigure::because('minMagnification', 'is greater than the greatest magnification of the ring');
        }
        if ($m0 !== null && $closest === null && $figures->closeFocalLengthMm === null && $lens->focusing === Focusing::Internal) {
            $filled[] = LensFigure::CloseFocalLength;
        }

        return new self(
            focalLengthMm: $f,
            focalLengthHalfWidth: $measured['focalLengthMm'] ?? self::FOCAL_LENGTH * $f,
            gapMm: $gap,
            gapHalfWidth: $gapHalf,
            registerMm: $register,
            registerHalfWidth: $registerHalf,
            rimMm: $figures->frontRimMm,
            rimHalfWidth: $measured['frontRimMm'] ?? self::RIM_MM,
            pupilRatio: $pupilRatio,
            pupilRatioHalfWidth: $pupilHalf,
            magnification: $m0,
            magnificationHalfWidth: $m0Half,
            leastMagnification: $figures->minMagnification,
            closestMm: $closest,
            closestHalfWidth: $measured['minFocusMm'] ?? $measured['minFocusFrontMm'] ?? max(self::CLOSEST_FOCUS * ($closest ?? 0.0), self::CLOSEST_FOCUS_MM),
            closeGapMm: $figures->closePrincipalGapMm,
            closeFocalLengthMm: $figures->closeFocalLengthMm,
            pastInfinityMm: $figures->pastInfinityMm,
            tooClose: $tooClose,
            filled: $filled,
        );
    }

    /** `D - (A f + g)` by the figures as they are given, A = 2 + m0 + 1/m0; null = one of them isn't known. */
    public function disagreementMm(): ?float
    {
        $m = $this->magnification;

        return $m === null || $this->closestMm === null ? null : $this->closestMm - ((2.0 + $m + 1.0 / $m) * $this->focalLengthMm + $this->gapMm);
    }

    /** How large that may be before the figures are at odds: twice the half-width that theirs give it (OPTICS.md, "Settling a lens"). */
    public function toleranceMm(): float
    {
        $m = $this->magnification ?? 1.0;

        return 2.0 * sqrt(
            ((2.0 + $m + 1.0 / $m) * $this->focalLengthHalfWidth) ** 2 + $this->gapHalfWidth ** 2 + $this->closestHalfWidth ** 2
            + ($this->focalLengthMm * (1.0 - 1.0 / ($m * $m)) * $this->magnificationHalfWidth) ** 2,
        );
    }

    /** Principal gap of an internally focusing lens at its closest. */
    public function closeGapAt(float $magnification): float
    {
        return $this->closeGapMm ?? $this->gapMm + self::CLOSE_GAP * $this->focalLengthMm * $magnification;
    }

    /** Half-width of that. */
    public function closeGapHalfWidth(): float
    {
        return $this->closeGapMm === null
            ? hypot($this->gapHalfWidth, self::CLOSE_GAP_HALF_WIDTH * $this->focalLengthMm * ($this->magnification ?? 0.0))
            : self::GIVEN_GAP * $this->focalLengthMm;
    }

    /** Focal length of one there, where the closest focus doesn't say it. */
    public function closeFocalLengthAt(float $magnification): float
    {
        return $this->closeFocalLengthMm ?? $this->focalLengthMm * (1.0 - self::CLOSE_LOSS * $magnification);
    }

    /** Half-width of the focal length at the closest, where the closest focus doesn't say it. */
    public function closeFocalLengthHalfWidth(): float
    {
        return $this->closeFocalLengthMm === null ? self::CLOSE_LOSS_HALF_WIDTH * $this->focalLengthMm * ($this->magnification ?? 0.0) : self::GIVEN_GAP * $this->focalLengthMm;
    }

    /** @return array{float, float} exit over entrance pupil, and its half-width; 0 = given */
    private static function pupil(Lens $lens, LensFigures $figures): array
    {
        if ($figures->entranceMm !== null && $figures->exitMm !== null) {
            $ratio = $figures->exitMm / $figures->entranceMm;

            return [$ratio, $ratio * hypot(self::PUPIL_MM / $figures->exitMm, self::PUPIL_MM / $figures->entranceMm)];
        }

        return $figures->pupilRatio !== null
            ? [$figures->pupilRatio, $figures->measured['pupilRatio'] ?? 0.0]
            : [$lens->design->pupilRatio(), $lens->design->pupilRatioHalfWidth()];
    }

    /** Subject to sensor at the closest: as given, or from the front of the lens, which has moved forward by then. */
    private static function closest(Lens $lens, LensFigures $figures, float $register, float $gap, ?float $m0): ?float
    {
        if ($figures->minFocusMm !== null || $figures->minFocusFrontMm === null) {
            return $figures->minFocusMm;
        }
        $behind = $register + $figures->frontRimMm + $figures->minFocusFrontMm;
        if ($lens->focusing === Focusing::Internal) {
            return $behind + $figures->rimTravelMm;
        }
        $f = $figures->focalLengthMm;
        if ($m0 === null) {
            // D = behind + f (m0 - least), and D = (2 + m0 + 1/m0) f + g: m0 falls out of both.
            $rest = ($behind - $gap) / $f - 2.0 - $figures->minMagnification;
            $m0 = $rest > 1.0 ? 1.0 / $rest : 1.0;
        }

        return $behind + $f * max(0.0, $m0 - $figures->minMagnification);
    }

    /** @return array{float, float, bool} greatest magnification that a closest focus tells, its half-width, and whether there is none */
    private static function told(Focusing $focusing, float $closest, float $f, float $gap): array
    {
        $unit = self::magnificationAt($closest, $f, $gap);
        if ($focusing === Focusing::Unit) {
            $m = $unit ?? 1.0;

            return [$m, self::TOLD_UNIT * $m, $unit === null];
        }
        $m = (($unit ?? 1.0) + (self::magnificationAt($closest, self::SHORTENED * $f, $gap) ?? 1.0)) / 2.0;

        return [$m, self::TOLD_OTHERWISE * $m, $unit === null];
    }

    /** The lesser m0 of `D = (2 + m0 + 1/m0) f + g`; null = no lens of that focal length comes so close. */
    private static function magnificationAt(float $closest, float $f, float $gap): ?float
    {
        $b = ($closest - $gap) / $f - 2.0;

        return $b < 2.0 ? null : ($b - sqrt($b * $b - 4.0)) / 2.0;
    }
}
