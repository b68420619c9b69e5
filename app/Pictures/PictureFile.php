<?php

declare(strict_types=1);

namespace App\Pictures;

use Intervention\Image\Exceptions\RuntimeException as Unreadable;
use Intervention\Image\ImageManager;
use ZincThimble\Core\Measure\CantMeasure;
use ZincThimble\Core\Measure\GreyPlane;

/** A picture from a file, or a box of it, at its own pixels and in linear light. */
final class PictureFile
{
    /** Bytes of a file, pixels of a picture that is opened, and of a box that is measured. */
    public const MOST_BYTES = 64 * 1024 * 1024;

    public const MOST_PIXELS = 60_000_000;

    public const MOST_BOX = 3_000_000;

    /** Shares of red, green and blue in how bright it is (ITU-R BT.709). */
    private const BRIGHT = [0.2126, 0.7152, 0.0722];

    /**
     * @param  ?array{int, int, int, int}  $box  x, y, width and height in pixels; null = all of it
     *
     * @throws CantMeasure when it can't be read, or the box isn't within it
     */
    public static function plane(string $bytes, ?array $box = null): GreyPlane
    {
        // Its size is looked at first: a small file may say that it is enormous.
        $size = @getimagesizefromstring($bytes);
        if ($size === false || $size[0] < 1 || $size[1] < 1) {
            throw CantMeasure::because('This isn’t a picture that can be read.', 'Use a PNG, JPEG or WebP file.');
        }
        if ($size[0] * $size[1] > self::MOST_PIXELS) {
            throw CantMeasure::because('The picture has more than 60 million pixels.', 'Cut out the part that is to be measured.');
        }
        try {
            $picture = ImageManager::gd(autoOrientation: false)->read($bytes)->core()->native();
        } catch (Unreadable) {
            throw CantMeasure::because('This isn’t a picture that can be read.', 'Use a PNG, JPEG or WebP file.');
        }
        assert($picture instanceof \GdImage);
        [$left, $top, $width, $height] = $box ?? [0, 0, imagesx($picture), imagesy($picture)];
        if ($left < 0 || $top < 0 || $width < 1 || $height < 1 || $left + $width > imagesx($picture) || $top + $height > imagesy($picture)) {
            throw CantMeasure::because('The box isn’t within the picture.', sprintf('It has %d by %d pixels.', imagesx($picture), imagesy($picture)));
        }
        if ($width * $height > self::MOST_BOX) {
            throw CantMeasure::because('The box has more than three million pixels.', 'Draw it about the lines or the edge alone.');
        }

        return new GreyPlane($width, $height, self::bright($picture, $left, $top, $width, $height));
    }

    /** @return list<float> */
    private static function bright(\GdImage $picture, int $left, int $top, int $width, int $height): array
    {
        imagepalettetotruecolor($picture);
        $tables = array_map(static fn (float $share): array => array_map(static fn (int $byte): float => $share * GreyPlane::linear($byte), range(0, 255)), self::BRIGHT);
        [$red, $green, $blue] = $tables;
        $values = [];
        for ($y = $top; $y < $top + $height; $y++) {
            for ($x = $left; $x < $left + $width; $x++) {
                $colour = (int) imagecolorat($picture, $x, $y);
                $values[] = $red[$colour >> 16 & 255] + $green[$colour >> 8 & 255] + $blue[$colour & 255];
            }
        }

        return $values;
    }
}
