<?php

declare(strict_types=1);

namespace ZincThimble\Core\Report;

use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Picture\Target;
use ZincThimble\Core\Picture\TargetKind;
use ZincThimble\Core\Plan\AsEngraved;
use ZincThimble\Core\Plan\Csv;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Subject;

/**
 * Rigs side by side on the same target: each brought to the same picture, who is best in what, and who is beaten by whom in everything.
 * Differences within the half-widths are none (OPTICS.md, "How sure").
 */
final readonly class Comparison
{
    /** As many as the ladder of a set has rungs that somebody still reads. */
    public const MOST = 64;

    /** @param  list<ComparedRig>  $rigs */
    private function __construct(public array $rigs, public Target $target)
    {
    }

    /**
     * On a target: one of ours, the subject of the first rig that has one described, or each its own.
     *
     * @param  list<Rig>  $rigs  at least one, lettered in their order
     * @param  ?TargetKind  $on  null = each has its own subject before it
     * @param  array<int, array<string, float>>  $byHand  what somebody set by hand afterwards: of the rig with that number, controls by name
     *
     * @throws InvalidFigure when there are none, or too many; names a control that a rig doesn't have
     */
    public static function of(array $rigs, Bringing $bringing, ?TargetKind $on = null, array $byHand = []): self
    {
        if ($rigs === [] || count($rigs) > self::MOST) {
            throw InvalidFigure::because('rigs', 'should be 1 to '.self::MOST);
        }
        $own = $on === null || $on === TargetKind::Subject ? null : Target::own($on, $bringing->depthMm);
        $described = array_values(array_filter(array_map(static fn (Rig $rig): ?Subject => $rig->subject, $rigs), static fn (?Subject $each): bool => $each !== null && ($each->depthMm !== null || $each->radiusMm !== null || $each->widthMm !== null)));
        $subject = $own?->subject() ?? $described[0] ?? null;
        $compared = [];
        foreach ($rigs as $n => $rig) {
            $compared[] = ComparedRig::of(self::letter($n), $rig, $on === null ? $bringing : $bringing->before($subject), $byHand[$n] ?? []);
        }
        $fields = array_filter(array_map(static fn (ComparedRig $rig): ?float => $rig->report->reading->fieldWidthMm, $compared));

        return new self($compared, $own ?? Target::ofSubject($subject, $fields === [] ? null : max($fields), $bringing->depthMm));
    }

    /** A, B … Z, AA, AB … */
    public static function letter(int $n): string
    {
        return ($n < 26 ? '' : chr(ord('A') + intdiv($n, 26) - 1)).chr(ord('A') + $n % 26);
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

    /** As CSV, unrounded, by the names of the readings. */
    public function csv(): string
    {
        $readings = ['magnification', 'fieldWidthMm', 'workingDistanceMm', 'subjectDistanceMm', 'effectiveAperture', 'stopsLost', 'depthOfFieldMm', 'massG', 'price', 'joints'];
        $rows = [['letter', 'name', 'camera', 'parts', 'settings', 'met', ...$readings, 'resolvedDetailMm', 'pixelsLeft', 'cropToMm', 'blurAtEdgeMm']];
        foreach ($this->rigs as $each) {
            $told = $each->report->figures();
            $figures = array_map(static fn (string $name): float|int|null => is_float($told[$name]) || is_int($told[$name]) ? $told[$name] : null, $readings);
            $settings = $each->settings();
            $rows[] = [
                $each->letter, $each->rig->name, $each->rig->camera->name, AsEngraved::title($each->rig),
                implode(' · ', array_map(static fn (string $part, string $said): string => $part.' '.$said, array_keys($settings), $settings)), $each->met ? 'yes' : 'no',
                ...$figures, $each->resolvedDetailMm, $each->pixelsLeft, $each->cropToMm, $each->blurAtEdgeMm,
            ];
        }

        return Csv::of($rows);
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
