<?php

declare(strict_types=1);

namespace App\Devices;

/** As a camera is set for a frame. */
final readonly class ShutterSettings
{
    public function __construct(
        /** Marked number; null = there is no diaphragm to set. */
        public ?float $aperture,
        /** Light that falls on it over what is right: 1 = right, 2 = a stop too much. */
        public float $light,
        public float $iso,
        /** How long it takes, s. */
        public float $exposureS,
    ) {
    }
}
