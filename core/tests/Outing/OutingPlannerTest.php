<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Outing;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\File\KitFile;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Finding\Code;
use ZincThimble\Core\Finding\Finding;
use ZincThimble\Core\Finding\Findings;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\Flash;
use ZincThimble\Core\Gear\Item;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Kit;
use ZincThimble\Core\Gear\Owned;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Rail;
use ZincThimble\Core\Gear\Support;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Joint\Fit;
use ZincThimble\Core\Joint\Mating;
use ZincThimble\Core\Outing\Assignment;
use ZincThimble\Core\Outing\Checks;
use ZincThimble\Core\Outing\OutingPlanner;
use ZincThimble\Core\Outing\PackedItem;
use ZincThimble\Core\Outing\Visit;
use ZincThimble\Core\Outing\WantedSubject;
use ZincThimble\Core\Plan\BagGoal;
use ZincThimble\Core\Plan\RigOrder;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Subject;
use ZincThimble\Core\Search\Budget;
use ZincThimble\Core\Search\Candidate;
use ZincThimble\Core\Search\Search;
use ZincThimble\Core\Search\SearchCriteria;
use ZincThimble\Core\Search\SearchKit;
use ZincThimble\Core\Tests\RigMaker;

final class OutingPlannerTest extends TestCase
{
    /** On small kits: every choice of rigs tried, and every order of them. */
    public function test_nothing_that_plain_trying_finds_is_lighter_or_undoes_fewer_joints(): void
    {
        $maker = RigMaker::seeded(__METHOD__);
        $tried = $several = 0;
        for ($n = 0; $n < 400 && $tried < 60; $n++) {
            $kit = self::someOf(self::herbarium(), $maker);
            $subjects = [];
            for ($s = $maker->pick([2, 3, 3]); $s > 0; $s--) {
                $subjects[] = self::generated($maker, 'Subject '.$s);
            }
            $each = array_map(static function (WantedSubject $subject) use ($kit): array {
                $all = Search::of(SearchKit::of($kit), self::conditions())->ask($subject->wanted)->each;
                $best = min([INF, ...array_map(static fn (Candidate $one): float => $one->rank[0], $all)]);

                return array_values(array_filter($all, static fn (Candidate $one): bool => $one->rank[0] <= $best + 1.0));
            }, $subjects);
            $counts = array_map(count(...), $each);
            if (min($counts) === 0 || max($counts) > 60 || array_product($counts) > 20_000) {
                continue;
            }
            $tried++;
            $plan = OutingPlanner::plan($kit, $subjects, self::conditions());
            $this->assertTrue($plan->optimal && $plan->orderOptimal);
            $least = INF;
            foreach (self::choices($each) as $choice) {
                $least = min($least, self::mass($kit, $subjects, $choice));
            }
            $this->assertEqualsWithDelta($least, $plan->massG, 0.05 * 12, 'kit '.$n.' of seed '.$maker->seed);
            $this->assertEqualsWithDelta(self::mass($kit, $subjects, array_map(self::rigOf(...), $plan->assignments)), $plan->massG, 1e-6);
            $rigs = [];
            foreach ($plan->assignments as $assignment) {
                $rigs[$assignment->letter] ??= self::joints(self::rigOf($assignment), self::keptOn($kit));
            }
            $orders = self::permutations(array_values($rigs));
            $this->assertSame(min(array_map(self::undone(...), $orders)), $plan->joints);
            $several += count($rigs) > 1 ? 1 : 0;
        }
        $this->assertGreaterThan(40, $tried);
        $this->assertGreaterThan(8, $several);
    }

    public function test_what_it_says_of_a_day_is_what_its_rigs_are(): void
    {
        $plan = OutingPlanner::plan(self::herbarium(), self::day(), self::conditions());
        $this->assertCount(5, $plan->assignments);
        $packed = [];
        foreach ($plan->bag as $item) {
            $packed[$item->name] = $item;
            $this->assertFalse($item->toBuy);
            $this->assertNotSame([], $item->for);
        }
        foreach ($plan->assignments as $assignment) {
            $rig = self::rigOf($assignment);
            $this->assertSame($assignment->subject->name, $rig->name);
            $this->assertSame($assignment->subject->name, $rig->subject?->name);
            $reading = Reading::of($rig);
            $this->assertEqualsWithDelta($assignment->subject->wanted->fieldWidthMm, $reading->fieldWidthMm, 1e-6);
            foreach ([$rig->camera->name, ...array_map(static fn (Part $part): string => $part->label(), $rig->chain)] as $name) {
                $this->assertContains($assignment->subject->name, $packed[(string) $name]->for);
            }
            $letters = array_column($plan->rigs, 'parts', 'letter');
            $this->assertSame([$rig->camera->name, ...array_map(static fn (Part $part): string => $part->label(), $rig->chain)], $letters[$assignment->letter]);
        }
        // The dragonfly flees: a flash, and one shot. The seed is deeper than its slice and lies on a table: a rail, and something that carries it.
        $this->assertSame(['Dragonfly on the dyke'], $packed['Small flash']->for);
        $this->assertContains('Sedge seed, coat', $packed['Focusing rail']->for);
        $this->assertNotContains('Dragonfly on the dyke', $packed['Focusing rail']->for);
        $this->assertContains('Sedge seed, coat', $packed['Low tripod']->for);
        $this->assertSame(['light' => 'flash', 'flash' => ['name' => 'Small flash']], self::namesOnly(self::rigOf($plan->assignments[3])->conditions->document->fields['plan']));
        $this->assertSame(['by' => 'rail', 'rail' => ['name' => 'Focusing rail']], self::namesOnly(self::rigOf($plan->assignments[0])->conditions->document->fields['plan']));
        $this->assertEqualsWithDelta($plan->massG, array_sum(array_map(static fn (PackedItem $item): float => $item->count * (float) $item->massG, $plan->bag)), 1e-9);
        $this->assertSame($plan->parts, array_sum(array_column($plan->bag, 'count')));
        $this->assertSame(array_sum(array_map(static fn (Visit $visit): int => $visit->undone + $visit->made, array_slice($plan->visits, 1))), $plan->joints);
        $this->assertSame(0, $plan->visits[0]->undone);
        $this->assertEqualsCanonicalizing([0, 1, 2, 3, 4], array_merge(...array_column($plan->visits, 'subjects')));
    }

    public function test_times_stand_a_pin_stands_and_what_is_to_stay_at_home_stays(): void
    {
        $day = self::day();
        $at = static fn (string $time): \DateTimeImmutable => new \DateTimeImmutable('2026-12-04T'.$time.':00+01:00');
        $timed = [self::with($day[0], at: $at('10:00')), self::with($day[1], at: $at('11:00')), $day[2], self::with($day[3], at: $at('07:40')), $day[4]];
        $plan = OutingPlanner::plan(self::herbarium(), $timed, self::conditions());
        $sequence = array_values(array_intersect(array_merge(...array_column($plan->visits, 'subjects')), [0, 1, 3]));
        $this->assertSame([3, 0, 1], $sequence);

        $other = OutingPlanner::plan(self::herbarium(), [$day[2]], self::conditions(), BagGoal::Parts);
        $pin = self::rigOf($other->assignments[0]);
        $pinned = OutingPlanner::plan(self::herbarium(), [$day[0], self::with($day[2], pinned: $pin)], self::conditions());
        $this->assertSame(self::labels($pin), self::labels(self::rigOf($pinned->assignments[1])));

        $usual = OutingPlanner::plan(self::herbarium(), [$day[0]], self::conditions());
        $chain = self::rigOf($usual->assignments[0])->chain;
        $lens = $chain[count($chain) - 1]->label();
        $without = OutingPlanner::plan(self::herbarium(), [self::with($day[0], without: [$lens, 'Focusing rail'])], self::conditions());
        $this->assertNotContains($lens, array_column($without->bag, 'name'));
        $this->assertNotContains('Focusing rail', array_column($without->bag, 'name'));
        $this->assertNotSame([], $without->bag);
        $this->assertGreaterThanOrEqual($usual->massG - 540.0, $without->massG);
    }

    public function test_what_one_less_changes_is_what_the_others_take(): void
    {
        $day = array_slice(self::day(), 0, 3);
        $plan = OutingPlanner::plan(self::herbarium(), $day, self::conditions());
        foreach ($day as $s => $subject) {
            $others = $day;
            unset($others[$s]);
            $less = OutingPlanner::plan(self::herbarium(), array_values($others), self::conditions());
            $this->assertEqualsWithDelta($less->massG, $plan->assignments[$s]->without?->massG, 1e-6);
            $this->assertLessThanOrEqual($plan->massG, $less->massG);
        }
        $this->assertNull(OutingPlanner::plan(self::herbarium(), [$day[0]], self::conditions())->assignments[0]->without);
    }

    public function test_a_subject_that_no_rig_does_is_told_with_what_would(): void
    {
        $plan = OutingPlanner::plan(self::herbarium(), [
            self::day()[0], new WantedSubject('Far frog', SearchCriteria::from(new Values(['fieldWidthMm' => 18, 'leastRoomMm' => 400]))),
        ], self::conditions());
        $this->assertNull($plan->assignments[1]->letter);
        $this->assertNull($plan->assignments[1]->rig);
        $this->assertSame('lens', $plan->assignments[1]->buying[0]->part->kind->value);
        $this->assertNotNull($plan->assignments[0]->letter);
        $this->assertSame([0], $plan->visits[0]->subjects);
    }

    /** What sits on a part for good comes along with it, and its joint is never undone. */
    /** What is worth a look before one leaves follows from what was planned and where it is. */
    public function test_checks_follow_from_the_rigs_and_the_surroundings(): void
    {
        $pinned = static fn (string $file): Rig => RigFile::parse((string) preg_replace('/,\s*"kitPart": "[^"]*"/', '', (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/'.$file)));
        $checks = static fn (array $files, array $conditions): array => Checks::of(OutingPlanner::plan(
            self::herbarium(), array_map(static fn (string $file): WantedSubject => new WantedSubject(name: $file, wanted: SearchCriteria::from(new Values(['magnification' => 1])), pinned: $pinned($file)), $files),
            Conditions::from(new Values($conditions)), BagGoal::Mass, Budget::of(60.0), 'id',
        ), Conditions::from(new Values($conditions)));
        // The macro lens is worked over its contacts; one frame.
        $this->assertSame(['Camera batteries charged', 'Card empty: 1 frame and as many again'], $checks(['3-herbarium-sheet.rig.json'], []));
        // A process lens has a ring and tells the body nothing.
        $this->assertSame(
            ['Camera batteries charged', 'Card empty: 2 frames and as many again', 'Body set so that it fires without a lens it knows', 'A closed bag and a cloth against dew'],
            $checks(['3-herbarium-sheet.rig.json', '1-tower-clock-tooth.rig.json'], ['surroundings' => ['cold']]),
        );
        $this->assertContains('Seals looked at, and a dry dip first', $checks(['3-herbarium-sheet.rig.json'], ['surroundings' => ['water']]));
        $this->assertSame([], $checks([], ['surroundings' => ['cold']]));
    }

    public function test_what_is_kept_on_a_part_comes_along(): void
    {
        $file = json_decode((string) file_get_contents(__DIR__.'/../../../database/demo/herbarium.kit.json'), true);
        $plain = OutingPlanner::plan(KitFile::parse(json_encode($file, JSON_THROW_ON_ERROR))->kit(), [self::day()[0]], self::conditions());
        $adapter = $plain->rigs[0]->parts[1];
        $lens = $plain->rigs[0]->parts[array_key_last($plain->rigs[0]->parts)];
        foreach ($file['parts'] as $i => $part) {
            if ($part['name'] === $lens) {
                $on = $file['parts'][$i]['id'] ??= 'it';
            }
        }
        $cap = ['kind' => 'hood', 'name' => 'Old hood', 'rear' => 'thread:82x0.75', 'massG' => 33, 'marriedTo' => $on ?? ''];
        $file['parts'][] = $cap;
        $with = OutingPlanner::plan(KitFile::parse(json_encode($file, JSON_THROW_ON_ERROR))->kit(), [self::day()[0]], self::conditions());
        $this->assertSame($adapter, $with->rigs[0]->parts[1]);
        $names = array_column($with->bag, 'name');
        $this->assertSame(in_array($lens, $names, true), in_array('Old hood', $names, true));
    }

    private static function conditions(): Conditions
    {
        return Conditions::from(new Values([]));
    }

    private static function herbarium(): Kit
    {
        return KitFile::parse((string) file_get_contents(__DIR__.'/../../../database/demo/herbarium.kit.json'))->kit();
    }

    /** @return list<WantedSubject> */
    private static function day(): array
    {
        $of = static fn (string $name, array $wish, ?array $traits = null): WantedSubject => new WantedSubject(
            $name, SearchCriteria::from(new Values($wish)), $traits === null ? null : Subject::from(new Values(['traits' => $traits])),
        );

        return [
            $of('Sedge seed, coat', ['fieldWidthMm' => 6, 'subjectDepthMm' => 1.2, 'support' => 'table']),
            $of('Moss capsule, teeth', ['fieldWidthMm' => 2.4, 'subjectDepthMm' => 0.5, 'support' => 'table']),
            $of('Lichen disc on bark', ['fieldWidthMm' => 24, 'subjectDepthMm' => 3, 'support' => 'braced'], ['protected']),
            $of('Dragonfly on the dyke', ['fieldWidthMm' => 90, 'leastRoomMm' => 400, 'support' => 'hand'], ['flees']),
            $of('Herbarium sheet, label', ['fieldWidthMm' => 60, 'flat' => true, 'support' => 'table']),
        ];
    }

    /** @param  list<string>  $without */
    private static function with(WantedSubject $subject, ?\DateTimeImmutable $at = null, ?Rig $pinned = null, array $without = []): WantedSubject
    {
        return new WantedSubject($subject->name, $subject->wanted, $subject->subject, $at, $pinned, $without);
    }

    /** A camera or two, two or three lenses, a few rings, and now and then what holds, moves and lights. */
    private static function someOf(Kit $kit, RigMaker $maker): Kit
    {
        $few = static function (\Closure $is, int $most) use ($kit, $maker): array {
            $of = array_values(array_filter($kit->owned, static fn (Owned $owned): bool => $is($owned->thing)));
            $kept = [];
            for ($i = 0; $i < $most && $of !== []; $i++) {
                $kept[] = array_splice($of, $maker->pick(array_keys($of)), 1)[0];
            }

            return $kept;
        };

        return new Kit('Some', [
            ...$few(static fn (Camera|Item $thing): bool => $thing instanceof Camera, 1),
            ...$few(static fn (Camera|Item $thing): bool => $thing instanceof Part && $thing->kind === Kind::Lens, 3),
            ...$few(static fn (Camera|Item $thing): bool => $thing instanceof Part && $thing->kind->isRing(), 5),
            ...$few(static fn (Camera|Item $thing): bool => $thing instanceof Part && $thing->kind === Kind::CloseUpLens, 1),
            ...$few(static fn (Camera|Item $thing): bool => ! $thing instanceof Camera && ! $thing instanceof Part, 3),
        ]);
    }

    private static function generated(RigMaker $maker, string $name): WantedSubject
    {
        return new WantedSubject($name, SearchCriteria::from(new Values(array_filter([
            'fieldWidthMm' => $maker->pick([4, 8, 15, 30, 60, 120]), 'support' => $maker->pick(['hand', 'braced', 'table', null]), 'subjectDepthMm' => $maker->pick([null, 0.5, 4]),
        ], static fn (mixed $value): bool => $value !== null))), $maker->chance(0.2) ? Subject::from(new Values(['traits' => ['flees']])) : null);
    }

    /**
     * @param  list<list<Candidate>>  $each
     * @return \Generator<list<Rig>>
     */
    private static function choices(array $each): \Generator
    {
        if ($each === []) {
            yield [];

            return;
        }
        $last = array_pop($each);
        foreach (self::choices($each) as $choice) {
            foreach ($last as $candidate) {
                yield [...$choice, $candidate->rig];
            }
        }
    }

    /**
     * g of all that these rigs and what they need weigh, each thing once.
     *
     * @param  list<WantedSubject>  $subjects
     * @param  list<Rig>  $rigs
     */
    private static function mass(Kit $kit, array $subjects, array $rigs): float
    {
        $packed = [];
        foreach ($rigs as $s => $rig) {
            $labels = array_map(static fn (Part $part): string => $part->label(), $rig->chain);
            $kept = array_keys(array_filter(self::keptOn($kit), static fn (string $on, string $name): bool => in_array($on, $labels, true) && ! in_array($name, $labels, true), ARRAY_FILTER_USE_BOTH));
            $counts = array_count_values([...$kept, (string) $rig->camera->name, ...array_map(static fn (Part $part): string => $part->label(), $rig->chain), ...self::besides($kit, $subjects[$s], $rig)]);
            foreach ($counts as $name => $count) {
                $packed[$name] = max($packed[$name] ?? 0, $count);
            }
        }
        $mass = 0.0;
        foreach ($kit->owned as $owned) {
            $thing = $owned->thing;
            $name = $thing instanceof Camera ? (string) $thing->name : $thing->label();
            $mass += ($packed[$name] ?? 0) * (float) ($thing instanceof Camera ? $thing->massG : $thing->identity->massG);
        }

        return $mass;
    }

    /** @return list<string> names of what has to come along */
    private static function besides(Kit $kit, WantedSubject $subject, Rig $rig): array
    {
        $reading = Reading::of($rig);
        $flees = $subject->subject?->has('flees') === true;
        $deep = ($subject->wanted->subjectDepthMm ?? 0.0) > ($reading->depthOfFieldMm ?? INF);
        $bare = array_filter(Findings::asSet($rig->withSubject($subject->wanted->subject()), $reading), static fn (Finding $finding): bool => $finding->code === Code::BareRear) !== [];
        $support = $subject->wanted->support;
        $carries = static fn (?float $load): bool => $load === null || $rig->totals->massG === null || $load >= $rig->totals->massG;
        $needs = [
            ! $flees && $support !== 'hand' && $deep ? static fn (Item $item): bool => $item instanceof Rail && $carries($item->loadG) : null,
            $flees ? static fn (Item $item): bool => $item instanceof Flash : null,
            $support === 'table' ? static fn (Item $item): bool => $item instanceof Support && $carries($item->loadG) : null,
            $bare ? static fn (Item $item): bool => $item->kind === Kind::Hood && $item instanceof Part && Mating::of($rig->camera, $rig->chain[array_key_last($rig->chain)], $item) === Fit::Mates : null,
        ];
        $names = [];
        foreach (array_filter($needs) as $does) {
            $items = array_values(array_filter($kit->ofClass(Item::class), $does));
            usort($items, static fn (Item $a, Item $b): int => ($a->identity->massG ?? 1e9) <=> ($b->identity->massG ?? 1e9));
            if ($items !== []) {
                $names[] = $items[0]->label();
            }
        }

        return $names;
    }

    private static function rigOf(Assignment $assignment): Rig
    {
        self::assertNotNull($assignment->rig);

        return $assignment->rig;
    }

    /** @return list<string> */
    private static function labels(Rig $rig): array
    {
        return [(string) $rig->camera->name, ...array_map(static fn (Part $part): string => $part->label().($part->document->boolOr('reversed', false) ? ' turned' : ''), $rig->chain)];
    }

    /**
     * @param  array<string, string>  $keptOn
     * @return array<string, int>
     */
    private static function joints(Rig $rig, array $keptOn): array
    {
        $joints = [];
        $labels = self::labels($rig);
        for ($i = 1; $i < count($labels); $i++) {
            [$one, $next] = [str_replace(' turned', '', $labels[$i - 1]), str_replace(' turned', '', $labels[$i])];
            if (($keptOn[$one] ?? null) !== $next && ($keptOn[$next] ?? null) !== $one) {
                $joints[] = $labels[$i - 1].'|'.$labels[$i];
            }
        }

        return array_count_values($joints);
    }

    /** @return array<string, string> name of the part that each is kept on, by its own name */
    private static function keptOn(Kit $kit): array
    {
        $names = $keptOn = [];
        foreach ($kit->ofClass(Item::class) as $item) {
            $names[(string) $item->document->stringOrNull('id')] = $item->label();
        }
        foreach ($kit->ofClass(Item::class) as $item) {
            $on = $names[(string) $item->document->stringOrNull('marriedTo')] ?? null;
            if ($on !== null && $item->document->has('marriedTo')) {
                $keptOn[$item->label()] = $on;
            }
        }

        return $keptOn;
    }

    /**
     * @template T
     *
     * @param  list<T>  $things
     * @return list<list<T>>
     */
    private static function permutations(array $things): array
    {
        if (count($things) < 2) {
            return [$things];
        }
        $all = [];
        foreach ($things as $i => $thing) {
            $rest = $things;
            array_splice($rest, $i, 1);
            foreach (self::permutations($rest) as $order) {
                $all[] = [$thing, ...$order];
            }
        }

        return $all;
    }

    /** @param  list<array<string, int>>  $order */
    private static function undone(array $order): int
    {
        $joints = 0;
        for ($i = 1; $i < count($order); $i++) {
            $joints += RigOrder::apart($order[$i - 1], $order[$i]);
        }

        return $joints;
    }

    /** @return array<string, mixed> */
    private static function namesOnly(mixed $plan): array
    {
        $kept = [];
        foreach (is_array($plan) ? $plan : [] as $key => $value) {
            $kept[(string) $key] = is_array($value) ? ['name' => $value['name'] ?? null] : $value;
        }

        return $kept;
    }
}
