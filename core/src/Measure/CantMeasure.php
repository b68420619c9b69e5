<?php

declare(strict_types=1);

namespace ZincThimble\Core\Measure;

/** A picture that can't be measured: why, and what to do about it. */
final class CantMeasure extends \RuntimeException
{
    public static function because(string $why, string $do): self
    {
        return new self($why.' '.$do);
    }
}
