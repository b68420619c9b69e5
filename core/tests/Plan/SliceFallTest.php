<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Plan;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Plan\SliceFall;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\Subject;
use ZincThimble\Core\Tests\KitRigs;
use ZincThimble\Core\Tests\RigMaker;

/** One shot of a deep subject is focused where both of its ends are blurred alike, counted from its nearest point. */
final class SliceFallTest extends TestCase
{
    public function test_both_ends_lie_as_far_from_being_sharp(): void
    {
        $rigs = KitRigs::ofTheDemonstration(RigMaker::seeded(__METHOD__));
        $seen = 0;
        $uneven = 0;
        for ($n = 0; $n < 200; $n++) {
            $rig = $rigs->rig()->withSubject(Subject::from(new Values(['depthMm' => 3.0])));
            $reading = Reading::of($rig);
            $fall = SliceFall::of($rig, $reading);
            if ($fall === null) {
                $this->assertNull($reading->subjectDistanceMm);

                continue;
            }
            $this->assertSame([3.0, 0.0], [$fall->depthMm, $fall->sagMm]);
            if ($reading->nearMm !== null && $reading->nearMm > 0.0 && $reading->farMm !== null) {
                $seen++;
                $uneven += abs($fall->focusedAt - 0.5) > 0.01 ? 1 : 0;
                // What lies before the plane, in slices to the near side, is what lies behind it, in slices to the far side.
                $this->assertEqualsWithDelta(3.0 * $fall->focusedAt / $reading->nearMm, 3.0 * (1.0 - $fall->focusedAt) / $reading->farMm, 1e-9 * max(1.0, 3.0 / $reading->nearMm));
            }
        }
        $this->assertGreaterThan(100, $seen);
        $this->assertGreaterThan(3, $uneven);
    }

    public function test_a_curved_one_goes_from_its_nearest_point_to_its_sag_and_a_flat_one_is_its_plane(): void
    {
        $rig = RigMaker::made(['format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => ['joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24]], 'chain' => [
            ['kind' => 'tube', 'rear' => 'larch', 'front' => 'larch', 'lengthMm' => 100],
            ['kind' => 'lens', 'rear' => 'larch', 'focalLengthMm' => 100, 'registerMm' => 44.5, 'frontRimMm' => 80, 'focusing' => 'fixed', 'design' => 'symmetrical', 'pupilRatio' => 1.0, 'aperture' => ['widest' => 4, 'smallest' => 22, 'control' => 'ring']],
        ]]);
        $of = static function (array $subject) use ($rig): ?SliceFall {
            $before = $rig->withSubject(Subject::from(new Values($subject)));

            return SliceFall::of($before, Reading::of($before));
        };
        // 36 mm of a ball of 30 mm: 30 - sqrt(900 - 324) = 6 mm.
        $ball = $of(['radiusMm' => 30.0, 'depthMm' => 1.0]);
        $this->assertNotNull($ball);
        $this->assertEqualsWithDelta(6.0, $ball->sagMm, 1e-6);
        $this->assertEqualsWithDelta(7.0, $ball->depthMm, 1e-6);
        $this->assertSame(0.0, $of(['flat' => true])?->depthMm);
        $this->assertNull($of(['widthMm' => 10.0]));
        $this->assertNull(SliceFall::of($rig, Reading::of($rig)));
    }
}
