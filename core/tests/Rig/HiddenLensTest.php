<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Rig;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\Uncertainty;
use ZincThimble\Core\Rig\HiddenLens;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Tests\RigMaker;

/** A hidden lens is what it is, whatever has been found out about it. */
final class HiddenLensTest extends TestCase
{
    /** @param  array<string, mixed>  $lens  @param  list<array<string, mixed>>  $shots */
    private static function rig(array $lens, float $tubeMm, array $shots = []): Rig
    {
        return RigMaker::made(['format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => ['registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24]], 'chain' => [
            ['kind' => 'tube', 'lengthMm' => $tubeMm],
            $lens + array_filter(['shots' => $shots]) + ['kind' => 'lens', 'name' => 'Nobody knows', 'registerMm' => 44.5, 'frontRimMm' => 40, 'aperture' => ['widest' => 2.8, 'smallest' => 22, 'control' => 'ring']],
        ]]);
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function lenses(): iterable
    {
        yield 'a fixed head' => [['focalLengthMm' => 60, 'focusing' => 'fixed', 'set' => ['aperture' => 8]]];
        yield 'one that moves as a whole' => [['focalLengthMm' => 50, 'focusing' => 'unit', 'minFocusMm' => 460, 'maxMagnification' => 0.145, 'set' => ['aperture' => 8, 'focus' => 0.5]]];
        yield 'a zoom, between two settings' => [['focalLengthMm' => 28, 'focusing' => 'internal', 'minFocusMm' => 400, 'maxMagnification' => 0.12, 'stations' => [
            ['focalLengthMm' => 28, 'frontRimMm' => 40], ['focalLengthMm' => 55, 'frontRimMm' => 44],
        ], 'set' => ['aperture' => 8, 'focus' => 0.3, 'zoomMm' => 40]]];
    }

    /** @param  array<string, mixed>  $lens */
    #[\PHPUnit\Framework\Attributes\DataProvider('lenses')]
    public function test_it_stays_what_it_is_when_shots_tell_of_it_and_they_come_nearer_to_it(array $lens): void
    {
        foreach ([1, 48, 4711] as $seed) {
            $truth = (float) Reading::of(HiddenLens::in(self::rig($lens, 9.0), $seed))->magnification;
            $shots = [];
            foreach ([24.0, 15.0] as $tube) {
                $m = (float) Reading::of(HiddenLens::in(self::rig($lens, $tube, $shots), $seed))->magnification;
                $shots[] = ['cameraRegisterMm' => 44.5, 'spacersMm' => $tube, 'focus' => $lens['set']['focus'] ?? 0, 'magnification' => $m, 'magnificationHalfWidth' => 0.001 * $m];
            }
            if (isset($lens['stations'])) {
                $lens['stations'][0]['shots'] = $lens['stations'][1]['shots'] = $shots;
                $told = self::rig($lens, 9.0);
                unset($lens['stations'][0]['shots'], $lens['stations'][1]['shots']);
            } else {
                $told = self::rig($lens, 9.0, $shots);
                $this->assertLessThanOrEqual((float) Uncertainty::of($told)->halfWidth('magnification'), abs((float) Reading::of($told)->magnification - $truth));
            }
            $this->assertNotSame(Reading::of(self::rig($lens, 9.0))->magnification, Reading::of($told)->magnification, 'the shots tell something');
            $this->assertSame($truth, (float) Reading::of(HiddenLens::in($told, $seed))->magnification);
            $this->assertSame(HiddenLens::at(self::rig($lens, 9.0), 1, $seed)->blurMm(4.0), HiddenLens::at($told, 1, $seed)->blurMm(4.0));
        }
    }

    public function test_another_seed_or_name_is_another_lens(): void
    {
        $lens = ['focalLengthMm' => 60, 'focusing' => 'fixed', 'set' => ['aperture' => 8]];
        $m = static fn (array $lens, int $seed): float => (float) Reading::of(HiddenLens::in(self::rig($lens, 30.0), $seed))->magnification;
        $this->assertSame($m($lens, 7), $m($lens, 7));
        $this->assertNotSame($m($lens, 7), $m($lens, 8));
        $this->assertNotSame($m($lens, 7), $m($lens + ['name' => 'Another one'], 7));
    }
}
