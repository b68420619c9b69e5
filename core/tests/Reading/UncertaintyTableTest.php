<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Reading;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Optics\Image;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\Uncertainty;
use ZincThimble\Core\Reading\UncertaintyTable;
use ZincThimble\Core\Report\SweepColumns;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Rig\Travels;
use ZincThimble\Core\Tests\Near;
use ZincThimble\Core\Tests\RigMaker;

/** Half-widths along a travel are those of the rig set at each place, and owe most to the same input. */
final class UncertaintyTableTest extends TestCase
{
    /** A lens with a ring of its own whose rim is only assumed, as the file has it. */
    private const LENS = [
        'kind' => 'lens', 'focalLengthMm' => 50, 'registerMm' => 44.5, 'frontRimMm' => 40, 'minFocusMm' => 450, 'maxMagnification' => 0.15, 'focusing' => 'unit',
        'principalGapMm' => 4, 'pupilRatio' => 1.1, 'aperture' => ['widest' => 2.8, 'smallest' => 22, 'control' => 'ring'],
    ];

    private const TUBE = ['kind' => 'tube', 'lengthMm' => 20];

    public function test_along_every_travel_of_any_rig_they_are_those_of_the_rig_set_there(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $told = $objectives = 0;
        for ($n = 0; $n < 250; $n++) {
            $rig = $make->rig();
            foreach (Travels::of($rig) as $travel) {
                $places = Travels::positions($rig, $travel);
                if (! $travel->kind->movesFocus() || count($places) < 8) {
                    continue;
                }
                $along = self::along($rig, $travel, $places);
                foreach (UncertaintyTable::TOLD as $name) {
                    foreach ($along->sources($name) as $k => [$from, $to, $source]) {
                        $before = $along->sources($name)[$k - 1] ?? null;
                        self::assertFalse($before !== null && $before[1] === $from - 1 && [$before[2]->part, $before[2]->field] === [$source->part, $source->field], 'one stretch is told as one');
                        self::assertLessThanOrEqual($to, $from);
                    }
                }
                foreach ([0, $make->pick(array_keys($places)), count($places) - 1] as $row) {
                    $moved = $rig->with($travel->kind, $travel->part, $places[$row]);
                    $told += $this->assertRow($moved, $along, $row, $rig->name.' '.$travel->name());
                    $objectives += Reading::of($moved)->stop?->name === 'NumericalAperture' ? 1 : 0;
                }
            }
        }
        self::assertGreaterThan(300, $told);
        self::assertGreaterThan(0, $objectives);
    }

    public function test_a_rim_in_front_of_everything_moves_the_working_distance_alone(): void
    {
        $rig = RigMaker::chain([self::TUBE, ['measured' => ['focalLengthMm' => 1e-7, 'minFocusMm' => 1e-7, 'maxMagnification' => 1e-9, 'principalGapMm' => 1e-7, 'registerMm' => 1e-7, 'frontRimMm' => 0.8]] + self::LENS]);
        $travel = self::ring($rig);
        $places = Travels::positions($rig, $travel);
        $along = self::along($rig, $travel, $places);
        foreach ($places as $row => $place) {
            self::assertEqualsWithDelta(0.8, $along->columns['workingDistanceMm'][$row], 1e-6, 'at '.$place);
            self::assertLessThan(1e-6, (float) $along->columns['subjectDistanceMm'][$row], 'at '.$place);
            self::assertLessThan(1e-6, (float) $along->columns['magnification'][$row], 'at '.$place);
        }
        self::assertCount(1, $along->sources('workingDistanceMm'));
        [$from, $to, $source] = $along->sources('workingDistanceMm')[0];
        self::assertSame([0, count($places) - 1, 'frontRimMm'], [$from, $to, $source->field]);
    }

    public function test_a_rim_that_carries_a_filter_or_closes_the_light_is_traced_with_it(): void
    {
        foreach ([
            [['frontGlassMm' => 12] + self::LENS],
            [self::LENS, ['kind' => 'filter', 'lengthMm' => 30, 'openingMm' => 10]],
            [self::LENS, ['kind' => 'close-up-lens', 'powerD' => 3, 'thicknessMm' => 6, 'elements' => 2]],
            [['kind' => 'reversing-ring', 'lengthMm' => 3], ['reversed' => true] + self::LENS],
        ] as $chain) {
            $rig = RigMaker::chain($chain);
            foreach ($rig->focusTravels() as $each) {
                $travel = Travels::named($rig, $each->name());
                self::assertNotNull($travel);
                $places = Travels::positions($rig, $travel);
                $along = self::along($rig, $travel, $places);
                foreach (array_keys($places) as $row) {
                    $this->assertRow($rig->with($travel->kind, $travel->part, $places[$row]), $along, $row, json_encode($chain[0], JSON_THROW_ON_ERROR));
                }
            }
        }
    }

    public function test_at_infinity_the_magnification_is_unsure_and_distances_have_no_half_width(): void
    {
        $rig = RigMaker::chain([['focalLengthMm' => 50, 'measured' => ['focalLengthMm' => 0.5]] + self::LENS]);
        $travel = self::ring($rig);
        $places = Travels::positions($rig, $travel);
        $along = self::along($rig, $travel, $places);
        self::assertSame(Image::AtInfinity, Reading::of($rig->with($travel->kind, $travel->part, 0.0))->image);
        foreach (['workingDistanceMm', 'subjectDistanceMm', 'fieldWidthMm', 'nearMm', 'detailMm', 'waveDepthMm', 'entrancePupilMm'] as $name) {
            self::assertNull($along->columns[$name][0], $name);
            self::assertNotNull($along->columns[$name][1], $name);
        }
        self::assertGreaterThan(0.0, $along->columns['effectiveAperture'][1]);
    }

    public function test_without_an_uncertain_input_there_is_nothing_to_tell(): void
    {
        $rig = RigMaker::chain([['kind' => 'helicoid', 'minMm' => 17, 'maxMm' => 31]]);
        $travel = Travels::of($rig)[0];
        $places = Travels::positions($rig, $travel);
        $along = self::along($rig, $travel, $places);
        self::assertSame(array_fill_keys(Uncertainty::READINGS, array_fill(0, count($places), null)), $along->columns);
        self::assertSame([[], [], []], array_map($along->sources(...), UncertaintyTable::TOLD));
    }

    /** @param  list<float>  $places */
    private static function along(Rig $rig, Travel $travel, array $places): UncertaintyTable
    {
        $split = SweepColumns::split($rig, $travel, $places);

        return UncertaintyTable::along($rig, $travel, $places, $split, SweepColumns::read($rig, $travel, $places, $split)[0]->image);
    }

    /** @return int how many half-widths were more than rounding */
    private function assertRow(Rig $moved, UncertaintyTable $along, int $row, string $what): int
    {
        $reading = Reading::of($moved);
        $sure = Uncertainty::of($moved);
        $told = 0;
        foreach (Uncertainty::READINGS as $name) {
            $worth = static fn (?float $half): ?float => $half === null || $half <= 1e-8 * abs((float) $reading->{$name}) + 1e-12 ? null : $half;
            $expected = $worth($sure->halfWidth($name));
            Near::assert($expected, $worth($along->columns[$name][$row] ?? null), 1e-4, $what.', row '.$row.', half-width of '.$name);
            $told += $expected === null ? 0 : 1;
            if ($expected === null || ! in_array($name, UncertaintyTable::TOLD, true)) {
                continue;
            }
            $here = array_values(array_filter($along->sources($name), static fn (array $run): bool => $row >= $run[0] && $row <= $run[1]));
            self::assertCount(1, $here, $what.', row '.$row.', who moves '.$name);
            // Two can matter alike, and a table asks at every sixteenth row.
            $shares = [];
            foreach (Uncertainty::shares($moved, $sure->inputs, $sure->changes[$name]) as [$part, $field, $share]) {
                $shares[$part.' '.$field] = ($shares[$part.' '.$field] ?? 0.0) + $share;
            }
            Near::assert($expected * $expected, array_sum($shares), 1e-6, $what.', all shares of '.$name);
            $source = $sure->source($name);
            self::assertNotNull($source);
            self::assertGreaterThan(0.75 * $shares[$source->part.' '.$source->field], $shares[$here[0][2]->part.' '.$here[0][2]->field], $what.', row '.$row.', '.$name.' by '.$here[0][2]->field.' and '.$source->field);
        }

        return $told;
    }

    private static function ring(Rig $rig): Travel
    {
        foreach (Travels::of($rig) as $travel) {
            if ($travel->kind === TravelKind::Focus) {
                return $travel;
            }
        }
        self::fail('There is no ring');
    }
}
