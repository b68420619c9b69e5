<?php

declare(strict_types=1);

namespace ZincThimble\Core\Practice;

use ZincThimble\Core\Rig\Rig;

/**
 * One question with its answer, the reason in one sentence, and the rule of thumb with how near it comes here. Either a figure is asked for,
 * or one of several words. Figures in a sentence stand as in findings: `{m:x}`.
 */
final readonly class Question
{
    /** A figure within such a factor is known; stops within so many. */
    public const KNOWN = 1.1;

    public const KNOWN_STOPS = 1.0 / 3.0;

    /**
     * @param  array<string, float|string>  $numbers  of the question
     * @param  array<string, float|string>  $reasonNumbers
     * @param  list<string>  $options
     */
    public function __construct(
        public QuestionKind $kind,
        /** The same question has the same name: what was asked within a week isn't asked again. */
        public string $name,
        public string $pattern,
        public array $numbers,
        /** mm, x, stops, f, times or n; '' = one of the options. */
        public string $unit,
        public float $truth,
        /** How far the truth itself may be off. */
        public float $halfWidth,
        public string $reason,
        public array $reasonNumbers,
        /** What the rule of thumb comes to; null = there is none. */
        public ?float $thumb,
        public string $thumbWords,
        /** What comes of the commonest mistake: a wrong answer that is plausible. */
        public float $mistake,
        public array $options = [],
        /** The rig that it is about; null = none. */
        public ?Rig $rig = null,
    ) {
    }

    public function isChoice(): bool
    {
        return $this->options !== [];
    }

    /** Whether a figure is near enough to count as known. */
    public function isKnown(float $answer): bool
    {
        return match (true) {
            $this->isChoice() => (int) round($answer) === (int) round($this->truth),
            $this->unit === 'stops' => abs($answer - $this->truth) <= self::KNOWN_STOPS + 1e-9,
            default => $answer > 0.0 && abs(log($answer / $this->truth)) <= log(self::KNOWN) + 1e-9,
        };
    }

    /** How far off an answer is: stops, or a share of the truth by its logarithm; 1 for a wrong word. */
    public function errorOf(float $answer): float
    {
        return match (true) {
            $this->isChoice() => $this->isKnown($answer) ? 0.0 : 1.0,
            $this->unit === 'stops' => abs($answer - $this->truth),
            default => $answer > 0.0 ? abs(log($answer / $this->truth)) : INF,
        };
    }

    /** How hard it is: how far off the rule of thumb is, 0 = not at all; without one, as a mistake is. */
    public function difficulty(): float
    {
        return $this->isChoice() ? 0.5 : $this->errorOf($this->thumb ?? $this->mistake);
    }

    /**
     * Ends of the scale that it is answered on: its truth stands anywhere on it.
     *
     * @return array{float, float}
     */
    public function scale(): array
    {
        return match ($this->unit) {
            'mm' => [1.0, 10_000.0],
            'x' => [0.01, 20.0],
            'stops' => [0.0, 12.0],
            'f' => [1.0, 256.0],
            'times' => [1.0, 1000.0],
            'n' => [1.0, 1000.0],
            default => [0.0, max(1.0, count($this->options) - 1.0)],
        };
    }
}
