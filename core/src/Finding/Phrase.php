<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

/**
 * Says a sentence with numbers in it: `{name}` as it is, `{name:mm}` a length, `{name:focal}` a focal length, which is in mm whatever lengths are in, `{name:x}` a magnification, `{name:f}` an
 * f-number, `{name:stops}`, `{name:deg}`, `{name:pct}`, `{name:n}` a count, `{name:nm}` newton metres, `{name:d}` dioptres,
 * `{name:s}` seconds.
 */
final class Phrase
{
    private const THIN = "\u{2009}";

    /** @param  array<string, float|int|string>  $numbers */
    public static function say(string $pattern, array $numbers): string
    {
        return (string) preg_replace_callback('/\{(\w+)(?::(\w+))?\}/', static function (array $found) use ($numbers): string {
            $value = $numbers[$found[1]] ?? '';

            return is_string($value) ? $value : self::figure((float) $value, $found[2] ?? '');
        }, $pattern);
    }

    /**
     * Of what is known by name, what a sentence says.
     *
     * @template T
     *
     * @param  array<string, T>  $named
     * @return array<string, T>
     */
    public static function said(string $pattern, array $named): array
    {
        return array_filter($named, static fn (string $name): bool => preg_match('/\\{'.$name.'[:}]/', $pattern) === 1, ARRAY_FILTER_USE_KEY);
    }

    /** A number with its unit, with the digits it deserves: `mm`, `focal`, `x`, `f`, `deg`, `pct`, `nm`, `s`, or none. */
    public static function figure(float $value, string $unit): string
    {
        return match ($unit) {
            'mm', 'focal' => self::digits($value).self::THIN.'mm',
            'x' => self::digits($value).'×',
            'f' => 'f/'.self::fNumber($value),
            'stops' => self::stops($value),
            'deg' => round($value).'°',
            'pct' => round($value * 100).self::THIN.'%',
            'n' => number_format(round($value), 0, '.', abs($value) >= 10_000.0 ? ',' : ''),
            'nm' => self::digits($value).self::THIN.'Nm',
            'd' => sprintf('%+g', round($value, 2)),
            's' => $value < 0.5 && $value > 0.0 ? '1/'.round(1.0 / $value).self::THIN.'s' : self::digits($value).self::THIN.'s',
            default => self::digits($value),
        };
    }

    /** Three digits that count; below 1, two, and at least hundredths. */
    public static function digits(float $value): string
    {
        $size = abs($value);
        $decimals = match (true) {
            $size >= 100.0 => 0,
            $size >= 10.0 => 1,
            $size >= 0.1 || $size === 0.0 => 2,
            default => (int) min(6.0, 1.0 - floor(log10($size))),
        };
        $text = number_format($value, $decimals, '.', $size >= 10_000.0 ? ',' : '');
        if (str_contains($text, '.')) {
            $text = rtrim(rtrim($text, '0'), '.');
        }

        return $text === '-0' ? '0' : $text;
    }

    private static function fNumber(float $value): string
    {
        return $value >= 10.0 ? (string) round($value) : rtrim(rtrim(number_format($value, 1, '.', ''), '0'), '.');
    }

    /** To a third of a stop. */
    private static function stops(float $value): string
    {
        $thirds = (int) round(abs($value) * 3.0);
        $whole = intdiv($thirds, 3);
        $rest = ['', '⅓', '⅔'][$thirds % 3];
        $text = ($whole > 0 || $rest === '' ? (string) $whole : '').$rest;

        return ($value < 0.0 && $thirds > 0 ? '−' : '').$text.($thirds > 3 || $thirds === 0 ? ' stops' : ' stop');
    }
}
