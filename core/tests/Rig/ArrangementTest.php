<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Rig;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Spacer;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\Arrangement;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Tests\RigMaker;

/** Parts are put in, taken off, moved and turned, and each keeps what it was set to. */
final class ArrangementTest extends TestCase
{
    public function test_what_is_put_in_and_taken_off_again_leaves_the_rig_as_it_was(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        for ($n = 0; $n < 300; $n++) {
            $rig = $make->rig();
            $place = $make->pick(range(0, self::lastPlace($rig)));
            $longer = Arrangement::of($rig)->inserting($place, [self::ring(), self::ring()])->rig($rig);
            self::assertCount(count($rig->chain) + 2, $longer->chain);
            self::assertSame(self::settings($rig), self::settings(Arrangement::of($longer)->without([$place, $place + 1])->rig($longer)));
            self::assertEquals(Reading::of($rig), Reading::of($longer->without([$place + 1, $place])));
        }
    }

    public function test_every_part_keeps_its_setting_wherever_it_goes(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        for ($n = 0; $n < 300; $n++) {
            $rig = $make->rig();
            $many = self::lastPlace($rig);
            if ($many < 2) {
                continue;
            }
            [$from, $to] = [$make->pick(range(0, $many - 1)), $make->pick(range(0, $many - 1))];
            $moved = Arrangement::of($rig)->moving($from, $to)->rig($rig);
            $expected = self::settings($rig);
            array_splice($expected, $to, 0, array_splice($expected, $from, 1));
            self::assertSame($expected, self::settings($moved), sprintf('%s, %d to %d', $rig->name, $from, $to));
            // And back.
            self::assertSame(self::settings($rig), self::settings(Arrangement::of($moved)->moving($to, $from)->rig($moved)));
        }
    }

    public function test_only_lenses_and_rings_of_two_threads_are_turned(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $lenses = 0;
        for ($n = 0; $n < 300; $n++) {
            $rig = $make->rig();
            foreach ($rig->chain as $i => $part) {
                $turned = Arrangement::of($rig)->turning($i)->rig($rig);
                if ($part instanceof Spacer && $part->turns()) {
                    self::assertEquals($part->identity->rear, $turned->chain[$i]->identity->front);
                    self::assertEquals($part->identity->front, $turned->chain[$i]->identity->rear);
                    self::assertEquals($part, Arrangement::of($turned)->turning($i)->rig($turned)->chain[$i] instanceof Spacer ? $part : null);

                    continue;
                }
                if (! $part instanceof Lens) {
                    self::assertSame($part, $turned->chain[$i]);

                    continue;
                }
                $other = $turned->chain[$i];
                self::assertInstanceOf(Lens::class, $other);
                self::assertSame(! $part->reversed, $other->reversed);
                self::assertSame($rig->setting->focus[$i] ?? null, $turned->setting->focus[$i] ?? null);
                $lenses++;
            }
        }
        self::assertGreaterThan(200, $lenses);
    }

    public function test_the_working_lens_stays_the_working_lens(): void
    {
        $lens = ['kind' => 'lens', 'focalLengthMm' => 50, 'registerMm' => 44.5, 'frontRimMm' => 40, 'aperture' => ['widest' => 2, 'smallest' => 16]];
        $rig = RigMaker::chain([$lens, ['kind' => 'coupling-ring', 'lengthMm' => 5], ['reversed' => true, 'set' => ['working' => true]] + $lens]);
        self::assertSame(2, $rig->workingLens());
        $longer = Arrangement::of($rig)->inserting(0, [self::ring()])->rig($rig);
        self::assertSame(3, $longer->workingLens());
        self::assertSame(2, $longer->without([0])->workingLens());
        // With it gone, the one nearest the camera works.
        self::assertSame(1, $longer->without([3])->workingLens());
        self::assertNull($longer->without([1, 3])->workingLens());
    }

    /** Number of places that a ring can go before: a port stands last, and only wet close-up lenses follow it. */
    private static function lastPlace(Rig $rig): int
    {
        foreach ($rig->chain as $i => $part) {
            if ($part->kind === \ZincThimble\Core\Gear\Kind::Port) {
                return $i;
            }
        }

        return count($rig->chain);
    }

    /** @return list<array<string, mixed>> part by part: what it is, and how each of its controls stands */
    private static function settings(Rig $rig): array
    {
        $told = [];
        foreach ($rig->chain as $i => $part) {
            $told[] = ['part' => spl_object_id($part), 'kind' => $part->kind->value]
                + array_combine(array_map(static fn (TravelKind $kind): string => $kind->value, TravelKind::cases()), array_map(static fn (TravelKind $kind): ?float => $rig->setting->of($kind, $i), TravelKind::cases()));
        }

        return $told;
    }

    private static function ring(): Part
    {
        return RigMaker::chain([['kind' => 'tube', 'lengthMm' => 7]])->chain[0];
    }
}
