<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Reading\Light;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\Rig;

/** A flash for a rig as it is set: the power that it takes from where it stands, or how far off it may stand (OPTICS.md, "Light"). */
final readonly class FlashPlan
{
    /** Powers go from full to a 256th, in thirds of a stop. */
    public const LEAST_STOPS = 8.0;

    private const THIRDS = 3.0;

    /** Ambient light so many stops below leaves the movement to the flash. */
    public const ALONE_STOPS = 3.0;

    private function __construct(
        public float $guideNumber,
        public float $distanceMm,
        /** Share of full power that the exposure takes; above 1 = more than it has. */
        public float $needed,
        /** The power to be set, in thirds of a stop; null = it hasn't so much, or none so little. */
        public ?float $power,
        /** How far off that is from what is needed, stops; above 0 = too bright. */
        public ?float $offStops,
        /** How far off it may stand at full power, mm. */
        public float $furthestMm,
        /** And at its least. */
        public float $nearestMm,
        /** Marked number that full power wants from there; null = the rig's loss isn't known. */
        public ?float $marked,
        private float $effective,
        private float $iso,
        private float $diffuserStops,
        private float $sourceRadiusMm,
    ) {
    }

    /** Nearer than this nobody holds a flash to a subject unless it is said, mm. */
    public const USUAL_MM = 180.0;

    /** Where a flash stands until somebody says it, mm from the subject: beside the front of the rig, where that stands further off. */
    public static function usualMm(?float $workingDistanceMm): float
    {
        return max(self::USUAL_MM, $workingDistanceMm ?? 0.0);
    }

    /** As the rig's own plan says; null = it has no flash, or how much light the rig takes isn't known. */
    public static function planned(Rig $rig, ?Reading $read = null): ?self
    {
        $plan = $rig->conditions->plan;
        if ($plan->guideNumber === null) {
            return null;
        }
        $reading = $read ?? Reading::of($rig);

        return self::of($rig, $plan->guideNumber, $plan->flashMm ?? self::usualMm($reading->workingDistanceMm), $plan->diffuserStops, $plan->sourceRadiusMm, $reading);
    }

    /**
     * @param  float  $guideNumber  m at ISO 100, above 0
     * @param  float  $distanceMm  flash to subject, above 0
     * @param  float  $diffuserStops  light that a diffuser takes, 0 or more
     * @param  float  $sourceRadiusMm  of the shining surface, 0 or more
     * @return ?self null = how much light the rig takes isn't known
     *
     * @throws InvalidFigure names what can't be
     */
    public static function of(Rig $rig, float $guideNumber, float $distanceMm, float $diffuserStops = 0.0, float $sourceRadiusMm = 0.0, ?Reading $read = null): ?self
    {
        foreach (['guideNumber' => $guideNumber, 'flashMm' => $distanceMm] as $name => $value) {
            if (! is_finite($value) || $value <= 0.0) {
                throw InvalidFigure::because($name, 'should be above 0');
            }
        }
        foreach (['diffuserStops' => $diffuserStops, 'sourceRadiusMm' => $sourceRadiusMm] as $name => $value) {
            if (! is_finite($value) || $value < 0.0) {
                throw InvalidFigure::because($name, 'should be 0 or more');
            }
        }
        $reading = $read ?? Reading::of($rig);
        $effective = $reading->effectiveAperture;
        if ($effective === null) {
            return null;
        }
        $iso = $rig->conditions->iso ?? 100.0;
        $reached = Light::flashNumber($guideNumber, $iso, $distanceMm / 1000.0, $diffuserStops, $sourceRadiusMm / 1000.0);
        $needed = ($effective / $reached) ** 2;
        $below = round(-log($needed, 2.0) * self::THIRDS) / self::THIRDS;
        // A third of a stop more than full power is full power with a third of a stop missing: it is said to be too little.
        $power = $below < -1e-9 || $below > self::LEAST_STOPS + 1e-9 ? null : 2.0 ** -$below;

        return new self(
            guideNumber: $guideNumber,
            distanceMm: $distanceMm,
            needed: $needed,
            power: $power,
            offStops: $power === null ? null : log($power / $needed, 2.0),
            furthestMm: self::distance($guideNumber, $iso, $effective, $diffuserStops, $sourceRadiusMm, 1.0),
            nearestMm: self::distance($guideNumber, $iso, $effective, $diffuserStops, $sourceRadiusMm, 2.0 ** -self::LEAST_STOPS),
            marked: $reading->markedAperture === null ? null : Light::markedForFlash($reached, $effective, $reading->markedAperture),
            effective: $effective,
            iso: $iso,
            diffuserStops: $diffuserStops,
            sourceRadiusMm: $sourceRadiusMm,
        );
    }

    /** The power as flashes show it: `1/32 + ⅓`, a third of a stop above a 32nd; null = none. */
    public function powerSaid(): ?string
    {
        if ($this->power === null) {
            return null;
        }
        $thirds = (int) round(-log($this->power, 2.0) * self::THIRDS);
        $whole = (int) ceil($thirds / self::THIRDS);

        return '1/'.(1 << $whole).['', ' + ⅓', ' + ⅔'][(int) ($whole * self::THIRDS) - $thirds];
    }

    /** From how far off it gives the exposure at a share of its power, mm; 0 = from nowhere: so large a source is too weak. */
    public function distanceAt(float $power): float
    {
        return self::distance($this->guideNumber, $this->iso, $this->effective, $this->diffuserStops, $this->sourceRadiusMm, $power);
    }

    /**
     * Stops that the light there is lies below the flash at a shutter; ALONE_STOPS of them leave the movement to the flash.
     *
     * @param  float  $shutterS  above 0
     * @param  float  $exposureS  what the light there is would take
     */
    public static function ambientBelow(float $shutterS, float $exposureS): float
    {
        return log($exposureS / $shutterS, 2.0);
    }

    /** `d = GN sqrt(ISO / 100) sqrt(power 2^-stops) / Neff`, less the radius of the source in quadrature. */
    private static function distance(float $guideNumber, float $iso, float $effective, float $diffuserStops, float $sourceRadiusMm, float $power): float
    {
        $point = 1000.0 * $guideNumber * sqrt($iso / 100.0 * $power * 2.0 ** -$diffuserStops) / $effective;

        return sqrt(max(0.0, $point * $point - $sourceRadiusMm * $sourceRadiusMm));
    }
}
