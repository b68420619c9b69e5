<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Drawing;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Drawing\Layout;
use ZincThimble\Core\Gear\Teleconverter;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Optics\Image;
use ZincThimble\Core\Reading\Balance;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Tests\Near;
use ZincThimble\Core\Tests\RigMaker;

/** The drawing is true to scale: parts stand against each other, and the distances drawn are the ones read. */
final class LayoutTest extends TestCase
{
    public function test_parts_stand_end_to_end_from_the_mount_to_the_tip(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        for ($n = 0; $n < 500; $n++) {
            [$rig, , $plan] = self::drawn($make);
            $at = $plan['camera']['frontMm'];
            self::assertSame($rig->camera->registerMm, $at);
            foreach ($plan['parts'] as $i => $part) {
                self::assertEqualsWithDelta($at, $part['rearMm'], 1e-9, $rig->name.' '.$i);
                $at = $part['frontMm'];
                self::assertGreaterThan(0.0, $part['frontOuterMm']);
                self::assertGreaterThan(0.0, $part['rearOuterMm']);
                self::assertGreaterThanOrEqual(max($part['frontOuterMm'], $part['rearOuterMm']) - 1e-9, max($part['outerMm'], $part['frontOuterMm'], $part['rearOuterMm']));
            }
            self::assertEqualsWithDelta($at, $plan['tipMm'], 1e-9, (string) $rig->name);
        }
    }

    public function test_what_is_drawn_is_what_is_read(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $real = 0;
        for ($n = 0; $n < 500; $n++) {
            [$rig, $reading, $plan] = self::drawn($make);
            if ($reading->image !== Image::Real) {
                self::assertNull($plan['subjectMm']);

                continue;
            }
            $real++;
            $distant = 1e-9 * (1.0 + abs((float) $plan['subjectMm']));
            self::assertEqualsWithDelta($reading->workingDistanceMm, $plan['subjectMm'] - $plan['tipMm'], $distant, 'working distance of '.$rig->name);
            if ($plan['entrancePupilMm'] !== null) {
                self::assertEqualsWithDelta($reading->entrancePupilMm, $plan['subjectMm'] - $plan['entrancePupilMm'], 1e-9 * (1.0 + abs((float) $reading->entrancePupilMm) + abs((float) $plan['subjectMm'])), 'pupil of '.$rig->name);
            }
            // The corner's ray meets the subject where the field ends: upside down, unless the picture is relayed.
            self::assertNotNull($plan['cornerAtSubjectMm']);
            self::assertSame($reading->erect, $plan['cornerAtSubjectMm'] > 0.0);
            Near::assert(hypot((float) $reading->fieldWidthMm, (float) $reading->fieldHeightMm) / 2.0, abs($plan['cornerAtSubjectMm']), 1e-9, 'field of '.$rig->name);
        }
        self::assertGreaterThan(250, $real);
    }

    public function test_the_cone_leaves_every_group_as_high_as_it_enters_and_is_as_wide_as_the_aperture(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $cones = 0;
        for ($n = 0; $n < 500; $n++) {
            [$rig, $reading, $plan] = self::drawn($make);
            $first = $plan['groups'][0] ?? null;
            if ($first === null || $first['cone'] === null || $reading->effectiveAperture === null) {
                continue;
            }
            // From the middle of the sensor to the first group it opens by 1/(2 Neff), a converter's factor aside.
            $axis = Axis::of($rig);
            Near::assert($axis->zi[0] / (2.0 * $reading->effectiveAperture / $axis->factor), $first['cone'], 1e-9, 'cone of '.$rig->name);
            $cones++;
        }
        self::assertGreaterThan(250, $cones);
    }

    public function test_the_balance_point_carries_the_whole_rig(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        for ($n = 0; $n < 300; $n++) {
            [$rig, $reading, $plan] = self::drawn($make);
            $point = Balance::balancePoint($rig, Axis::of($rig));
            self::assertNotNull($point);
            self::assertSame($point[0], $plan['balanceMm']);
            Near::assert($rig->totals->massG, $point[1], 1e-12, 'mass of '.$rig->name);
            // Moments about it cancel: what hangs on the mount, and the camera behind it.
            if ($reading->momentAtMountNm !== null && ! $rig->chain[0] instanceof Teleconverter) {
                $mount = $rig->camera->registerMm;
                $camera = (float) $rig->camera->massG;
                $others = (float) $rig->totals->massG - $camera;
                $back = $plan['camera']['backMm'];
                $sum = $camera * (($mount + $back) / 2.0 - $point[0]) + $reading->momentAtMountNm / 9.81e-6 - $others * ($point[0] - $mount);
                self::assertEqualsWithDelta(0.0, $sum, 1e-6 * (1.0 + abs($camera * $point[0])), (string) $rig->name);
            }
        }
    }

    /** @return array{Rig, Reading, array<string, mixed>} */
    private static function drawn(RigMaker $make): array
    {
        $rig = $make->rig();
        $axis = Axis::of($rig);
        $reading = Reading::along($rig, $axis);

        return [$rig, $reading, Layout::of($rig, $axis, $reading)];
    }
}
