<?php

declare(strict_types=1);

namespace App\Devices;

/** What carries a rig to and fro. */
interface Rail
{
    /**
     * Goes there, and answers when it has arrived.
     *
     * @param  float  $mm  on its own scale; it stops at the nearest whole step
     * @param  float  $feedMmMin  how fast, mm a minute, above 0
     * @return float where it says that it stands, mm
     *
     * @throws DeviceLost|DeviceRefused when it can't be reached; when it doesn't go so far
     */
    public function moveTo(float $mm, float $feedMmMin): float;

    /**
     * Where it says that it stands, mm.
     *
     * @throws DeviceLost
     */
    public function position(): float;

    /**
     * Waits, so that what shakes comes to rest.
     *
     * @throws DeviceLost
     */
    public function dwell(float $seconds): void;
}
