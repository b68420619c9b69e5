<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

use ZincThimble\Core\Finding\Limits;
use ZincThimble\Core\Gear\Frame;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Reading\Balance;
use ZincThimble\Core\Reading\BestAperture;
use ZincThimble\Core\Reading\Light;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Rig\Travels;

/**
 * What to do with a rig as it is set, from what is known of its subject, its light and its support: best single shot and
 * stack, exposure, longest shutter, where it balances, and what clears a dark corner. Null wherever something that it
 * takes is not known.
 */
final readonly class Advice
{
    /**
     * @param  list<float>  $clearApertures
     * @param  list<float>  $clearZoomsMm
     * @param  list<string>  $clearModes
     */
    private function __construct(
        /** Best marked stops for the subject's depth with its sag, and the stack. */
        public ?BestAperture $best,
        /** Depth to be covered, mm. */
        public ?float $depthMm,
        /** What a meter reading without the rig is multiplied by. */
        public ?float $exposureFactor,
        /** Shutter time for the light that is known (`ev` at ISO 100, `iso`), s. */
        public ?float $exposureS,
        /** Longest shutter for the subject's own motion, across and to and fro, s. */
        public ?float $longestAcrossS,
        public ?float $longestToAndFroS,
        /** Longest shutter in which the usual sway of that support stays within half the slice, and sideways within the blur limit, s. */
        public ?float $longestSwayS,
        /** Where the whole rig balances, mm from the sensor. */
        public ?float $balanceMm,
        /** Marked stops of the working lens at which the corner is clear; [] when it is clear as set, or at none. */
        public array $clearApertures,
        /** Focal lengths at which it is clear, the nearest on either side of where a zoom stands. */
        public array $clearZoomsMm,
        /** Crop and video modes in which it is clear. */
        public array $clearModes,
    ) {
    }

    public static function of(Rig $rig, ?float $railPitchMm = null, float $secondsPerFrame = 4.0): self
    {
        $axis = Axis::of($rig);
        $reading = Reading::of($rig);
        $subject = $rig->subject;
        $depth = $subject?->depthOver($reading->fieldWidthMm);
        $effective = $reading->effectiveAperture;
        $shutter = Shutter::of($rig, $reading, $axis);
        $dark = $reading->cornerBrightness !== null && $reading->cornerBrightness < Limits::CLEAR_CORNER;

        return new self(
            best: $depth === null || $depth <= 0.0 ? null : BestAperture::of($rig, $depth, $railPitchMm, $secondsPerFrame),
            depthMm: $depth,
            exposureFactor: $effective === null || $reading->markedAperture === null ? null : Light::exposureFactor($effective, $reading->markedAperture),
            exposureS: $shutter->exposureS,
            longestAcrossS: $shutter->acrossS,
            longestToAndFroS: $shutter->toAndFroS,
            longestSwayS: $shutter->swayS,
            balanceMm: Balance::balancePoint($rig, $axis)[0] ?? null,
            clearApertures: $dark ? self::clearApertures($rig) : [],
            clearZoomsMm: $dark ? self::clearZooms($rig) : [],
            clearModes: $dark ? self::clearModes($rig) : [],
        );
    }

    /**
     * Marked number that a flash wants of the working lens (OPTICS.md, "Light"); null when the rig's loss is not known.
     *
     * @param  float  $guideNumber  m at ISO 100
     * @param  float  $distanceM  flash to subject, m, above 0
     */
    public static function flashMarked(Rig $rig, float $guideNumber, float $distanceM, float $diffuserStops = 0.0, float $sourceRadiusM = 0.0): ?float
    {
        $reading = Reading::of($rig);
        if ($reading->effectiveAperture === null || $reading->markedAperture === null) {
            return null;
        }

        return Light::markedForFlash(
            Light::flashNumber($guideNumber, $rig->conditions->iso ?? 100.0, $distanceM, $diffuserStops, $sourceRadiusM), $reading->effectiveAperture, $reading->markedAperture,
        );
    }

    /** @return list<float> */
    private static function clearApertures(Rig $rig): array
    {
        $at = $rig->workingLens();

        return $at === null ? [] : array_values(array_filter(
            $rig->stopsAt($at),
            static fn (float $stop): bool => self::isClear($rig->with(TravelKind::Aperture, $at, $stop)),
        ));
    }

    /** @return list<float> the nearest on either side of where each zoom stands */
    private static function clearZooms(Rig $rig): array
    {
        return array_column(Travels::nearest($rig, TravelKind::Zoom, self::isClear(...)), 1);
    }

    /** @return list<string> */
    private static function clearModes(Rig $rig): array
    {
        $names = array_filter(array_map(static fn (Frame $mode): ?string => $mode->name, $rig->camera->modes));

        return array_values(array_filter($names, static fn (string $name): bool => self::isClear($rig->withConditions($rig->conditions->with(['mode' => $name])))));
    }

    private static function isClear(Rig $rig): bool
    {
        $brightness = Reading::of($rig)->cornerBrightness;

        return $brightness !== null && $brightness >= Limits::CLEAR_CORNER;
    }
}
