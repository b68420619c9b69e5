<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Reading;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Optics\Image;
use ZincThimble\Core\Reading\Infinity;
use ZincThimble\Core\Reading\Range;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Tests\Near;
use ZincThimble\Core\Tests\RigMaker;

/** OPTICS.md, "Range, infinity": by numbers worked out by hand, and against every place there is. */
final class ReachTest extends TestCase
{
    private const FIXED = ['kind' => 'lens', 'focalLengthMm' => 50, 'registerMm' => 44.5, 'frontRimMm' => 40, 'principalGapMm' => -9, 'focusing' => 'fixed'];

    private const UNIT = ['focusing' => 'unit', 'minFocusMm' => 50 * (2 + 0.15 + 1 / 0.15) - 9, 'maxMagnification' => 0.15] + self::FIXED;

    public function test_a_lens_on_its_own_mount_goes_from_infinity_to_its_closest(): void
    {
        $rig = self::rig([self::UNIT]);
        $range = Range::of($rig);
        $this->assertSame(0.0, $range->magnification[0]);
        Near::assert(0.15, $range->magnification[1], 1e-9, 'm0');
        $this->assertNull($range->subjectDistanceMm[1]);
        Near::assert(50 * (2 + 0.15 + 1 / 0.15) - 9, $range->subjectDistanceMm[0], 1e-9, 'the closest, by f and g as they are');
        $infinity = Infinity::of($rig, $range);
        $this->assertTrue($infinity->reached);
        $this->assertEqualsWithDelta(0.0, $infinity->overshotMm, 1e-9);
        $this->assertNull($infinity->furthestSubjectMm);
    }

    public function test_a_tube_takes_infinity_away_and_says_how_far_is_left(): void
    {
        // 10 mm of tube: M from 0.2, and (u + v + g) there the furthest focus.
        $rig = self::rig([['kind' => 'tube', 'lengthMm' => 10], self::UNIT]);
        $range = Range::of($rig);
        Near::assert(0.2, $range->magnification[0], 1e-9, 'least');
        Near::assert(0.35, $range->magnification[1], 1e-9, 'greatest');
        $infinity = Infinity::of($rig, $range);
        $this->assertFalse($infinity->reached);
        $this->assertNull($infinity->overshotMm);
        Near::assert(50 * (2 + 0.2 + 1 / 0.2) - 9, $infinity->furthestSubjectMm, 1e-9, 'furthest');
        $this->assertNull($infinity->spacerToKeepMm, 'no spacer is short enough');
    }

    /** @return iterable<string, array{float, float, float, ?float, ?float}> camera's register, shortest, longest; overshot by, setting that keeps it */
    public static function helicoids(): iterable
    {
        yield 'just as long as it should be' => [18.0, 26.5, 40.0, 0.0, 26.5];
        yield 'shorter than it should be' => [18.0, 20.0, 40.0, 6.5, 26.5];
        yield 'never short enough' => [18.0, 30.0, 40.0, null, null];
    }

    #[DataProvider('helicoids')]
    public function test_a_helicoid_keeps_infinity_where_it_makes_up_the_register(float $register, float $least, float $greatest, ?float $over, ?float $keep): void
    {
        $rig = self::rig([['kind' => 'helicoid', 'minMm' => $least, 'maxMm' => $greatest, 'setMm' => $greatest], self::FIXED], $register);
        $infinity = Infinity::of($rig, Range::of($rig));
        $this->assertSame($over !== null, $infinity->reached);
        $over === null ? $this->assertNull($infinity->overshotMm) : $this->assertEqualsWithDelta($over, $infinity->overshotMm, 1e-9);
        $keep === null ? $this->assertNull($infinity->spacerToKeepMm) : $this->assertEqualsWithDelta($keep, $infinity->spacerToKeepMm, 1e-9);
    }

    public function test_the_spacer_that_would_keep_infinity_is_told_where_the_camera_is_shallower(): void
    {
        $rig = self::rig([self::FIXED], 18.0);
        $this->assertEqualsWithDelta(26.5, Infinity::of($rig, Range::of($rig))->spacerToKeepMm, 1e-9);
        $reversed = self::rig([['reversed' => true] + self::FIXED], 18.0);
        $this->assertNull(Infinity::of($reversed, Range::of($reversed))->spacerToKeepMm, 'turned round, its register says nothing');
    }

    public function test_subject_distance_is_least_at_life_size_and_there_it_is_four_focal_lengths_and_the_gap(): void
    {
        $rig = self::rig([['kind' => 'bellows', 'minMm' => 20, 'maxMm' => 150], self::FIXED]);
        $range = Range::of($rig);
        Near::assert(4 * 50 - 9, $range->subjectDistanceMm[0], 1e-7, 'least');
        Near::assert(0.4, $range->magnification[0], 1e-9, 'shortest');
        Near::assert(3.0, $range->magnification[1], 1e-9, 'longest');
        Near::assert(50 * (2 + 3 + 1 / 3) - 9, $range->subjectDistanceMm[1], 1e-9, 'furthest: here at the longest');
        // Working distance shrinks all the way.
        Near::assert(50 * (2 + 3 + 1 / 3) - 9 - (44.5 + 150 + 40), $range->workingDistanceMm[0], 1e-9, 'at the longest: less the register, the draw and the lens');
    }

    public function test_without_any_image_there_is_no_range(): void
    {
        foreach ([[], [['kind' => 'tube', 'lengthMm' => 40]], [['kind' => 'lens', 'focalLengthMm' => 300, 'registerMm' => 200, 'frontRimMm' => 40, 'focusing' => 'fixed'], ['kind' => 'tube', 'lengthMm' => 30], ['kind' => 'close-up-lens', 'powerD' => -40]]] as $chain) {
            $rig = self::rig($chain);
            if (Reading::of($rig)->image === Image::None) {
                $range = Range::of($rig);
                $this->assertSame([[null, null], [null, null], [null, null]], [$range->magnification, $range->workingDistanceMm, $range->subjectDistanceMm]);
                $this->assertFalse(Infinity::of($rig, $range)->reached);
            }
        }
        $this->assertSame(Image::None, Reading::of(self::rig([]))->image);
    }

    public function test_held_where_it_stands_a_rig_has_the_range_of_its_reading(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        for ($n = 0; $n < 200; $n++) {
            $reading = Reading::of($make->rig());
            $held = Range::held($reading);
            $this->assertSame([$reading->magnification, $reading->magnification], $held->magnification);
            $this->assertSame([$reading->subjectDistanceMm, $reading->subjectDistanceMm], $held->subjectDistanceMm);
            $this->assertSame($reading->magnification === 0.0, Infinity::held($reading)->reached);
        }
    }

    public function test_along_one_travel_the_range_is_that_of_five_thousand_places(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $tried = $inside = 0;
        while ($tried < 60) {
            $rig = $make->rig();
            $travels = $rig->focusTravels();
            if (count($travels) !== 1 || ! $travels[0]->spans()) {
                continue;
            }
            $tried++;
            [$travel] = $travels;
            $seen = ['magnification' => [], 'subjectDistanceMm' => []];
            for ($k = 0; $k <= 5000; $k++) {
                $reading = Reading::of($rig->with($travel->kind, $travel->part, $travel->least + ($travel->greatest - $travel->least) * $k / 5000));
                if ($reading->image === Image::Real) {
                    $seen['magnification'][] = $reading->magnification;
                    $seen['subjectDistanceMm'][] = $reading->subjectDistanceMm;
                }
            }
            $range = Range::of($rig);
            if ($seen['magnification'] === [] || $range->reachesInfinity()) {
                continue;
            }
            $inside++;
            foreach ($seen as $what => $values) {
                [$least, $greatest] = $range->{$what};
                $scale = max(1e-6, max(array_map(abs(...), $values)));
                self::assertLessThanOrEqual(min($values) + 1e-6 * $scale, $least, $rig->name.' '.$what);
                self::assertGreaterThanOrEqual(max($values) - 1e-6 * $scale, $greatest, $rig->name.' '.$what);
            }
        }
        self::assertGreaterThan(10, $inside);
    }

    /** @param  list<array<string, mixed>>  $chain */
    private static function rig(array $chain, float $register = 44.5): Rig
    {
        return RigMaker::made([
            'format' => 'zinc-thimble/rig', 'version' => 1,
            'camera' => ['registerMm' => $register, 'sensor' => ['widthMm' => 36, 'heightMm' => 24]], 'chain' => $chain,
        ]);
    }
}
