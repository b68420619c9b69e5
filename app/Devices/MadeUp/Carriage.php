<?php

declare(strict_types=1);

namespace App\Devices\MadeUp;

use App\Devices\DeviceRefused;

/** A made-up rail: goes in whole steps of its screw, has play, shakes for a while after it has moved, and ends. */
final class Carriage
{
    /** What shakes at first, pixels, and how quickly it comes to rest, s. */
    private const SHAKE_PX = 6.0;

    private const REST_S = 0.45;

    /** When it stood still last, s of whatever clock is asked with. */
    public float $stoodAt = -INF;

    public function __construct(
        public readonly float $travelMm,
        /** The least way that it goes, mm. */
        public readonly float $unitMm,
        public readonly float $playMm,
        /** What its scale says, and where it truly is, mm. */
        public float $saysMm = 0.0,
        public float $isMm = 0.0,
    ) {
    }

    /**
     * Where it would stand.
     *
     * @throws DeviceRefused beyond its ends
     */
    public function nearest(float $mm): float
    {
        $there = round($mm / $this->unitMm) * $this->unitMm;
        if ($there < -1e-9 || $there > $this->travelMm + 1e-9) {
            throw new DeviceRefused(sprintf('the rail goes from 0 to %s mm, and %s is beyond its end', rtrim(rtrim(sprintf('%.2F', $this->travelMm), '0'), '.'), rtrim(rtrim(sprintf('%.3F', $mm), '0'), '.')));
        }

        return $there;
    }

    /** It has gone there: going up takes the play up, going down leaves it behind. */
    public function moved(float $mm, float $now): void
    {
        $this->saysMm = $mm;
        $this->isMm = min(max($this->isMm, $mm), $mm + $this->playMm);
        $this->stoodAt = $now;
    }

    /** Standard deviation of what still shakes, the camera's own pixels. */
    public function shakePx(float $now): float
    {
        return self::SHAKE_PX * exp(-max(0.0, $now - $this->stoodAt) / self::REST_S);
    }
}
