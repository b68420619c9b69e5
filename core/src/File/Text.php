<?php

declare(strict_types=1);

namespace ZincThimble\Core\File;

/** Text as columns and files bound it: by code points, however wide or narrow they print. */
final class Text
{
    /** The first so many code points, the last of them an ellipsis where something was cut off. */
    public static function cut(string $text, int $most): string
    {
        return mb_strlen($text) <= $most ? $text : mb_substr($text, 0, $most - 1).'…';
    }
}
