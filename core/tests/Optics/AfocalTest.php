<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Optics;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Tests\Near;
use ZincThimble\Core\Tests\RigMaker;

/** A converter that leaves parallel light parallel, in front of a lens: worked by hand. */
final class AfocalTest extends TestCase
{
    /** A lens of 50 mm with its planes in one, 44.5 mm before the sensor, its rim 20 mm before them. */
    private const LENS = ['kind' => 'lens', 'name' => 'Lens', 'rear' => 'larch', 'front' => 'thread:52x0.75', 'focalLengthMm' => 50, 'registerMm' => 44.5, 'frontRimMm' => 25.5, 'principalGapMm' => 0, 'pupilRatio' => 1, 'focusing' => 'fixed', 'aperture' => ['widest' => 4, 'smallest' => 22]];

    public function test_the_plane_of_focus_moves_by_the_square_and_the_picture_shrinks_by_the_factor(): void
    {
        // On 7.142857 mm of tube: M = 1/7, the subject 400 mm before the planes and 380 before the rim.
        $tube = ['kind' => 'tube', 'lengthMm' => 50 / 7, 'rear' => 'larch', 'front' => 'larch'];
        $bare = Reading::of(RigMaker::chain([$tube, self::LENS]));
        Near::assert(1 / 7, $bare->magnification, 1e-9, 'M alone');
        Near::assert(380.0, $bare->workingDistanceMm, 1e-9, 'working distance alone');
        $tele = Reading::of(RigMaker::chain([$tube, self::LENS, self::converter(1.5, 30)]));
        Near::assert(1 / 10.5, $tele->magnification, 1e-9, 'M by 1.5');
        Near::assert(380 * 2.25 - 30, $tele->workingDistanceMm, 1e-9, '2.25 times as far from where the converter begins, its thickness taken off');
        $wide = Reading::of(RigMaker::chain([$tube, self::LENS, self::converter(0.7, 40)]));
        Near::assert(1 / 4.9, $wide->magnification, 1e-9, 'M by 0.7');
        Near::assert(380 * 0.49 - 40, $wide->workingDistanceMm, 1e-9, 'about half as far');
    }

    public function test_far_off_it_multiplies_the_focal_length_and_leaves_the_number(): void
    {
        // Focused through the converter on one thing 100 m away: M = k f / distance, to a few thousandths.
        foreach ([0.6, 1.4, 2.0] as $k) {
            $u = 100_000.0 / $k ** 2;
            $reading = Reading::of(RigMaker::chain([['kind' => 'tube', 'lengthMm' => 2500 / ($u + 20 - 50), 'rear' => 'larch', 'front' => 'larch'], self::LENS, self::converter($k, 0)]));
            Near::assert(100_000.0, $reading->workingDistanceMm, 1e-6, 'focused there');
            Near::assert($k * 50 / 100_000.0, $reading->magnification, 5e-3, 'as a lens of '.$k.' x 50 mm');
            Near::assert(4.0, $reading->effectiveAperture, 5e-3, 'at the same number');
        }
    }

    public function test_infinity_stays_infinity(): void
    {
        $this->assertSame(0.0, Reading::of(RigMaker::chain([self::LENS, self::converter(0.7, 40)]))->magnification);
    }

    public function test_a_converter_and_its_inverse_leave_only_their_length(): void
    {
        $tube = ['kind' => 'tube', 'lengthMm' => 12, 'rear' => 'larch', 'front' => 'larch'];
        $bare = Reading::of(RigMaker::chain([$tube, self::LENS]));
        $both = Reading::of(RigMaker::chain([$tube, self::LENS, self::converter(2.0, 0), self::converter(0.5, 0)]));
        foreach (['magnification', 'workingDistanceMm', 'subjectDistanceMm', 'effectiveAperture', 'depthOfFieldMm', 'entrancePupilMm'] as $name) {
            Near::assert($bare->{$name}, $both->{$name}, 1e-9, $name);
        }
    }

    public function test_lagranges_invariant_holds_through_it(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        for ($n = 0; $n < 200; $n++) {
            $axis = Axis::of(RigMaker::chain([['lengthMm' => $make->number(0, 60)] + $make->tube(), $make->lens(), $make->afocal(), $make->closeUp(), $make->afocal()]));
            Near::assert(1.0, $axis->t * $axis->fieldY - $axis->y * $axis->fieldT, 1e-9, 't F - y G');
        }
    }

    public function test_a_narrow_one_is_the_stop_or_cuts_the_corner(): void
    {
        // The cone is 12.5 mm wide at f/4 at infinity; a converter 10 mm wide lets f/5 through.
        $reading = Reading::of(RigMaker::chain([self::LENS, self::converter(0.7, 0, 10)]));
        Near::assert(5.0, $reading->effectiveAperture, 1e-9, 'its rear end');
        $this->assertSame(1, $reading->stopPart);
        // Light is 12.5 mm wide behind and 8.75 mm in front of it.
        Near::assert(4.0, Reading::of(RigMaker::chain([self::LENS, self::converter(0.7, 0, 12.6)]))->effectiveAperture, 1e-9, 'wide enough');
        Near::assert(50 / (12.6 / 1.4), Reading::of(RigMaker::chain([self::LENS, self::converter(1.4, 0, 12.6)]))->effectiveAperture, 1e-9, 'its front end');
    }

    public function test_in_the_water_too(): void
    {
        $port = ['kind' => 'port', 'gapMm' => 10, 'glassMm' => 6, 'index' => 1.5, 'medium' => 1.333];
        $dry = Reading::of(self::wet([$port]));
        $wide = Reading::of(self::wet([$port, self::converter(0.6, 0)]));
        Near::assert($dry->magnification / 0.6, $wide->magnification, 1e-9, 'M');
        Near::assert($dry->workingDistanceMm * 0.36, $wide->workingDistanceMm, 1e-9, 'working distance');
    }

    public function test_a_factor_that_does_nothing_is_a_fault(): void
    {
        foreach ([1, 0.05, 11] as $factor) {
            try {
                RigMaker::chain([self::LENS, self::converter($factor, 0)]);
                $this->fail('A factor of '.$factor.' was taken.');
            } catch (FileInvalid $fault) {
                $this->assertStringContainsString('/chain/1/factor', $fault->getMessage());
            }
        }
    }

    /** @param  list<array<string, mixed>>  $front */
    private static function wet(array $front): Rig
    {
        return RigMaker::chain([['kind' => 'tube', 'lengthMm' => 10, 'rear' => 'larch', 'front' => 'larch'], self::LENS, ...$front]);
    }

    /** @return array<string, mixed> */
    private static function converter(float $factor, float $thickness, ?float $clear = null): array
    {
        return ['kind' => 'afocal', 'rear' => 'thread:52x0.75', 'front' => 'thread:52x0.75', 'factor' => $factor, 'thicknessMm' => $thickness] + ($clear === null ? [] : ['clearMm' => $clear]);
    }
}
