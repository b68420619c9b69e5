<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

/** A line of a sheet: what it says, and its figure where it has one, which stands at the right. */
final readonly class SheetLine
{
    public function __construct(public string $text, public ?string $figure = null)
    {
    }
}
