<?php

declare(strict_types=1);

namespace ZincThimble\Core\File;

/** One thing wrong with a file: the JSON pointer of the place (RFC 6901) and what is wrong there. */
final readonly class Fault implements \Stringable
{
    public function __construct(public string $pointer, public string $message)
    {
    }

    /** Place and reason on one line; the whole file is `/`. */
    public function __toString(): string
    {
        return ($this->pointer === '' ? '/' : $this->pointer).': '.$this->message;
    }
}
