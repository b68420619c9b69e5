<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Report;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Drawing\LightPath;
use ZincThimble\Core\Finding\Finding;
use ZincThimble\Core\Finding\Span;
use ZincThimble\Core\Reading\Beside;
use ZincThimble\Core\Reading\Uncertainty;
use ZincThimble\Core\Report\RigReport;
use ZincThimble\Core\Report\Sweep;
use ZincThimble\Core\Rig\Travels;
use ZincThimble\Core\Tests\Near;
use ZincThimble\Core\Tests\RigMaker;

/** A sweep says at every place what a rig set there says by itself. */
final class SweepTest extends TestCase
{
    public function test_every_row_is_the_reading_of_the_rig_set_there(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $rows = 0;
        for ($n = 0; $n < 150; $n++) {
            $rig = $make->rig();
            foreach (Travels::of($rig) as $travel) {
                $sweep = Sweep::of($rig, $travel);
                $columns = get_object_vars($sweep->columns);
                $beside = Beside::along($rig, $travel, $sweep->positions);
                $parts = $sweep->cornerParts($rig);
                foreach ([0, intdiv(count($sweep->positions), 3), count($sweep->positions) - 1] as $row) {
                    $answer = RigReport::of($rig->with($travel->kind, $travel->part, $sweep->positions[$row]));
                    $name = $rig->name.' '.$travel->name();
                    $this->assertSame($answer->reading->image, $sweep->columns->image[$row], $name);
                    foreach (['magnification', 'workingDistanceMm', 'subjectDistanceMm', 'effectiveAperture', 'nearMm', 'farMm', 'waveDepthMm', 'detailMm', 'entrancePupilMm', 'lightGapDeg', 'cornerBrightness', 'momentAtMountNm'] as $reading) {
                        Near::assert($answer->reading->{$reading}, $columns[$reading][$row], 1e-6, $name.' '.$reading);
                    }
                    foreach (Beside::of($answer->rig, $answer->axis, $answer->reading) as $reading => $value) {
                        Near::assert($value, $beside[$reading][$row], 1e-6, $name.' '.$reading);
                    }
                    $cut = $answer->reading->cornerPart;
                    $this->assertSame(
                        $cut === null ? [] : [$cut < 0 ? 'camera' : $rig->chain[$cut]->label()],
                        array_column(array_filter($parts, static fn (array $each): bool => $row >= $each['from'] && $row <= $each['to']), 'part'), $name.' what darkens the corner',
                    );
                    foreach (Uncertainty::READINGS as $reading) {
                        Near::assert(
                            self::worth($answer->halfWidths[$reading] ?? null, $answer->reading->{$reading}),
                            self::worth($sweep->halfWidths[$reading][$row] ?? null, $answer->reading->{$reading}),
                            1e-4,
                            $name.' half-width of '.$reading,
                        );
                    }
                    $moved = $rig->with($travel->kind, $travel->part, $sweep->positions[$row]);
                    Near::assert($answer->axis->front + $answer->axis->converterMm, $sweep->drawing->tipMm[$row], 1e-9, $name.' tip');
                    foreach (LightPath::of($moved, $answer->axis, $answer->reading)->groups as $k => $group) {
                        foreach ($group as $what => $value) {
                            $scale = max(1.0, abs((float) $value));
                            Near::assert($value === null ? null : 2 * $scale + $value, $sweep->drawing->groups[$k][$what][$row] === null ? null : 2 * $scale + $sweep->drawing->groups[$k][$what][$row], 1e-6, $name.' group '.$k.' '.$what);
                        }
                    }
                    $here = array_values(array_filter($sweep->spans, static fn (Span $span): bool => $row >= $span->from && $row <= $span->to));
                    $this->assertSame(
                        self::sorted(array_map(static fn (Finding $finding): string => self::told($finding), $answer->findings)),
                        self::sorted(array_map(static fn (Span $span): string => self::told($span->at($row)), $here)),
                        $name.' row '.$row,
                    );
                    $rows++;
                }
            }
        }
        $this->assertGreaterThan(500, $rows);
    }

    private static function told(Finding $finding): string
    {
        return $finding->severity->value.' '.$finding->code->value.' '.$finding->part.' '.$finding->message();
    }

    /** A half-width that is more than rounding. */
    private static function worth(?float $half, ?float $value): ?float
    {
        return $half === null || $half <= 1e-8 * abs((float) $value) ? null : $half;
    }

    /**
     * @param  list<string>  $lines
     * @return list<string>
     */
    private static function sorted(array $lines): array
    {
        sort($lines);

        return $lines;
    }
}
