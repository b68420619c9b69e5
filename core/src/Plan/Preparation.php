<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

/** Something that must be ready some time before it is needed. */
final readonly class Preparation
{
    private function __construct(
        public string $what,
        /** How long before it is needed it has to be begun, s. */
        public int $leadS,
        /** The subject that needs it; null = the outing. */
        public ?string $for,
        /** When it is needed. */
        public \DateTimeImmutable $needed,
        /** When it has to be begun at the latest. */
        public \DateTimeImmutable $due,
        /** Whether that is over. */
        public bool $late,
    ) {
    }

    /** @param  int  $leadS  0 or more */
    public static function before(\DateTimeImmutable $needed, string $what, int $leadS, ?string $for, \DateTimeImmutable $now): self
    {
        // In seconds, not on the clock: it may be put back in between.
        $due = $needed->setTimestamp($needed->getTimestamp() - $leadS);

        return new self($what, $leadS, $for, $needed, $due, $due < $now);
    }

    /**
     * What comes first, first; of what is due at the same time what is needed first.
     *
     * @param  list<self>  $preparations
     * @return list<self>
     */
    public static function inOrder(array $preparations): array
    {
        usort($preparations, static fn (self $a, self $b): int => [$a->due, $a->needed, $a->what] <=> [$b->due, $b->needed, $b->what]);

        return $preparations;
    }
}
