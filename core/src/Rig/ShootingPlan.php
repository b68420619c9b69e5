<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

use ZincThimble\Core\Gear\Values;

/**
 * What is decided of light and shots, kept with the rig (rig file, version 1, `conditions.plan`). Null = not said; nothing here is worked
 * out.
 */
final readonly class ShootingPlan
{
    private function __construct(
        public ?LightSource $light,
        public ?string $flashName,
        /** Of the flash, m at ISO 100. */
        public ?float $guideNumber,
        /** Until the flash fires again after full power, s. */
        public ?float $flashRecycleS,
        /** Flash to subject, mm. */
        public ?float $flashMm,
        /** Light that its diffuser takes, stops. */
        public float $diffuserStops,
        /** Of its shining surface, mm. */
        public float $sourceRadiusMm,
        /** Over the plane of focus: 0 = raking along it, 90 = along the axis. */
        public ?float $flashAngleDeg,
        public ?string $lampName,
        public ?float $lampWatts,
        /** Light from each watt, lm. */
        public ?float $lumensPerWatt,
        public ?ShotsBy $by,
        public ?string $railName,
        /** Of the rail, mm a turn. */
        public ?float $pitchMm,
        /** Steps a turn: of a motor, or lines of a dial. */
        public int $steps,
        public float $backlashMm,
        /** How far the rail goes, mm. */
        public ?float $railTravelMm,
        /** Share of two slices that lies in both. */
        public ?float $overlap,
        /** Until it stands still, s. */
        public ?float $settleS,
        /** What a frame takes besides its exposure, s. */
        public ?float $betweenS,
        /** Frames that a battery lasts for. */
        public ?int $batteryFrames,
    ) {
    }

    /** What the checked fields say. */
    public static function from(Values $values): self
    {
        $flash = $values->object('flash');
        $lamp = $values->object('lamp');
        $rail = $values->object('rail');

        return new self(
            light: LightSource::tryFrom($values->stringOr('light', '')),
            flashName: $flash->stringOrNull('name'),
            guideNumber: $flash->floatOrNull('guideNumber'),
            flashRecycleS: $flash->floatOrNull('recycleS'),
            flashMm: $flash->floatOrNull('distanceMm'),
            diffuserStops: $flash->floatOr('diffuserStops', 0.0),
            sourceRadiusMm: $flash->floatOr('sourceRadiusMm', 0.0),
            flashAngleDeg: $flash->floatOrNull('angleDeg'),
            lampName: $lamp->stringOrNull('name'),
            lampWatts: $lamp->floatOrNull('watts'),
            lumensPerWatt: $lamp->floatOrNull('lumensPerWatt'),
            by: ShotsBy::tryFrom($values->stringOr('by', '')),
            railName: $rail->stringOrNull('name'),
            pitchMm: $rail->floatOrNull('pitchMm'),
            steps: $rail->intOr('steps', 100),
            backlashMm: $rail->floatOr('backlashMm', 0.0),
            railTravelMm: $rail->floatOrNull('travelMm'),
            overlap: $values->floatOrNull('overlap'),
            settleS: $values->floatOrNull('settleS'),
            betweenS: $values->floatOrNull('betweenS'),
            batteryFrames: $values->has('batteryFrames') ? $values->intOr('batteryFrames', 1) : null,
        );
    }
}
