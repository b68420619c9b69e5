<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Plan;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Plan\ClosedGap;
use ZincThimble\Core\Plan\FlashPlan;
use ZincThimble\Core\Plan\GapClosing;
use ZincThimble\Core\Plan\GapWay;
use ZincThimble\Core\Plan\Shutter;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Subject;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Tests\KitRigs;
use ZincThimble\Core\Tests\RigMaker;

/** Every way to close the gap does close it, when the rig is set and lit as it says; and none is told where there is no gap. */
final class GapClosingTest extends TestCase
{
    public function test_each_way_closes_what_it_says_it_closes(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $rigs = KitRigs::ofTheDemonstration($make);
        $seen = [];
        for ($n = 0; $n < 250; $n++) {
            $rig = $rigs->rig();
            $moves = array_filter(['acrossMmS' => $make->chance(0.5) ? $make->number(0.2, 20.0) : null, 'toAndFroMmS' => $make->chance(0.3) ? $make->number(0.2, 10.0) : null, 'depthMm' => $make->number(0.2, 4.0)], static fn (?float $each): bool => $each !== null);
            $rig = $rig->withSubject(Subject::from(new Values($moves)))->withConditions($rig->conditions->with(['ev' => $make->number(2.0, 12.0), 'iso' => 200.0, 'support' => $make->pick(['hand', 'braced', 'table'])]));
            $gap = Shutter::of($rig)->gapStops();
            $flash = FlashPlan::of($rig, 30.0, 200.0);
            $ways = GapClosing::of($rig, $flash);
            if ($gap === null || $gap <= 0.0) {
                $this->assertSame([], $ways);

                continue;
            }
            foreach ($ways as $way) {
                $seen[$way->way->value] = ($seen[$way->way->value] ?? 0) + 1;
                $this->assertGreaterThanOrEqual(0.0, $way->leftStops);
                $left = self::carriedOut($rig, $way, $gap);
                if ($left !== null) {
                    $this->assertEqualsWithDelta($way->leftStops, max(0.0, $left), 0.35, $way->way->value);
                    $this->assertLessThanOrEqual($way->leftStops + 1e-6, $left, $way->way->value.' closes no less than it says');
                }
            }
        }
        foreach (GapWay::cases() as $way) {
            $this->assertGreaterThan(5, $seen[$way->value] ?? 0, $way->value);
        }
    }

    public function test_figures_by_hand(): void
    {
        // M 1, f/16 effective, EV 8 at ISO 200: half a second. It moves 2 mm/s across and may blur by 0.03 mm: 1/67 s, a gap of 5.06 stops.
        $rig = RigMaker::made(['format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => ['joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24, 'columns' => 6000, 'rows' => 4000]],
            'conditions' => ['ev' => 8, 'iso' => 200, 'blurLimitMm' => 0.03], 'subject' => ['acrossMmS' => 2, 'depthMm' => 3], 'chain' => [
                ['kind' => 'tube', 'rear' => 'larch', 'front' => 'larch', 'lengthMm' => 100],
                ['kind' => 'lens', 'name' => 'Hundred', 'rear' => 'larch', 'focalLengthMm' => 100, 'registerMm' => 44.5, 'frontRimMm' => 80, 'focusing' => 'fixed', 'design' => 'symmetrical', 'pupilRatio' => 1.0,
                    'aperture' => ['widest' => 2.8, 'smallest' => 22, 'control' => 'ring'], 'set' => ['aperture' => 8]],
            ]]);
        $gap = log(0.5 / 0.015, 2.0);
        $ways = [];
        foreach (GapClosing::of($rig) as $way) {
            $ways[$way->way->value] = $way;
        }
        $this->assertSame(['more-light', 'open-up', 'iso', 'slower'], array_keys($ways));
        $this->assertEqualsWithDelta(0.5 / 0.015, $ways['more-light']->figure, 1e-6);
        $this->assertEqualsWithDelta(2.5 * 256.0 * 0.5 / 0.015, $ways['more-light']->lux, 1e-3);
        $this->assertEqualsWithDelta(200.0 * 2.0 ** (16.0 / 3.0), $ways['iso']->figure, 1e-3);
        // Wide open three stops are won, and two stay open; its slice is told, and what it costs in frames.
        $this->assertSame(2.8, $ways['open-up']->figure);
        $open = Reading::of($rig->with(TravelKind::Aperture, 1, 2.8));
        $this->assertEqualsWithDelta($gap - 2.0 * log(8.0 / 2.8, 2.0), $ways['open-up']->leftStops, 1e-6);
        $this->assertEqualsWithDelta($open->depthOfFieldMm, $ways['open-up']->sliceMm, 1e-9);
        $this->assertSame((int) ceil(3.0 / ((float) $open->depthOfFieldMm * 0.75)) + 1, $ways['open-up']->frames);
        $this->assertEqualsWithDelta(0.03 / 0.5, $ways['slower']->figure, 1e-9);
        $still = GapClosing::of($rig->withSubject(null)->withConditions($rig->conditions->with(['support' => 'hand'])));
        $torch = array_values(array_filter($still, static fn (ClosedGap $way): bool => $way->way === GapWay::Torch))[0];
        $this->assertSame(4.0, $torch->figure);
        $this->assertEqualsWithDelta(2.5 * 256.0 * 0.5 / 4.0, $torch->lux, 1e-6);
    }

    /** Stops that stay open once the rig is set and lit so; null = it can't be told by setting the rig. */
    private static function carriedOut(Rig $rig, ClosedGap $way, float $gap): ?float
    {
        $conditions = $rig->conditions;
        $at = $rig->workingLens();

        return match ($way->way) {
            GapWay::MoreLight => Shutter::of($rig->withConditions($conditions->with(['ev' => $conditions->ev + log((float) $way->figure, 2.0)])))->gapStops(),
            GapWay::Iso => Shutter::of($rig->withConditions($conditions->with(['iso' => (float) $way->figure])))->gapStops(),
            GapWay::OpenUp => $at === null ? null : Shutter::of($rig->with(TravelKind::Aperture, $at, (float) $way->figure))->gapStops(),
            default => null,
        };
    }
}
