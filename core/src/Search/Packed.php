<?php

declare(strict_types=1);

namespace ZincThimble\Core\Search;

/** Columns of numbers as bytes: read back ten times as fast as they are as text, and to the last bit. */
final class Packed
{
    /** @param  list<float>  $column */
    public static function floats(array $column): string
    {
        return pack('e*', ...$column);
    }

    /** @return list<float> */
    public static function floatsOf(string $bytes): array
    {
        /** @var array<int, float> $numbers */
        $numbers = unpack('e*', $bytes);

        return array_values($numbers);
    }

    /** @param  list<int>  $column  of 64 bits: rings and kinds of end are bits */
    public static function bits(array $column): string
    {
        return pack('q*', ...$column);
    }

    /** @return list<int> */
    public static function bitsOf(string $bytes): array
    {
        /** @var array<int, int> $numbers */
        $numbers = unpack('q*', $bytes);

        return array_values($numbers);
    }

    /** @param  list<int>  $column  0 to 65,535 */
    public static function small(array $column): string
    {
        return pack('v*', ...$column);
    }

    /** @return list<int> */
    public static function smallOf(string $bytes): array
    {
        /** @var array<int, int> $numbers */
        $numbers = unpack('v*', $bytes);

        return array_values($numbers);
    }
}
