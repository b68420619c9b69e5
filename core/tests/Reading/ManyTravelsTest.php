<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Reading;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\Optics\AxialSampler;
use ZincThimble\Core\Reading\Range;
use ZincThimble\Core\Reading\RangeOfMany;
use ZincThimble\Core\Reading\Reach;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\Solver;
use ZincThimble\Core\Reading\SolveTarget;
use ZincThimble\Core\Report\RigReport;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Rig\TravelGroups;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Tests\Near;
use ZincThimble\Core\Tests\RigMaker;

/** Rigs with more controls than a grid could be laid through: the work stays bounded and the figures right. */
final class ManyTravelsTest extends TestCase
{
    private const LENS = ['kind' => 'lens', 'focalLengthMm' => 80, 'registerMm' => 44.5, 'frontRimMm' => 40, 'principalGapMm' => 0, 'focusing' => 'fixed', 'aperture' => ['widest' => 2.8, 'smallest' => 22, 'control' => 'ring']];

    public function test_twelve_helicoids_in_a_row_are_as_one_that_is_as_long_as_all(): void
    {
        $chain = [];
        for ($i = 0; $i < 12; $i++) {
            $chain[] = ['kind' => 'helicoid', 'minMm' => 10 + $i, 'maxMm' => 25 + 2 * $i, 'clearMm' => 40];
        }
        // Forty parts: 27 tubes of 1 mm besides. 186 to 432 mm of helicoids; M = e / f.
        $rig = RigMaker::chain([...array_fill(0, 27, ['kind' => 'tube', 'lengthMm' => 1]), ...$chain, self::LENS]);
        $this->assertCount(40, $rig->chain);
        $this->assertCount(1, TravelGroups::of($rig));
        $range = Range::of($rig);
        Near::assert((27 + 186) / 80, $range->magnification[0], 1e-9, 'least');
        Near::assert((27 + 432) / 80, $range->magnification[1], 1e-9, 'greatest');
        $one = Range::of(RigMaker::chain([['kind' => 'tube', 'lengthMm' => 27], ['kind' => 'helicoid', 'minMm' => 186, 'maxMm' => 432], self::LENS]));
        foreach (['magnification', 'workingDistanceMm', 'subjectDistanceMm'] as $name) {
            Near::assert($one->{$name}[0], $range->{$name}[0], 1e-9, $name.' least');
            Near::assert($one->{$name}[1], $range->{$name}[1], 1e-9, $name.' greatest');
        }
        // What takes the whole of it: all findings, the reach of what the aperture moves too, and setting it.
        $this->assertNotNull(RigReport::of($rig)->reading->magnification);
        $reach = Reach::of($rig);
        Near::assert(2.8 * (1 + $range->magnification[0]), $reach['effectiveAperture'][0], 1e-6, 'N (1 + M) with P = 1 where nothing is known of it');
        Near::assert(22 * (1 + $range->magnification[1]), $reach['effectiveAperture'][1], 1e-6, 'and at the other end');
        $solution = Solver::anywhere($rig, SolveTarget::Magnification, 3.0);
        $this->assertTrue($solution?->exact);
        Near::assert(3.0, Reading::of($solution->rig)->magnification, 1e-9, 'set');
        $this->assertLessThan(64e6, memory_get_peak_usage());
    }

    public function test_lengths_with_glass_between_them_stay_apart(): void
    {
        $helicoid = ['kind' => 'helicoid', 'minMm' => 10, 'maxMm' => 20];
        $coupled = ['reversed' => true] + self::LENS;
        $rig = RigMaker::chain([$helicoid, ['kind' => 'tube', 'lengthMm' => 5], $helicoid, self::LENS, $helicoid, $coupled]);
        $groups = TravelGroups::of($rig);
        $this->assertSame([[0, 2], [4]], array_map(static fn (array $group): array => array_map(static fn (Travel $travel): int => $travel->part, $group), $groups));
        $joined = TravelGroups::joined($groups[0]);
        $this->assertSame([0, TravelKind::Length, 20.0, 40.0], [$joined->part, $joined->kind, $joined->least, $joined->greatest]);
        $half = TravelGroups::set($rig, $groups[0], 0.5);
        $this->assertSame([15.0, 15.0, 10.0], [$half->lengthMm(0), $half->lengthMm(2), $half->lengthMm(4)]);
    }

    public function test_a_length_that_goes_nowhere_is_no_control(): void
    {
        $this->assertSame([], TravelGroups::of(RigMaker::chain([['kind' => 'helicoid', 'minMm' => 10, 'maxMm' => 10], self::LENS])));
    }

    /** Where a grid can be laid, both ways come to the same; nowhere does the search claim more than there is. */
    public function test_the_search_over_many_finds_what_a_grid_finds(): void
    {
        $maker = RigMaker::seeded(__METHOD__);
        $compared = $near = 0;
        for ($n = 0; $n < 400; $n++) {
            $rig = $maker->rig();
            $travels = array_values(array_filter($rig->focusTravels(), static fn (Travel $travel): bool => $travel->spans()));
            if (count($travels) < 2 || count($travels) > 4) {
                continue;
            }
            $grid = Range::over(new AxialSampler($rig, $travels), $travels);
            $many = new RangeOfMany(new AxialSampler($rig, $travels), $travels);
            $what = 'rig '.$n.' of seed '.$maker->seed;
            if ($grid->magnification[1] === null || $many->greatest[0] === null) {
                continue;
            }
            $this->assertSame($grid->reachesInfinity(), $many->infinite, $what);
            foreach ([[$grid->magnification[1], $many->greatest[0]], [$grid->workingDistanceMm[0], $many->least[1]], [$grid->subjectDistanceMm[0], $many->least[2]]] as $k => [$one, $other]) {
                $off = abs($one - $other) / max(1e-3, abs($one));
                $this->assertLessThan(0.05, $off, $what.' '.$k);
                $compared++;
                $near += $off < 1e-3 ? 1 : 0;
            }
        }
        $this->assertGreaterThan(60, $compared);
        $this->assertGreaterThan(0.97, $near / $compared);
    }

    public function test_twelve_helicoids_between_lenses_are_searched_within_bounds_and_every_extreme_is_met_by_a_rig(): void
    {
        $maker = RigMaker::seeded(__METHOD__);
        for ($n = 0; $n < 6; $n++) {
            $chain = [];
            for ($i = 0; $i < 12; $i++) {
                $chain[] = ['kind' => 'helicoid', 'minMm' => $maker->number(5, 20), 'maxMm' => $maker->number(25, 50)];
                $chain[] = ['reversed' => $maker->chance(0.5), 'focalLengthMm' => $maker->number(150, 900)] + self::LENS;
            }
            try {
                $rig = RigMaker::chain([...array_fill(0, 16, ['kind' => 'tube', 'lengthMm' => 1]), ...$chain]);
            } catch (FileInvalid) {
                continue;
            }
            $this->assertCount(12, TravelGroups::of($rig));
            $range = Range::of($rig);
            // Nothing that is tried at random lies outside.
            for ($try = 0; $try < 300; $try++) {
                $set = array_reduce(TravelGroups::of($rig), static fn (Rig $each, array $group): Rig => TravelGroups::set($each, $group, $maker->number(0, 1)), $rig);
                $m = Reading::of($set)->magnification;
                if ($m !== null && $range->magnification[1] !== null) {
                    $this->assertLessThanOrEqual($range->magnification[1] * 1.001, $m, 'seed '.$maker->seed);
                    $this->assertGreaterThanOrEqual(($range->magnification[0] ?? 0.0) * 0.999, $m, 'seed '.$maker->seed);
                }
            }
        }
        $this->assertLessThan(64e6, memory_get_peak_usage());
    }
}
