<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Plan;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Plan\Bracketing;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Tests\RigMaker;

/** A camera's focus step, measured once, is the one that took the two frames; a stack by it leaves no gap and says where it would. */
final class BracketingTest extends TestCase
{
    /** @param  array<string, mixed>  $lens */
    private static function rig(array $lens = [], float $focus = 0.5, float $tubeMm = 0.0): Rig
    {
        $tube = $tubeMm > 0.0 ? [['kind' => 'tube', 'rear' => 'larch', 'front' => 'larch', 'lengthMm' => $tubeMm]] : [];

        return RigMaker::made(['format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => ['joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24, 'columns' => 6000, 'rows' => 4000]], 'chain' => [...$tube,
            $lens + ['kind' => 'lens', 'name' => 'Fell 105', 'rear' => 'larch', 'focalLengthMm' => 105, 'registerMm' => 44.5, 'frontRimMm' => 100, 'focusing' => 'unit', 'design' => 'symmetrical', 'maxMagnification' => 1.0,
                'aperture' => ['widest' => 2.8, 'smallest' => 22, 'control' => 'ring'], 'set' => ['aperture' => 8, 'focus' => $focus]],
        ]]);
    }

    public function test_the_step_that_moved_the_plane_is_found_again(): void
    {
        $rig = self::rig();
        foreach ([0.0005, 0.002, 0.01] as $step) {
            foreach ([[1, 11], [4, 3], [10, 2]] as [$setting, $frames]) {
                // Ten steps of the ring away from the near end move the plane away from the camera.
                $moved = (float) Reading::of($rig->with(TravelKind::Focus, 0, 0.5 - $step * $setting * ($frames - 1)))->subjectDistanceMm - (float) Reading::of($rig)->subjectDistanceMm;
                $this->assertGreaterThan(0.0, $moved);
                $this->assertEqualsWithDelta($step, Bracketing::measured($rig, $setting, $frames, $moved), 1e-7);
            }
        }
    }

    /** @return iterable<string, array{int, int, float, string}> */
    public static function none(): iterable
    {
        yield 'setting 0' => [0, 2, 1.0, 'setting'];
        yield 'setting 11' => [11, 2, 1.0, 'setting'];
        yield 'one frame' => [1, 1, 1.0, 'frames'];
        yield 'a thousand frames' => [1, 1000, 1.0, 'frames'];
        yield 'it stood still' => [1, 2, 0.0, 'movedMm'];
        yield 'no number' => [1, 2, NAN, 'movedMm'];
    }

    #[DataProvider('none')]
    public function test_what_can_not_be_is_named(int $setting, int $frames, float $movedMm, string $field): void
    {
        foreach ([[1, 2], [10, 999]] as [$least, $most]) {
            $this->assertGreaterThan(0.0, Bracketing::measured(self::rig(), $least, $most, 0.5));
        }
        try {
            Bracketing::measured(self::rig(), $setting, $frames, $movedMm);
            $this->fail('measured all the same');
        } catch (InvalidFigure $fault) {
            $this->assertSame($field, $fault->field);
        }
    }

    public function test_no_further_than_the_ring_goes(): void
    {
        $rig = self::rig(tubeMm: 50.0);
        $room = (float) Reading::of($rig->with(TravelKind::Focus, 1, 0.0))->subjectDistanceMm - (float) Reading::of($rig)->subjectDistanceMm;
        $this->assertEqualsWithDelta(0.5, Bracketing::measured($rig, 1, 2, $room - 1e-9), 1e-6);
        $this->expectExceptionObject(InvalidFigure::because('movedMm', 'is further than the ring goes from here'));
        Bracketing::measured($rig, 1, 2, $room + 0.01);
    }

    public function test_the_coarsest_setting_that_keeps_the_overlap_is_taken(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $settings = [];
        for ($n = 0; $n < 60; $n++) {
            $step = 10.0 ** $make->number(-4.6, -2.4);
            $focus = $make->number(0.35, 0.9);
            $depth = $make->number(0.5, 6.0);
            $rig = self::rig(['bracketStep' => $step], $focus);
            $found = Bracketing::through($rig, $depth);
            if ($found === null) {
                continue;
            }
            $settings[$found->setting] = true;
            $now = (float) Reading::of($rig)->subjectDistanceMm;
            $this->assertCount($found->frames, $found->planesMm);
            $this->assertEqualsWithDelta($now - $depth / 2.0, $found->planesMm[0], 1e-6);
            $this->assertGreaterThanOrEqual($now + $depth / 2.0 - 1e-6, $found->planesMm[$found->frames - 1]);
            $widest = 0.0;
            $keeps = true;
            $gap = false;
            foreach ($found->planesMm as $k => $plane) {
                $reading = Reading::of($rig->with(TravelKind::Focus, 0, $found->startFocus - $k * $step * $found->setting));
                $this->assertEqualsWithDelta($plane, $reading->subjectDistanceMm, 1e-6);
                if ($k > 0) {
                    $apart = $plane - $found->planesMm[$k - 1];
                    $widest = max($widest, $apart);
                    $slice = (float) Reading::of($rig->with(TravelKind::Focus, 0, $found->startFocus - ($k - 1) * $step * $found->setting))->depthOfFieldMm;
                    $keeps = $keeps && $apart <= $slice * 0.75 * (1.0 + 1e-6);
                    $gap = $gap || $apart > min($slice, (float) $reading->depthOfFieldMm) * (1.0 + 1e-6);
                }
            }
            $this->assertEqualsWithDelta($widest, $found->widestMm, 1e-9);
            $this->assertSame($gap, $found->leavesGap);
            $this->assertGreaterThan($found->firstFieldMm, $found->lastFieldMm);
            if ($found->setting > 1) {
                $this->assertTrue($keeps);
            }
        }
        $this->assertGreaterThan(4, count($settings));
    }

    public function test_too_coarse_a_camera_is_told_to_leave_gaps(): void
    {
        $found = Bracketing::through(self::rig(['bracketStep' => 0.05]), 8.0);
        $this->assertNotNull($found);
        $this->assertSame(1, $found->setting);
        $this->assertTrue($found->leavesGap);
    }

    public function test_not_measured_or_no_ring_is_none(): void
    {
        $this->assertNull(Bracketing::through(self::rig(), 2.0));
        $this->assertNull(Bracketing::through(self::rig(['bracketStep' => 0.001, 'focusing' => 'fixed']), 2.0));
        $this->assertNull(Bracketing::through(self::rig(['bracketStep' => 0.001], 1.0), 50.0), 'its near end lies nearer than the ring goes');
    }
}
