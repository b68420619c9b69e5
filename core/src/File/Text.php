<?php

declare(strict_types=1);

namespace ZincThimble\Core\File;

/** Text as columns and files bound it: by code points, however wide or narrow they print. */
final class Text
{
    /** Names are kept up to 120: so much of one, and a number. */
    private const NAMED = 110;

    /** The first so many code points, the last of them an ellipsis where something was cut off. */
    public static function cut(string $text, int $most): string
    {
        return mb_strlen($text) <= $most ? $text : mb_substr($text, 0, $most - 1).'…';
    }

    /**
     * A name, cut to leave room for it, with a number behind it where it is taken.
     *
     * @param  array<mixed>  $taken
     */
    public static function freeAmong(string $wanted, array $taken): string
    {
        $name = self::cut($wanted, self::NAMED);
        for ($n = 2, $free = $name; in_array($free, $taken, true); $n++) {
            $free = $name.' ('.$n.')';
        }

        return $free;
    }
}
