<?php

declare(strict_types=1);

namespace ZincThimble\Core\Picture;

/** A picture as files have it: red, green and blue of each pixel, a byte each (sRGB), row by row. */
final readonly class Pixels
{
    public function __construct(public int $width, public int $height, public string $rgb)
    {
        if (strlen($rgb) !== 3 * $width * $height) {
            throw new \InvalidArgumentException('A picture has three bytes a pixel.');
        }
    }
}
