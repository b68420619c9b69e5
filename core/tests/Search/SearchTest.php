<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Search;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\File\KitFile;
use ZincThimble\Core\Finding\Code;
use ZincThimble\Core\Finding\Finding;
use ZincThimble\Core\Finding\Mending;
use ZincThimble\Core\Finding\OrientationRule;
use ZincThimble\Core\Finding\Severity;
use ZincThimble\Core\Finding\Weight;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Report\RigReport;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Rig\Setting;
use ZincThimble\Core\Search\Candidate;
use ZincThimble\Core\Search\Ranking;
use ZincThimble\Core\Search\Search;
use ZincThimble\Core\Search\SearchCriteria;
use ZincThimble\Core\Search\SearchKit;
use ZincThimble\Core\Tests\RigMaker;

/** The search against plain trying of every permutation, and what its rows promise. */
final class SearchTest extends TestCase
{
    private const ALL = 100_000;

    public function test_small_kits_become_exactly_the_rigs_that_every_permutation_gives(): void
    {
        $maker = RigMaker::seeded(__METHOD__);
        $some = 0;
        for ($n = 0; $n < 40; $n++) {
            $kit = MadeKits::generated($maker, 7);
            $plain = new PlainSearch($kit);
            self::assertSame(count($plain->rigs), Search::of($kit, self::conditions())->rigs(), 'kit '.$n.' of seed '.$maker->seed);
            $some += count($plain->rigs);
        }
        self::assertGreaterThan(200, $some);
    }

    public function test_what_cant_be_among_the_best_is_counted_and_nothing_better_is_left_out(): void
    {
        $maker = RigMaker::seeded(__METHOD__);
        $counted = $several = 0;
        for ($n = 0; $n < 80; $n++) {
            $kit = $n % 10 === 0 ? MadeKits::demonstration() : MadeKits::generated($maker, 10);
            $wanted = match ($n % 4) {
                0 => ['magnification' => $maker->number(0.1, 2.0)],
                1 => ['workingDistanceMm' => $maker->number(30.0, 300.0)],
                2 => ['fieldWidthMm' => $maker->number(15.0, 150.0), 'leastRoomMm' => $maker->number(0.0, 60.0)],
                default => ['magnification' => $maker->number(0.1, 1.0), 'mostMassG' => $maker->number(700.0, 1500.0)],
            };
            $what = sprintf('kit %d of seed %d', $n, $maker->seed);
            $count = $maker->pick([1, 2, 5]);
            $quick = Search::of($kit, self::conditions())->ask(new SearchCriteria(...$wanted), $count);
            // A corner of any brightness is no limit, but one that rings could break: each stack is weighed for that.
            $plain = Search::of($kit, self::conditions())->ask(new SearchCriteria(...$wanted, leastCorner: 0.0), $count);
            self::assertSame($plain->fulfil + $plain->mayFulfil, $quick->fulfil + $quick->mayFulfil, $what);
            $told = static fn (Candidate $row): array => ['rank' => $row->rank, 'chain' => array_map(static fn (Part $part): string => $part->label(), $row->rig->chain), 'setting' => $row->rig->setting];
            self::assertEquals(array_map($told, $plain->each), array_map($told, $quick->each), $what);
            $counted += max(0, $quick->fulfil - 4 * $count);
            $several += count($quick->each) > 1 ? 1 : 0;
        }
        self::assertGreaterThan(1_500, $counted);
        self::assertGreaterThan(10, $several);
    }

    public function test_what_fulfils_a_wish_is_what_plain_trying_finds(): void
    {
        $maker = RigMaker::seeded(__METHOD__);
        $fulfilled = 0;
        // Sixty wishes, and more where few of them could be fulfilled.
        for ($n = 0; $n < 60 || $fulfilled <= 50 && $n < 240; $n++) {
            // Each kit is asked three times.
            $kit = $n % 3 === 0 ? MadeKits::generated($maker, 7) : $kit ?? MadeKits::generated($maker, 7);
            $plain = new PlainSearch($kit);
            $wanted = MadeKits::wanted($maker);
            $found = Search::of($kit, self::conditions())->ask($wanted, self::ALL);
            $what = sprintf('kit %d of seed %d', $n, $maker->seed);
            self::assertSame(0, $found->mayFulfil, $what);
            self::assertSame($found->fulfil, $found->read + $found->dark, $what);
            self::assertSame($found->read, array_sum(array_map(static fn (Candidate $row): int => $row->alike, $found->rows)), $what);
            // Sound: each row reads as it says, and keeps every limit.
            foreach ($found->rows as $row) {
                self::assertTrue(PlainSearch::keeps($row->rig, Reading::of($row->rig), $wanted), $what.': '.PlainSearch::name($row->rig->camera, $row->rig->chain));
            }
            // Complete: nothing that plain trying finds is missing, and nothing is counted that it doesn't find but at an edge
            // between two places of the ring that it tries.
            $count = 0;
            foreach ($plain->rigs as $orders) {
                $count += $plain->fulfils($orders, $wanted) ? 1 : 0;
            }
            self::assertGreaterThanOrEqual($count, $found->fulfil, $what);
            self::assertLessThanOrEqual($count + max(1, (int) ($count * 0.03)), $found->fulfil, $what);
            $fulfilled += $count;
        }
        self::assertGreaterThan(50, $fulfilled);
    }

    public function test_the_order_of_the_rings_is_the_one_with_the_brightest_corner(): void
    {
        $maker = RigMaker::seeded(__METHOD__);
        $dark = 0;
        for ($n = 0; $n < 30; $n++) {
            $kit = MadeKits::generated($maker, 6, narrow: true);
            $plain = new PlainSearch($kit);
            foreach (Search::of($kit, self::conditions())->ask(new SearchCriteria(magnification: $maker->number(0.3, 2.0)), self::ALL)->rows as $row) {
                $mine = $row->reading->cornerBrightness ?? 1.0;
                $dark += $mine < 0.999 ? 1 : 0;
                foreach ($plain->rigs[PlainSearch::name($row->rig->camera, $row->rig->chain)] ?? [] as [, $chain]) {
                    $other = self::inOrder($row, $chain);
                    self::assertLessThanOrEqual($mine + 1e-6, $other, sprintf('kit %d of seed %d', $n, $maker->seed));
                }
            }
        }
        self::assertGreaterThan(0, $dark);
    }

    public function test_rows_stand_by_the_warnings_joints_and_stops_that_the_whole_answer_tells(): void
    {
        $maker = RigMaker::seeded(__METHOD__);
        $rows = 0;
        for ($n = 0; $n < 25; $n++) {
            $found = Search::of(MadeKits::generated($maker, 9), self::conditions())->ask(new SearchCriteria(magnification: $maker->number(0.2, 3.0), support: 'hand', subjectDepthMm: 2.0), self::ALL);
            $before = [-1.0];
            foreach ($found->rows as $row) {
                $warnings = array_filter(Mending::findings($row->rig), static fn (Finding $finding): bool => $finding->severity === Severity::Warn && $finding->code !== Code::OutsideWindow);
                $weight = array_sum(array_map(Weight::of(...), $warnings)) + 0.2 * $row->rig->totals->joints;
                $lens = $row->rig->chain[(int) $row->rig->workingLens()];
                $wrong = $row->reading->magnification > 1.0 && $lens instanceof Lens && ! $lens->reversed && count($row->rig->lenses) === 1 && OrientationRule::madeForFarThings($lens);
                $lost = 0.25 * max(0.0, log((float) $row->reading->detailMm * (float) $row->reading->magnification / (2.0 * (float) $row->rig->frame->pitchMm()), 2.0));
                $told = [round($weight + $lost + ($wrong ? 0.5 : 0.0), 6), (float) $row->rig->totals->joints, $row->reading->stopsLost ?? 99.0];
                self::assertEqualsWithDelta($told, $row->rank, 2e-6);
                self::assertGreaterThanOrEqual($before, $told);
                $before = $told;
                $rows++;
            }
        }
        self::assertGreaterThan(30, $rows);
    }

    public function test_only_the_best_are_read_and_they_are_the_best_of_all(): void
    {
        $maker = RigMaker::seeded(__METHOD__);
        for ($n = 0; $n < 10; $n++) {
            $search = Search::of(MadeKits::generated($maker, 9), self::conditions());
            foreach (Ranking::cases() as $ranking) {
                $wanted = new SearchCriteria(magnification: 0.9, ranking: $ranking);
                $all = $search->ask($wanted, self::ALL);
                $few = $search->ask($wanted, 5);
                self::assertSame($all->fulfil, $few->fulfil);
                self::assertSame(min(5, $all->fulfil), $few->read + $few->dark);
                // Black corners take the place of others among the few.
                if ($few->dark > 0) {
                    self::assertCount(min(5, $all->fulfil) - $few->dark, $few->each);

                    continue;
                }
                if ($ranking === Ranking::Light && $all->rows !== []) {
                    // How much a narrow ring dims is known once it is read: one that dims less than it could may stand behind.
                    self::assertGreaterThanOrEqual($all->rows[0]->rank[0] - 1e-9, $few->rows[0]->rank[0]);
                } elseif ($ranking !== Ranking::Ease && $all->rows !== []) {
                    // Of two that are equal but for rounding, either may stand first.
                    self::assertEqualsWithDelta($all->rows[0]->rank[0], $few->rows[0]->rank[0], 1e-9 * (1.0 + abs($all->rows[0]->rank[0])));
                }
            }
        }
    }

    public function test_infinity_and_other_distances_are_kept_by_what_fulfils_them(): void
    {
        $maker = RigMaker::seeded(__METHOD__);
        $kept = 0;
        for ($n = 0; $n < 30; $n++) {
            $search = Search::of(MadeKits::generated($maker, 8), self::conditions());
            foreach ($search->ask(new SearchCriteria(magnification: 0.12, infinity: true), self::ALL)->rows as $row) {
                self::assertTrue(RigReport::of($row->rig)->infinity->reached, PlainSearch::name($row->rig->camera, $row->rig->chain));
                $kept++;
            }
            foreach ($search->ask(new SearchCriteria(subjectDistanceMm: 900.0, focusFromMm: 700.0), self::ALL)->rows as $row) {
                [$near, $far] = RigReport::of($row->rig)->range->subjectDistanceMm;
                self::assertLessThanOrEqual(700.0 * 1.001, $near);
                self::assertTrue($far === null || $far >= 899.0);
            }
        }
        self::assertGreaterThan(5, $kept);
    }

    public function test_the_demonstration_kit_and_its_first_answers(): void
    {
        $kit = SearchKit::of(KitFile::parse((string) file_get_contents(__DIR__.'/../../../database/demo/herbarium.kit.json'))->kit());
        $search = Search::of($kit, self::conditions());
        self::assertSame([], $search->leftOut());
        $found = $search->ask(new SearchCriteria(fieldWidthMm: 18.0, leastRoomMm: 60.0, mostStopsLost: 3.0, automatic: true));
        self::assertGreaterThan(3, count($found->rows));
        foreach ($found->rows as $row) {
            self::assertEqualsWithDelta(18.0, $row->reading->fieldWidthMm, 1e-6);
            self::assertGreaterThanOrEqual(60.0, $row->reading->workingDistanceMm);
            self::assertLessThanOrEqual(3.0, $row->reading->stopsLost);
            self::assertTrue($row->rig->totals->coupling->isAutomatic());
        }
        self::assertSame(0, $search->ask(new SearchCriteria(fieldWidthMm: 18.0, leastRoomMm: 5000.0))->fulfil);
    }

    public function test_depth_is_given_by_the_widest_stop_that_has_it(): void
    {
        $kit = SearchKit::of(KitFile::parse((string) file_get_contents(__DIR__.'/../../../database/demo/herbarium.kit.json'))->kit());
        $rows = Search::of($kit, self::conditions())->ask(new SearchCriteria(fieldWidthMm: 30.0, depthMm: 1.5, detailMm: 0.03))->rows;
        self::assertNotSame([], $rows);
        foreach ($rows as $row) {
            self::assertGreaterThanOrEqual(1.5 * (1 - 1e-6), $row->reading->depthOfFieldMm);
            self::assertLessThanOrEqual(0.03, $row->reading->detailMm);
        }
    }

    public function test_the_usual_stop_is_the_sharpest_by_a_trial_where_one_holds(): void
    {
        $at = static function (array $trials, float $magnification, array $more = []): array {
            $search = Search::of(MadeKits::of(
                [['name' => 'Body', 'joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24]]],
                [
                    ['kind' => 'bellows', 'name' => 'Bellows', 'rear' => 'larch', 'front' => 'larch', 'minMm' => 30, 'maxMm' => 200],
                    ['focusing' => 'fixed', 'trials' => $trials, 'aperture' => ['widest' => 2, 'smallest' => 16, 'control' => 'ring']] + self::lens('Lens', 50.0), ...$more,
                ],
            ), self::conditions());

            return array_map(static fn (Candidate $row): array => [count($row->rig->chain), $row->rig->markedAperture((int) $row->rig->workingLens())], $search->ask(new SearchCriteria(magnification: $magnification), self::ALL)->rows);
        };
        $trial = ['magnification' => 1.0, 'pitchMm' => 0.004, 'stops' => [['aperture' => 2.8, 'effectiveAperture' => 5.6, 'mtf50' => 0.3], ['aperture' => 4.0, 'effectiveAperture' => 8.0, 'mtf50' => 0.2]]];
        self::assertSame([[[2, 4.0]], [[2, 2.8]], [[2, 2.8]], [[2, 4.0]]], [$at([], 1.2), $at([$trial], 1.2), $at([$trial], 1.49), $at([$trial], 1.51)]);
        $converter = ['kind' => 'teleconverter', 'name' => 'Converter', 'rear' => 'larch', 'front' => 'larch', 'factor' => 1.4, 'lengthMm' => 20];
        self::assertEqualsCanonicalizing([[2, 2.8], [3, 4.0]], $at([$trial], 1.2, [$converter]), 'with a converter it is another picture');
    }

    public function test_a_converter_is_paid_for_carried_and_joined_like_any_part(): void
    {
        $search = Search::of(MadeKits::of(
            [['name' => 'Body', 'joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24], 'massG' => 500, 'price' => 400]],
            [
                ['kind' => 'teleconverter', 'name' => 'Converter', 'rear' => 'larch', 'front' => 'larch', 'factor' => 2, 'lengthMm' => 30, 'massG' => 200, 'price' => 150],
                ['massG' => 300, 'price' => 100, 'focusing' => 'unit', 'minFocusMm' => 450, 'maxMagnification' => 0.15] + self::lens('Lens', 50.0),
            ],
        ), self::conditions());
        $counts = static fn (?float $mass, ?float $price): array => array_map(
            static fn (Candidate $row): int => count($row->rig->chain), $search->ask(new SearchCriteria(magnification: 0.05, mostMassG: $mass, mostPrice: $price), self::ALL)->rows,
        );
        self::assertSame([1, 2], $counts(null, null), 'the one with fewer joints first');
        self::assertSame([1, 2], $counts(1000.0, 650.0));
        self::assertSame([1], $counts(999.0, null));
        self::assertSame([1], $counts(null, 649.0));
    }

    public function test_an_order_that_keeps_the_limits_goes_before_one_that_is_as_bright_and_breaks_them(): void
    {
        $tube = static fn (string $name, float $length, ?float $clear = null): array => ['kind' => 'tube', 'name' => $name, 'rear' => 'larch', 'front' => 'larch', 'lengthMm' => $length, 'passes' => ['contacts', 'lever']]
            + ($clear === null ? [] : ['clearMm' => $clear]);
        $search = Search::of(MadeKits::of(
            [['name' => 'Body', 'joint' => 'larch', 'registerMm' => 59.7353, 'sensor' => ['widthMm' => 17.3, 'heightMm' => 11.5333], 'passes' => ['contacts', 'lever']]],
            [
                $tube('Narrow', 15.9347, 20.2265), $tube('Long', 35.9283), $tube('Short', 15.776),
                ['kind' => 'lens', 'name' => 'Lens', 'rear' => 'larch', 'front' => 'thread:58x0.75', 'focalLengthMm' => 114.081, 'registerMm' => 34.135375, 'frontRimMm' => 66.174,
                    'minFocusMm' => 481.6455, 'maxMagnification' => 0.392277, 'pupilRatio' => 1.1302, 'rearProtrusionMm' => 3.46, 'focusing' => 'internal', 'design' => 'retrofocus',
                    'aperture' => ['widest' => 1.4, 'smallest' => 22, 'control' => 'lever']],
            ],
        ), self::conditions());
        $all = array_values(array_filter($search->ask(new SearchCriteria(magnification: 1.0794672512, mostStopsLost: 2.192595), self::ALL)->rows, static fn (Candidate $row): bool => count($row->rig->chain) === 4));
        self::assertCount(1, $all);
        // At the lens the narrow tube would be the stop: 2.34 stops lost.
        self::assertNotSame('Narrow', $all[0]->rig->chain[2]->label());
        self::assertLessThan(2.192595, $all[0]->reading->stopsLost);
    }

    public function test_a_limit_that_is_reached_is_said(): void
    {
        $parts = [];
        foreach (range(1, 22) as $k) {
            $parts[] = ['kind' => 'tube', 'name' => 'Tube '.$k, 'rear' => 'larch', 'front' => 'larch', 'lengthMm' => $k];
        }
        $parts[] = self::lens('Lens', 50.0);
        $left = Search::of(MadeKits::of([['name' => 'Body', 'joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24]]], $parts), self::conditions())->leftOut();
        self::assertSame(['sets of more than 5 rings on Body'], $left);
        $parts = [['count' => 9] + $parts[0], self::lens('Lens', 50.0)];
        self::assertSame(['5 rings more than can be told apart'], Search::of(MadeKits::of([['joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24]]], $parts), self::conditions())->leftOut());
    }

    public function test_a_kit_of_hundreds_is_answered_and_told_what_was_left_out(): void
    {
        $cameras = $parts = [];
        for ($n = 0; $n < 30; $n++) {
            $cameras[] = ['name' => 'Body '.$n, 'joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24]];
            $parts[] = ['kind' => 'close-up-lens', 'name' => 'Close-up '.$n, 'rear' => 'thread:52x0.75', 'front' => 'thread:52x0.75', 'powerD' => 1 + $n / 10];
            $parts[] = ['kind' => 'tube', 'name' => 'Tube '.$n, 'rear' => 'larch', 'front' => 'larch', 'lengthMm' => 5 + $n];
            $parts[] = self::lens('Lens '.$n, 40.0 + $n);
        }
        $search = Search::of(MadeKits::of($cameras, $parts), self::conditions());
        $left = $search->leftOut();
        self::assertSame(['6 cameras', 'lenses with what goes in front of them, beyond 10,000', 'sets of more than 1 rings on Body 0'], array_slice($left, 0, 3));
        self::assertGreaterThan(0, $search->first(new SearchCriteria(magnification: 0.5))->fulfil);
    }

    public function test_equal_rings_owned_twice_are_counted_once(): void
    {
        $body = ['joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24]];
        $tube = ['kind' => 'tube', 'rear' => 'larch', 'front' => 'larch', 'lengthMm' => 12, 'count' => 3];
        // None, one, two or three of them behind the lens; turned round it mates with nothing.
        self::assertSame(4, Search::of(MadeKits::of([$body], [$tube, self::lens('Lens', 50.0)]), self::conditions())->rigs());
    }

    public function test_what_is_not_owned_is_used_within_what_may_be_spent(): void
    {
        $body = ['joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24], 'count' => 1];
        $tube = static fn (int $mm, float $price): array => ['kind' => 'tube', 'name' => 'Tube '.$mm, 'rear' => 'larch', 'front' => 'larch', 'lengthMm' => $mm, 'count' => 0, 'price' => $price];
        $kit = json_encode(['format' => 'zinc-thimble/kit', 'version' => 1, 'cameras' => [$body], 'parts' => [$tube(10, 20.0), $tube(15, 30.0), self::lens('Lens', 50.0)]], JSON_THROW_ON_ERROR);
        self::assertSame(1, Search::of(SearchKit::of(KitFile::parse($kit)->kit()), self::conditions())->rigs());
        $buying = Search::of(SearchKit::of(KitFile::parse($kit)->kit(), buying: true), self::conditions());
        self::assertSame(4, $buying->rigs());
        // Both tubes together make half of life size, one alone 0.2 or 0.3.
        foreach ([[0.2, 20.0, 1], [0.2, 19.0, 0], [0.3, 30.0, 1], [0.5, 49.0, 0], [0.5, 50.0, 1]] as [$m, $money, $count]) {
            self::assertSame($count, $buying->ask(new SearchCriteria(magnification: $m, mostMissingPrice: $money))->fulfil, $m.' for '.$money);
        }
        // Nothing is bought unasked.
        self::assertSame(0, $buying->ask(new SearchCriteria(magnification: 0.5))->fulfil);
    }

    public function test_nothing_comes_of_a_kit_without_a_camera_or_a_lens(): void
    {
        self::assertSame(0, Search::of(new SearchKit([], [], []), self::conditions())->ask(new SearchCriteria(magnification: 1.0))->rigs);
        $body = ['joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24]];
        self::assertSame([], Search::of(MadeKits::of([$body], []), self::conditions())->ask(new SearchCriteria(magnification: 1.0))->rows);
    }

    public function test_wishes_out_of_range_name_their_field(): void
    {
        foreach ([['fieldWidthMm' => 0.0], ['magnification' => NAN], ['magnification' => 1.0, 'leastCorner' => 1.5], ['magnification' => 1.0, 'support' => 'sky'], ['leastRoomMm' => 3.0]] as $fields) {
            try {
                new SearchCriteria(...$fields);
                self::fail(json_encode(array_keys($fields)).' was taken');
            } catch (InvalidFigure $refused) {
                self::assertContains($refused->field, ['fieldWidthMm', 'magnification', 'leastCorner', 'support']);
            }
        }
    }

    /** @param  list<\ZincThimble\Core\Gear\Part>  $chain */
    private static function inOrder(Candidate $row, array $chain): float
    {
        $setting = $row->rig->setting;
        $by = [];
        foreach ($row->rig->chain as $i => $part) {
            $by[$part->label()] = [$setting->lengthMm[$i] ?? null, $setting->focus[$i] ?? null, $setting->aperture[$i] ?? null, $setting->zoomMm[$i] ?? null];
        }
        $columns = [[], [], [], []];
        foreach ($chain as $i => $part) {
            foreach ($by[$part->label()] as $c => $value) {
                $columns[$c][$i] = $value;
            }
        }
        $rig = $row->rig->withChain($chain, new Setting($columns[0], $columns[1], $columns[2], $columns[3], [], [], null));
        foreach (\ZincThimble\Core\Finding\Findings::asSet($rig, Reading::of($rig)) as $finding) {
            if ($finding->severity === Severity::Stop) {
                return 0.0;
            }
        }

        return Reading::of($rig)->cornerBrightness ?? 1.0;
    }

    private static function conditions(): Conditions
    {
        return Conditions::from(new Values([]));
    }

    /** @return array<string, mixed> */
    private static function lens(string $name, float $f): array
    {
        return ['kind' => 'lens', 'name' => $name, 'rear' => 'larch', 'front' => 'thread:52x0.75', 'focalLengthMm' => $f, 'registerMm' => 44.5, 'frontRimMm' => 40, 'focusing' => 'fixed', 'aperture' => ['widest' => 2.8, 'smallest' => 16]];
    }
}
