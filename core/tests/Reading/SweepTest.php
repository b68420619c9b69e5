<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Reading;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Finding\Finding;
use ZincThimble\Core\Finding\Span;
use ZincThimble\Core\Reading\Answer;
use ZincThimble\Core\Reading\Sweep;
use ZincThimble\Core\Reading\Uncertainty;
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
                foreach ([0, intdiv(count($sweep->places), 3), count($sweep->places) - 1] as $row) {
                    $answer = Answer::of($rig->with($travel->kind, $travel->part, $sweep->places[$row]));
                    $name = $rig->name.' '.$travel->name();
                    $this->assertSame($answer->reading->image, $sweep->columns->image[$row], $name);
                    foreach (['magnification', 'workingDistanceMm', 'subjectDistanceMm', 'effectiveAperture', 'nearMm', 'farMm', 'waveDepthMm', 'detailMm', 'entrancePupilMm', 'lightGapDeg', 'cornerBrightness', 'momentAtMountNm'] as $reading) {
                        Near::assert($answer->reading->{$reading}, $columns[$reading][$row], 1e-6, $name.' '.$reading);
                    }
                    foreach (Uncertainty::READINGS as $reading) {
                        $half = $sweep->halfWidths[$reading][$row] ?? null;
                        Near::assert($answer->halfWidths[$reading] ?? null, $half === 0.0 ? null : $half, 1e-4, $name.' half-width of '.$reading);
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
