<?php

declare(strict_types=1);

namespace ZincThimble\Core\Practice;

/** How well one skill is known: the middle of all errors, and whether the widths that were given are honest. */
final readonly class Standing
{
    /** Answers that are too few to say anything by. */
    public const ENOUGH = 5;

    private function __construct(
        public int $answers,
        /** Middle of the errors as `Question::errorOf()` has them; null = not enough yet. */
        public ?float $error,
        /** Share of widths that the truth lay in, nine in ten if they are honest; null = not enough yet. */
        public ?float $coverage,
    ) {
    }

    /** @param  list<array{error: float, inside: bool}>  $answers  the newest, as many as are to count */
    public static function of(array $answers): self
    {
        $count = count($answers);
        if ($count < self::ENOUGH) {
            return new self($count, null, null);
        }
        $errors = array_column($answers, 'error');
        sort($errors);
        $middle = intdiv($count, 2);

        return new self($count, $count % 2 === 1 ? $errors[$middle] : ($errors[$middle - 1] + $errors[$middle]) / 2.0, count(array_filter(array_column($answers, 'inside'))) / $count);
    }
}
