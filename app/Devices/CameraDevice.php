<?php

declare(strict_types=1);

namespace App\Devices;

/** What takes pictures. */
interface CameraDevice
{
    /**
     * What its finder shows: a small JPEG of the whole frame.
     *
     * @throws DeviceLost|DeviceRefused
     */
    public function live(ShutterSettings $settings, int $width): string;

    /**
     * Takes a frame, once: asked again under the same key it gives the same one, and takes none.
     *
     * @return string a PNG, at the camera's own pixels
     *
     * @throws DeviceLost|DeviceRefused
     */
    public function take(string $key, ShutterSettings $settings, FrameCrop $crop): string;
}
