<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Plan;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use ZincThimble\Core\Plan\Bag;
use ZincThimble\Core\Plan\BagChoice;
use ZincThimble\Core\Plan\BagGoal;
use ZincThimble\Core\Plan\BagItem;
use ZincThimble\Core\Plan\BagOption;

final class BagTest extends TestCase
{
    /** Every choice there is, tried: nothing is less in what was asked for, nor, where that is equal, in what decides between equals. */
    public function test_nothing_that_plain_trying_finds_is_less(): void
    {
        $by = new Randomizer(new Mt19937((int) (getenv('ZINC_SEED') ?: 1)));
        $shared = 0;
        for ($n = 0; $n < 240; $n++) {
            [$items, $subjects] = self::made($by, $by->getInt(1, 4), $by->getInt(1, 5));
            foreach (BagGoal::cases() as $goal) {
                $choice = Bag::of($items, $subjects, $goal);
                $this->assertTrue($choice->optimal);
                $this->assertSame(0.0, $choice->atMostOffBy);
                $least = min(array_map(static fn (array $chosen): array => self::order($goal, self::told($items, $subjects, $chosen)), self::choices($subjects)));
                $this->assertSame($least, self::order($goal, $choice), $goal->value.' of bag '.$n);
                $told = self::told($items, $subjects, $choice->chosen);
                $this->assertSame([$told->counts, $told->massG, $told->parts, $told->rigs, $told->priceToBuy], [$choice->counts, $choice->massG, $choice->parts, $choice->rigs, $choice->priceToBuy]);
                $shared += count($subjects) > $choice->rigs ? 1 : 0;
            }
        }
        $this->assertGreaterThan(50, $shared);
    }

    public function test_a_thing_goes_in_once_and_as_often_as_the_more_demanding_rig_needs_it(): void
    {
        $items = ['body' => new BagItem('Body', 480.0), 'tube' => new BagItem('Tube 20', 60.0), 'lens' => new BagItem('Moor 50', null)];
        $choice = Bag::of($items, [
            [new BagOption(['body' => 1, 'tube' => 1, 'lens' => 1], 'one')],
            [new BagOption(['lens' => 1, 'tube' => 2, 'body' => 1], 'two')],
        ], BagGoal::Mass);
        $this->assertSame(['body' => 1, 'tube' => 2, 'lens' => 1], $choice->counts);
        $this->assertSame(600.0, $choice->massG);
        $this->assertSame([4, 2, 0.0], [$choice->parts, $choice->rigs, $choice->priceToBuy]);
    }

    /** What is best for one alone isn't for both: a heavier rig that serves two leaves a lens at home. */
    public function test_a_rig_that_serves_both_beats_the_lightest_of_each(): void
    {
        $items = ['a' => new BagItem('A', 300.0), 'b' => new BagItem('B', 310.0), 'c' => new BagItem('C', 400.0)];
        $subjects = [
            [new BagOption(['a' => 1], 'a'), new BagOption(['c' => 1], 'c')],
            [new BagOption(['b' => 1], 'b'), new BagOption(['c' => 1], 'c')],
        ];
        $this->assertSame([1, 1], Bag::of($items, $subjects, BagGoal::Mass)->chosen);
    }

    /** Two rigs that each need one of a tube don't bring two of them along. */
    public function test_what_two_rigs_need_once_is_there_once(): void
    {
        $items = ['a' => new BagItem('A', 60.0), 'b' => new BagItem('B', 80.0), 'tube' => new BagItem('Tube 20', 60.0), 'other' => new BagItem('Tube 40', 50.0)];
        $choice = Bag::of($items, [
            [new BagOption(['a' => 1, 'tube' => 1], 'one')],
            [new BagOption(['b' => 1, 'tube' => 1], 'two')],
            [new BagOption(['tube' => 2], 'three'), new BagOption(['other' => 1], 'four')],
        ], BagGoal::Mass);
        $this->assertSame([0, 0, 1], $choice->chosen);
        $this->assertSame(250.0, $choice->massG);
    }

    public function test_each_goal_decides_otherwise(): void
    {
        $items = [
            'light' => new BagItem('Light', 50.0), 'lighter' => new BagItem('Lighter', 40.0), 'heavy' => new BagItem('Heavy', 200.0), 'bought' => new BagItem('Bought', 10.0, 99.0),
        ];
        $subject = [
            new BagOption(['light' => 1, 'lighter' => 1], 'two'), new BagOption(['heavy' => 1], 'one'), new BagOption(['bought' => 1], 'new'),
        ];
        $this->assertSame([2], Bag::of($items, [$subject], BagGoal::Mass)->chosen);
        $this->assertSame([2], Bag::of($items, [$subject], BagGoal::Parts)->chosen);
        $this->assertSame([0], Bag::of($items, [$subject], BagGoal::Price)->chosen);
        $also = [new BagOption(['light' => 1], 'other'), new BagOption(['heavy' => 1], 'one')];
        $this->assertSame([1, 1], Bag::of($items, [array_slice($subject, 0, 2), $also], BagGoal::Rigs)->chosen);
        $this->assertSame([0, 0], Bag::of($items, [array_slice($subject, 0, 2), $also], BagGoal::Mass)->chosen);
    }

    /** Where time is up the best so far is told, and how far off it can be: the least is never further off than that. */
    public function test_when_time_is_up_it_says_how_far_off_it_is_at_most(): void
    {
        $by = new Randomizer(new Mt19937((int) (getenv('ZINC_SEED') ?: 1)));
        $off = 0;
        for ($n = 0; $n < 60; $n++) {
            [$items, $subjects] = self::made($by, 9, 14);
            foreach (BagGoal::cases() as $goal) {
                $exact = Bag::of($items, $subjects, $goal);
                $looks = 0;
                $cut = Bag::of($items, $subjects, $goal, static function () use (&$looks, $n): bool {
                    return ++$looks > $n % 3;
                });
                $this->assertCount(9, $cut->chosen);
                $this->assertSame($cut->atMostOffBy === 0.0, $cut->optimal);
                $this->assertLessThanOrEqual(self::order($goal, $exact)[0] + 1e-6, self::order($goal, $cut)[0] - $cut->atMostOffBy);
                $off += $cut->atMostOffBy > 0.0 ? 1 : 0;
            }
        }
        $this->assertGreaterThan(10, $off);
    }

    /** @return array{array<string, BagItem>, list<non-empty-list<BagOption>>} */
    private static function made(Randomizer $by, int $subjects, int $options): array
    {
        $items = [];
        for ($i = 0; $i < 14; $i++) {
            $items['i'.$i] = new BagItem('Item '.$i, $by->getInt(0, 9) === 0 ? null : $by->getInt(1, 9000) / 10.0, $by->getInt(0, 3) === 0 ? $by->getInt(1, 40_000) / 100.0 : 0.0);
        }
        $made = [];
        for ($s = 0; $s < $subjects; $s++) {
            $given = [];
            for ($o = 0; $o < $options; $o++) {
                $counts = [];
                foreach ($by->pickArrayKeys($items, $by->getInt(1, 6)) as $key) {
                    $counts[(string) $key] = $by->getInt(0, 4) === 0 ? 2 : 1;
                }
                $given[] = new BagOption($counts, 'rig '.$by->getInt(0, 5));
            }
            $made[] = $given;
        }

        return [$items, $made];
    }

    /**
     * @param  array<string, BagItem>  $items
     * @param  list<non-empty-list<BagOption>>  $subjects
     * @param  list<int>  $chosen
     */
    private static function told(array $items, array $subjects, array $chosen): BagChoice
    {
        return BagChoice::of($items, $subjects, $chosen, true, 0.0);
    }

    /**
     * @param  list<non-empty-list<BagOption>>  $subjects
     * @return list<list<int>>
     */
    private static function choices(array $subjects): array
    {
        $choices = [[]];
        foreach ($subjects as $options) {
            $longer = [];
            foreach ($choices as $choice) {
                foreach (array_keys($options) as $n) {
                    $longer[] = [...$choice, $n];
                }
            }
            $choices = $longer;
        }

        return $choices;
    }

    /** @return list<float|int> what is compared, the first that differs decides */
    private static function order(BagGoal $goal, BagChoice $choice): array
    {
        $mass = round($choice->massG, 1);
        $usual = [$mass, $choice->parts, $choice->rigs];

        return match ($goal) {
            BagGoal::Mass => $usual,
            BagGoal::Parts => [$choice->parts, $mass, $choice->rigs],
            BagGoal::Rigs => [$choice->rigs, ...$usual],
            BagGoal::Price => [round($choice->priceToBuy, 2), ...$usual],
        };
    }
}
