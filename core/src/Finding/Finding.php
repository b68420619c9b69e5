<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

/**
 * One thing worth telling about a rig: what, how much, and what to do.
 *
 * The sentence is kept as a pattern with named numbers, so that a screen can say it in other units, or follow a sweep.
 */
final readonly class Finding
{
    /**
     * @param  string  $pattern  sentence with `{name:unit}` for each number (Phrase)
     * @param  array<string, float|int|string>  $numbers
     * @param  ?int  $part  place in the chain; -1 = the camera; null = the rig as a whole
     */
    public function __construct(
        public Code $code,
        public Severity $severity,
        public ?int $part,
        public string $pattern,
        public array $numbers = [],
    ) {
    }

    /** The sentence with its numbers, in millimetres. */
    public function message(): string
    {
        return Phrase::say($this->pattern, $this->numbers);
    }
}
