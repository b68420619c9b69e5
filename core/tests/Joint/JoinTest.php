<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Joint;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\Joint;
use ZincThimble\Core\Gear\JointEnd;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Parts;
use ZincThimble\Core\Gear\Side;
use ZincThimble\Core\Gear\Spacer;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Joint\AdapterPaths;
use ZincThimble\Core\Joint\Bridge;
use ZincThimble\Core\Joint\Crossing;
use ZincThimble\Core\Joint\Fit;
use ZincThimble\Core\Joint\Hub;
use ZincThimble\Core\Joint\JointMap;
use ZincThimble\Core\Joint\Mating;
use ZincThimble\Core\Joint\StandardJoints;
use ZincThimble\Core\Tests\KitMaker;
use ZincThimble\Core\Tests\RigMaker;

/** What mates with what, ways through a kit against brute force, islands, bridges, the hub, the shipped standards. */
final class JoinTest extends TestCase
{
    public function test_a_proposed_path_always_mates_and_is_the_best_of_all_there_are(): void
    {
        $maker = RigMaker::seeded(__METHOD__);
        $kits = new KitMaker($maker);
        $found = $turned = 0;
        for ($n = 0; $n < 2000; $n++) {
            $rings = $kits->rings(7);
            $front = self::end($kits->joint(), Side::Female);
            $rear = self::end($kits->joint(), $maker->chance(0.8) ? Side::Male : Side::Female);
            $path = AdapterPaths::between($front, $rear, $rings);
            $brute = self::brute($front, $rear, $rings);
            $this->assertSame($brute === null, $path === null);
            if ($path !== null && $brute !== null) {
                $this->assertSame(self::cost($brute), self::cost($path));
                $end = $front;
                foreach ($path as $ring) {
                    $this->assertSame(Fit::Mates, Mating::ofEnds($end, $ring->identity->rear));
                    $end = $ring->identity->front;
                }
                $this->assertSame(Fit::Mates, Mating::ofEnds($end, $rear));
                $this->assertCount(count($path), array_unique(array_map(static fn (Part $ring): string => $ring->label(), $path)), 'no ring is used twice');
                $found += $path === [] ? 0 : 1;
                $turned += count(array_filter($path, static fn (Part $ring): bool => $ring instanceof Spacer && $ring->reversed));
            }
        }
        $this->assertGreaterThan(100, $found);
        $this->assertGreaterThan(3, $turned, 'rings of two threads go either way round');
    }

    public function test_one_ring_goes_before_two_shorter_ones(): void
    {
        $this->assertSame(['One'], self::wayOf([self::ring('One', 'tern', 'larch', 9.0), self::ring('First', 'tern', 'wren', 1.0), self::ring('Second', 'wren', 'larch', 1.0)], self::end('tern', Side::Female), self::end('larch', Side::Male)));
    }

    public function test_a_ring_stands_in_a_way_once_and_the_next_best_way_is_found_without_it(): void
    {
        $step = static fn (string $name, int $to, float $mm): Part => self::ring($name, 'thread:52x0.75', "thread:{$to}x0.75", $mm);
        $couple = static fn (string $name, int $of, float $mm): Part => self::ring($name, "thread:{$of}x0.75", "thread:{$of}x0.75", $mm, Kind::CouplingRing);
        $front = self::end('thread:52x0.75', Side::Female);
        $rear = self::end('thread:52x0.75', Side::Female);
        // Up, coupled, and down again by the same ring turned round: there is only one of it.
        $this->assertNull(self::wayOf([$step('Up', 58, 2.0), $couple('Coupled', 58, 2.0)], $front, $rear));
        // Of two of them each goes one way round.
        $two = self::wayOf([$step('Up', 58, 2.0), $couple('Coupled', 58, 2.0), $step('Up again', 58, 2.0)], $front, $rear);
        $this->assertNotNull($two);
        $this->assertSame('Coupled', $two[1]);
        $this->assertEqualsCanonicalizing(['Up', 'Coupled', 'Up again'], $two);
        // A longer way of three others is the best that there is.
        $longer = self::wayOf([$step('Up', 58, 2.0), $couple('Coupled', 58, 2.0), $step('Far up', 67, 9.0), $couple('Widely coupled', 67, 9.0), $step('Far up again', 67, 9.0)], $front, $rear);
        $this->assertEqualsCanonicalizing(['Far up', 'Widely coupled', 'Far up again'], $longer);
    }

    public function test_of_two_ways_as_long_the_one_with_a_shoulder_is_taken_though_the_other_is_thinner(): void
    {
        $ring = static fn (string $name, float $mm, ?bool $shoulder): Part => Parts::make(Kind::Adapter, new Values(['name' => $name, 'rear' => 'thread:42x1', 'front' => 'larch', 'lengthMm' => $mm] + ($shoulder === null ? [] : ['shoulder' => $shoulder])));
        $way = static fn (Part ...$rings): array => array_map(static fn (Part $part): string => $part->label(), AdapterPaths::between(self::end('thread:42x1', Side::Female), self::end('larch', Side::Male), array_values($rings)) ?? []);
        $this->assertSame(['With'], $way($ring('Without', 1.0, false), $ring('With', 1.5, true)));
        $this->assertSame(['Nobody knows'], $way($ring('Without', 1.0, false), $ring('Nobody knows', 1.5, null)));
        $this->assertSame(['Thin'], $way($ring('Thin', 1.0, null), $ring('Thick', 1.5, null)));
        $this->assertSame(['Without'], $way($ring('Without', 1.0, false)), 'better than none');
    }

    public function test_where_there_is_no_path_the_bridge_named_makes_one(): void
    {
        $maker = RigMaker::seeded(__METHOD__);
        $kits = new KitMaker($maker);
        $bridged = 0;
        for ($n = 0; $n < 500; $n++) {
            $front = self::end($kits->joint(), Side::Female);
            $rear = self::end($kits->joint(), $maker->chance(0.8) ? Side::Male : Side::Female);
            $rings = $kits->rings(3);
            $crossing = Crossing::of($front, $rear, $rings);
            if ($crossing->bridge === null) {
                continue;
            }
            $bought = Parts::make($crossing->bridge->kind, new Values([
                'rear' => $crossing->bridge->rear->name, 'rearSide' => $crossing->bridge->rearSide->value,
                'front' => $crossing->bridge->front->name, 'frontSide' => $crossing->bridge->frontSide->value, 'lengthMm' => 5.0,
            ]));
            $this->assertCount(1, (array) AdapterPaths::between($front, $rear, [...$rings, $bought]));
            $bridged++;
        }
        $this->assertGreaterThan(50, $bridged);
    }

    public function test_the_bridge_between_two_mounts_knows_how_long_it_must_be_to_keep_infinity(): void
    {
        $bridge = Bridge::between(self::end('tern', Side::Female), self::end('larch', Side::Male), 18.4, 44.5);
        $this->assertNotNull($bridge);
        $this->assertEqualsWithDelta(26.1, $bridge->lengthMm, 1e-9);
        $this->assertSame('an adapter, male tern to female larch, 26.1 mm long', $bridge->spoken());
        $this->assertSame('a coupling ring, male M52×0.75 to male M58×0.75', Bridge::between(self::end('thread:52x0.75', Side::Female), self::end('thread:58x0.75', Side::Female))?->spoken());
        $this->assertSame('a reversing ring, male larch to male M52×0.75', Bridge::between(self::end('larch', Side::Female), self::end('thread:52x0.75', Side::Female))?->spoken());
        $this->assertNull(Bridge::between(self::end('fixed', Side::Female), self::end('larch', Side::Male)));
    }

    public function test_threads_of_one_diameter_and_another_pitch_are_refused_as_look_alikes(): void
    {
        $this->assertSame(Fit::LookAlike, Mating::ofEnds(self::end('thread:42x1', Side::Female), self::end('thread:42x0.75', Side::Male)));
        $this->assertNull(AdapterPaths::between(self::end('thread:42x1', Side::Female), self::end('thread:42x0.75', Side::Male), []));
        // The inch thread by its measures, however it is spelt.
        $this->assertSame(Fit::Mates, Mating::ofEnds(self::end('thread:25.4x32tpi', Side::Female), self::end('thread:25.4x32tpi', Side::Male)));
        $this->assertSame(Fit::SameSide, Mating::ofEnds(self::end('thread:52x0.75', Side::Male), self::end('thread:52x0.75', Side::Male)));
    }

    public function test_islands_are_what_can_be_put_together_and_nothing_else(): void
    {
        $maker = RigMaker::seeded(__METHOD__);
        $kits = new KitMaker($maker);
        for ($n = 0; $n < 300; $n++) {
            $cameras = [$kits->camera(), $kits->camera()];
            $parts = [...$kits->rings(5), $kits->lens(), $kits->lens()];
            $map = JointMap::of($cameras, $parts);
            $seen = [];
            foreach ($map->islands as $i => $island) {
                foreach ($island->parts as $place) {
                    $seen[$place] = $i;
                }
                foreach ($island->cameras as $place) {
                    $seen[-1 - $place] = $i;
                }
            }
            $this->assertCount(count($cameras) + count($parts), $seen, 'everything lies on one island');
            // No two parts of different islands touch, whichever way round.
            $ways = array_map(static fn (Part $part): array => array_filter([$part, Mating::turned($part)]), $parts);
            foreach ($ways as $a => $ones) {
                foreach ($ones as $one) {
                    foreach ($ways as $b => $others) {
                        foreach ($seen[$a] === $seen[$b] ? [] : $others as $other) {
                            $this->assertNotSame(Fit::Mates, Mating::ofEnds($one->identity->front, $other->identity->rear));
                        }
                    }
                    foreach ($cameras as $c => $camera) {
                        if ($seen[$a] !== $seen[-1 - $c]) {
                            $this->assertNotSame(Fit::Mates, Mating::ofEnds($camera->front, $one->identity->rear));
                        }
                    }
                }
            }
            if (count($map->islands) > 1) {
                $bridge = $map->cheapestBridge($map->islands[0], $map->islands[1]);
                if ($bridge !== null) {
                    $bought = Parts::make($bridge->kind, new Values(['rear' => $bridge->rear->name, 'rearSide' => $bridge->rearSide->value, 'front' => $bridge->front->name, 'frontSide' => $bridge->frontSide->value, 'lengthMm' => 5.0]));
                    $this->assertLessThan(count($map->islands), count(JointMap::of($cameras, [...$parts, $bought])->islands), $bridge->spoken());
                }
            }
        }
    }

    public function test_what_clips_on_joins_no_islands_and_what_has_no_joint_lies_loose(): void
    {
        $map = JointMap::of([self::camera('tern')], [
            Parts::make(Kind::CloseUpLens, new Values(['rear' => 'clip', 'powerD' => 10.0, 'clipMinMm' => 40, 'clipMaxMm' => 60])),
            Parts::make(Kind::Tube, new Values(['lengthMm' => 10.0])),
            Parts::make(Kind::Tube, new Values(['lengthMm' => 10.0, 'rear' => 'larch', 'front' => 'larch'])),
        ]);
        $this->assertSame([0], $map->anywhere);
        $this->assertSame([1], $map->loose);
        $this->assertCount(2, $map->islands);
        $this->assertSame('an adapter, male tern to female larch', $map->cheapestBridge($map->islands[0], $map->islands[1])?->spoken());
    }

    public function test_the_hub_saves_what_it_says(): void
    {
        $lens = static fn (string $rear): Part => Parts::make(Kind::Lens, new Values(['rear' => $rear, 'focalLengthMm' => 50, 'registerMm' => 44, 'frontRimMm' => 40]));
        $helicoid = Parts::make(Kind::Helicoid, new Values(['name' => 'Helicoid', 'rear' => 'thread:42x1', 'front' => 'thread:42x1', 'minMm' => 10, 'maxMm' => 20]));
        $cameras = [self::camera('a'), self::camera('b'), self::camera('c')];
        $parts = [$lens('x'), $lens('y'), $lens('z'), $lens('thread:42x1'), $helicoid];
        $hub = Hub::best($cameras, $parts);
        $this->assertNotNull($hub);
        $this->assertSame('M42×1', $hub->joint->spoken());
        // Twelve unlike pairs of body and lens mount; three bodies and three lens mounts go to the hub instead.
        $this->assertSame([12, 6, 6], [$hub->pairs, $hub->needed, $hub->saves()]);
        $this->assertSame($helicoid, $hub->part);
        $this->assertNull(Hub::best([self::camera('a')], [$lens('a')]));
    }

    public function test_the_shipped_standards_are_joints_and_named_once(): void
    {
        $all = StandardJoints::all();
        $names = array_column($all, 'name');
        $this->assertSame($names, array_values(array_unique($names)));
        $this->assertGreaterThan(40, count($names));
        foreach ($names as $name) {
            $this->assertSame($name, Joint::parse($name)->name);
        }
        $this->assertContains('thread:42x1', $names);
        $this->assertContains('thread:39x26tpi', $names);
    }

    private static function end(string $joint, Side $side): JointEnd
    {
        return new JointEnd($side, [Joint::parse($joint)]);
    }

    private static function camera(string $joint): Camera
    {
        return Camera::from(new Values(['joint' => $joint, 'registerMm' => 18.0, 'sensor' => ['widthMm' => 24.0, 'heightMm' => 16.0]]));
    }

    /**
     * Every order of every subset, the best kept.
     *
     * @param  list<Part>  $rings
     * @param  list<Part>  $path
     * @return list<Part>|null
     */
    private static function brute(JointEnd $front, JointEnd $rear, array $rings, array $path = []): ?array
    {
        $end = $path === [] ? $front : $path[count($path) - 1]->identity->front;
        $best = Mating::ofEnds($end, $rear) === Fit::Mates ? $path : null;
        foreach ($rings as $i => $each) {
            foreach ($each instanceof Spacer && $each->turns() ? [$each, $each->turned()] : [$each] as $ring) {
                if (Mating::ofEnds($end, $ring->identity->rear) === Fit::Mates) {
                    $rest = $rings;
                    unset($rest[$i]);
                    $found = self::brute($front, $rear, array_values($rest), [...$path, $ring]);
                    if ($found !== null && ($best === null || self::cost($found) < self::cost($best))) {
                        $best = $found;
                    }
                }
            }
        }

        return $best;
    }

    /**
     * @param  list<Part>  $path
     * @return array{int, int, float, float}
     */
    private static function cost(array $path): array
    {
        return [count($path), count(array_filter($path, static fn (Part $part): bool => $part instanceof Spacer && $part->shoulder === false)), (float) array_sum(array_map(static fn (Part $part): float => $part instanceof Spacer ? $part->lengthMm : 0.0, $path)), (float) array_sum(array_map(static fn (Part $part): float => $part->identity->price ?? 0.0, $path))];
    }

    private static function ring(string $name, string $rear, string $front, float $mm, Kind $kind = Kind::StepRing): Part
    {
        return Parts::make($kind, new Values(['name' => $name, 'rear' => $rear, 'front' => $front, 'lengthMm' => $mm]));
    }

    /**
     * @param  list<Part>  $rings
     * @return list<string>|null
     */
    private static function wayOf(array $rings, JointEnd $front, JointEnd $rear): ?array
    {
        $way = AdapterPaths::between($front, $rear, $rings);

        return $way === null ? null : array_map(static fn (Part $part): string => $part->label(), $way);
    }
}
