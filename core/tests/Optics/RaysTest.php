<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Optics;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Optics\BendingRays;
use ZincThimble\Core\Optics\Image;
use ZincThimble\Core\Optics\MovingOpening;
use ZincThimble\Core\Optics\MovingPart;
use ZincThimble\Core\Optics\Rays;
use ZincThimble\Core\Optics\SplitSystem;
use ZincThimble\Core\Optics\StraightRays;
use ZincThimble\Core\Report\RigReport;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Tests\Near;
use ZincThimble\Core\Tests\RigMaker;

/** What readings are told from is the same however it is come by: laid out anew, cut and carried along, as lines, or in one loop. */
final class RaysTest extends TestCase
{
    private const POSITIONS = 12;

    public function test_a_throat_at_the_sensor_itself_bounds_no_light(): void
    {
        foreach ([[], [['kind' => 'lens', 'name' => 'Lens', 'focalLengthMm' => 50, 'frontRimMm' => 40]]] as $chain) {
            $rig = RigMaker::made(['format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => ['joint' => 'larch', 'registerMm' => 0, 'throatMm' => 40, 'sensor' => ['widthMm' => 36, 'heightMm' => 24]], 'chain' => $chain]);
            $axis = Axis::of($rig);
            $this->assertSame([-1, 0.0], [$axis->stop, $axis->number]);
            $this->assertNull(RigReport::of($rig)->reading->effectiveAperture);
        }
    }

    public function test_all_ways_give_the_same_numbers(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $straight = $bending = 0;
        for ($n = 0; $n < 400; $n++) {
            $rig = $make->rig();
            foreach ($rig->focusTravels() as $travel) {
                $positions = array_map(static fn (int $k): float => $travel->least + ($travel->greatest - $travel->least) * $k / (self::POSITIONS - 1), range(0, self::POSITIONS - 1));
                $first = $rig->with($travel->kind, $travel->part, $positions[0]);
                $axis = Axis::of($first);
                if ($axis->unmodelled) {
                    continue;
                }
                $split = new SplitSystem($axis, $first, $travel);
                $moving = MovingPart::along($split, $rig, $travel, $positions);
                $rays = Rays::along($split, $moving, MovingOpening::all($split, $moving));
                $lines = StraightRays::of($split, $rig, $travel);
                if ($lines !== null) {
                    $straight++;
                } else {
                    $bending++;
                }
                $rows = $lines === null ? BendingRays::of($split, $rig, $travel, $positions)->rays : null;
                foreach ($positions as $row => $position) {
                    $what = $rig->name.' '.$travel->name().' '.$position;
                    $near = $this->traced($rig, $travel, $position, $rays, $row, $what);
                    $told = $lines === null ? array_slice($rows ?? [], 4 * $row, 4) : self::onLines($lines->about($position), $position);
                    // Near parallel the kind of image may fall either way by rounding.
                    if (! $near) {
                        $this->assertSame($rays->slope[$row] <=> 0.0, $told[0] <=> 0.0, $what.' kind of image');
                    }
                    if ($near || $rays->slope[$row] <= 0.0) {
                        continue;
                    }
                    Near::assert($rays->slope[$row], $told[0], 1e-7, $what.' slope');
                    Near::assert($rays->number[$row], $told[1], 1e-7, $what.' number');
                    $this->assertEqualsWithDelta($rays->height[$row], $told[2], 1e-7 * (1.0 + abs($rays->height[$row])), $what.' height');
                    $this->assertEqualsWithDelta($rays->invariant[$row], $told[3], 1e-7 * (1.0 + abs($rays->invariant[$row])), $what.' invariant');
                }
            }
        }
        $this->assertGreaterThan(100, $straight);
        $this->assertGreaterThan(50, $bending);
    }

    /** Against the same rig laid out with the travel there, and both rays traced; whether the light is nearly parallel in front. */
    private function traced(Rig $rig, Travel $travel, float $position, Rays $rays, int $row, string $what): bool
    {
        $axis = Axis::of($rig->with($travel->kind, $travel->part, $position));
        if (abs($axis->t) < 1e-6) {
            return true;
        }
        $this->assertSame(match (Image::of($axis->y, $axis->t)) {
            Image::Real => 1,
            Image::AtInfinity => 0,
            Image::None => -1,
        }, $rays->slope[$row] <=> 0.0, $what.' kind of image');
        $this->assertSame($rays->slope[$row] <=> 0.0, $axis->slope <=> 0.0, $what.' kind of image');
        if ($axis->image !== Image::Real) {
            return false;
        }
        Near::assert($axis->slope, $rays->slope[$row], 1e-7, $what.' slope, traced');
        Near::assert($axis->number, $rays->number[$row], 1e-7, $what.' number, traced');
        foreach (['height' => $axis->height, 'invariant' => $axis->invariant, 'chief' => $axis->chief] as $name => $value) {
            $this->assertEqualsWithDelta($value, $rays->{$name}[$row], 1e-6 * (1.0 + abs((float) $value)), $what.' '.$name.', traced');
        }
        $this->assertSame($axis->isTelecentric() ? $axis->naPart : ($axis->stop < 0 ? null : $axis->openPart[$axis->stop]), $rays->stopPart[$row], $what.' stop');
        Near::assert($axis->front + $axis->converterMm, $rays->metalMm[$row], 1e-9, $what.' metal');
        // Lagrange's invariant: where the chief ray crosses the axis, from the subject plane.
        if ($axis->isTelecentric() || $axis->chief === null) {
            $this->assertSame(0.0, $axis->invariant, $what.' telecentric');
        } else {
            $crosses = ($axis->fieldY + $axis->chief * $axis->y) / ($axis->fieldT + $axis->chief * $axis->t) - $axis->y / $axis->t;
            $this->assertEqualsWithDelta($crosses, $axis->number / ($axis->invariant * $axis->slope), 1e-5 * (1.0 + abs($crosses)), $what.' pupil');
        }

        return false;
    }

    /**
     * @param  array{float, float, float, float, float, float, float, float}  $line
     * @return list<float>
     */
    private static function onLines(array $line, float $position): array
    {
        return [$line[0] + $line[1] * $position, $line[2] + $line[3] * $position, $line[4] + $line[5] * $position, $line[6] + $line[7] * $position];
    }
}
