<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

use ZincThimble\Core\Finding\Limits;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Reading\Beside;
use ZincThimble\Core\Reading\Light;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\ReadingTable;
use ZincThimble\Core\Reading\Stack;
use ZincThimble\Core\Rig\Rig;

/**
 * Where this light's exposure falls, and up to which shutter each thing stays still, s (OPTICS.md, "Light" and "Shots"). Null wherever
 * something that it takes isn't known.
 */
final readonly class Shutter
{
    /** Width of a full frame, mm: makers' custom for the hand counts in its focal lengths. */
    private const FULL_MM = 36.0;

    /** Braced, the hand shakes half as much. */
    private const BRACED = 2.0;

    private function __construct(
        /** Shutter time for the light that is known (`ev` at ISO 100, `iso`). */
        public ?float $exposureS,
        /** Longest for the subject's own motion across. */
        public ?float $acrossS,
        /** And to and fro. */
        public ?float $toAndFroS,
        /** Longest in which the usual sway of that support stays within half the slice, and sideways within the blur limit. */
        public ?float $swayS,
        /** Longest by makers' custom for the shake of a hand, `1 / (f (1 + M))` of a full frame's focal length; a custom, no rule. */
        public ?float $customS,
    ) {
    }

    /** What is at hand of its reading and its axis need not be traced again. */
    public static function of(Rig $rig, ?Reading $read = null, ?Axis $along = null): self
    {
        $axis = $along ?? Axis::of($rig);
        $reading = $read ?? Reading::along($rig, $axis);
        $conditions = $rig->conditions;
        $subject = $rig->subject;
        $effective = $reading->effectiveAperture;
        $magnification = $reading->magnification;
        $slice = Stack::depths(ReadingTable::ofOne($reading), $conditions->totalDepth)[0];
        $sway = Limits::SWAY_MM[$conditions->support ?? ''] ?? null;
        $focal = Beside::combinedFocalLengthMm($axis);
        $inHand = ['hand' => 1.0, 'braced' => self::BRACED][$conditions->support ?? ''] ?? null;

        return new self(
            exposureS: $effective === null || $conditions->iso === null || $conditions->ev === null ? null : Light::exposureS($effective, $conditions->iso, $conditions->ev),
            acrossS: $subject?->acrossMmS === null || $magnification === null ? null : Light::longestAcrossS($rig->blurLimitMm, $subject->acrossMmS, $magnification),
            toAndFroS: $subject?->toAndFroMmS === null || $slice === null ? null : Light::longestToAndFroS($slice, $subject->toAndFroMmS),
            swayS: $sway === null ? null : self::sway($sway / Limits::SWAY_S, $slice, $rig->blurLimitMm, $magnification),
            customS: $inHand === null || $focal === null || $magnification === null || abs($focal) < 1e-9 ? null : $inHand / (abs($focal) * self::FULL_MM / $rig->frame->widthMm * (1.0 + $magnification)),
        );
    }

    /** The longest in which everything stays still; null = nothing that moves is known. */
    public function longestS(): ?float
    {
        $known = array_filter([$this->acrossS, $this->toAndFroS, $this->swayS, $this->customS], static fn (?float $seconds): bool => $seconds !== null);

        return $known === [] ? null : min($known);
    }

    /** How many stops this light is too slow for what must stand still; below 0 = it is quick enough. */
    public function gapStops(): ?float
    {
        $longest = $this->longestS();

        return $longest === null || $longest <= 0.0 || $this->exposureS === null ? null : log($this->exposureS / $longest, 2.0);
    }

    /**
     * Hands sway to and fro and sideways alike.
     *
     * @param  float  $perS  mm a second
     */
    private static function sway(float $perS, ?float $slice, float $blurLimitMm, ?float $magnification): ?float
    {
        $limits = array_filter([
            $slice === null ? null : $slice / 2.0 / $perS,
            $magnification === null || $magnification <= 0.0 ? null : Light::longestAcrossS($blurLimitMm, $perS, $magnification),
        ], static fn (?float $seconds): bool => $seconds !== null);

        return $limits === [] ? null : min($limits);
    }
}
