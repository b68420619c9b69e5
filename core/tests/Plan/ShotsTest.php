<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Plan;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Plan\FlashPlan;
use ZincThimble\Core\Plan\RailProgram;
use ZincThimble\Core\Plan\RailScrew;
use ZincThimble\Core\Plan\RailStack;
use ZincThimble\Core\Plan\RingStack;
use ZincThimble\Core\Plan\Shots;
use ZincThimble\Core\Plan\Shutter;
use ZincThimble\Core\Reading\BestAperture;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Subject;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Tests\KitRigs;
use ZincThimble\Core\Tests\RigMaker;

/** Shutter, flash and stacks: by hand, as properties over rigs that somebody might build, and every program read by another reader. */
final class ShotsTest extends TestCase
{
    public function test_shutters_by_hand(): void
    {
        // M 1 at 100 mm of tube before a 100 mm lens: f/8 marked is f/16 effective. EV 8 at ISO 200: 256 / (2 x 256) = 1/2 s.
        $rig = self::rig()->withConditions(self::rig()->conditions->with(['ev' => 8.0, 'iso' => 200.0, 'support' => 'hand', 'blurLimitMm' => 0.03]))
            ->withSubject(Subject::from(new Values(['acrossMmS' => 2.0, 'toAndFroMmS' => 4.0])));
        $reading = Reading::of($rig);
        $this->assertEqualsWithDelta(1.0, $reading->magnification, 1e-9);
        $this->assertEqualsWithDelta(16.0, $reading->effectiveAperture, 1e-9);
        $shutter = Shutter::of($rig);
        $this->assertEqualsWithDelta(0.5, $shutter->exposureS, 1e-9);
        $this->assertEqualsWithDelta(0.03 / 2.0, $shutter->acrossS, 1e-12);
        $slice = (float) $reading->depthOfFieldMm;
        $this->assertEqualsWithDelta($slice / 4.0, $shutter->toAndFroS, 1e-12);
        // 1 mm in half a second is 2 mm a second: half the slice, or 0.03 mm sideways, whichever is sooner.
        $this->assertEqualsWithDelta(min($slice / 2.0 / 2.0, 0.03 / 2.0), $shutter->swayS, 1e-12);
        // A full frame's 100 mm at life size.
        $this->assertEqualsWithDelta(1.0 / 200.0, $shutter->customS, 1e-9);
        $this->assertEqualsWithDelta(1.0 / 200.0, $shutter->longestS(), 1e-9);
        $this->assertEqualsWithDelta(log(100.0, 2.0), $shutter->gapStops(), 1e-6);
        $braced = Shutter::of($rig->withConditions($rig->conditions->with(['support' => 'braced'])));
        $this->assertEqualsWithDelta(1.0 / 100.0, $braced->customS, 1e-9);
        $this->assertEqualsWithDelta(min($slice / 2.0 / 0.6, 0.03 / 0.6), $braced->swayS, 1e-12);
        $table = Shutter::of($rig->withConditions($rig->conditions->with(['support' => 'table']))->withSubject(null));
        $this->assertSame([null, null, null, null, null, null], [$table->acrossS, $table->toAndFroS, $table->swayS, $table->customS, $table->longestS(), $table->gapStops()]);
    }

    public function test_more_light_never_lengthens_the_shutter_and_a_narrower_ring_never_shortens_it(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $rigs = KitRigs::ofTheDemonstration($make);
        $seen = 0;
        for ($n = 0; $n < 80; $n++) {
            $rig = $rigs->rig();
            $ev = $make->number(-2.0, 14.0);
            $lit = static fn (Rig $of, float $at): ?float => Shutter::of($of->withConditions($of->conditions->with(['ev' => $at, 'iso' => 200.0])))->exposureS;
            $one = $lit($rig, $ev);
            if ($one === null) {
                continue;
            }
            $seen++;
            $this->assertEqualsWithDelta($one / 2.0, $lit($rig, $ev + 1.0), 1e-9 * $one);
            $before = 0.0;
            foreach ($rig->workingLens() === null ? [] : $rig->stopsAt($rig->workingLens()) as $stop) {
                $now = (float) $lit($rig->with(TravelKind::Aperture, $rig->workingLens(), $stop), $ev);
                $this->assertGreaterThanOrEqual($before - 1e-12, $now);
                $before = $now;
            }
        }
        $this->assertGreaterThan(50, $seen);
    }

    public function test_flash_by_hand_and_traced_back_within_a_third_of_a_stop(): void
    {
        // Guide number 24 at 180 mm through one stop of cloth: f/94.3 at ISO 100; f/16 takes (16 / 94.3)^2 of it, 5.12 stops below full: 1/32 less none.
        $rig = self::rig();
        $plan = FlashPlan::of($rig, 24.0, 180.0, 1.0);
        $this->assertNotNull($plan);
        $reached = 24.0 / 0.18 / sqrt(2.0);
        $this->assertEqualsWithDelta((16.0 / $reached) ** 2, $plan->needed, 1e-9);
        $this->assertEqualsWithDelta(2.0 ** -5.0, $plan->power, 1e-9);
        $this->assertEqualsWithDelta($reached / 2.0, $plan->marked, 1e-9);
        $this->assertEqualsWithDelta(1000.0 * 24.0 / sqrt(2.0) / 16.0, $plan->furthestMm, 1e-6);
        $make = RigMaker::seeded(__METHOD__);
        $rigs = KitRigs::ofTheDemonstration($make);
        $set = $weak = $strong = 0;
        for ($n = 0; $n < 300; $n++) {
            $rig = $rigs->rig();
            $rig = $rig->withConditions($rig->conditions->with(['iso' => $make->pick([100.0, 400.0, 1600.0])]));
            $effective = Reading::of($rig)->effectiveAperture;
            [$guide, $mm, $stops, $radius] = [$make->number(8.0, 60.0), $make->number(60.0, 2500.0), $make->number(0.0, 3.0), $make->number(0.0, 200.0)];
            $plan = FlashPlan::of($rig, $guide, $mm, $stops, $radius);
            if ($plan === null) {
                $this->assertNull($effective);

                continue;
            }
            // Traced back by the light itself: what falls on the subject, against what the effective aperture takes.
            $light = ($guide ** 2) * ($rig->conditions->iso / 100.0) / (($mm / 1000.0) ** 2 + ($radius / 1000.0) ** 2) * 2.0 ** -$stops;
            $takes = (float) $effective ** 2;
            if ($plan->power === null) {
                $off = log($light / $takes, 2.0);
                $off < 0.0 ? $weak++ : $strong++;
                $this->assertTrue($off < 1.0 / 6.0 - 0.0 && $plan->needed > 0.9 || $off > 8.0);

                continue;
            }
            $set++;
            $this->assertLessThanOrEqual(1.0, $plan->power);
            $this->assertGreaterThanOrEqual(2.0 ** -8.0, $plan->power);
            $this->assertLessThanOrEqual(1.0 / 6.0 + 1e-9, abs(log($light * $plan->power / $takes, 2.0)));
            $this->assertEqualsWithDelta($plan->offStops, log($light * $plan->power / $takes, 2.0), 1e-9);
            $thirds = -3.0 * log($plan->power, 2.0);
            $this->assertEqualsWithDelta(round($thirds), $thirds, 1e-9);
            // From where it says, it gives what is asked.
            $at = $plan->distanceAt($plan->power);
            if ($at > 0.0) {
                $this->assertEqualsWithDelta($takes, ($guide ** 2) * ($rig->conditions->iso / 100.0) / (($at / 1000.0) ** 2 + ($radius / 1000.0) ** 2) * 2.0 ** -$stops * $plan->power, 1e-6 * $takes);
            }
        }
        $this->assertGreaterThan(50, $set);
        $this->assertGreaterThan(2, min($weak, $strong));
        $this->assertEqualsWithDelta(3.0, FlashPlan::ambientBelow(1.0 / 160.0, 1.0 / 20.0), 1e-9);
        foreach ([[0.0, 100.0, 0.0, 0.0, 'guideNumber'], [10.0, 0.0, 0.0, 0.0, 'flashMm'], [10.0, 100.0, -0.1, 0.0, 'diffuserStops'], [10.0, 100.0, 0.0, -1.0, 'sourceRadiusMm'], [NAN, 100.0, 0.0, 0.0, 'guideNumber']] as [$guide, $mm, $stops, $radius, $named]) {
            $this->assertRefused($named, static fn () => FlashPlan::of(self::rig(), $guide, $mm, $stops, $radius));
        }
    }

    public function test_a_stack_by_rail_by_hand(): void
    {
        // 1 mm deep, slices of 0.25 mm that overlap by a fifth: 0.2 mm a frame, a hundredth of a turn of 1 mm each: six frames.
        $stack = RailStack::through(1.0, 0.25, RailScrew::of(1.0, 100), 0.2);
        $this->assertSame([0, 20, 40, 60, 80, 100], $stack->at);
        $this->assertEqualsWithDelta([0.0, 0.2, 0.4, 0.6, 0.8, 1.0], $stack->railMm(), 1e-12);
        $this->assertEqualsWithDelta(0.2, $stack->turnsAFrame(), 1e-12);
        $this->assertSame(['turns' => 1, 'line' => 0], $stack->dial()[5]);
        $this->assertSame(['turns' => 0, 'line' => 80], $stack->dial()[4]);
        $this->assertEqualsWithDelta(6 * 4.5, $stack->seconds(2.0, 0.5, 2.0), 1e-12);
        $this->assertEqualsWithDelta(1.0 / 80.0, $stack->scaleChange(80.0), 1e-12);
        $this->assertNull($stack->scaleChange(null));
        $this->assertSame([0], RailStack::through(0.0, 0.25, RailScrew::of(1.0))->at);
        // A coarse dial: 0.2 mm falls between lines of 0.15 mm, and two of them would leave a gap.
        $this->assertSame([0, 1, 2, 3, 4, 5, 6, 7], RailStack::through(1.0, 0.25, RailScrew::of(1.5, 10), 0.2)->at);
    }

    public function test_no_gap_between_slices_ever_exceeds_the_slice_and_the_far_end_is_reached(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $refused = 0;
        for ($n = 0; $n < 3000; $n++) {
            [$depth, $slice, $pitch, $steps, $overlap] = [$make->number(0.0, 12.0), 10.0 ** $make->number(-2.5, 0.7), $make->number(0.2, 5.0), (int) $make->number(1.0, 3200.0), $make->number(0.0, 0.6)];
            try {
                $stack = RailStack::through($depth, $slice, RailScrew::of($pitch, $steps), $overlap);
            } catch (InvalidFigure $fault) {
                $refused++;
                $this->assertTrue($pitch / $steps > $slice || $depth / ($slice * (1.0 - $overlap)) > RailStack::MOST || $depth > 1000.0 * $slice, $fault->getMessage());

                continue;
            }
            $at = $stack->railMm();
            $this->assertSame(0.0, $at[0]);
            $bad = [];
            for ($i = 1; $i < count($at); $i++) {
                $gap = $at[$i] - $at[$i - 1];
                // No gap, no frame twice, and none behind the subject.
                if ($gap <= 0.0 || $gap > $slice * (1.0 + 1e-9) || $at[$i - 1] >= $depth) {
                    $bad[] = [$i, $gap];
                }
            }
            $this->assertSame([], $bad);
            $this->assertGreaterThanOrEqual($depth - 1e-6, end($at));
        }
        $this->assertGreaterThan(20, $refused);
        $this->assertLessThan(2000, $refused);
        foreach ([[1.0, 0.0, 0.2, 'sliceMm'], [-0.1, 1.0, 0.2, 'depthMm'], [1.0, 1.0, -0.01, 'overlap'], [1.0, 1.0, 1.0, 'overlap'], [1e9, 1.0, 0.2, 'depthMm']] as [$depth, $slice, $overlap, $named]) {
            $this->assertRefused($named, static fn () => RailStack::through($depth, $slice, RailScrew::of(1.0), $overlap));
        }
        $this->assertRefused('steps', static fn () => RailStack::through(1.0, 0.099, RailScrew::of(1.0, 10)));
        $this->assertCount(11, RailStack::through(1.0, 0.1, RailScrew::of(1.0, 10))->at);
        $this->assertRefused('travelMm', static fn () => RailStack::through(1.0, 0.25, RailScrew::of(1.0, 100, 0.1, 1.05), 0.2));
        $this->assertCount(6, RailStack::through(1.0, 0.25, RailScrew::of(1.0, 100, 0.05, 1.05), 0.2)->at);
        foreach ([[0.0, 100, 0.0, null, 'pitchMm'], [1.0, 0, 0.0, null, 'steps'], [1.0, 10_000_001, 0.0, null, 'steps'], [1.0, 100, -0.1, null, 'backlashMm'], [1.0, 100, 0.0, 0.0, 'travelMm']] as [$pitch, $steps, $backlash, $travel, $named]) {
            $this->assertRefused($named, static fn () => RailScrew::of($pitch, $steps, $backlash, $travel));
        }
    }

    public function test_ring_positions_are_solved_stay_in_the_travel_and_leave_no_gap(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $rigs = KitRigs::ofTheDemonstration($make);
        $whole = $cut = 0;
        for ($n = 0; $n < 120; $n++) {
            $rig = $rigs->rig();
            $now = Reading::of($rig);
            try {
                $stack = RingStack::through($rig, $depth = $make->number(0.2, 6.0));
            } catch (InvalidFigure) {
                continue;
            }
            if ($stack === null) {
                continue;
            }
            $stack->isWhole ? $whole++ : $cut++;
            foreach ($stack->frames as $k => $frame) {
                $this->assertGreaterThanOrEqual($stack->ring->least - 1e-9, $frame->focus);
                $this->assertLessThanOrEqual($stack->ring->greatest + 1e-9, $frame->focus);
                $set = Reading::of($rig->with(TravelKind::Focus, $stack->ring->part, $frame->focus));
                $this->assertEqualsWithDelta($frame->planeMm, $set->subjectDistanceMm, 1e-3);
                $this->assertEqualsWithDelta($set->fieldWidthMm, $frame->fieldMm, 1e-6 * $frame->fieldMm);
                if ($k > 0) {
                    $this->assertLessThanOrEqual($stack->frames[$k - 1]->sliceMm + 1e-9, $frame->planeMm - $stack->frames[$k - 1]->planeMm);
                    $this->assertGreaterThan(0.0, $frame->planeMm - $stack->frames[$k - 1]->planeMm);
                }
            }
            if ($stack->isWhole) {
                $this->assertEqualsWithDelta((float) $now->subjectDistanceMm - $depth / 2.0, $stack->frames[0]->planeMm, 1e-9);
                $this->assertEqualsWithDelta((float) $now->subjectDistanceMm + $depth / 2.0, $stack->frames[count($stack->frames) - 1]->planeMm, 1e-9);
            }
        }
        $this->assertGreaterThan(10, $whole);
        $this->assertGreaterThan(0, $cut);
        $this->assertNull(RingStack::through(self::rig(), 1.0), 'nothing on it turns');
    }

    public function test_shots_tell_what_each_piece_tells_by_name(): void
    {
        $rig = self::rig()->withSubject(Subject::from(new Values(['depthMm' => 1.5, 'widthMm' => 8.0])));
        $rig = $rig->withConditions($rig->conditions->with(['ev' => 10.0, 'iso' => 100.0]));
        $screw = RailScrew::of(1.0, 200);
        $flash = FlashPlan::of($rig, 24.0, 300.0);
        $told = Shots::of($rig, $screw, 0.3, $flash)->toArray();
        $best = BestAperture::of($rig, 1.5);
        $this->assertNotNull($best);
        $open = $rig->with(TravelKind::Aperture, 1, $best->stacking);
        $slice = (float) Reading::of($open)->depthOfFieldMm;
        $rail = RailStack::through(1.5, $slice, $screw, 0.3);
        $this->assertSame(['light', 'single', 'stack', 'ring'], array_keys($told));
        $this->assertSame(['exposureS', 'longestAcrossS', 'longestToAndFroS', 'longestSwayS', 'longestCustomS', 'gapStops', 'flashPower', 'flashMarked'], array_keys($told['light']));
        $this->assertSame([$flash?->power, $flash?->marked, Shutter::of($rig)->exposureS], [$told['light']['flashPower'], $told['light']['flashMarked'], $told['light']['exposureS']]);
        $this->assertSame(['aperture' => $best->single, 'blurMm' => $best->singleBlurMm], $told['single']);
        $this->assertEquals([
            'aperture' => $best->stacking, 'depthMm' => $slice, 'stepMm' => $slice * 0.7, 'frames' => $rail->frames(), 'railMm' => $rail->railMm(), 'turnsAFrame' => $slice * 0.7,
            'seconds' => $rail->seconds(2.0, (float) Shutter::of($open)->exposureS, 2.0), 'scaleChange' => $rail->scaleChange(Reading::of($open)->entrancePupilMm),
        ], $told['stack']);
        $this->assertNull($told['ring']);
        // An objective has no stops, and is stacked as it is.
        $bare = RigMaker::made(['format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => ['joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24, 'columns' => 6000, 'rows' => 4000]], 'subject' => ['depthMm' => 0.6],
            'chain' => [['kind' => 'tube', 'rear' => 'larch', 'front' => 'thread:20.32x0.706', 'lengthMm' => 105], ['kind' => 'objective', 'rear' => 'thread:20.32x0.706', 'nominal' => 4, 'na' => 0.1, 'workingDistanceMm' => 18]]]);
        $reading = Reading::of($bare);
        $stack = Shots::of($bare, RailScrew::of(0.5, 3200))->toArray();
        $this->assertNull($stack['single']['aperture']);
        $this->assertEqualsWithDelta(BestAperture::edgeBlurMm(0.6, (float) $reading->magnification, (float) $reading->effectiveAperture, 550e-6, 0.006), $stack['single']['blurMm'], 1e-12);
        $this->assertSame([null, $reading->depthOfFieldMm], [$stack['stack']['aperture'], $stack['stack']['depthMm']]);
        $this->assertGreaterThan(5, $stack['stack']['frames']);
        $flat = Shots::of(self::rig())->toArray();
        $this->assertSame([null, null, null], [$flat['single'], $flat['stack'], $flat['ring']]);
        $this->assertRefused('overlap', static fn () => Shots::of($rig, $screw, 1.0));
    }

    public function test_a_rails_program_is_read_as_it_was_meant(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        for ($n = 0; $n < 60; $n++) {
            $backlash = $n % 2 === 0 ? 0.0 : $make->number(0.01, 0.5);
            $stack = RailStack::through($make->number(0.1, 3.0), $make->number(0.05, 0.8), RailScrew::of($make->number(0.4, 2.0), 1600, $backlash));
            $text = RailProgram::of($stack, "Seed (no. 3) \u{2013} coat\nM2", 45.5, 1.5, 0.25, ['M3', 'M5'])->text();
            $run = GcodeReader::run($text);
            $this->assertSame([], $run->faults, $text);
            $this->assertCount($stack->frames(), $run->framesMm);
            foreach ($stack->railMm() as $k => $mm) {
                $this->assertEqualsWithDelta($mm, $run->framesMm[$k], 1e-5);
            }
            $this->assertEqualsWithDelta(-$backlash, $run->leastMm, 1e-4);
            $this->assertEqualsWithDelta($stack->frames() * 1.75, $run->waitsS, 1e-6);
        }
        $renamed = GcodeReader::run(RailProgram::of(RailStack::through(0.5, 0.2, RailScrew::of(1.0)), trigger: ['M106', 'M107'])->text(), 'M106', 'M107');
        $this->assertSame([], $renamed->faults);
        $this->assertNotSame([], $renamed->framesMm);
        $stack = RailStack::through(0.5, 0.2, RailScrew::of(1.0));
        foreach ([['M2', 'M5'], ['M3', 'M30'], ['G1', 'M5'], ["M3\nM2", 'M5']] as $trigger) {
            $this->assertRefused('trigger', static fn () => RailProgram::of($stack, trigger: $trigger));
        }
        $this->assertRefused('feedMmMin', static fn () => RailProgram::of($stack, feedMmMin: 0.0));
        $this->assertRefused('settleS', static fn () => RailProgram::of($stack, settleS: -0.1));
        $this->assertRefused('holdS', static fn () => RailProgram::of($stack, holdS: NAN));
    }

    /** @param  \Closure(): mixed  $does */
    private function assertRefused(string $named, \Closure $does): void
    {
        try {
            $does();
            $this->fail($named);
        } catch (InvalidFigure $fault) {
            $this->assertStringStartsWith($named.':', $fault->getMessage());
        }
    }

    /** 100 mm at life size on a full frame, f/8 marked and f/16 effective. */
    private static function rig(): Rig
    {
        return RigMaker::made(['format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => ['joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24, 'columns' => 6000, 'rows' => 4000]], 'chain' => [
            ['kind' => 'tube', 'name' => 'Tube', 'rear' => 'larch', 'front' => 'larch', 'lengthMm' => 100],
            ['kind' => 'lens', 'name' => 'Hundred', 'rear' => 'larch', 'focalLengthMm' => 100, 'registerMm' => 44.5, 'frontRimMm' => 40, 'focusing' => 'fixed', 'design' => 'symmetrical', 'pupilRatio' => 1.0,
                'aperture' => ['widest' => 2.8, 'smallest' => 22, 'control' => 'ring'], 'set' => ['aperture' => 8]],
        ]]);
    }
}
