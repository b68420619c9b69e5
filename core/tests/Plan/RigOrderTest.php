<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Plan;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use ZincThimble\Core\Plan\RigOrder;

final class RigOrderTest extends TestCase
{
    /** All orders there are, tried: the fixed in theirs, the others anywhere between. */
    public function test_no_order_that_plain_trying_finds_undoes_fewer_joints(): void
    {
        $by = new Randomizer(new Mt19937((int) (getenv('ZINC_SEED') ?: 1)));
        for ($n = 0; $n < 300; $n++) {
            $rigs = self::rigs($by, $by->getInt(0, 6));
            $fixed = [];
            for ($i = $rigs === [] ? 0 : $by->getInt(0, 3); $i > 0; $i--) {
                $fixed[] = $by->getInt(0, count($rigs) - 1);
            }
            $order = RigOrder::of($rigs, $fixed);
            $this->assertTrue($order->optimal);
            $this->assertSame(self::joints($rigs, $order->visits), $order->joints);
            $once = array_values(array_filter($fixed, static fn (int $rig, int $i): bool => $i === 0 || $fixed[$i - 1] !== $rig, ARRAY_FILTER_USE_BOTH));
            $orders = self::orders($once, array_values(array_diff(array_keys($rigs), $fixed)));
            $this->assertContains($order->visits, $orders);
            $this->assertSame(min(array_map(static fn (array $visits): int => self::joints($rigs, $visits), $orders)), $order->joints, 'rigs '.$n);
        }
    }

    public function test_what_stays_together_is_not_counted(): void
    {
        $a = ['body|adapter' => 1, 'adapter|tube' => 1, 'tube|lens' => 1];
        $b = ['body|adapter' => 1, 'adapter|lens' => 1];
        $this->assertSame(3, RigOrder::apart($a, $b));
        $this->assertSame(0, RigOrder::apart($a, $a));
        $this->assertSame(1, RigOrder::apart(['tube|tube' => 2], ['tube|tube' => 1]));
    }

    public function test_a_rig_that_is_needed_early_and_late_is_made_twice(): void
    {
        $order = RigOrder::of([['a' => 1], ['b' => 1], ['a' => 1, 'c' => 1]], [0, 0, 1, 0]);
        $this->assertSame(2, array_count_values($order->visits)[0]);
        // The third, which is the first with one joint more, stands at an end beside it.
        $this->assertSame(4 + 1, $order->joints);
    }

    public function test_more_rigs_than_are_put_in_order_exactly_are_all_there_and_it_says_so(): void
    {
        $by = new Randomizer(new Mt19937(3));
        $rigs = self::rigs($by, RigOrder::EXACT + 1);
        $this->assertTrue(RigOrder::of(array_slice($rigs, 0, RigOrder::EXACT))->optimal);
        $order = RigOrder::of($rigs);
        $this->assertFalse($order->optimal);
        $this->assertEqualsCanonicalizing(array_keys($rigs), $order->visits);
        $this->assertSame(self::joints($rigs, $order->visits), $order->joints);
        $this->assertTrue(RigOrder::of($rigs, [4])->optimal);
    }

    /** @return list<array<string, int>> */
    private static function rigs(Randomizer $by, int $count): array
    {
        $rigs = [];
        for ($i = 0; $i < $count; $i++) {
            $joints = [];
            for ($k = $by->getInt(1, 6); $k > 0; $k--) {
                $joint = 'j'.$by->getInt(0, 8);
                $joints[$joint] = ($joints[$joint] ?? 0) + 1;
            }
            $rigs[] = $joints;
        }

        return $rigs;
    }

    /**
     * @param  list<array<string, int>>  $rigs
     * @param  list<int>  $visits
     */
    private static function joints(array $rigs, array $visits): int
    {
        $joints = 0;
        for ($i = 1; $i < count($visits); $i++) {
            $joints += RigOrder::apart($rigs[$visits[$i - 1]], $rigs[$visits[$i]]);
        }

        return $joints;
    }

    /**
     * @param  list<int>  $fixed
     * @param  list<int>  $free
     * @return list<list<int>>
     */
    private static function orders(array $fixed, array $free): array
    {
        if ($free === []) {
            return [$fixed];
        }
        $orders = [];
        $rig = array_pop($free);
        foreach (self::orders($fixed, $free) as $order) {
            for ($i = 0; $i <= count($order); $i++) {
                $orders[] = [...array_slice($order, 0, $i), $rig, ...array_slice($order, $i)];
            }
        }

        return $orders;
    }
}
