<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Report;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Report\PackedColumn;
use ZincThimble\Core\Report\Sweep;
use ZincThimble\Core\Rig\Travels;
use ZincThimble\Core\Tests\Columns;
use ZincThimble\Core\Tests\RigMaker;

/** A column that travels as steps is the column again where it arrives. */
final class PackedColumnTest extends TestCase
{
    public function test_what_arrives_has_seven_digits_that_count(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $columns = 0;
        for ($n = 0; $n < 60; $n++) {
            $rig = $make->rig();
            foreach (Travels::of($rig) as $travel) {
                $sweep = Sweep::of($rig, $travel);
                foreach ([$sweep->readings($rig), $sweep->halfWidths] as $table) {
                    foreach ($table as $name => $column) {
                        $this->arrives($column, $rig->name.' '.$travel->name().' '.$name);
                        $columns++;
                    }
                }
            }
        }
        $this->assertGreaterThan(1000, $columns);
    }

    /** @return array<array-key, mixed> */
    private static function arrived(PackedColumn $packed): array
    {
        return Columns::unpacked(get_object_vars($packed));
    }

    /** @param  array<int, ?float>  $column */
    private function arrives(array $column, string $name): void
    {
        $told = self::arrived(PackedColumn::of($column));
        $this->assertSame(array_keys(array_values($column)), array_keys($told), $name);
        $greatest = max([0.0, ...array_map(static fn (?float $value): float => abs($value ?? 0.0), $column)]);
        foreach (array_values($column) as $row => $value) {
            if ($value === null) {
                $this->assertNull($told[$row], $name.' row '.$row);

                continue;
            }
            $this->assertNotNull($told[$row], $name.' row '.$row);
            // Half of the seventh digit, or of the greatest's eleventh where the column goes over more than four powers of ten.
            $this->assertEqualsWithDelta($value, $told[$row], 0.5001 * max(1e-6 * abs($value), 1e-10 * $greatest), $name.' row '.$row);
        }
    }

    public function test_a_straight_line_is_two_figures_and_nothing(): void
    {
        $packed = PackedColumn::of([36.0, 36.5, 37.0, 37.5, 38.0]);
        $this->assertSame([5, 2, [3600000, -3550000, 0, 0, 0]], [$packed->decimals, $packed->order, $packed->steps]);
        $this->assertSame([36.0, 36.5, 37.0, 37.5, 38.0], self::arrived($packed));
    }

    public function test_rows_without_a_figure_stay_where_they_were(): void
    {
        foreach ([[null, null, 1.5, null, 2.5, 3.5, null], [null], [], [null, 1.0], [1.0, null], [0.0, null, 0.0]] as $column) {
            $this->assertSame($column, self::arrived(PackedColumn::of($column)), json_encode($column, JSON_THROW_ON_ERROR));
        }
        $this->assertSame([[0, 1], [3, 3], [6, 6]], PackedColumn::of([null, null, 1.5, null, 2.5, 3.5, null])->none);
    }

    public function test_the_smallest_has_all_its_digits_up_to_four_powers_of_ten_below_the_greatest(): void
    {
        $this->assertSame([0.0001234567, 1.2345678444], self::arrived(PackedColumn::of([0.00012345671, 1.23456784444])));
        $this->assertSame([0.0000123457, 1.2345678444], self::arrived(PackedColumn::of([0.00001234567, 1.23456784444])));
        $this->assertSame([0, 6], [PackedColumn::of([0.0, 0.0])->decimals, PackedColumn::of([-1.0, 1.0])->decimals]);
    }

    public function test_distances_without_end_are_told_by_their_digits(): void
    {
        $packed = PackedColumn::of([12345678901234.0, 23456789012345.0]);
        $this->assertSame(-7, $packed->decimals);
        $this->assertSame([12345680000000.0, 23456790000000.0], self::arrived($packed));
    }
}
