<?php

declare(strict_types=1);

namespace Symfony\Component\Clock;

use Psr\Clock\ClockInterface as PsrClockInterface;

/** A clock that can also wait and move to another time zone. */
interface ClockInterface extends PsrClockInterface
{
    /** Waits for so many seconds, fractions allowed. */
    public function sleep(float|int $seconds): void;

    /** The same clock, telling the time of another zone. */
    public function withTimeZone(\DateTimeZone|string $timezone): static;
}
