<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/** A thing in a kit, and how many of it there are. */
final readonly class Owned
{
    /** @param  int  $count  0 = none yet: it may be bought */
    public function __construct(public Camera|Item $thing, public int $count)
    {
    }

    /** @throws InvalidFigure names the field that no such thing can have */
    public static function from(Kind $kind, Values $values): self
    {
        return new self($kind === Kind::Camera ? Camera::from($values) : Items::make($kind, $values), $values->intOr('count', 1));
    }
}
