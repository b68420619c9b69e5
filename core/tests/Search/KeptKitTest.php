<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Search;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Search\Budget;
use ZincThimble\Core\Search\Candidate;
use ZincThimble\Core\Search\KeptKit;
use ZincThimble\Core\Search\Overview;
use ZincThimble\Core\Search\PreparedKit;
use ZincThimble\Core\Search\Search;
use ZincThimble\Core\Search\SearchCriteria;
use ZincThimble\Core\Search\SearchKit;
use ZincThimble\Core\Search\SearchResult;
use ZincThimble\Core\Tests\RigMaker;

/** A kit that was prepared before answers as one that is prepared now, to the last bit. */
final class KeptKitTest extends TestCase
{
    public function test_what_was_kept_answers_every_question_as_what_is_made_now(): void
    {
        $maker = RigMaker::seeded(__METHOD__);
        $rows = $turned = $zoomed = $second = 0;
        for ($n = 0; $n < 60 || $rows <= 200 && $n < 300; $n++) {
            $kit = MadeKits::generated($maker, 8);
            $what = "kit $n of seed {$maker->seed}";
            $kept = $this->kept($kit);
            // Another request reads the same parts anew.
            $again = self::copy($kit);
            $wishes = [MadeKits::wanted($maker), MadeKits::wanted($maker)];
            $now = Search::of($kit, self::conditions());
            $back = Search::over($this->back($kept, $again));
            foreach ($wishes as $wanted) {
                self::assertEquals(self::told(Search::of($kit, self::conditions())->first($wanted, 100)), self::told($back->first($wanted, 100)), $what);
                self::assertEquals(self::told($now->ask($wanted)), self::told($back->ask($wanted)), $what);
                self::assertEquals(array_map(self::row(...), $now->nearest($wanted)), array_map(self::row(...), $back->nearest($wanted)), $what);
                $rows += count($now->ask($wanted)->each);
            }
            $using = $maker->pick($kit->parts);
            $at = (int) array_search($using, $kit->parts, true);
            self::assertEquals(self::told(Search::of($kit, self::conditions())->using($using)->ask($wishes[0])), self::told(Search::over($this->back($kept, $again))->using($again->parts[$at])->ask($wishes[0])), $what);
            self::assertEquals(self::map($now->overview()), self::map(Search::over($this->back($kept, $again))->overview()), $what);
            self::assertSame($now->rigs(), $back->rigs(), $what);
            // And what is kept of what was kept is the same.
            $once = $this->back($kept, $again);
            self::assertSame($kept, KeptKit::of($once), $what);
            $turned += count($kit->turned) > 0 ? 1 : 0;
            foreach ($once->allFronts() ?? [] as $front) {
                foreach ($once->optics($front, 1) as $optics) {
                    $zoomed += array_filter($optics->zoomMm) === [] ? 0 : 1;
                    $second += $optics->second > 0.0 ? 1 : 0;
                }
            }
        }
        self::assertGreaterThan(200, $rows);
        self::assertGreaterThan(20, $turned);
        self::assertGreaterThan(20, $zoomed);
        self::assertGreaterThan(5, $second);
    }

    public function test_every_column_comes_back(): void
    {
        $kit = MadeKits::demonstration();
        $now = PreparedKit::of($kit, self::conditions(), Budget::endless());
        $back = $this->back($this->kept($kit), self::copy($kit));
        self::assertSameSize($now->stacks, $back->stacks);
        $latched = 0;
        foreach ($now->stacks as $b => $stacks) {
            foreach (['set', 'ends', 'latched', 'least', 'most', 'clear', 'joints', 'mass', 'price', 'passes', 'route', 'leftOutAbove'] as $column) {
                self::assertSame($stacks->{$column}, $back->stacks[$b]->{$column}, $column);
            }
            self::assertEquals($stacks->kinds, $back->stacks[$b]->kinds);
            $latched += $stacks->latched === $stacks->ends ? 0 : 1;
        }
        self::assertGreaterThan(0, $latched);
        $wanted = new SearchCriteria(fieldWidthMm: 18.0);
        self::assertEquals(self::told(Search::over($now)->ask($wanted)), self::told(Search::over($back)->ask($wanted)));
    }

    public function test_only_what_was_gone_through_to_the_end_is_kept(): void
    {
        $kit = MadeKits::generated(RigMaker::seeded(__METHOD__), 8);
        $prepared = PreparedKit::of($kit, self::conditions(), Budget::endless());
        self::assertNull(KeptKit::of($prepared), 'nobody has asked anything yet');
        Search::over($prepared)->first(new SearchCriteria(magnification: 1.0));
        self::assertNull(KeptKit::of($prepared), 'only of short front assemblies');
        Search::over($prepared)->ask(new SearchCriteria(magnification: 1.0));
        self::assertNotNull(KeptKit::of($prepared));

        $hurried = PreparedKit::of($kit, self::conditions(), Budget::of(0.0));
        Search::over($hurried)->ask(new SearchCriteria(magnification: 1.0));
        self::assertNull(KeptKit::of($hurried), 'there was no time');
        $late = PreparedKit::of($kit, self::conditions(), Budget::endless());
        $late->fronts(PHP_INT_MAX, false, Budget::of(0.0));
        self::assertNull(KeptKit::of($late), 'there was no time for front assemblies');
    }

    public function test_a_kit_of_nothing_is_kept_as_nothing(): void
    {
        $body = ['name' => 'Body', 'joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24]];
        foreach ([new SearchKit([], [], []), MadeKits::of([$body], [])] as $kit) {
            $found = Search::over($this->back($this->kept($kit), $kit))->ask(new SearchCriteria(magnification: 1.0));
            self::assertSame([0, 0, []], [$found->rigs, $found->fulfil, $found->rows]);
        }
    }

    public function test_too_much_is_not_kept(): void
    {
        $lens = static fn (int $n): array => ['kind' => 'lens', 'name' => 'Lens '.$n, 'rear' => 'larch', 'front' => 'thread:52x0.75', 'focalLengthMm' => 40.0 + $n, 'registerMm' => 44.5, 'frontRimMm' => 40, 'focusing' => 'fixed', 'aperture' => ['widest' => 2.8, 'smallest' => 16]];
        $closeUp = static fn (int $n): array => ['kind' => 'close-up-lens', 'name' => 'Close-up '.$n, 'rear' => 'thread:52x0.75', 'front' => 'thread:52x0.75', 'powerD' => 1.0 + $n];
        $of = static fn (int $lenses, int $closeUps): SearchKit => MadeKits::of([['name' => 'Body', 'joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24]]], [...array_map($lens, range(1, $lenses)), ...array_map($closeUp, range(1, $closeUps))]);
        // So many lenses the usual way round, with none, one and two close-up lenses, and each the other way round, which takes no close-up lens here.
        $prepared = PreparedKit::of($of(20, 12), self::conditions(), Budget::endless());
        $fronts = count($prepared->fronts(PHP_INT_MAX, false, Budget::endless()));
        self::assertGreaterThan(1_500, $fronts);
        self::assertLessThanOrEqual(2_000, $fronts);
        self::assertLessThanOrEqual(KeptKit::MOST_BYTES, strlen((string) KeptKit::of($prepared)));
        self::assertNotNull(KeptKit::of($prepared));
        $prepared = PreparedKit::of($of(26, 12), self::conditions(), Budget::endless());
        self::assertGreaterThan(2_000, count($prepared->fronts(PHP_INT_MAX, false, Budget::endless())));
        self::assertNull(KeptKit::of($prepared));
    }

    public function test_bytes_that_were_damaged_are_not_taken(): void
    {
        $maker = RigMaker::seeded(__METHOD__);
        $kit = MadeKits::generated($maker, 6);
        $kept = $this->kept($kit);
        foreach ([0, 31, 32, 33, intdiv(strlen($kept), 2), strlen($kept) - 1] as $at) {
            $damaged = $kept;
            $damaged[$at] = chr(ord($kept[$at]) ^ 1);
            self::assertNull(KeptKit::back($damaged, $kit, self::conditions()), "byte $at");
        }
        foreach (['', 'x', substr($kept, 0, 32), substr($kept, 0, -1), $kept.'x'] as $not) {
            self::assertNull(KeptKit::back($not, $kit, self::conditions()), strlen($not).' bytes');
        }
    }

    private function kept(SearchKit $kit): string
    {
        $prepared = PreparedKit::of($kit, self::conditions(), Budget::endless());
        Search::over($prepared)->ask(new SearchCriteria(magnification: 1.0));
        $kept = KeptKit::of($prepared);
        self::assertNotNull($kept);

        return $kept;
    }

    private function back(string $kept, SearchKit $kit): PreparedKit
    {
        $back = KeptKit::back($kept, $kit, self::conditions());
        self::assertNotNull($back);

        return $back;
    }

    private static function copy(SearchKit $kit): SearchKit
    {
        $copy = unserialize(serialize($kit));
        self::assertInstanceOf(SearchKit::class, $copy);

        return $copy;
    }

    /** @return array<string, mixed> */
    private static function told(SearchResult $found): array
    {
        return [
            'rigs' => $found->rigs, 'fulfil' => $found->fulfil, 'mayFulfil' => $found->mayFulfil, 'read' => $found->read, 'dark' => $found->dark, 'leftOut' => $found->leftOut,
            'each' => array_map(self::row(...), $found->each), 'rows' => array_map(self::row(...), $found->rows),
        ];
    }

    /** @return array<string, mixed> */
    private static function row(Candidate $row): array
    {
        return [
            'rank' => $row->rank, 'route' => $row->route, 'alike' => $row->alike, 'reading' => $row->reading, 'setting' => $row->rig->setting, 'camera' => $row->rig->camera->name,
            'chain' => array_map(static fn (Part $part): string => $part->label().($part instanceof Lens && $part->reversed ? ' turned' : ''), $row->rig->chain), 'warnings' => $row->warnings,
        ];
    }

    /** @return array<string, mixed> */
    private static function map(Overview $map): array
    {
        return ['rigs' => $map->rigs, 'density' => $map->density, 'byRoute' => $map->rigsByRoute, 'gapsByRoute' => $map->gapsByRoute, 'edge' => $map->edge, 'dots' => $map->dots, 'gaps' => $map->gaps, 'magnification' => $map->magnification];
    }

    private static function conditions(): Conditions
    {
        return Conditions::from(new Values([]));
    }
}
