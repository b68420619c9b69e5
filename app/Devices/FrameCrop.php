<?php

declare(strict_types=1);

namespace App\Devices;

/** The piece of a frame that is kept, at the camera's own pixels. */
final readonly class FrameCrop
{
    public function __construct(public int $x, public int $y, public int $width, public int $height)
    {
    }
}
