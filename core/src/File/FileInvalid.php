<?php

declare(strict_types=1);

namespace ZincThimble\Core\File;

/** A file that can't be read, with all its faults. */
final class FileInvalid extends \RuntimeException
{
    /** @param  non-empty-list<Fault>  $faults */
    public function __construct(public readonly array $faults)
    {
        parent::__construct(implode("\n", array_map(strval(...), $faults)));
    }

    /** One fault at one place. */
    public static function at(string $pointer, string $message): self
    {
        return new self([new Fault($pointer, $message)]);
    }
}
