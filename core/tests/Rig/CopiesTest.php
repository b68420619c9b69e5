<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Rig;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\LensShot;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Report\RigReport;
use ZincThimble\Core\Report\Sweep;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Setting;
use ZincThimble\Core\Rig\Settling;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Rig\Travels;
use ZincThimble\Core\Tests\RigMaker;

/** A rig is never changed: what is set otherwise is another rig, and the first reads what it read. */
final class CopiesTest extends TestCase
{
    public function test_nothing_that_is_made_from_a_rig_changes_it(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $moved = 0;
        for ($n = 0; $n < 300; $n++) {
            $rig = $make->rig();
            $before = serialize(self::state($rig));
            $reads = Reading::of($rig);
            foreach (Travels::of($rig) as $travel) {
                $other = $rig->with($travel->kind, $travel->part, $make->number($travel->least, $travel->greatest));
                self::assertNotSame($rig, $other);
                self::assertNotSame($rig->setting, $other->setting);
                $moved++;
            }
            foreach ($rig->chain as $i => $part) {
                $rig->without([$i]);
                if ($part instanceof Lens) {
                    $rig->withLens($i, Settling::settle($part, null));
                    $rig->withPart($i, $part->turned());
                    $part->figures->withShots([new LensShot(44.5, 20.0)]);
                    $rig->lenses[$i]->moved(0, 1.0);
                    $rig->lenses[$i]->withPupilRatio(2.0);
                    $rig->lenses[$i]->withBend(0.1, 1.0);
                    $rig->lenses[$i]->withApertureShift(0.2);
                }
            }
            RigReport::of($rig);
            self::assertSame($before, serialize(self::state($rig)), (string) $rig->name);
            self::assertEquals($reads, Reading::of($rig), (string) $rig->name);
        }
        self::assertGreaterThan(300, $moved);
    }

    public function test_a_sweep_leaves_its_rig_as_it_was(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        for ($n = 0; $n < 40; $n++) {
            $rig = $make->rig();
            $before = serialize(self::state($rig));
            foreach (Travels::of($rig) as $travel) {
                Sweep::of($rig, $travel);
            }
            self::assertSame($before, serialize(self::state($rig)), (string) $rig->name);
        }
    }

    public function test_a_copy_differs_in_what_was_asked_and_in_nothing_else(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        for ($n = 0; $n < 300; $n++) {
            $rig = $make->rig();
            foreach (Travels::of($rig) as $travel) {
                $value = $make->number($travel->least, $travel->greatest);
                $other = $rig->with($travel->kind, $travel->part, $value);
                self::assertSame($value, $other->setting->of($travel->kind, $travel->part));
                foreach (TravelKind::cases() as $kind) {
                    foreach (array_keys($rig->chain) as $place) {
                        if ($kind !== $travel->kind || $place !== $travel->part) {
                            self::assertSame($rig->setting->of($kind, $place), $other->setting->of($kind, $place));
                        }
                    }
                }
                self::assertSame([$rig->camera, $rig->chain, $rig->conditions, $rig->totals], [$other->camera, $other->chain, $other->conditions, $other->totals]);
                // Only a zoom that was turned is another lens.
                self::assertSame($travel->kind === TravelKind::Zoom, $other->lenses !== $rig->lenses);
                self::assertEquals(self::setAnew($rig, $travel, $value), Reading::of($other), $rig->name.' '.$travel->name());
            }
        }
    }

    public function test_an_untouched_setting_says_nothing_of_anything(): void
    {
        foreach (TravelKind::cases() as $kind) {
            self::assertNull(Setting::untouched()->of($kind, 0));
            self::assertSame(3.5, Setting::untouched()->with($kind, 2, 3.5)->of($kind, 2));
        }
    }

    /** The reading of the same rig built from its parts once more, with that control set. */
    private static function setAnew(Rig $rig, Travel $travel, float $value): Reading
    {
        return Reading::of($rig->withSetting($rig->setting->with($travel->kind, $travel->part, $value)));
    }

    /** @return array<string, mixed> all that a rig is made of, without the closures of nobody */
    private static function state(Rig $rig): array
    {
        return [get_object_vars($rig->setting), array_map(get_object_vars(...), $rig->lenses), array_map(static fn ($part): string => $part::class, $rig->chain), $rig->name, $rig->blurLimitMm];
    }
}
