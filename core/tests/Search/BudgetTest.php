<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Search;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\File\KitFile;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Joint\AdapterPaths;
use ZincThimble\Core\Joint\Fit;
use ZincThimble\Core\Joint\JointMap;
use ZincThimble\Core\Joint\Mating;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Search\Budget;
use ZincThimble\Core\Search\Candidate;
use ZincThimble\Core\Search\FrontAssemblies;
use ZincThimble\Core\Search\PurchaseSuggestion;
use ZincThimble\Core\Search\Search;
use ZincThimble\Core\Search\SearchCriteria;
use ZincThimble\Core\Search\SearchKit;
use ZincThimble\Core\Search\SearchResult;
use ZincThimble\Core\Tests\KitMaker;
use ZincThimble\Core\Tests\RigMaker;

/** Searches end when they are told to: with the best so far, what was left out said, and nothing claimed that isn't so. */
final class BudgetTest extends TestCase
{
    public function test_what_is_spent_stays_spent_and_its_parts_are_too(): void
    {
        $none = Budget::of(0.0);
        usleep(10);
        $this->assertTrue($none->isSpent());
        $this->assertTrue($none->spent());
        $this->assertTrue($none->share(0.5)->spent());
        $endless = Budget::endless();
        for ($n = 0; $n < 100; $n++) {
            $this->assertFalse($endless->spent());
        }
        $this->assertFalse($endless->share(0.1)->isSpent());
        $asked = 0;
        $waited = Budget::of(60.0, function () use (&$asked): void {
            $asked++;
        });
        for ($n = 0; $n < 64; $n++) {
            $waited->spent();
        }
        $this->assertSame(4, $asked);
    }

    public function test_nobody_waits_any_more_ends_the_search_at_its_next_look(): void
    {
        $kit = self::large(300);
        $looks = 0;
        $this->expectException(\OverflowException::class);
        // Somebody still waits while it is laid out, and nobody when it is gone through.
        $waited = static function () use (&$looks): void {
            if (++$looks > 40) {
                throw new \OverflowException('nobody waits');
            }
        };
        Search::of($kit, self::conditions(), Budget::of(60.0, $waited))->ask(new SearchCriteria(magnification: 0.5));
    }

    public function test_cut_short_it_says_so_and_what_it_found_is_true(): void
    {
        $kit = self::large(400);
        $wanted = new SearchCriteria(magnification: 0.5, leastRoomMm: 30.0);
        $found = Search::of($kit, self::conditions(), Budget::of(0.15))->ask($wanted, 20);
        $this->assertContains('what there was no time for: this is the best so far', $found->leftOut);
        foreach ($found->rows as $row) {
            $this->assertEqualsWithDelta(0.5, Reading::of($row->rig)->magnification, 1e-6);
            $this->assertGreaterThanOrEqual(30.0 - 1e-6, Reading::of($row->rig)->workingDistanceMm);
        }
        // Plain front assemblies of all lenses are looked at before any is built up.
        $fronts = FrontAssemblies::of($kit, PHP_INT_MAX, Budget::of(0.0));
        $lenses = count($kit->ofClass(\ZincThimble\Core\Gear\Lens::class));
        $this->assertGreaterThanOrEqual(2 * $lenses, count(array_filter($fronts, static fn ($front): bool => count($front->parts) === 1)));
    }

    public function test_with_time_enough_nothing_is_said_to_be_left_out(): void
    {
        $found = Search::of(self::large(12), self::conditions(), Budget::of(60.0))->ask(new SearchCriteria(magnification: 0.5));
        $this->assertSame([], $found->leftOut);
    }

    public function test_of_many_front_assemblies_none_stays_laid_out_and_no_answer_is_another_for_it(): void
    {
        $kit = self::large(140);
        $this->assertGreaterThan(2_000, count(FrontAssemblies::of($kit)));
        $search = Search::of($kit, self::conditions());
        $wanted = new SearchCriteria(magnification: 0.5);
        $rows = static fn (SearchResult $found): array => array_map(static fn (Candidate $row): array => [$row->rank, $row->rig->setting->focus, array_map(static fn (Part $part): string => $part->label(), $row->rig->chain)], $found->each);
        $before = memory_get_usage();
        $first = $search->ask($wanted, 20);
        $told = $rows($first);
        $this->assertLessThan(12e6, memory_get_usage() - $before);
        $search->ask(new SearchCriteria(magnification: 1.0), 20);
        $this->assertSame($told, $rows($search->ask($wanted, 20)));
        $this->assertCount(20, $told);
    }

    public function test_a_kit_of_two_thousand_parts_is_asked_everything_within_its_budget(): void
    {
        $kit = self::large(2000);
        $hard = new SearchCriteria(magnification: 40.0, leastRoomMm: 500.0);
        $from = microtime(true);
        Search::of($kit, self::conditions(), Budget::of(0.6))->nearest($hard);
        PurchaseSuggestion::of($kit, self::conditions(), $hard, Budget::of(0.6));
        Search::of($kit, self::conditions(), Budget::of(0.6))->overview();
        $found = Search::of($kit, self::conditions(), Budget::of(0.6))->ask(new SearchCriteria(magnification: 0.5));
        $this->assertNotSame([], $found->leftOut);
        // Four budgets of 0.6 s, and what is done between two looks at the clock, on a machine of any speed.
        $this->assertLessThan(25.0, microtime(true) - $from);
        $this->assertLessThan(256e6, memory_get_peak_usage());
    }

    public function test_islands_of_sorts_are_the_islands_of_every_pair(): void
    {
        $maker = RigMaker::seeded(__METHOD__);
        $kits = new KitMaker($maker);
        for ($n = 0; $n < 200; $n++) {
            $parts = $kits->rings(9);
            $map = JointMap::of([], $parts);
            $island = [];
            foreach ($map->islands as $i => $each) {
                foreach ($each->parts as $place) {
                    $island[$place] = $i;
                }
            }
            // Two parts hang together when a path of touching parts leads from one to the other.
            $near = [];
            foreach ($parts as $a => $one) {
                foreach ($parts as $b => $other) {
                    foreach (array_filter([$one, Mating::turned($one)]) as $way) {
                        foreach (array_filter([$other, Mating::turned($other)]) as $otherWay) {
                            if ($a !== $b && (Mating::ofEnds($way->identity->front, $otherWay->identity->rear) === Fit::Mates || Mating::ofEnds($otherWay->identity->front, $way->identity->rear) === Fit::Mates)) {
                                $near[$a][] = $b;
                            }
                        }
                    }
                }
            }
            foreach (array_keys($parts) as $a) {
                $seen = [$a => true];
                for ($queue = [$a]; $queue !== [];) {
                    foreach ($near[array_pop($queue)] ?? [] as $b) {
                        if (! isset($seen[$b])) {
                            $seen[$b] = true;
                            $queue[] = $b;
                        }
                    }
                }
                foreach (array_keys($parts) as $b) {
                    $this->assertSame(isset($seen[$b]), $island[$a] === $island[$b], "seed {$maker->seed}, kit {$n}: {$a} and {$b}");
                }
            }
        }
    }

    public function test_of_rings_with_the_same_ends_the_shortest_then_the_cheapest_is_taken(): void
    {
        $ring = static fn (string $name, float $mm, float $price): \ZincThimble\Core\Gear\Part => \ZincThimble\Core\Gear\Parts::make(\ZincThimble\Core\Gear\Kind::Adapter, new Values(['name' => $name, 'rear' => 'tern', 'front' => 'larch', 'lengthMm' => $mm, 'price' => $price]));
        $rings = AdapterPaths::among([$ring('long', 9.0, 1.0), $ring('dear', 3.0, 9.0), $ring('best', 3.0, 2.0), $ring('equal', 3.0, 2.0)]);
        $way = $rings->way(self::end('tern', 'female'), self::end('larch', 'male'));
        $this->assertSame(['best'], array_map(static fn ($each): ?string => $each->identity->name, $way ?? []));
        $this->assertNull($rings->way(self::end('larch', 'female'), self::end('tern', 'male')));
        $this->assertSame([], $rings->way(self::end('wren', 'female'), self::end('wren', 'male')));
    }

    private static function end(string $joint, string $side): \ZincThimble\Core\Gear\JointEnd
    {
        return new \ZincThimble\Core\Gear\JointEnd(\ZincThimble\Core\Gear\Side::from($side), [\ZincThimble\Core\Gear\Joint::parse($joint)]);
    }

    private static function conditions(): Conditions
    {
        return Conditions::from(new Values([]));
    }

    /** A kit as large as that, of parts that go together in many ways. */
    private static function large(int $count): SearchKit
    {
        $maker = new RigMaker(5);
        $mounts = ['larch', 'tern'];
        $parts = [];
        for ($i = 0; $i < $count; $i++) {
            $mount = $maker->pick($mounts);
            $parts[] = match (true) {
                $maker->chance(0.5) => ['kind' => 'tube', 'rear' => $mount, 'front' => $mount, 'lengthMm' => round($maker->number(5, 60), 1)],
                $maker->chance(0.3) => ['kind' => 'close-up-lens', 'rear' => 'thread:52x0.75', 'front' => 'thread:52x0.75', 'powerD' => round($maker->number(1, 9), 2), 'thicknessMm' => 5],
                $maker->chance(0.2) => ['kind' => 'helicoid', 'rear' => $mount, 'front' => $mount, 'minMm' => 15, 'maxMm' => 30],
                $maker->chance(0.2) => ['kind' => 'reversing-ring', 'rear' => $mount, 'front' => 'thread:52x0.75', 'lengthMm' => 4],
                default => ['kind' => 'lens', 'rear' => $mount, 'front' => 'thread:52x0.75', 'focalLengthMm' => round($maker->number(24, 180), 1), 'registerMm' => 44, 'frontRimMm' => 40, 'focusing' => 'fixed', 'aperture' => ['widest' => 4, 'smallest' => 22, 'control' => 'ring']],
            };
        }
        $cameras = array_map(static fn (string $mount): array => ['joint' => $mount, 'registerMm' => 20, 'sensor' => ['widthMm' => 24, 'heightMm' => 16]], $mounts);

        return SearchKit::of(KitFile::read(json_decode(json_encode(['format' => 'zinc-thimble/kit', 'version' => 1, 'cameras' => $cameras, 'parts' => $parts], JSON_THROW_ON_ERROR)))->kit());
    }
}
