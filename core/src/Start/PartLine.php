<?php

declare(strict_types=1);

namespace ZincThimble\Core\Start;

/** One part of a list in words, as it was understood: its fields as a kit holds them, or why it is none. */
final readonly class PartLine
{
    /**
     * @param  ?array<string, mixed>  $fields  `kind` among them; null = not understood
     * @param  list<string>  $taken  what is taken because nobody told it, in words
     */
    public function __construct(
        /** The line it stands on, from 1. */
        public int $line,
        public string $text,
        public ?array $fields,
        public array $taken = [],
        /** What is lacking; empty where it is understood. */
        public string $trouble = '',
    ) {
    }
}
