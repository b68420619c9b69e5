<?php

declare(strict_types=1);

namespace ZincThimble\Core\Outing;

use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Part;

/** How right the tool was, for one person: every measured figure beside what was predicted for that rig at that moment (OPTICS.md, "Measuring pictures"). */
final readonly class Ledger
{
    /**
     * @param  list<Residual>  $residuals  in the order of the log
     * @param  list<LedgerLine>  $lines  over all, by figure
     * @param  list<LedgerLine>  $byLens  by figure and lens, the worst median first
     */
    private function __construct(public array $residuals, public array $lines, public array $byLens)
    {
    }

    /** @param  list<LoggedFigures>  $log  entries that stand */
    public static function of(array $log): self
    {
        $residuals = [];
        foreach ($log as $n => $logged) {
            $lenses = array_values(array_unique(array_map(
                static fn (Part $part): string => $part->label(), array_filter($logged->rig->chain, static fn (Part $part): bool => $part instanceof Lens),
            )));
            foreach (LedgerFigure::cases() as $figure) {
                $residual = Residual::of($n, $figure, $logged, $lenses);
                if ($residual !== null) {
                    $residuals[] = $residual;
                }
            }
        }
        $lines = $byLens = [];
        foreach (LedgerFigure::cases() as $figure) {
            $of = array_values(array_filter($residuals, static fn (Residual $each): bool => $each->figure === $figure));
            if ($of === []) {
                continue;
            }
            $lines[] = LedgerLine::of($figure, null, $of);
            foreach (array_unique(array_merge(...array_map(static fn (Residual $each): array => $each->lenses, $of))) as $lens) {
                $with = array_values(array_filter($of, static fn (Residual $each): bool => in_array($lens, $each->lenses, true)));
                if ($with !== []) {
                    $byLens[] = LedgerLine::of($figure, $lens, $with);
                }
            }
        }
        usort($byLens, static fn (LedgerLine $one, LedgerLine $other): int => $other->medianError <=> $one->medianError);

        return new self($residuals, $lines, $byLens);
    }

    /**
     * Lenses that a shot would settle: the only lens of a rig whose magnification lay outside what was said, each once, with the entry that says it most
     * clearly, in half-widths.
     *
     * @return array<string, int> place of that entry in the log, by lens
     */
    public function pointsAt(): array
    {
        $worst = $entries = [];
        foreach ($this->residuals as $each) {
            if ($each->figure !== LedgerFigure::Magnification || $each->isInside() !== false || count($each->lenses) !== 1 || $each->halfWidth === null) {
                continue;
            }
            $by = $each->halfWidth > 0.0 ? abs($each->predicted - $each->measured) / $each->halfWidth : INF;
            if ($by > ($worst[$each->lenses[0]] ?? 0.0)) {
                $worst[$each->lenses[0]] = $by;
                $entries[$each->lenses[0]] = $each->entry;
            }
        }

        return $entries;
    }
}
