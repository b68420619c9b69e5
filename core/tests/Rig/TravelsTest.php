<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Rig;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Gear\ApertureControl;
use ZincThimble\Core\Rig\MarkedStops;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Rig\Travels;
use ZincThimble\Core\Tests\RigMaker;

/** Every control of a rig, and where it can rest. */
final class TravelsTest extends TestCase
{
    public function test_places_rise_from_end_to_end_hold_where_it_stands_and_are_no_more_than_a_thousand_and_one(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $swept = 0;
        for ($n = 0; $n < 400; $n++) {
            $rig = $make->rig();
            foreach (Travels::of($rig) as $travel) {
                $places = Travels::positions($rig, $travel);
                $name = $rig->name.' '.$travel->name();
                self::assertLessThanOrEqual(Travels::MOST, count($places), $name);
                self::assertSame($travel->least, $places[0], $name);
                self::assertSame($travel->greatest, $places[count($places) - 1], $name);
                for ($row = 1; $row < count($places); $row++) {
                    self::assertGreaterThan($places[$row - 1], $places[$row], $name);
                }
                $now = Travels::setting($rig, $travel);
                if ($now >= $travel->least && $now <= $travel->greatest) {
                    self::assertContains($now, $places, $name);
                }
                self::assertEquals($travel, Travels::named($rig, $travel->name()));
                $swept++;
            }
        }
        self::assertGreaterThan(400, $swept);
    }

    public function test_a_bellows_is_read_to_a_tenth_where_that_is_few_enough_places_and_coarser_where_not(): void
    {
        foreach ([[36.0, 60.0, 0.1], [36.0, 110.0, 0.2], [36.0, 162.0, 0.5], [50.0, 1000.0, 5.0], [0.0, 3000.0, 10.0]] as [$least, $greatest, $step]) {
            $places = Travels::positions($rig = self::bellows($least, $greatest), Travels::of($rig)[0]);
            self::assertEqualsWithDelta($step, $places[1] - $places[0], 1e-9, $greatest.' mm');
            self::assertLessThanOrEqual(402, count($places));
        }
    }

    public function test_every_kind_of_control_is_there_from_the_camera_outwards(): void
    {
        $rig = RigMaker::chain([
            ['kind' => 'bellows', 'minMm' => 36, 'maxMm' => 162, 'maxSwingDeg' => 20, 'maxShiftMm' => 15],
            ['kind' => 'lens', 'focalLengthMm' => 28, 'registerMm' => 44.5, 'frontRimMm' => 60, 'minFocusMm' => 400, 'maxMagnification' => 0.2, 'focusing' => 'unit',
                'aperture' => ['widest' => 3.5, 'smallest' => 22, 'control' => 'ring'],
                'stations' => [['focalLengthMm' => 28], ['focalLengthMm' => 70, 'minFocusMm' => 600]]],
        ]);
        self::assertSame(['0.length', '0.swing', '0.shift', '1.zoom', '1.focus', '1.aperture'], array_map(static fn ($travel): string => $travel->name(), Travels::of($rig)));
        self::assertNull(Travels::named($rig, '1.length'));
        self::assertNull(Travels::named($rig, ''));
        $zoom = Travels::named($rig, '1.zoom');
        self::assertNotNull($zoom);
        self::assertSame(28.0, Travels::setting($rig, $zoom), 'left alone, a zoom stands at its own focal length');
        self::assertSame(70.0, Travels::setting($rig->with(TravelKind::Zoom, 1, 500.0), $zoom));
    }

    public function test_a_part_that_can_not_move_has_no_control(): void
    {
        $fixed = RigMaker::chain([
            ['kind' => 'tube', 'lengthMm' => 20],
            ['kind' => 'lens', 'focalLengthMm' => 50, 'registerMm' => 44.5, 'frontRimMm' => 40, 'focusing' => 'fixed', 'aperture' => ['widest' => 8, 'smallest' => 8]],
        ]);
        self::assertSame([], Travels::of($fixed));
        self::assertSame([], $fixed->focusTravels());
        $stuck = self::bellows(40.0, 40.0);
        self::assertSame([40.0], Travels::positions($stuck, Travels::of($stuck)[0]));
    }

    public function test_marked_stops_go_by_halves_on_a_ring_and_by_thirds_on_a_camera(): void
    {
        self::assertSame([2.8, 3.3, 4.0, 4.8, 5.6, 6.7, 8.0], MarkedStops::between(2.8, 8.0, ApertureControl::Ring));
        self::assertSame([2.8, 3.2, 3.5, 4.0, 4.5, 5.0, 5.6], MarkedStops::between(2.8, 5.6, ApertureControl::Electronic));
        // Odd ends are stops too, and none stands within a ninth of a stop of another.
        self::assertSame([1.9, 2.0, 2.4, 2.8, 3.4], MarkedStops::between(1.9, 3.4, ApertureControl::Ring));
        self::assertSame([8.0], MarkedStops::between(8.0, 8.0, ApertureControl::Lever));
        foreach ([ApertureControl::Ring, ApertureControl::Electronic] as $control) {
            $stops = MarkedStops::between(0.95, 128.0, $control);
            for ($k = 1; $k < count($stops); $k++) {
                self::assertGreaterThan(0.11, 2 * log($stops[$k] / $stops[$k - 1], 2), $stops[$k].' after '.$stops[$k - 1]);
                self::assertLessThan(1.1, 2 * log($stops[$k] / $stops[$k - 1], 2), $stops[$k].' after '.$stops[$k - 1]);
            }
        }
    }

    private static function bellows(float $least, float $greatest): Rig
    {
        return RigMaker::chain([['kind' => 'bellows', 'minMm' => $least, 'maxMm' => $greatest]]);
    }
}
