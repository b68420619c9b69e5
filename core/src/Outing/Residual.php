<?php

declare(strict_types=1);

namespace ZincThimble\Core\Outing;

/** One measured figure beside what was predicted for that rig at that moment. */
final readonly class Residual
{
    private function __construct(
        /** Place of its entry in the log. */
        public int $entry,
        public LedgerFigure $figure,
        /** Above 0. */
        public float $measured,
        public float $predicted,
        /** How far off the prediction said it could be and the measurement can be, together (root of the sum of squares); null = neither was said. */
        public ?float $halfWidth,
        /**
         * Names of the lenses of its rig.
         *
         * @var list<string>
         */
        public array $lenses,
    ) {
    }

    /**
     * What an entry holds of one figure.
     *
     * @param  list<string>  $lenses
     * @return ?self null = it wasn't measured, or nothing was predicted
     */
    public static function of(int $entry, LedgerFigure $figure, LoggedFigures $logged, array $lenses): ?self
    {
        $measured = $logged->measured->floatOrNull($figure->value);
        $predicted = $logged->predicted->floatOrNull($figure->value);
        if ($measured === null || $predicted === null || $measured <= 0.0) {
            return null;
        }
        $halves = array_filter([$logged->measured->floatOrNull($figure->halfWidth()), $logged->predicted->floatOrNull($figure->halfWidth())], static fn (?float $half): bool => $half !== null);

        return new self($entry, $figure, $measured, $predicted, $halves === [] ? null : sqrt(array_sum(array_map(static fn (float $half): float => $half * $half, $halves))), $lenses);
    }

    /** By which share of the truth the prediction was too large; below 0 = too small. */
    public function error(): float
    {
        return ($this->predicted - $this->measured) / $this->measured;
    }

    /** Whether the truth lay within what was said; null = nothing was said of it. */
    public function isInside(): ?bool
    {
        return $this->halfWidth === null ? null : abs($this->predicted - $this->measured) <= $this->halfWidth;
    }
}
