<?php

declare(strict_types=1);

namespace ZincThimble\Core\File;

/** JSON text in and out, the same bytes for the same data. */
final class Json
{
    private const FLAGS = JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR;

    /** @throws FileInvalid when the text is too long or no JSON */
    public static function read(string $text): mixed
    {
        if (strlen($text) > Shapes::MAX_BYTES) {
            throw FileInvalid::at('', 'the file is larger than 2 MiB');
        }
        try {
            return json_decode($text, false, 64, JSON_THROW_ON_ERROR);
        } catch (\JsonException $fault) {
            throw FileInvalid::at('', 'is no JSON: '.lcfirst($fault->getMessage()));
        }
    }

    /** @param  array<string, mixed>  $document */
    public static function write(array $document): string
    {
        return json_encode($document, self::FLAGS | JSON_PRETTY_PRINT)."\n";
    }
}
