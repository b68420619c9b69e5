<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Optics;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Optics\AxialSampler;
use ZincThimble\Core\Optics\Image;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Tests\Near;
use ZincThimble\Core\Tests\RigMaker;

/** The axial ray over many places at once, by lines, curves or step by step, is the ray of the rig set there. */
final class AxialSamplerTest extends TestCase
{
    public function test_columns_say_of_every_place_what_the_rig_set_there_reads(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $seen = [];
        for ($n = 0; $n < 400; $n++) {
            $rig = $make->rig();
            $travels = array_slice($rig->focusTravels(), 0, 3);
            $axes = array_map(static fn (Travel $travel): array => [$travel->least, $make->number($travel->least, $travel->greatest), $travel->greatest], $travels);
            $seen[count($travels)] = ($seen[count($travels)] ?? 0) + 1;
            [$slopes, $magnifications, $workings, $subjects, $infinite] = (new AxialSampler($rig, $travels))->columns($axes);
            self::assertCount(3 ** count($travels), $slopes);
            $anyInfinite = false;
            foreach (array_keys($slopes) as $row) {
                $moved = $rig;
                $rest = $row;
                foreach ($travels as $a => $travel) {
                    $moved = $moved->with($travel->kind, $travel->part, $axes[$a][$rest % 3]);
                    $rest = intdiv($rest, 3);
                }
                $reading = Reading::of($moved);
                $what = $rig->name.' row '.$row;
                $anyInfinite = $anyInfinite || $reading->image === Image::AtInfinity;
                if ($reading->image !== Image::Real) {
                    self::assertSame([null, null, null], [$magnifications[$row], $workings[$row], $subjects[$row]], $what);

                    continue;
                }
                Near::assert($reading->magnification, $magnifications[$row], 1e-9, $what.' M');
                // Where the image is nearly at infinity, distances lose digits to cancellation.
                $digits = $reading->magnification > 1e-3 ? 1e-7 : 1e-3;
                $scale = max(1.0, abs((float) $reading->subjectDistanceMm));
                self::assertEqualsWithDelta($reading->workingDistanceMm, $workings[$row], $digits * $scale, $what.' working distance');
                self::assertEqualsWithDelta($reading->subjectDistanceMm, $subjects[$row], $digits * $scale, $what.' subject distance');
            }
            self::assertSame($anyInfinite, $infinite, (string) $rig->name);
        }
        foreach ([0, 1, 2, 3] as $many) {
            self::assertGreaterThan(0, $seen[$many] ?? 0, $many.' travels');
        }
    }

    public function test_a_travel_that_goes_nowhere_is_read_where_it_stands(): void
    {
        $rig = RigMaker::chain([['kind' => 'helicoid', 'minMm' => 20, 'maxMm' => 20], ['kind' => 'lens', 'focalLengthMm' => 50, 'registerMm' => 44.5, 'frontRimMm' => 40, 'focusing' => 'fixed']]);
        $travels = $rig->focusTravels();
        self::assertCount(1, $travels);
        [, $magnifications] = (new AxialSampler($rig, $travels))->columns([[20.0]]);
        Near::assert(Reading::of($rig)->magnification, $magnifications[0], 1e-12, 'M');
    }
}
