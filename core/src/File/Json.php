<?php

declare(strict_types=1);

namespace ZincThimble\Core\File;

/** JSON text in and out, the same bytes for the same data. */
final class Json
{
    /** Lists and objects in one text: a kit of 2,000 parts has about ten thousand. */
    public const MOST_PIECES = 100_000;

    /** Entries of lists and objects in one text, commas within words counted with them: such a kit has about sixty thousand. */
    public const MOST_ENTRIES = 400_000;

    private const FLAGS = JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR;

    /** @throws FileInvalid when the text is too long or no JSON */
    public static function read(string $text, int $mostBytes = Shapes::MAX_BYTES): mixed
    {
        if (strlen($text) > $mostBytes) {
            throw FileInvalid::at('', 'the file is larger than '.intdiv($mostBytes, 1024 * 1024).' MiB');
        }
        self::bounded($text);
        try {
            return json_decode($text, false, 64, JSON_THROW_ON_ERROR);
        } catch (\JsonException $fault) {
            throw FileInvalid::at('', 'is no JSON: '.lcfirst($fault->getMessage()));
        }
    }

    /**
     * Four bytes of text can be an array of four hundred in memory: what would be taken apart into more pieces than any document has isn't.
     *
     * @throws FileInvalid
     */
    public static function bounded(string $text): void
    {
        if (! self::isBounded($text)) {
            throw FileInvalid::at('', 'has more lists and entries than any file of this kind');
        }
    }

    public static function isBounded(string $text): bool
    {
        return substr_count($text, '[') + substr_count($text, '{') <= self::MOST_PIECES && substr_count($text, ',') <= self::MOST_ENTRIES;
    }

    /** @param  array<string, mixed>  $document */
    public static function write(array $document): string
    {
        return json_encode($document, self::FLAGS | JSON_PRETTY_PRINT)."\n";
    }
}
