<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Report;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Report\Contribution;
use ZincThimble\Core\Rig\Arrangement;
use ZincThimble\Core\Tests\KitRigs;
use ZincThimble\Core\Tests\RigMaker;

/** What each part adds, against the rig that is put together without it. */
final class ContributionTest extends TestCase
{
    public function test_a_tube_adds_its_length_over_the_focal_length(): void
    {
        $rig = RigMaker::made(['format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => ['joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24]], 'chain' => [
            ['kind' => 'tube', 'name' => 'Long', 'rear' => 'larch', 'front' => 'larch', 'lengthMm' => 30], ['kind' => 'tube', 'name' => 'Short', 'rear' => 'larch', 'front' => 'larch', 'lengthMm' => 12],
            ['kind' => 'lens', 'name' => 'Sixty', 'rear' => 'larch', 'focalLengthMm' => 60, 'registerMm' => 44.5, 'frontRimMm' => 40, 'focusing' => 'fixed', 'design' => 'symmetrical', 'pupilRatio' => 1, 'aperture' => ['widest' => 4, 'smallest' => 22]],
        ]]);
        [$long, $short] = Contribution::all($rig);
        $this->assertSame([0, 1], [$long->part, $short->part]);
        $this->assertEqualsWithDelta(30 / 60, $long->magnification, 1e-9);
        $this->assertEqualsWithDelta(12 / 60, $short->magnification, 1e-9);
        $this->assertLessThan(0.0, $long->workingDistanceMm, 'it takes room');
        // Effective: N (1 + m).
        $this->assertEqualsWithDelta(2 * log((1 + 0.7) / (1 + 0.2), 2), $long->stops, 1e-9);
        $this->assertCount(2, Contribution::all($rig), 'a lens adds all there is');
    }

    public function test_it_is_the_difference_to_the_rig_without_the_part(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $rigs = KitRigs::ofTheDemonstration($make);
        $seen = 0;
        for ($n = 0; $n < 60; $n++) {
            $rig = $rigs->rig();
            $whole = Reading::onAxis($rig);
            foreach (Contribution::all($rig) as $one) {
                // A converter or a port stands elsewhere without what is behind it, and the working diaphragm may be another's.
                if (in_array($rig->chain[$one->part]->kind, [Kind::Teleconverter, Kind::Port], true)) {
                    continue;
                }
                $rest = Reading::onAxis(Arrangement::of($rig)->without([$one->part])->rig($rig));
                $this->assertEqualsWithDelta((float) $whole->magnification - (float) $rest->magnification, $one->magnification, 1e-9, $rig->chain[$one->part]->label());
                $this->assertEqualsWithDelta((float) $whole->workingDistanceMm - (float) $rest->workingDistanceMm, $one->workingDistanceMm, 1e-6);
                $seen++;
            }
        }
        $this->assertGreaterThan(40, $seen);
    }
}
