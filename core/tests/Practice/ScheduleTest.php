<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Practice;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Practice\IntervalScore;
use ZincThimble\Core\Practice\Schedule;
use ZincThimble\Core\Practice\Skill;
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
        $figures = array_map(static fn (float $error): array => ['error' => $error, 'inside' => $error < 0.2, 'isWord' => false], [0.3, 0.1, 0.05, 0.2]);
        $words = array_map(static fn (float $error): array => ['error' => $error, 'inside' => $error === 0.0, 'isWord' => true], [0.0, 1.0, 0.0, 0.0]);
        $four = Standing::of(Skill::Tube, [...$figures, ...$words]);
        $this->assertSame([4, 4, 3, null, null, null, null, null], [$four->figures, $four->words, $four->right, $four->error, $four->coverage, $four->within(), $four->bar(), $four->aim()]);
        // Words alone are told as so many of so many.
        $this->assertEqualsWithDelta(0.8, Standing::of(Skill::Joins, [...$words, $words[0]])->bar(), 1e-12);
        $five = Standing::of(Skill::Tube, [...$figures, ...$words, ['error' => 0.15, 'inside' => true, 'isWord' => false]]);
        $this->assertEqualsWithDelta([0.15, 0.6, exp(0.15) - 1.0, 1.0 - 1.5 * (exp(0.15) - 1.0), 0.1], [$five->error, $five->coverage, $five->within(), $five->bar(), $five->aim()], 1e-12);
        $six = Standing::of(Skill::Light, [...$figures, ['error' => 0.15, 'inside' => true, 'isWord' => false], ['error' => 0.9, 'inside' => false, 'isWord' => false]]);
        $this->assertEqualsWithDelta([0.175, 0.5, 0.175, 1.0 - 0.6 * 0.175], [$six->error, $six->coverage, $six->within(), $six->bar()], 1e-12);
        // Who is near is asked what rules of thumb don't tell; who isn't, what they do.
        $all = static fn (float $error): Standing => Standing::of(Skill::Room, array_fill(0, 5, ['error' => $error, 'inside' => true, 'isWord' => false]));
        $this->assertSame([0.3, 0.1, 0.1, 0.0, 0.0], [$all(0.1)->aim(), $all(0.101)->aim(), $all(0.3)->aim(), $all(0.301)->aim(), $all(9.0)->bar()]);
    }
}
