<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Report;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Report\RigReport;
use ZincThimble\Core\Report\Sweep;
use ZincThimble\Core\Rig\Travels;
use ZincThimble\Core\Tests\RigMaker;

/** A camera with nothing that bends light says one thing: that there is no lens. It has no aperture, and nothing limits it. */
final class NoLensTest extends TestCase
{
    private const CAMERA = ['joint' => 'larch', 'registerMm' => 44.5, 'throatMm' => 42, 'sensor' => ['widthMm' => 36, 'heightMm' => 24, 'columns' => 6000, 'rows' => 4000]];

    private const BELLOWS = ['kind' => 'bellows', 'rear' => 'larch', 'front' => 'larch', 'minMm' => 40, 'maxMm' => 160, 'setMm' => 60, 'clearMm' => 38];

    public function test_bare_and_behind_bellows_it_has_no_figure_of_light(): void
    {
        foreach ([[], [['kind' => 'tube', 'rear' => 'larch', 'front' => 'larch', 'lengthMm' => 20, 'clearMm' => 30]], [self::BELLOWS]] as $chain) {
            $told = RigReport::of(RigMaker::made(['format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => self::CAMERA, 'chain' => $chain]));
            foreach (['magnification', 'effectiveAperture', 'airyDiameterMm', 'stopsLost', 'cornerBrightness', 'stopPart'] as $name) {
                $this->assertNull($told->reading->{$name}, $name);
            }
            $codes = array_map(static fn ($finding): string => $finding->code->value, $told->findings);
            $this->assertContains('no-image', $codes);
            $this->assertNotContains('aperture-limited', $codes);
            $this->assertSame([], array_filter($codes, static fn (string $code): bool => str_contains($code, 'aperture')));
        }
    }

    public function test_at_no_place_of_the_bellows_either(): void
    {
        $rig = RigMaker::made(['format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => self::CAMERA, 'chain' => [self::BELLOWS]]);
        $travels = Travels::of($rig);
        $this->assertNotSame([], $travels);
        foreach ($travels as $travel) {
            $columns = Sweep::of($rig, $travel)->columns;
            foreach (['effectiveAperture', 'airyDiameterMm', 'magnification'] as $name) {
                $this->assertSame([], array_filter($columns->{$name}, static fn (?float $each): bool => $each !== null), $name);
            }
        }
    }
}
