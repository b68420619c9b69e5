<?php

declare(strict_types=1);

namespace ZincThimble\Core\Practice;

/**
 * When what was missed comes back: boxes of 1, 3, 7 and 21 days (the scheme that Leitner described in 1972). Known, it goes a box on, and
 * out of the last one for good; missed, it begins again at the first.
 */
final readonly class Schedule
{
    public const DAYS = [1, 3, 7, 21];

    private function __construct(
        /** Which box, from 0; null = it comes back no more. */
        public ?int $box,
        /** Days after it was answered. */
        public ?int $days,
    ) {
    }

    /** @param  ?int  $box  in which it lay; null = it was asked for the first time, or had gone out */
    public static function after(?int $box, bool $known): self
    {
        if (! $known) {
            return new self(0, self::DAYS[0]);
        }
        $next = $box === null ? null : $box + 1;

        return $next === null || ! isset(self::DAYS[$next]) ? new self(null, null) : new self($next, self::DAYS[$next]);
    }
}
