<?php

declare(strict_types=1);

namespace ZincThimble\Core\Picture;

/** How things at one distance from the plane of focus are imaged. */
final readonly class Layer
{
    public function __construct(
        /** Beyond the plane of focus, mm; below 0 = nearer than it. */
        public float $atMm,
        /** Image size / size there. */
        public float $magnification,
        /** Diameter of the disc that a point there becomes, mm at the sensor. */
        public float $discMm,
    ) {
    }
}
