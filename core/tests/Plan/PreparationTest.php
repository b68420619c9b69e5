<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Plan;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Plan\Preparation;

final class PreparationTest extends TestCase
{
    public function test_times_count_back_from_when_it_is_needed_and_what_is_over_is_late(): void
    {
        $needed = new \DateTimeImmutable('2026-12-04T07:40:00+01:00');
        $due = new \DateTimeImmutable('2026-12-04T05:40:00+01:00');
        $plate = Preparation::before($needed, 'glass plate out', 7200, 'Frost on sedge', $due);
        $this->assertEquals($due, $plate->due);
        $this->assertEquals($needed, $plate->needed);
        $this->assertFalse($plate->late, 'now is soon enough');
        $this->assertTrue(Preparation::before($needed, 'glass plate out', 7200, null, $due->modify('+1 second'))->late);
        $this->assertSame([7200, 'Frost on sedge', 'glass plate out'], [$plate->leadS, $plate->for, $plate->what]);
    }

    /** Across the night in which clocks are put back, two hours are two hours. */
    public function test_a_lead_is_counted_in_seconds_not_on_the_clock(): void
    {
        $zone = new \DateTimeZone('Europe/Berlin');
        $needed = new \DateTimeImmutable('2026-10-25 03:30:00', $zone);
        $this->assertSame(7200, $needed->getTimestamp() - Preparation::before($needed, 'x', 7200, null, $needed)->due->getTimestamp());
    }

    public function test_what_comes_first_is_first(): void
    {
        $at = static fn (string $time, string $what, int $leadS): Preparation => Preparation::before(new \DateTimeImmutable('2026-12-04T'.$time.':00Z'), $what, $leadS, null, new \DateTimeImmutable('2026-12-01T00:00:00Z'));
        $inOrder = Preparation::inOrder([$at('10:00', 'plate', 7200), $at('08:00', 'leave', 0), $at('07:00', 'batteries', 43_200), $at('09:00', 'cloth', 3600)]);
        $this->assertSame(['batteries', 'leave', 'cloth', 'plate'], array_map(static fn (Preparation $each): string => $each->what, $inOrder));
    }
}
