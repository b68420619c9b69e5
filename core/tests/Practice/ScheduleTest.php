<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Practice;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Practice\IntervalScore;
use ZincThimble\Core\Practice\Schedule;
use ZincThimble\Core\Practice\Standing;
use ZincThimble\Core\Tests\RigMaker;

/** What comes back when, how answers with widths are scored, and what they say of a person. */
final class ScheduleTest extends TestCase
{
    public function test_what_was_missed_comes_back_over_a_month_until_it_is_known(): void
    {
        // Day by day: missed on day 0, known whenever it comes back.
        [$day, $box, $came] = [0, null, []];
        $next = Schedule::after($box, false);
        for ($n = 0; $n < 10 && $next->days !== null; $n++) {
            $day += $next->days;
            $came[] = $day;
            $next = Schedule::after($next->box, true);
        }
        $this->assertSame([1, 4, 11, 32], $came);
        $this->assertSame([null, null], [$next->box, $next->days]);
        // Missed once more in the third box, it begins again.
        $again = Schedule::after(2, false);
        $this->assertSame([0, 1], [$again->box, $again->days]);
        // What was known at once never comes back.
        $this->assertNull(Schedule::after(null, true)->days);
    }

    public function test_nobody_betters_the_score_by_another_width_than_they_believe(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $truths = array_map(static fn (): float => 5.0 + 2.0 * $make->bell(), range(1, 4000));
        $mean = static fn (float $half): float => array_sum(array_map(static fn (float $truth): float => IntervalScore::of(5.0 - $half, 5.0 + $half, $truth), $truths)) / count($truths);
        // Nine in ten of them lie within 1.645 standard deviations.
        $honest = $mean(2.0 * 1.645);
        foreach ([0.4, 0.7, 1.4, 2.0] as $times) {
            $this->assertGreaterThan($honest, $mean(2.0 * 1.645 * $times));
        }
        $this->assertSame([0.0, 2.0, 2.0 + 20.0 * 1.0, 2.0 + 20.0 * 3.0], [IntervalScore::of(5.0, 5.0, 5.0), IntervalScore::of(4.0, 6.0, 6.0), IntervalScore::of(4.0, 6.0, 7.0), IntervalScore::of(4.0, 6.0, 1.0)]);
    }

    public function test_how_well_a_skill_is_known(): void
    {
        $answers = array_map(static fn (float $error): array => ['error' => $error, 'inside' => $error < 0.2], [0.3, 0.1, 0.05, 0.2]);
        $this->assertSame([4, null, null], [Standing::of($answers)->answers, Standing::of($answers)->error, Standing::of($answers)->coverage]);
        $five = Standing::of([...$answers, ['error' => 0.15, 'inside' => true]]);
        $this->assertEqualsWithDelta([0.15, 0.6], [$five->error, $five->coverage], 1e-12);
        $six = Standing::of([...$answers, ['error' => 0.15, 'inside' => true], ['error' => 0.9, 'inside' => false]]);
        $this->assertEqualsWithDelta([0.175, 0.5], [$six->error, $six->coverage], 1e-12);
    }
}
