<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Plan;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Plan\AsEngraved;
use ZincThimble\Core\Plan\ReadOff;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Setting;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Tests\KitRigs;
use ZincThimble\Core\Tests\RigMaker;

final class ReadOffTest extends TestCase
{
    /** What one way says, the other way reads: whatever the rig stood at before, it says the same afterwards. */
    public function test_what_is_said_is_read_back_as_it_was_said(): void
    {
        $make = RigMaker::seeded(self::class);
        $rigs = KitRigs::ofTheDemonstration($make);
        $read = 0;
        for ($n = 0; $n < 300; $n++) {
            $rig = $rigs->rig();
            $scales = [];
            foreach ($rig->chain as $i => $part) {
                $reads = AsEngraved::of($rig, $i);
                if ($reads !== '') {
                    $scales[] = new Values(['part' => $part->label(), 'reads' => $reads]);
                }
            }
            $untouched = $rig->withSetting(Setting::untouched());
            $back = ReadOff::of($untouched, $scales);
            $this->assertSame([], $back->unread, AsEngraved::title($rig));
            foreach ($rig->chain as $i => $part) {
                $this->assertSame(AsEngraved::of($rig, $i), AsEngraved::of($back->rig, $i), AsEngraved::title($rig));
                $read += AsEngraved::of($rig, $i) !== AsEngraved::of($untouched, $i) ? 1 : 0;
            }
        }
        $this->assertGreaterThan(150, $read, 'Most rigs have something set.');
    }

    /** @return array<string, array{int, string, TravelKind, float}> */
    public static function words(): array
    {
        return [
            'a draw' => [0, 'draw 84.5 mm', TravelKind::Length, 124.5],
            'with a narrow space' => [0, "draw 84.5\u{202f}mm", TravelKind::Length, 124.5],
            'as it is typed' => [0, '84,5', TravelKind::Length, 124.5],
            'turns of a helicoid' => [1, '1.25 turns', TravelKind::Length, 11.25],
            'one turn' => [1, '1 turn', TravelKind::Length, 11.0],
            'a stop' => [2, 'f/5.6', TravelKind::Aperture, 5.6],
            'a stop as it is typed' => [2, 'f 8', TravelKind::Aperture, 8.0],
            'a ring in metres' => [2, 'ring at 1 m', TravelKind::Focus, 0.3714],
            'a ring in mm' => [2, 'f/8, ring at 1,000 mm', TravelKind::Focus, 0.3714],
            'infinity' => [2, 'ring at ∞', TravelKind::Focus, 0.0],
            'a little under the least that three digits tell' => [0, 'draw 9.99 mm', TravelKind::Length, 50.0],
        ];
    }

    #[DataProvider('words')]
    public function test_each_way_of_saying_it(int $part, string $reads, TravelKind $kind, float $value): void
    {
        $set = ReadOff::set(self::rig(), $part, $reads);
        $this->assertNotNull($set);
        $this->assertEqualsWithDelta($value, $set->setting->of($kind, $part), $kind === TravelKind::Focus ? 0.001 : 1e-9);
    }

    /** @return array<string, array{int, string}> */
    public static function nonsense(): array
    {
        return [
            'no figure' => [0, 'about half way'], 'two points' => [0, 'draw 8.4.5 mm'], 'further than it goes' => [0, 'draw 152 mm'], 'nearer than it goes' => [0, 'draw 9 mm'],
            'a stop of a bellows' => [0, 'f/8'], 'too many turns' => [1, '21 turns'], 'a stop that no lens has' => [2, 'f/0.4'], 'nearer than its closest' => [2, 'ring at 436 mm'],
            'a zoom that it hasn’t' => [2, 'zoom 50 mm'], 'a figure without a word' => [2, '8'], 'one word right and one wrong' => [2, 'f/8, somewhere'],
        ];
    }

    #[DataProvider('nonsense')]
    public function test_what_cant_be_read_or_reached_is_not_guessed(int $part, string $reads): void
    {
        $this->assertNull(ReadOff::set(self::rig(), $part, $reads));
    }

    public function test_parts_that_are_not_there_and_the_second_of_a_name(): void
    {
        $rig = self::rig();
        $two = $rig->withChain([$rig->chain[1], $rig->chain[1], $rig->chain[2]], Setting::untouched());
        $of = static fn (string $part, string $reads): Values => new Values(['part' => $part, 'reads' => $reads]);
        $read = ReadOff::of($two, [$of('Helicoid', '0.5 turns'), $of('Helicoid', '2 turns'), $of('Tube', '3 mm'), $of('Lens', 'soft')]);
        $this->assertSame(['Tube', 'Lens'], $read->unread);
        $this->assertEqualsWithDelta([10.5, 12.0], [$read->rig->lengthMm(0), $read->rig->lengthMm(1)], 1e-9);
        // The unit may stand by itself.
        $this->assertEqualsWithDelta(11.5, ReadOff::of($rig, [new Values(['part' => 'Helicoid', 'reads' => '1.5', 'unit' => 'turns'])])->rig->lengthMm(1), 1e-9);
    }

    private static function rig(): Rig
    {
        return RigFile::read(json_decode((string) json_encode([
            'format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => ['name' => 'Body', 'registerMm' => 44, 'mount' => ['type' => 'Fen'], 'sensor' => ['widthMm' => 24, 'heightMm' => 16]],
            'chain' => [
                ['kind' => 'bellows', 'name' => 'Bellows', 'minMm' => 50, 'maxMm' => 190, 'setMm' => 60, 'scaleZeroMm' => 40],
                ['kind' => 'helicoid', 'name' => 'Helicoid', 'minMm' => 10, 'maxMm' => 30, 'setMm' => 20, 'pitchMm' => 1],
                ['kind' => 'lens', 'name' => 'Lens', 'focalLengthMm' => 50, 'principalGapMm' => 0, 'frontRimMm' => 30, 'focusing' => 'unit', 'maxMagnification' => 0.15, 'aperture' => ['widest' => 2, 'smallest' => 16], 'set' => ['focus' => 0.5]],
            ],
        ])));
    }
}
