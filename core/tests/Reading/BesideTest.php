<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Reading;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Drawing\Layout;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Reading\BellowsMovements;
use ZincThimble\Core\Reading\Beside;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Report\RigReport;
use ZincThimble\Core\Report\Sweep;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Rig\Travels;
use ZincThimble\Core\Tests\RigMaker;

/** What stands beside the strips: glass together, a full frame, and a swung or shifted bellows, against plain geometry. */
final class BesideTest extends TestCase
{
    private const CAMERA = ['name' => 'Body', 'joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 24, 'heightMm' => 16, 'columns' => 6000, 'rows' => 4000]];

    private const BELLOWS = ['kind' => 'bellows', 'name' => 'Bellows', 'rear' => 'larch', 'front' => 'larch', 'minMm' => 40, 'maxMm' => 200, 'setMm' => 90, 'maxSwingDeg' => 20, 'maxShiftMm' => 20];

    private const LENS = ['kind' => 'lens', 'name' => 'Hundred', 'rear' => 'larch', 'front' => 'thread:52x0.75', 'focalLengthMm' => 100, 'registerMm' => 44.5, 'frontRimMm' => 60,
        'focusing' => 'fixed', 'design' => 'symmetrical', 'principalGapMm' => 0, 'pupilRatio' => 1, 'aperture' => ['widest' => 4, 'smallest' => 22, 'control' => 'ring']];

    public function test_glass_together_has_the_focal_length_of_two_thin_lenses(): void
    {
        // The lens's plane stands 100 mm before its film, its rim 60 mm before its mount: 4.5 mm before the plane, and the glass 3 mm on.
        $rig = self::rig([self::LENS, ['kind' => 'close-up-lens', 'name' => 'Glass', 'rear' => 'thread:52x0.75', 'front' => 'thread:52x0.75', 'powerD' => 2, 'thicknessMm' => 6, 'planeFromFrontMm' => 3]]);
        $apart = 44.5 + 60 + 3 - 100;
        $this->assertEqualsWithDelta(1 / (1 / 100 + 1 / 500 - $apart / (100 * 500)), RigReport::of($rig)->figures()['combinedFocalLengthMm'], 1e-9);
        $this->assertEqualsWithDelta(100.0, RigReport::of(self::rig([self::BELLOWS, self::LENS]))->figures()['combinedFocalLengthMm'], 1e-9);
        $converter = ['kind' => 'teleconverter', 'name' => 'Converter', 'rear' => 'larch', 'front' => 'larch', 'factor' => 1.4, 'lengthMm' => 20];
        $this->assertEqualsWithDelta(140.0, RigReport::of(self::rig([$converter, self::BELLOWS, self::LENS]))->figures()['combinedFocalLengthMm'], 1e-9);
        $this->assertNull(RigReport::of(self::rig([['kind' => 'tube', 'name' => 'Tube', 'rear' => 'larch', 'front' => 'larch', 'lengthMm' => 20]]))->figures()['combinedFocalLengthMm']);
    }

    public function test_a_full_frame_shows_the_same_width_at_36_over_this_width(): void
    {
        $figures = RigReport::of(self::rig([self::BELLOWS, self::LENS]))->figures();
        $this->assertEqualsWithDelta(0.9, $figures['magnification'], 1e-9);
        $this->assertEqualsWithDelta(0.9 * 1.5, $figures['fullFrameMagnification'], 1e-9);
        $this->assertEqualsWithDelta(36.0 / (float) $figures['fieldWidthMm'], $figures['fullFrameMagnification'], 1e-9);
    }

    public function test_nothing_is_told_of_movements_where_nothing_moves(): void
    {
        $figures = RigReport::of(self::rig([self::BELLOWS, self::LENS]))->figures();
        $this->assertNull($figures['planeTiltDeg']);
        $this->assertNull($figures['fieldMovesMm']);
    }

    /** A thin lens swung and shifted, by its vertex and the line that plane, sensor and sharp plane share. */
    public function test_the_field_and_the_sharp_plane_lie_where_plain_geometry_has_them(): void
    {
        foreach ([[0.0, 6.0], [2.0, 0.0], [-1.5, 4.0]] as [$swing, $shift]) {
            $rig = self::rig([['swingDeg' => $swing, 'shiftMm' => $shift] + self::BELLOWS, self::LENS]);
            $figures = RigReport::of($rig)->figures();
            $m = (float) $figures['magnification'];
            $pivot = 44.5 + 90.0;
            $alpha = deg2rad($swing);
            // The principal plane stands 190 mm from the sensor, 55.5 before the pivot, and is carried along.
            $z = $pivot + 55.5 * cos($alpha);
            $y = $shift + 55.5 * sin($alpha);
            [$nz, $ny] = [cos($alpha), sin($alpha)];
            $image = $z * $nz + $y * $ny;
            $away = 1 / (1 / 100 - 1 / $image);
            $objectY = $y + $y * $away / $image;
            $this->assertEqualsWithDelta($objectY, $figures['fieldMovesMm'], 0.01 * abs($objectY) + 0.02, "swing {$swing} shift {$shift}");
            if ($swing !== 0.0) {
                $objectZ = $z + $z * $away / $image;
                // Lens plane: points p with (p - H) n = 0; on the sensor z = 0.
                $shared = $y + $z * $nz / $ny;
                $tilt = rad2deg(atan2($objectZ, $shared - $objectY));
                $tilt = $swing > 0 ? $tilt : $tilt - 180.0;
                $this->assertEqualsWithDelta($tilt, $figures['planeTiltDeg'], 0.02 * abs($tilt), "swing {$swing} shift {$shift}");
                $this->assertEqualsWithDelta(BellowsMovements::planeTiltToSensorDeg($m, $swing), $figures['planeTiltDeg'], 1e-12);
            } else {
                $this->assertEqualsWithDelta(0.0, $figures['planeTiltDeg'], 1e-12);
            }
        }
    }

    public function test_the_drawing_is_told_what_swings_where_and_by_how_much(): void
    {
        $rig = self::rig([['swingDeg' => 3, 'shiftMm' => 5] + self::BELLOWS, self::LENS]);
        $axis = Axis::of($rig);
        $reading = Reading::along($rig, $axis);
        $figures = RigReport::of($rig)->figures();
        $this->assertSame(['part' => 0, 'pivotMm' => 134.5, 'swingDeg' => 3.0, 'shiftMm' => 5.0, 'planeTiltDeg' => $figures['planeTiltDeg'], 'fieldMovesMm' => $figures['fieldMovesMm']], Layout::of($rig, $axis, $reading)['movement']);
        $still = self::rig([self::BELLOWS, self::LENS]);
        $this->assertNull(Layout::of($still, Axis::of($still), Reading::of($still))['movement']);
    }

    public function test_along_every_control_it_is_what_each_place_reads(): void
    {
        $rig = self::rig([['swingDeg' => 3, 'shiftMm' => 5] + self::BELLOWS, self::LENS]);
        $seen = [];
        foreach (Travels::of($rig) as $travel) {
            $sweep = Sweep::of($rig, $travel);
            $columns = $sweep->readings($rig);
            foreach ([0, intdiv(count($sweep->positions), 3), count($sweep->positions) - 1] as $row) {
                $set = $rig->with($travel->kind, $travel->part, $sweep->positions[$row]);
                $axis = Axis::of($set);
                $reading = Reading::along($set, $axis);
                foreach (Beside::of($set, $axis, $reading) as $name => $value) {
                    $this->assertEqualsWithDelta($value, $columns[$name][$row], 1e-6, "{$travel->name()} {$name} {$row}");
                }
                $this->assertEqualsWithDelta(Beside::onFullFrame($reading->magnification, $set->frame), $columns['fullFrameMagnification'][$row], 1e-6);
            }
            $seen[] = $travel->kind;
        }
        $this->assertContains(TravelKind::Swing, $seen);
        $this->assertContains(TravelKind::Shift, $seen);
    }

    /** @param  list<array<string, mixed>>  $chain */
    private static function rig(array $chain): Rig
    {
        return RigMaker::made(['format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => self::CAMERA, 'chain' => $chain]);
    }
}
