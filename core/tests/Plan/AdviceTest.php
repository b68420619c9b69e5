<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Plan;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Finding\Limits;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Plan\Advice;
use ZincThimble\Core\Reading\Balance;
use ZincThimble\Core\Reading\BellowsMovements;
use ZincThimble\Core\Reading\BestAperture;
use ZincThimble\Core\Reading\Detail;
use ZincThimble\Core\Reading\Light;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\Stack;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Tests\RigMaker;
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
                $reading = Reading::of($rig->with(TravelKind::Aperture, 2, $stop));
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

    public function test_a_dark_corner_is_clear_at_any_setting_of_a_zoom_not_only_at_its_stations(): void
    {
        $zoom = ['kind' => 'lens', 'name' => 'Zoom', 'rear' => 'larch', 'front' => 'thread:67x0.75', 'focalLengthMm' => 24, 'registerMm' => 44.5, 'frontRimMm' => 60, 'focusing' => 'fixed', 'principalGapMm' => 0,
            'aperture' => ['widest' => 4, 'smallest' => 22, 'control' => 'ring'], 'stations' => [['focalLengthMm' => 24], ['focalLengthMm' => 150]]];
        $rig = RigMaker::made(['format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => ['joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24]],
            'chain' => [['set' => ['zoomMm' => 24]] + $zoom, ['kind' => 'hood', 'name' => 'Hood', 'rear' => 'thread:67x0.75', 'front' => 'thread:67x0.75', 'lengthMm' => 60, 'clearMm' => 64]]]);
        $brightness = static fn (float $mm): float => Reading::of($rig->with(TravelKind::Zoom, 0, $mm))->cornerBrightness ?? 1.0;
        $this->assertLessThan(Limits::CLEAR_CORNER, $brightness(24.0));
        [$clear] = Advice::of($rig)->clearZoomsMm;
        $this->assertCount(1, Advice::of($rig)->clearZoomsMm);
        $this->assertGreaterThan(24.0, $clear);
        $this->assertLessThan(150.0, $clear);
        $this->assertGreaterThanOrEqual(Limits::CLEAR_CORNER, $brightness($clear));
        $this->assertLessThan(Limits::CLEAR_CORNER, $brightness($clear / 1.1), 'and no further than it takes');
        $far = $rig->with(TravelKind::Zoom, 0, 150.0);
        $this->assertSame([], Advice::of($far)->clearZoomsMm, 'nothing is dark there');
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

    public function test_advice_says_what_each_rule_says_of_the_rig(): void
    {
        $rig = self::rig(['support' => 'hand', 'iso' => 200, 'ev' => 12], ['widthMm' => 20, 'depthMm' => 3, 'radiusMm' => 15, 'acrossMmS' => 4, 'toAndFroMmS' => 2]);
        $reading = Reading::of($rig);
        $advice = Advice::of($rig, 1.25);
        $m = (float) $reading->magnification;
        $n = (float) $reading->effectiveAperture;
        $half = (float) $reading->fieldWidthMm / 2;
        $sag = $half >= 15 ? 15.0 : 15 - sqrt(225 - $half ** 2);
        $this->assertEqualsWithDelta(3 + $sag, $advice->depthMm, 1e-9);
        $this->assertEquals(BestAperture::of($rig, 3 + $sag, 1.25), $advice->best);
        $this->assertEqualsWithDelta(($n / 4) ** 2, $advice->exposureFactor, 1e-9);
        $this->assertEqualsWithDelta($n ** 2 * 100 / (200 * 2 ** 12), $advice->exposureS, 1e-12);
        $this->assertEqualsWithDelta($rig->blurLimitMm / (4 * $m), $advice->longestAcrossS, 1e-12);
        $this->assertEqualsWithDelta((float) $reading->depthOfFieldMm / 2, $advice->longestToAndFroS, 1e-12);
        // Half the slice to and fro and the blur limit sideways, at 1 mm in half a second.
        $this->assertEqualsWithDelta(min((float) $reading->depthOfFieldMm / 2 / 2, $rig->blurLimitMm / $m / 2), $advice->longestSwayS, 1e-12);
        $this->assertEqualsWithDelta(Balance::balancePoint($rig, Axis::of($rig))[0], $advice->balanceMm, 1e-12);
        $this->assertEqualsWithDelta(28 * sqrt(2) / 0.2 / ($n / 4), Advice::flashMarked($rig, 28, 0.2), 1e-9);
        $blank = Advice::of(self::rig([], []));
        foreach (['best', 'depthMm', 'exposureS', 'longestAcrossS', 'longestToAndFroS', 'longestSwayS'] as $silent) {
            $this->assertNull($blank->{$silent}, $silent);
        }
    }

    public function test_what_clears_a_dark_corner_clears_it_and_nothing_else_does(): void
    {
        $rig = self::rig([], [], 17.0);
        $this->assertLessThan(0.999, Reading::of($rig)->cornerBrightness);
        $advice = Advice::of($rig);
        $this->assertSame(['middle'], $advice->clearModes);
        $clear = static fn (Rig $set): bool => Reading::of($set)->cornerBrightness >= 0.999;
        foreach ([2.8, 4.0, 5.6, 8.0, 11.0, 16.0, 22.0] as $stop) {
            $this->assertSame($clear($rig->with(TravelKind::Aperture, 1, $stop)), in_array($stop, $advice->clearApertures, true), 'f/'.$stop);
        }
        $this->assertSame([], Advice::of(self::rig([], [], 60.0))->clearModes, 'nothing to clear');
    }

    /**
     * @param  array<string, mixed>  $conditions
     * @param  array<string, mixed>  $subject
     */
    private static function rig(array $conditions, array $subject, float $clearMm = 60.0): Rig
    {
        return RigFile::read(json_decode(json_encode([
            'format' => RigFile::FORMAT, 'version' => 1,
            'camera' => ['registerMm' => 44.5, 'massG' => 700, 'sensor' => ['widthMm' => 36, 'heightMm' => 24, 'columns' => 6000, 'rows' => 4000], 'modes' => [['name' => 'middle', 'widthMm' => 9, 'heightMm' => 6]]],
            'chain' => [
                ['kind' => 'tube', 'lengthMm' => 40, 'massG' => 90, 'clearMm' => $clearMm],
                ['kind' => 'lens', 'focalLengthMm' => 50, 'registerMm' => 44.5, 'frontRimMm' => 36, 'massG' => 200, 'focusing' => 'fixed', 'principalGapMm' => -6, 'pupilRatio' => 1.1,
                    'aperture' => ['widest' => 2.8, 'smallest' => 22, 'control' => 'ring'], 'set' => ['aperture' => 4]],
            ],
            'conditions' => (object) $conditions,
        ] + ($subject === [] ? [] : ['subject' => $subject]), JSON_THROW_ON_ERROR), false, 64, JSON_THROW_ON_ERROR));
    }
}
