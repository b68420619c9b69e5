<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/** A figure of a part that no such part can have. Names the field, as the rig file spells it. */
final class InvalidFigure extends \DomainException
{
    private function __construct(public readonly string $field, string $message)
    {
        parent::__construct($message);
    }

    /** Names the field as the files spell it, and says what no such part can have. */
    public static function because(string $field, string $reason): self
    {
        return new self($field, $field.': '.$reason);
    }
}
