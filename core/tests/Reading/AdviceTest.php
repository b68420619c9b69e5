<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Reading;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Reading\BellowsMovements;
use ZincThimble\Core\Reading\BestAperture;
use ZincThimble\Core\Reading\Detail;
use ZincThimble\Core\Reading\Light;
use ZincThimble\Core\Reading\Reader;
use ZincThimble\Core\Reading\Stack;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Tests\WorkedCases;

/** Apertures, stacks, light and movements: what a photographer does with the readings. */
final class AdviceTest extends TestCase
{
    public function test_the_best_single_stop_beats_every_other_marked_stop(): void
    {
        $rig = WorkedCases::named('bench lens on two tubes');
        foreach ([0.3, 2.0, 12.0] as $depth) {
            $best = BestAperture::of($rig, $depth);
            $this->assertNotNull($best);
            foreach ([2.8, 4.0, 5.6, 8.0, 11.0, 16.0, 22.0] as $stop) {
                $reading = Reader::read($rig->with(TravelKind::Aperture, 2, $stop));
                $blur = BestAperture::edgeBlurMm($depth, (float) $reading->magnification, (float) $reading->effectiveAperture, 550e-6, $rig->frame->pitchMm());
                $this->assertGreaterThanOrEqual($best->singleBlurMm - 1e-15, $blur);
            }
        }
    }

    public function test_the_continuous_optimum_is_where_the_blur_turns_and_pixels_do_not_move_it(): void
    {
        $n = BestAperture::continuousEffective(2.0, 1.5, 550e-6);
        foreach ([null, 0.005] as $pitch) {
            $here = BestAperture::edgeBlurMm(2.0, 1.5, $n, 550e-6, $pitch);
            $this->assertLessThan(BestAperture::edgeBlurMm(2.0, 1.5, $n * 1.01, 550e-6, $pitch), $here);
            $this->assertLessThan(BestAperture::edgeBlurMm(2.0, 1.5, $n * 0.99, 550e-6, $pitch), $here);
        }
    }

    public function test_the_stacking_stop_keeps_diffraction_within_the_limit_and_is_not_narrower_than_the_sharpest(): void
    {
        $rig = WorkedCases::named('bench lens on two tubes');
        $best = BestAperture::of($rig, 5.0);
        $this->assertSame(5.6, $best?->stacking);
        $this->assertSame(2.8, BestAperture::of($rig, 5.0, 2.8)?->stacking);
        $this->assertSame(8.0, BestAperture::of($rig, 5.0, 22.0)?->stacking, 'f/11 would spread a point over 0.0247 mm');
    }

    public function test_a_stack_covers_the_subject_with_its_overlap(): void
    {
        $stack = Stack::through(2.0, 0.1, 0.25, 150.0, 1.25, 5.0);
        $this->assertEqualsWithDelta(0.075, $stack->stepMm, 1e-12);
        $this->assertSame(28, $stack->frames);
        $this->assertEqualsWithDelta(0.06, $stack->turns, 1e-12);
        $this->assertEqualsWithDelta(140.0, $stack->seconds, 1e-12);
        $this->assertEqualsWithDelta(2.0 / 150.0, $stack->scaleChange, 1e-12);
        $this->assertGreaterThanOrEqual(2.0, ($stack->frames - 1) * $stack->stepMm);
    }

    public function test_exposure_flash_and_shutter(): void
    {
        $this->assertEqualsWithDelta(4.0, Light::exposureFactor(16.0, 8.0), 1e-12);
        // Bright sun, EV 15, f/16, ISO 100: 1/128 s.
        $this->assertEqualsWithDelta(1 / 128, Light::exposureS(16.0, 100.0, 15.0), 1e-12);
        $this->assertEqualsWithDelta(40.0, Light::flashNumber(20.0, 100.0, 0.5), 1e-12);
        $this->assertEqualsWithDelta(20.0, Light::flashNumber(20.0, 100.0, 0.5, 2.0), 1e-12);
        $this->assertEqualsWithDelta(40.0 / sqrt(2.0), Light::flashNumber(20.0, 100.0, 0.5, 0.0, 0.5), 1e-9);
        $this->assertEqualsWithDelta(20.0, Light::markedForFlash(40.0, 16.0, 8.0), 1e-12);
        $this->assertEqualsWithDelta(0.002, Light::longestAcrossS(0.02, 10.0, 1.0), 1e-12);
        $this->assertEqualsWithDelta(0.5, Light::longestToAndFroS(1.0, 2.0), 1e-12);
        $this->assertNull(Light::longestAcrossS(0.02, 0.0, 1.0));
    }

    public function test_detail_and_cropping(): void
    {
        $this->assertEqualsWithDelta(hypot(1.22 * 550e-6 * 10.0 / 2.0, 0.005), Detail::smallestMm(2.0, 10.0, 550e-6, 0.005), 1e-12);
        $this->assertSame(3000, Detail::columnsLeft(6000, 10.0, 20.0));
        $this->assertSame(6000, Detail::columnsLeft(6000, 30.0, 20.0));
    }

    public function test_swing_and_shift(): void
    {
        $this->assertEqualsWithDelta(1.0, BellowsMovements::swungMagnification(1.0, 0.0), 1e-12);
        // At life size the sharp plane tilts against the lens nearly as much as the lens against the sensor.
        $this->assertEqualsWithDelta(19.7, BellowsMovements::planeTiltToSensorDeg(1.0, 10.0), 0.05);
        $this->assertEqualsWithDelta(10.0, BellowsMovements::lensShiftMovesFieldMm(5.0, 1.0), 1e-12);
        $this->assertEqualsWithDelta(2.5, BellowsMovements::cameraShiftMovesFieldMm(5.0, 2.0), 1e-12);
        $this->assertEqualsWithDelta(2.0 * hypot(22.0, 12.0), BellowsMovements::neededCircleMm(36.0, 24.0, -4.0), 1e-12);
        $this->assertEqualsWithDelta(2.0 * sin(deg2rad(5.0)) * 1.5, BellowsMovements::swingMovesFieldMm(2.0, 5.0, 2.0), 1e-12);
    }
}
