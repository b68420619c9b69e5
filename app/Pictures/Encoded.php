<?php

declare(strict_types=1);

namespace App\Pictures;

use Intervention\Image\ImageManager;
use ZincThimble\Core\Picture\Pixels;

/** Pixels as a file. */
final class Encoded
{
    /** Quality of what is only looked at, of 100. */
    private const LOOKED_AT = 82;

    public static function png(Pixels $pixels): string
    {
        return ImageManager::gd()->read(self::image($pixels))->toPng()->toString();
    }

    public static function jpeg(Pixels $pixels): string
    {
        return ImageManager::gd()->read(self::image($pixels))->toJpeg(self::LOOKED_AT)->toString();
    }

    /** By the plainest format that the library reads: rows of blue, green and red, the lowest first. */
    private static function image(Pixels $pixels): \GdImage
    {
        $row = 3 * $pixels->width;
        $pad = str_repeat("\0", (4 - $row % 4) % 4);
        $rows = [];
        for ($y = $pixels->height - 1; $y >= 0; $y--) {
            $line = substr($pixels->rgb, $y * $row, $row);
            // Red and blue change places.
            $turned = $line;
            for ($x = 0; $x < $row; $x += 3) {
                $turned[$x] = $line[$x + 2];
                $turned[$x + 2] = $line[$x];
            }
            $rows[] = $turned.$pad;
        }
        $body = implode('', $rows);
        $bitmap = 'BM'.pack('VvvV', 54 + strlen($body), 0, 0, 54).pack('VVVvvVVVVVV', 40, $pixels->width, $pixels->height, 1, 24, 0, strlen($body), 2835, 2835, 0, 0).$body;
        $image = imagecreatefromstring($bitmap);

        return $image === false ? throw new \LogicException('A bitmap of our own is read.') : $image;
    }
}
