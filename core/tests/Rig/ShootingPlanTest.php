<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Rig;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Rig\LightSource;
use ZincThimble\Core\Rig\ShotsBy;
use ZincThimble\Core\Tests\RigMaker;

/** A plan is read by name, kept with the rig as it was written, and is nothing where nothing is decided. */
final class ShootingPlanTest extends TestCase
{
    private const PLAN = [
        'light' => 'flash', 'flash' => ['name' => 'Spark 24', 'guideNumber' => 24, 'recycleS' => 6, 'distanceMm' => 180, 'diffuserStops' => 1.5, 'sourceRadiusMm' => 40, 'angleDeg' => 35],
        'lamp' => ['name' => 'Reading lamp', 'watts' => 9, 'lumensPerWatt' => 80], 'by' => 'bracketing',
        'rail' => ['name' => 'Ninety rail', 'pitchMm' => 1.25, 'steps' => 400, 'backlashMm' => 0.05, 'travelMm' => 90], 'overlap' => 0.3, 'settleS' => 3, 'betweenS' => 4, 'batteryFrames' => 250,
    ];

    public function test_every_figure_by_name_out_and_in_again(): void
    {
        $rig = RigMaker::made(['format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => ['registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24]], 'chain' => [], 'conditions' => ['plan' => self::PLAN]]);
        foreach ([$rig, RigFile::parse(RigFile::write($rig))] as $read) {
            $plan = $read->conditions->plan;
            $this->assertSame([LightSource::Flash, ShotsBy::Bracketing], [$plan->light, $plan->by]);
            $this->assertSame(['Spark 24', 24.0, 6.0, 180.0, 1.5, 40.0, 35.0], [$plan->flashName, $plan->guideNumber, $plan->flashRecycleS, $plan->flashMm, $plan->diffuserStops, $plan->sourceRadiusMm, $plan->flashAngleDeg]);
            $this->assertSame(['Reading lamp', 9.0, 80.0], [$plan->lampName, $plan->lampWatts, $plan->lumensPerWatt]);
            $this->assertSame(['Ninety rail', 1.25, 400, 0.05, 90.0], [$plan->railName, $plan->pitchMm, $plan->steps, $plan->backlashMm, $plan->railTravelMm]);
            $this->assertSame([0.3, 3.0, 4.0, 250], [$plan->overlap, $plan->settleS, $plan->betweenS, $plan->batteryFrames]);
        }
    }

    public function test_nothing_decided_is_nothing(): void
    {
        $plan = RigMaker::made(['format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => ['registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24]], 'chain' => []])->conditions->plan;
        $this->assertSame(array_fill(0, 8, null), [$plan->light, $plan->by, $plan->guideNumber, $plan->pitchMm, $plan->overlap, $plan->settleS, $plan->betweenS, $plan->batteryFrames]);
        $this->assertSame([0.0, 0.0, 100, 0.0], [$plan->diffuserStops, $plan->sourceRadiusMm, $plan->steps, $plan->backlashMm]);
    }
}
