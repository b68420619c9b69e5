<?php

declare(strict_types=1);

namespace ZincThimble\Core\Practice;

/**
 * How well one skill is known: the middle of all errors of figures, whether the widths that were given are honest, and how many of the words
 * were right.
 */
final readonly class Standing
{
    /** Answers that are too few to say anything by. */
    public const ENOUGH = 5;

    /** What is left of a whole bar for each so far off: a share, or a stop. */
    private const SHORTER = 1.5;

    private const SHORTER_BY_STOP = 0.6;

    /** Errors from which on hard questions are asked, and below which easy ones are: as `Question::difficulty()` has it. */
    private const GOOD = 0.1;

    private const POOR = 0.3;

    private function __construct(
        public Skill $skill,
        /** Figures that were answered. */
        public int $figures,
        /** Words that were answered, and how many of them were right. */
        public int $words,
        public int $right,
        /** Middle of the errors of figures as `Question::errorOf()` has them; null = not enough yet. */
        public ?float $error,
        /** Share of widths that the truth lay in, nine in ten if they are honest; null = not enough yet. */
        public ?float $coverage,
    ) {
    }

    /** @param  list<array{error: float, inside: bool, isWord: bool}>  $answers  the newest, as many as are to count */
    public static function of(Skill $skill, array $answers): self
    {
        $words = array_filter($answers, static fn (array $answer): bool => $answer['isWord']);
        $figures = array_filter($answers, static fn (array $answer): bool => ! $answer['isWord']);
        $right = count(array_filter($words, static fn (array $answer): bool => $answer['error'] === 0.0));
        $count = count($figures);
        if ($count < self::ENOUGH) {
            return new self($skill, $count, count($words), $right, null, null);
        }
        $errors = array_column($figures, 'error');
        sort($errors);
        $middle = intdiv($count, 2);
        $median = $count % 2 === 1 ? $errors[$middle] : ($errors[$middle - 1] + $errors[$middle]) / 2.0;

        return new self($skill, $count, count($words), $right, $median, count(array_filter(array_column($figures, 'inside'))) / $count);
    }

    /** How near it is, the middle one: stops of light, otherwise a share of the truth; null = not enough yet. */
    public function within(): ?float
    {
        return $this->error === null || $this->skill === Skill::Light ? $this->error : exp($this->error) - 1.0;
    }

    /** As a bar shows it, 0 to 1: of figures where there are enough of them, otherwise of words; null = not enough yet. */
    public function bar(): ?float
    {
        $within = $this->within();
        if ($within !== null) {
            return max(0.0, 1.0 - ($this->skill === Skill::Light ? self::SHORTER_BY_STOP : self::SHORTER) * $within);
        }

        return $this->words < self::ENOUGH ? null : $this->right / $this->words;
    }

    /** How hard the next ones should be, as `Question::difficulty()`; null = no matter. */
    public function aim(): ?float
    {
        return match (true) {
            $this->error === null => null,
            $this->error <= self::GOOD => self::POOR,
            $this->error <= self::POOR => self::GOOD,
            default => 0.0,
        };
    }
}
