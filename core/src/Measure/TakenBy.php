<?php

declare(strict_types=1);

namespace ZincThimble\Core\Measure;

use ZincThimble\Core\Gear\Camera;

/** Which of some cameras took a picture, told by its size and by what its file calls it, and how large its pixels are on the sensor. */
final readonly class TakenBy
{
    /** Sides whose ratios differ by less are alike. */
    private const ALIKE = 0.01;

    private function __construct(
        /** Which of them. */
        public int $camera,
        /** From pixel to pixel of the picture, mm on the sensor. */
        public float $pitchMm,
        /** Whether the picture has other pixels than the sensor: it was made smaller, or larger. */
        public bool $isResized,
    ) {
    }

    /**
     * @param  list<Camera>  $cameras
     * @param  int  $width  of the whole picture, pixels
     * @param  ?string  $model  as its file calls the camera; null = it doesn't
     * @return ?self null = none of them
     */
    public static function among(array $cameras, int $width, int $height, ?string $model = null): ?self
    {
        $best = null;
        $points = 0;
        foreach ($cameras as $n => $camera) {
            $found = self::by($camera, $n, $width, $height);
            $named = $model !== null && $camera->name !== null && mb_strtolower(trim($model)) === mb_strtolower(trim($camera->name));
            // What it is called weighs more than its size, and its size more than its shape.
            $worth = $found === null ? 0 : ($named ? 4 : 0) + ($found->isResized ? 1 : 2);
            if ($worth > $points) {
                [$best, $points] = [$found, $worth];
            }
        }

        return $best;
    }

    /** The same of the one camera that somebody names. */
    public static function by(Camera $camera, int $at, int $width, int $height): ?self
    {
        $sensor = $camera->sensor;
        [$long, $short] = [max($width, $height), min($width, $height)];
        if ($short < 1 || abs($long / $short / (max($sensor->widthMm, $sensor->heightMm) / min($sensor->widthMm, $sensor->heightMm)) - 1.0) > self::ALIKE) {
            return null;
        }
        $same = $sensor->columns > 0 && $long === max($sensor->columns, $sensor->rows) && $short === min($sensor->columns, $sensor->rows);

        return new self($at, max($sensor->widthMm, $sensor->heightMm) / $long, ! $same);
    }
}
