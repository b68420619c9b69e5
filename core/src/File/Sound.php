<?php

declare(strict_types=1);

namespace ZincThimble\Core\File;

/**
 * What has to hold anywhere in a document, under keys that nobody knows too, for it to be kept, written and read again: text without
 * NUL and in UTF-8, numbers that are finite and not denormal, nothing nested deeper than it can be decoded.
 */
final class Sound
{
    /** How deep objects and lists may be nested: as deep as JSON is decoded here. */
    public const DEPTH = 60;

    /** Objects, lists, texts and numbers in one document: a kit of 2,000 parts has a tenth of it. */
    public const MOST = 500_000;

    private const SMALLEST_NORMAL = 2.2250738585072014e-308;

    private int $left = self::MOST;

    /** @var list<string> keys down to where the walk is */
    private array $path = [];

    private function __construct(private readonly Check $check, private readonly string $from)
    {
    }

    /** Notes everything unsound of a decoded document with its place. */
    public static function check(mixed $value, Check $check, string $pointer = ''): void
    {
        (new self($check, $pointer))->walk($value);
    }

    /** What is wrong with one value that is no list and no object; null = nothing. */
    public static function fault(mixed $value): ?string
    {
        return match (true) {
            is_string($value) && str_contains($value, "\0") => 'holds a NUL character',
            is_string($value) && ! mb_check_encoding($value, 'UTF-8') => 'is no UTF-8',
            is_float($value) && ! is_finite($value) => 'is too large a number',
            is_float($value) && $value !== 0.0 && abs($value) < self::SMALLEST_NORMAL => 'is too small a number',
            default => null,
        };
    }

    private function walk(mixed $value): void
    {
        if (--$this->left < 0) {
            if ($this->left === -1) {
                $this->note('and what comes after it is more than a file may hold');
            }

            return;
        }
        if (! $value instanceof \stdClass && ! is_array($value)) {
            // Whole numbers, flags and nothing are always sound.
            $fault = is_string($value) || is_float($value) ? self::fault($value) : null;
            if ($fault !== null) {
                $this->note($fault);
            }

            return;
        }
        if (count($this->path) >= self::DEPTH) {
            $this->note('is nested too deep');

            return;
        }
        foreach ($value instanceof \stdClass ? get_object_vars($value) : $value as $key => $item) {
            $fault = is_string($key) ? self::fault($key) : null;
            if ($fault !== null) {
                $this->note('has a key that '.$fault);

                continue;
            }
            $this->path[] = (string) $key;
            $this->walk($item);
            array_pop($this->path);
        }
    }

    /** The pointer is put together where something is wrong, and nowhere else. */
    private function note(string $fault): void
    {
        $this->check->fault($this->from.implode('', array_map(static fn (string $key): string => '/'.Check::escape($key), $this->path)), $fault);
    }
}
