<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Plan;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Plan\LightFigures;
use ZincThimble\Core\Plan\LightTable;
use ZincThimble\Core\Rig\Travels;
use ZincThimble\Core\Tests\KitRigs;
use ZincThimble\Core\Tests\RigMaker;

/** Every figure of light by name and by hand; along a control each row is the rig set there. */
final class LightFiguresTest extends TestCase
{
    /** A lens of 100 mm at life size: marked f/8, so f/16 is what there is of light. */
    private const RIG = ['format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => ['joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24, 'columns' => 6000, 'rows' => 4000]], 'chain' => [
        ['kind' => 'tube', 'rear' => 'larch', 'front' => 'larch', 'lengthMm' => 100],
        ['kind' => 'lens', 'name' => 'Hundred', 'rear' => 'larch', 'focalLengthMm' => 100, 'registerMm' => 44.5, 'frontRimMm' => 80, 'focusing' => 'fixed', 'design' => 'symmetrical', 'pupilRatio' => 1.0,
            'aperture' => ['widest' => 2.8, 'smallest' => 22, 'control' => 'ring'], 'set' => ['aperture' => 8]],
    ]];

    public function test_every_figure_by_hand(): void
    {
        $plan = ['light' => 'flash', 'flash' => ['guideNumber' => 24, 'distanceMm' => 300, 'diffuserStops' => 1], 'lamp' => ['watts' => 10, 'lumensPerWatt' => 80]];
        $told = LightFigures::of(RigMaker::made(self::RIG + ['conditions' => ['ev' => 8, 'iso' => 200, 'blurLimitMm' => 0.03, 'support' => 'table', 'plan' => $plan], 'subject' => ['acrossMmS' => 2, 'depthMm' => 3]]))->toArray();
        // EV 8 at ISO 200 and f/16: half a second. It moves 2 mm/s across at life size and may blur by 0.03 mm: 15 ms.
        $times = 0.5 / 0.015;
        $gap = log($times, 2.0);
        $lux = 2.5 * 2.0 ** 8 * $times;
        // 24 m at ISO 200, 0.3 m off, through one stop: f/80. What f/16 needs is a 25th: 4 2/3 stops below full.
        $reached = 24.0 * sqrt(2.0) / 0.3 * sqrt(0.5);
        $by = [
            'exposureS' => 0.5, 'acrossS' => 0.015, 'toAndFroS' => null, 'swayS' => null, 'customS' => null, 'longestS' => 0.015, 'gapStops' => $gap,
            'handHeldS' => 0.125, 'handHeldStops' => 2.0,
            'flashPower' => 2.0 ** (-14.0 / 3.0), 'flashNeeded' => (16.0 / $reached) ** 2, 'flashNearestMm' => 24_000.0 / 16.0 / 16.0, 'flashFurthestMm' => 24_000.0 / 16.0, 'flashLeftStops' => 0.0,
            'lightTimes' => $times, 'lightLux' => $lux, 'lampMm' => 1000.0 * sqrt(800.0 / (2.0 * M_PI * $lux)),
            'openStop' => 2.8, 'openLeftStops' => $gap - 2.0 * log(8.0 / 2.8, 2.0), 'iso' => 200.0 * 2.0 ** (16.0 / 3.0), 'slowerMmS' => 0.06, 'slowerLeftStops' => 0.0,
            'torchS' => null, 'torchLux' => null, 'torchMm' => null,
        ];
        foreach ($by as $name => $figure) {
            $this->assertArrayHasKey($name, $told);
            $figure === null ? $this->assertNull($told[$name], $name) : $this->assertEqualsWithDelta($figure, $told[$name], 1e-6 * max(1.0, abs($figure)), $name);
        }
        $this->assertSame([], array_diff(array_keys($told), [...array_keys($by), 'openSliceMm', 'openFrames', 'lightGapDeg']));
        $this->assertEqualsWithDelta(2.0 * 0.03 * 5.6, (float) $told['openSliceMm'], 0.002);
        $this->assertSame((int) ceil(3.0 / ((float) $told['openSliceMm'] * 0.75)) + 1, $told['openFrames']);
    }

    public function test_still_things_are_painted_with_a_torch(): void
    {
        $told = LightFigures::of(RigMaker::made(self::RIG + ['conditions' => ['ev' => 8, 'iso' => 200, 'support' => 'hand', 'plan' => ['lamp' => ['watts' => 10, 'lumensPerWatt' => 80]]]]))->toArray();
        // Half a second by the light there is: over four seconds an eighth of it.
        $this->assertSame(4.0, $told['torchS']);
        $this->assertEqualsWithDelta(640.0 / 8.0, $told['torchLux'], 1e-6);
        $this->assertEqualsWithDelta(1000.0 * sqrt(800.0 / (2.0 * M_PI * 80.0)), $told['torchMm'], 1e-6);
        $dark = LightFigures::of(RigMaker::made(self::RIG))->toArray();
        $this->assertSame([], array_diff(array_keys(array_filter($dark, static fn (mixed $each): bool => $each !== null)), ['handHeldStops', 'lightGapDeg']));
    }

    public function test_each_row_is_the_rig_set_there(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $rigs = KitRigs::ofTheDemonstration($make);
        $kinds = [];
        for ($n = 0; $n < 40; $n++) {
            $rig = $rigs->rig();
            $rig = $rig->withConditions($rig->conditions->with(['ev' => 6.0, 'iso' => 200.0, 'support' => 'braced', 'plan' => ['flash' => ['guideNumber' => 24.0]]]));
            foreach (Travels::of($rig) as $travel) {
                $kinds[$travel->kind->value] = true;
                $table = LightTable::along($rig, $travel);
                $this->assertSame(Travels::positions($rig, $travel), $table->positions);
                $row = (int) $make->number(0.0, count($table->positions) - 0.001);
                foreach (LightFigures::of($rig->with($travel->kind, $travel->part, $table->positions[$row]))->toArray() as $name => $figure) {
                    $this->assertCount(count($table->positions), $table->columns[$name]);
                    $this->assertSame($figure, $table->columns[$name][$row], $name);
                }
            }
        }
        $this->assertGreaterThanOrEqual(3, count($kinds));
    }
}
