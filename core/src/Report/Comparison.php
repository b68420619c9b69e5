<?php

declare(strict_types=1);

namespace ZincThimble\Core\Report;

use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Rig\Rig;

/**
 * Rigs side by side on the same target: each brought to the same picture, who is best in what, and who is beaten by whom in everything.
 * Differences within the half-widths are none (OPTICS.md, "How sure").
 */
final readonly class Comparison
{
    /** As many as letters that nobody has to look up. */
    public const MOST = 26;

    /** @param  list<ComparedRig>  $rigs */
    private function __construct(public array $rigs)
    {
    }

    /**
     * @param  list<Rig>  $rigs  at least one, lettered in their order
     *
     * @throws InvalidFigure when there are none, or more than letters
     */
    public static function of(array $rigs, Bringing $bringing): self
    {
        if ($rigs === [] || count($rigs) > self::MOST) {
            throw InvalidFigure::because('rigs', 'should be 1 to '.self::MOST);
        }
        $compared = [];
        foreach ($rigs as $n => $rig) {
            $compared[] = ComparedRig::of(chr(ord('A') + $n), $rig, $bringing);
        }

        return new self($compared);
    }

    /**
     * Who is best in what by more than can be doubted, and by how much over the next.
     *
     * @return array<string, ?array{letter: string, by: float}> by the criterion's reading; null = nobody is, or somebody's isn't known
     */
    public function best(): array
    {
        $best = [];
        foreach (Criterion::cases() as $criterion) {
            $best[$criterion->value] = $this->bestIn($criterion);
        }

        return $best;
    }

    /**
     * Who is no better in anything than another, and worse in something: each with the first that beats it.
     *
     * @return list<array{letter: string, by: string}>
     */
    public function beaten(): array
    {
        $beaten = [];
        foreach ($this->rigs as $rig) {
            foreach ($this->rigs as $other) {
                if ($other !== $rig && $other->met && self::beats($other, $rig)) {
                    $beaten[] = ['letter' => $rig->letter, 'by' => $other->letter];
                    break;
                }
            }
        }

        return $beaten;
    }

    /** @return array<string, mixed> as the file format names it */
    public function toArray(): array
    {
        return [
            'rigs' => array_map(static fn (ComparedRig $rig): array => [
                'letter' => $rig->letter,
                'name' => $rig->rig->name,
                'met' => $rig->met,
                'settings' => (object) $rig->settings(),
                'reading' => $rig->report->toArray(),
                'resolvedDetailMm' => $rig->resolvedDetailMm,
                'pixelsLeft' => $rig->pixelsLeft,
                'cropToMm' => $rig->cropToMm,
                'blurAtEdgeMm' => $rig->blurAtEdgeMm,
            ], $this->rigs),
            'best' => array_map(static fn (?array $best): ?string => $best['letter'] ?? null, $this->best()),
            'beaten' => $this->beaten(),
        ];
    }

    /** @return ?array{letter: string, by: float} */
    private function bestIn(Criterion $criterion): ?array
    {
        $values = array_map(static fn (ComparedRig $rig): ?float => $rig->value($criterion), $this->rigs);
        if (in_array(null, $values, true) || count($values) < 2) {
            return null;
        }
        $order = array_keys($values);
        usort($order, static fn (int $a, int $b): int => $criterion->isMoreBetter() ? $values[$b] <=> $values[$a] : $values[$a] <=> $values[$b]);
        $first = $this->rigs[$order[0]];
        foreach (array_slice($order, 1) as $other) {
            if (self::compare($criterion, $first, $this->rigs[$other]) <= 0) {
                return null;
            }
        }

        return ['letter' => $first->letter, 'by' => abs((float) $values[$order[0]] - (float) $values[$order[1]])];
    }

    private static function beats(ComparedRig $one, ComparedRig $other): bool
    {
        $isBetter = false;
        foreach (Criterion::cases() as $criterion) {
            $way = self::compare($criterion, $one, $other);
            if ($way < 0) {
                return false;
            }
            $isBetter = $isBetter || $way > 0;
        }

        return $isBetter;
    }

    /** Above 0 = one is better by more than both may be off, below 0 = worse; 0 = no difference, or not known. */
    private static function compare(Criterion $criterion, ComparedRig $one, ComparedRig $other): int
    {
        $a = $one->value($criterion);
        $b = $other->value($criterion);
        if ($a === null || $b === null || abs($a - $b) <= hypot($one->halfWidth($criterion), $other->halfWidth($criterion)) + 1e-9 * max(abs($a), abs($b))) {
            return 0;
        }

        return ($a > $b) === $criterion->isMoreBetter() ? 1 : -1;
    }
}
