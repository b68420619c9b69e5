<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests;

use PHPUnit\Framework\Assert;

/** Relative comparison of figures that may be infinite. */
final class Near
{
    /**
     * @param  array<array-key, ?float>  $expected
     * @param  array<array-key, ?float>  $actual
     */
    public static function each(array $expected, array $actual, float $relative, string $what): void
    {
        Assert::assertSame(array_keys($expected), array_keys($actual), $what);
        foreach ($expected as $key => $value) {
            self::assert($value, $actual[$key], $relative, $what.' '.$key);
        }
    }

    public static function assert(?float $expected, ?float $actual, float $relative, string $what): void
    {
        if ($expected === null || $actual === null) {
            Assert::assertSame($expected, $actual, $what);

            return;
        }
        Assert::assertFalse(is_nan($actual), $what.' is not a number');
        $allowed = $relative * max(abs($expected), 1e-9);
        Assert::assertLessThanOrEqual($allowed, abs($expected - $actual), sprintf('%s: expected %.12g, got %.12g', $what, $expected, $actual));
    }
}
