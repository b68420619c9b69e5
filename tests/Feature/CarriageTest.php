<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Devices\DeviceRefused;
use App\Devices\MadeUp\Carriage;
use PHPUnit\Framework\TestCase;

/** A made-up rail goes in whole steps, has play, shakes after a move, and ends. */
final class CarriageTest extends TestCase
{
    public function test_it_stops_at_whole_steps_and_at_its_ends(): void
    {
        $carriage = new Carriage(100.0, 0.0125, 0.0);
        $this->assertEqualsWithDelta([10.0125, 0.0, 100.0], [$carriage->nearest(10.015), $carriage->nearest(0.006), $carriage->nearest(100.005)], 1e-9);
        foreach ([-0.0126, 100.0126] as $beyond) {
            try {
                $carriage->nearest($beyond);
                $this->fail((string) $beyond);
            } catch (DeviceRefused $why) {
                $this->assertStringContainsString('from 0 to 100 mm', $why->getMessage());
            }
        }
    }

    public function test_going_up_takes_its_play_up_and_going_down_leaves_it_behind(): void
    {
        $carriage = new Carriage(100.0, 0.01, 0.05, 10.0, 10.0);
        $is = static function (float $mm) use ($carriage): float {
            $carriage->moved($mm, 0.0);

            return $carriage->isMm;
        };
        $this->assertEqualsWithDelta([12.0, 12.0, 12.0, 11.95, 11.9], [$is(12.0), $is(11.97), $is(11.95), $is(11.9), $is(11.85)], 1e-9);
        $this->assertEqualsWithDelta([11.9, 11.9, 11.93], [$is(11.87), $is(11.9), $is(11.93)], 1e-9, 'and up again');
        $this->assertSame(11.93, $carriage->saysMm);
    }

    public function test_it_comes_to_rest_after_a_move(): void
    {
        $carriage = new Carriage(100.0, 0.01, 0.0);
        $this->assertSame(0.0, $carriage->shakePx(0.0), 'it has never moved');
        $carriage->moved(5.0, 100.0);
        $this->assertEqualsWithDelta(6.0, $carriage->shakePx(100.0), 1e-9);
        $this->assertLessThan(0.1, $carriage->shakePx(102.0));
    }
}
