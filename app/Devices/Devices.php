<?php

declare(strict_types=1);

namespace App\Devices;

/** The devices of a table, by its name. Whoever has others puts them in its place (docs/devices.md). */
class Devices
{
    public function rail(string $table): Rail
    {
        return new GcodeRail(self::host(), (int) config('zinc.devices.rail_port'), $table);
    }

    public function camera(string $table): CameraDevice
    {
        return $this->madeUp($table);
    }

    /** The made-up camera, before which something can be laid. */
    public function madeUp(string $table): HttpCamera
    {
        return new HttpCamera(self::host(), (int) config('zinc.devices.camera_port'), $table);
    }

    private static function host(): string
    {
        return (string) config('zinc.devices.host');
    }
}
