<?php

declare(strict_types=1);

namespace ZincThimble\Core\Search;

/**
 * What a search may take: so many seconds and so much memory, and whether somebody still waits for it. Whoever works asks it now and
 * then, and answers with the best so far when it is spent.
 */
final class Budget
{
    /** What one search may take of memory, bytes, above what was taken when it began. */
    public const BYTES = 96 * 1024 * 1024;

    private float $until;

    private int $asked = 0;

    private bool $spent = false;

    private int $bytes;

    /** @param  (\Closure(): void)|null  $waited  asked now and then; throws when nobody waits any more */
    private function __construct(private readonly float $seconds, private readonly ?\Closure $waited)
    {
        $this->until = self::seconds() + $seconds;
        $this->bytes = memory_get_usage() + self::BYTES;
    }

    /**
     * @param  float  $seconds  from now
     * @param  (\Closure(): void)|null  $waited  asked now and then; throws when nobody waits any more
     */
    public static function of(float $seconds, ?\Closure $waited = null): self
    {
        return new self($seconds, $waited);
    }

    /** For those who wait as long as it takes: tests and benchmarks. */
    public static function endless(): self
    {
        $budget = new self(INF, null);
        $budget->bytes = PHP_INT_MAX;

        return $budget;
    }

    /** Whether there is no more, at every sixteenth asking. Once spent it stays so. */
    public function spent(): bool
    {
        if (! $this->spent && (++$this->asked & 15) === 0) {
            $this->look();
        }

        return $this->spent;
    }

    /** As spent(), looked at now: before something that takes long by itself. */
    public function isSpent(): bool
    {
        $this->look();

        return $this->spent;
    }

    /** A part of what is left, for a part of the work. */
    public function share(float $share): self
    {
        $left = max(0.0, $this->until - self::seconds());
        $part = new self($left * $share, $this->waited);
        $part->bytes = $this->bytes;
        $part->spent = $this->spent;

        return $part;
    }

    /** Seconds on a clock that only goes forward. */
    private static function seconds(): float
    {
        return hrtime(true) / 1e9;
    }

    private function look(): void
    {
        if ($this->waited !== null) {
            ($this->waited)();
        }
        $this->spent = $this->spent || self::seconds() > $this->until || memory_get_usage() > $this->bytes;
    }
}
