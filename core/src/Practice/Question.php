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

    /**
     * How far off an answer is, a figure above 0: of the skill of light in stops, whatever it was asked in, otherwise a share by its
     * logarithm; 1 for a wrong word.
     */
    public function errorOf(float $answer): float
    {
        return match (true) {
            $this->isChoice() => $this->isKnown($answer) ? 0.0 : 1.0,
            $this->unit === 'stops' => abs($answer - $this->truth),
            $answer <= 0.0 => INF,
            $this->unit === 'f' => 2.0 * abs(log($answer / $this->truth, 2.0)),
            $this->unit === 'times' => abs(log($answer / $this->truth, 2.0)),
            default => abs(log($answer / $this->truth)),
        };
    }

    /** How hard it is: how far off the rule of thumb is, 0 = not at all; without one, as a mistake is. */
    public function difficulty(): float
    {
        return $this->isChoice() ? 0.5 : $this->errorOf($this->thumb ?? $this->mistake);
    }

    /** Whether its truth is surer than what counts as known, stands on its scale, and its mistake is one. */
    public function isSure(): bool
    {
        if ($this->isChoice()) {
            return true;
        }
        [$least, $greatest] = $this->kind->scale();
        $isOn = is_finite($this->truth) && $this->truth >= $least && $this->truth <= $greatest;
        $known = $this->unit === 'stops' ? self::KNOWN_STOPS : (self::KNOWN - 1.0) * $this->truth;

        return $isOn && $this->halfWidth < $known && ! $this->isKnown($this->mistake);
    }

    /**
     * What counts as known: from here to there.
     *
     * @return array{float, float}
     */
    public function band(): array
    {
        return match (true) {
            $this->isChoice() => [$this->truth, $this->truth],
            $this->unit === 'stops' => [$this->truth - self::KNOWN_STOPS, $this->truth + self::KNOWN_STOPS],
            default => [$this->truth / self::KNOWN, $this->truth * self::KNOWN],
        };
    }
}
