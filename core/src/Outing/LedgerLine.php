<?php

declare(strict_types=1);

namespace ZincThimble\Core\Outing;

/** How right the predictions of one figure were, over a log or over the rigs with one lens. */
final readonly class LedgerLine
{
    private function __construct(
        public LedgerFigure $figure,
        /** The lens; null = all. */
        public ?string $lens,
        /** How often it was measured. */
        public int $count,
        /** Half of the predictions were nearer than this share of the truth. */
        public float $medianError,
        /** The same with its sign: above 0 = predictions tend to be too large. */
        public float $medianSigned,
        /** How often a half-width was said. */
        public int $stated,
        /** How often of these the truth lay within it. */
        public int $inside,
    ) {
    }

    /** @param  non-empty-list<Residual>  $residuals of one figure */
    public static function of(LedgerFigure $figure, ?string $lens, array $residuals): self
    {
        $insides = array_filter(array_map(static fn (Residual $each): ?bool => $each->isInside(), $residuals), static fn (?bool $inside): bool => $inside !== null);
        $errors = array_map(static fn (Residual $each): float => $each->error(), $residuals);

        return new self(
            figure: $figure, lens: $lens, count: count($residuals), medianError: self::median(array_map(abs(...), $errors)), medianSigned: self::median($errors),
            stated: count($insides), inside: count(array_filter($insides)),
        );
    }

    /** @param  non-empty-list<float>  $values */
    private static function median(array $values): float
    {
        sort($values);
        $middle = intdiv(count($values), 2);

        return count($values) % 2 === 1 ? $values[$middle] : ($values[$middle - 1] + $values[$middle]) / 2.0;
    }
}
