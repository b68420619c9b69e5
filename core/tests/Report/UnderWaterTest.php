<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Report;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\Report\RigReport;
use ZincThimble\Core\Report\UnderWater;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Tests\RigMaker;

/** A built-in zoom, its housing's flat port, and wet glass on a ring: above water and below. */
final class UnderWaterTest extends TestCase
{
    private const INDEX = 1.333;

    private const LENS = ['kind' => 'lens', 'name' => 'Built-in zoom', 'rear' => 'fixed', 'front' => 'thread:55x0.75', 'focalLengthMm' => 30, 'registerMm' => 20, 'frontRimMm' => 50, 'focusing' => 'internal', 'minFocusFrontMm' => 300, 'maxMagnification' => 0.1, 'aperture' => ['widest' => 2.8, 'smallest' => 11, 'control' => 'electronic']];

    private const PORT = ['kind' => 'port', 'rear' => 'thread:55x0.75', 'front' => 'thread:52x0.75', 'gapMm' => 6, 'glassMm' => 8, 'index' => 1.49, 'medium' => self::INDEX];

    private const RING = ['kind' => 'step-ring', 'rear' => 'thread:52x0.75', 'front' => 'thread:67x0.75', 'lengthMm' => 4];

    private const WET = ['kind' => 'close-up-lens', 'rear' => 'thread:67x0.75', 'front' => 'thread:67x0.75', 'powerD' => 10, 'elements' => 2, 'thicknessMm' => 30, 'planeFromFrontMm' => 0, 'sealed' => true];

    public function test_a_wet_glass_on_a_ring_is_sharp_at_its_focal_length_in_water(): void
    {
        $rig = self::made(self::LENS, self::PORT, self::RING, self::WET)->with(TravelKind::Focus, 0, 0.0);
        $told = RigReport::of($rig);
        // With the lens at infinity the subject stands the glass's focal length away, stretched by the water's index.
        $this->assertEqualsWithDelta(100.0 * self::INDEX, (float) $told->reading->workingDistanceMm, 1e-6);
        $this->assertEqualsWithDelta(30.0 * 0.01, (float) $told->reading->magnification, 0.02);
        $this->assertSame([], array_filter($told->findings, static fn ($finding): bool => $finding->code->value === 'joint-mismatch'));
    }

    public function test_the_ring_is_filled_with_water(): void
    {
        // A longer ring moves the glass on; focused near, where that counts, its water is worth less than air.
        $at = static fn (float $mm): float => (float) RigReport::of(self::made(self::LENS, self::PORT, ['lengthMm' => $mm] + self::RING, self::WET)->with(TravelKind::Focus, 0, 1.0))->reading->magnification;
        $lens = RigReport::of(self::made(self::LENS)->with(TravelKind::Focus, 0, 1.0))->reading;
        // By hand: the lens alone is sharp at its working distance before the rim; the glass makes of what is left of it 1 / (1/100 + 1/left).
        foreach ([1.0, 4.0, 40.0] as $mm) {
            $left = (float) $lens->workingDistanceMm - 6.0 - 8.0 / 1.49 - $mm / self::INDEX - 30.0 / self::INDEX;
            $this->assertEqualsWithDelta((float) $lens->magnification * (1.0 + $left / 100.0), $at($mm), 1e-9);
        }
        $this->assertGreaterThan($at(40.0), $at(4.0));
    }

    public function test_in_air_behind_the_port_and_with_the_glass_side_by_side(): void
    {
        $rig = self::made(self::LENS, self::PORT, self::RING, self::WET)->with(TravelKind::Focus, 0, 1.0);
        [$air, $port, $wet] = UnderWater::of($rig);
        $this->assertSame(['air', 'port', 'wet'], [$air->where, $port->where, $wet->where]);
        $this->assertEqualsWithDelta(300.0, (float) $air->nearestMm, 0.5);
        // The same picture behind the port is from further off: what is left of 300 mm behind port and glass, times the index.
        $this->assertEqualsWithDelta((300.0 - 6.0 - 8.0 / 1.49) * self::INDEX, (float) $port->nearestMm, 0.8);
        $this->assertEqualsWithDelta((float) $air->magnification, (float) $port->magnification, 1e-9);
        $this->assertLessThan(100.0 * self::INDEX, (float) $wet->nearestMm);
        $this->assertNull($air->furthestMm);
        $this->assertEqualsWithDelta(133.3, (float) $wet->furthestMm, 0.1);
        $this->assertGreaterThan(3.0 * (float) $port->greatestMagnification, (float) $wet->greatestMagnification);
        $this->assertSame((float) RigReport::of($rig)->reading->magnification, $wet->magnification);
        $this->assertEqualsWithDelta(13.2 / (float) $wet->magnification, (float) $wet->fieldWidthMm, 1e-9);

        $this->assertSame(['air', 'port'], array_map(static fn (UnderWater $each): string => $each->where, UnderWater::of(self::made(self::LENS, self::PORT))));
        $this->assertSame([], UnderWater::of(self::made(self::LENS)));
    }

    public function test_a_wet_wide_converter_gives_back_the_field_that_the_port_takes(): void
    {
        $wide = self::made(self::LENS, self::PORT, self::RING, ['kind' => 'afocal', 'rear' => 'thread:67x0.75', 'factor' => 0.6, 'thicknessMm' => 60])->with(TravelKind::Focus, 0, 1.0);
        [, $port, $wet] = UnderWater::of($wide);
        // Nearer by the square of its factor, less its own length: at the nearest, larger or not, the field at one distance is wider.
        $this->assertLessThan((float) $port->nearestMm, (float) $wet->nearestMm);
        $this->assertEqualsWithDelta((float) $port->magnification / 0.6, (float) $wet->magnification, 1e-9);
    }

    public function test_only_wet_glass_and_rings_between_stand_before_a_port(): void
    {
        foreach ([['kind' => 'tube', 'lengthMm' => 10], ['kind' => 'reversing-ring', 'lengthMm' => 4], self::LENS] as $part) {
            try {
                self::made(self::LENS, self::PORT, $part);
                $this->fail('a '.$part['kind'].' before a port');
            } catch (FileInvalid $invalid) {
                $this->assertSame('/chain', $invalid->faults[0]->pointer);
            }
        }
        $this->assertCount(3, self::made(self::LENS, self::PORT, ['kind' => 'adapter', 'lengthMm' => 2])->chain);
    }

    /** @param  array<string, mixed>  ...$chain */
    private static function made(array ...$chain): Rig
    {
        return RigMaker::made(['format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => ['joint' => 'fixed', 'registerMm' => 20, 'sensor' => ['widthMm' => 13.2, 'heightMm' => 8.8, 'columns' => 5472, 'rows' => 3648]], 'chain' => $chain]);
    }
}
