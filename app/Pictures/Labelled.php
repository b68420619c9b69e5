<?php

declare(strict_types=1);

namespace App\Pictures;

/** A PNG with words inside it (PNG specification, `iTXt`): what it is made of goes with it wherever it goes. */
final class Labelled
{
    private const HEAD = "\x89PNG\r\n\x1a\n";

    /**
     * @param  array<string, string>  $words  by keyword: 1 to 79 letters
     */
    public static function png(string $png, array $words): string
    {
        if (! str_starts_with($png, self::HEAD)) {
            throw new \InvalidArgumentException('Only a PNG is labelled so.');
        }
        // After its head and its first piece, which says how large it is.
        $after = strlen(self::HEAD) + 25;
        $pieces = '';
        foreach ($words as $keyword => $text) {
            $body = 'iTXt'.$keyword."\0\0\0\0\0".$text;
            $pieces .= pack('N', strlen($body) - 4).$body.pack('N', crc32($body));
        }

        return substr($png, 0, $after).$pieces.substr($png, $after);
    }

    /** @return array<string, string> the words in it, by keyword */
    public static function read(string $png): array
    {
        $words = [];
        for ($at = strlen(self::HEAD); $at + 12 <= strlen($png);) {
            $head = unpack('Nlength', substr($png, $at, 4));
            $length = is_array($head) && is_int($head['length'] ?? null) ? $head['length'] : 0;
            if (substr($png, $at + 4, 4) === 'iTXt' && preg_match('/^([^\0]{1,79})\0\0\0[^\0]*\0[^\0]*\0(.*)$/s', substr($png, $at + 8, $length), $told) === 1) {
                $words[$told[1]] = $told[2];
            }
            $at += 12 + $length;
        }

        return $words;
    }
}
