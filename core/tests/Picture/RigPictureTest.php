<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Picture;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Picture\RigPicture;
use ZincThimble\Core\Picture\Transfer;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Tests\RigMaker;

/** Discs, scales and resolved detail against the limits of the slice, closed forms and plain summing. */
final class RigPictureTest extends TestCase
{
    public function test_at_the_limits_of_the_slice_the_disc_is_the_blur_limit_again(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $seen = $telecentric = $wet = 0;
        for ($n = 0; $n < 600; $n++) {
            $rig = $make->rig();
            $reading = Reading::of($rig);
            $picture = RigPicture::of($rig);
            if ($picture === null) {
                $this->assertTrue($reading->magnification === null || $reading->magnification <= 0.0 || $reading->effectiveAperture === null);

                continue;
            }
            $this->assertEqualsWithDelta($reading->magnification, $picture->at(0.0)->magnification, 1e-12 * (float) $reading->magnification);
            $this->assertEqualsWithDelta(0.0, $picture->at(0.0)->discMm, 1e-15);
            foreach ([$reading->farMm, $reading->nearMm === null ? null : -$reading->nearMm] as $limit) {
                if ($limit !== null && abs($limit) > 1e-9) {
                    $this->assertEqualsWithDelta(1.0, $picture->at($limit)->discMm / $rig->blurLimitMm, 1e-6, $rig->name.' '.$limit);
                    $seen++;
                }
            }
            $telecentric += $reading->entrancePupilMm === null ? 1 : 0;
            $wet += array_filter($rig->chain, static fn (Part $part): bool => $part->kind === Kind::Port) === [] ? 0 : 1;
        }
        $this->assertGreaterThan(300, $seen);
        $this->assertGreaterThan(0, $telecentric + $wet);
    }

    public function test_what_stands_behind_is_smaller_and_in_front_larger_seen_from_the_pupil(): void
    {
        $rig = self::rig();
        $reading = Reading::of($rig);
        $picture = RigPicture::of($rig);
        $this->assertNotNull($picture);
        $s = (float) $reading->entrancePupilMm;
        foreach ([-5.0, -0.3, 0.7, 12.0, 400.0] as $d) {
            $layer = $picture->at($d);
            $this->assertSame($d, $layer->atMm);
            // By similar triangles from the entrance pupil, and the disc as the share of the pupil's own picture.
            $this->assertEqualsWithDelta((float) $reading->magnification * $s / ($s + $d), $layer->magnification, 1e-12);
            $entrance = $s * (float) $reading->magnification / (float) $reading->effectiveAperture;
            $this->assertEqualsWithDelta($entrance * abs($d) / ($s + $d) * (float) $reading->magnification, $layer->discMm, 1e-9 + 1e-9 * $layer->discMm);
        }
        $this->assertInfinite($picture->at(-$s)->discMm);
    }

    public function test_layers_go_from_the_back_to_the_front_and_none_is_thicker_than_a_quarter_of_the_slice(): void
    {
        $rig = self::rig();
        $picture = RigPicture::of($rig);
        $slice = (float) Reading::of($rig)->depthOfFieldMm;
        $this->assertNotNull($picture);
        $layers = $picture->through(-2.0 * $slice, 2.0 * $slice);
        $this->assertCount(16, $layers);
        $this->assertEqualsWithDelta(2.0 * $slice - $slice / 8.0, $layers[0]->atMm, 1e-12);
        $this->assertEqualsWithDelta(-2.0 * $slice + $slice / 8.0, $layers[15]->atMm, 1e-12);
        for ($k = 1; $k < 16; $k++) {
            $this->assertEqualsWithDelta($slice / 4.0, $layers[$k - 1]->atMm - $layers[$k]->atMm, 1e-12);
        }
        $this->assertCount(1, $picture->through(0.0, 0.0));
        $this->assertCount(1, $picture->through(0.0, $slice / 4.0));
        $this->assertCount(2, $picture->through(0.0, $slice / 4.0 + 1e-6));
        $this->assertCount(64, $picture->through(0.0, 1000.0 * $slice));
    }

    public function test_diffraction_alone_resolves_a_hair_more_than_rayleighs_distance(): void
    {
        $rig = self::rig(pixels: 0);
        $reading = Reading::of($rig);
        $ratio = (float) RigPicture::of($rig)?->resolvedDetailMm() / (float) $reading->detailMm;
        $this->assertEqualsWithDelta(1.24 / 1.22, $ratio, 0.002);
        // The blur that is everywhere is then diffraction's alone.
        $this->assertEqualsWithDelta(0.42 * 550e-6 * (float) $reading->effectiveAperture, RigPicture::of($rig)->gaussianMm, 1e-12);
    }

    public function test_pixels_bound_what_is_resolved_and_blur_the_rest(): void
    {
        $m = (float) Reading::of(self::rig())->magnification;
        $coarse = RigPicture::of(self::rig(pixels: 300));
        $this->assertNotNull($coarse);
        $this->assertEqualsWithDelta(2.0 * 36.0 / 300.0 / $m, $coarse->resolvedDetailMm(), 1e-9, 'two pixels, whatever the light says');
        $this->assertEqualsWithDelta(hypot(0.29 * 36.0 / 300.0, 0.42 * 550e-6 * $coarse->effectiveAperture), $coarse->gaussianMm, 1e-12);
        $fine = (float) RigPicture::of(self::rig(pixels: 6000))?->resolvedDetailMm();
        $finer = (float) RigPicture::of(self::rig(pixels: 12000))?->resolvedDetailMm();
        $this->assertLessThan($fine, $finer);
        $this->assertGreaterThan((float) RigPicture::of(self::rig(pixels: 0))?->resolvedDetailMm(), $finer);
    }

    public function test_off_the_plane_less_is_resolved_the_further_off_the_less(): void
    {
        $picture = RigPicture::of(self::rig());
        $this->assertNotNull($picture);
        $before = $picture->resolvedDetailMm();
        foreach ([0.05, 0.2, 1.0, 5.0] as $d) {
            $now = $picture->resolvedDetailMm($d);
            $this->assertGreaterThan($before, $now);
            $before = $now;
        }
        // Far off the plane the disc alone counts: 0.1 of its contrast is left at x = pi c v with 2 J1(x) / x = 0.1.
        $far = $picture->at(60.0);
        $this->assertEqualsWithDelta($far->discMm * M_PI / 3.3842 / $far->magnification, $picture->resolvedDetailMm(60.0), 0.01 * $picture->resolvedDetailMm(60.0));
    }

    public function test_transfer_is_what_plain_summing_over_the_disc_and_the_pixel_gives(): void
    {
        foreach ([0.0, 3.0, 11.0, 24.0] as $v) {
            // A disc of 0.03 mm, summed in strips.
            $sum = $area = 0.0;
            for ($k = 0; $k < 20000; $k++) {
                $x = 0.015 * (2.0 * ($k + 0.5) / 20000 - 1.0);
                $wide = sqrt(0.015 ** 2 - $x * $x);
                $sum += $wide * cos(2.0 * M_PI * $v * $x);
                $area += $wide;
            }
            $this->assertEqualsWithDelta(abs($sum / $area), Transfer::disc(0.03, $v), 1e-5);
            $sum = 0.0;
            for ($k = 0; $k < 2000; $k++) {
                $sum += cos(2.0 * M_PI * $v * 0.006 * (($k + 0.5) / 2000 - 0.5)) / 2000;
            }
            $this->assertEqualsWithDelta(abs($sum), Transfer::pixel(0.006, $v), 1e-7);
        }
        // A round pupil of diameter 1: the share of two such, v apart, that lies over each other.
        foreach ([0.0, 0.25, 0.6, 0.95] as $x) {
            $sum = 0.0;
            for ($k = 0; $k < 20000; $k++) {
                $y = ($k + 0.5) / 20000 - 0.5;
                $sum += max(0.0, 2.0 * sqrt(0.25 - $y * $y) - $x) / 20000;
            }
            $this->assertEqualsWithDelta($sum / (M_PI / 4.0), Transfer::diffraction(1.0, $x), 1e-4);
        }
        $this->assertSame(0.0, Transfer::diffraction(1.0, 1.0));
        $this->assertEqualsWithDelta(exp(-2.0 * M_PI ** 2 * 0.01 ** 2 * 100.0), Transfer::lens(0.01, 10.0), 1e-12);
        $this->assertLessThan(Transfer::firstAt(0.1, 0.005, 0.004), Transfer::firstAt(0.1, 0.005, 0.004, sigmaMm: 0.004));
        foreach ([[0.004, null, 0.0], [0.004, 0.006, 0.0], [0.004, 0.002, 0.02]] as [$spot, $pitch, $disc]) {
            $at = Transfer::firstAt(0.1, $spot, $pitch, $disc);
            $this->assertEqualsWithDelta(0.1, Transfer::diffraction($spot, $at) * ($pitch === null ? 1.0 : Transfer::pixel($pitch, $at)) * Transfer::disc($disc, $at), 1e-9);
        }
    }

    public function test_a_disc_is_what_rays_over_the_whole_pupil_make_of_a_point(): void
    {
        // A bare thin lens that is its own stop, by nothing but the lens equation: every ray from the point through the pupil is followed to the sensor.
        $rig = RigMaker::made(['format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => ['joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24, 'columns' => 6000, 'rows' => 4000]], 'chain' => [
            ['kind' => 'tube', 'name' => 'Tube', 'rear' => 'larch', 'front' => 'larch', 'lengthMm' => 50],
            ['kind' => 'lens', 'name' => 'Fifty', 'rear' => 'larch', 'focalLengthMm' => 50, 'registerMm' => 44.5, 'frontRimMm' => 40, 'focusing' => 'fixed', 'design' => 'symmetrical', 'pupilRatio' => 1.0, 'nodalSeparationMm' => 0,
                'aperture' => ['widest' => 2.8, 'smallest' => 22, 'control' => 'ring'], 'set' => ['aperture' => 4]],
        ]]);
        $reading = Reading::of($rig);
        $picture = RigPicture::of($rig);
        $this->assertNotNull($picture);
        $m = (float) $reading->magnification;
        $pupil = (float) $reading->entrancePupilMm;
        // Conjugates of the plane of focus, and the stop's own width as the effective aperture has it.
        $image = $m * $pupil;
        $power = 1.0 / $pupil + 1.0 / $image;
        $stop = $image / (float) $reading->effectiveAperture;
        foreach ([-8.0, -1.5, 0.25, 3.0, 40.0] as $d) {
            $least = INF;
            $most = -INF;
            for ($k = 0; $k <= 2000; $k++) {
                $high = $stop * ($k / 2000.0 - 0.5);
                // From a point on the axis up to that height, bent, on to the sensor.
                $slope = $high / ($pupil + $d) - $high * $power;
                $lands = $high + $slope * $image;
                $least = min($least, $lands);
                $most = max($most, $lands);
            }
            $this->assertEqualsWithDelta(1.0, $picture->at($d)->discMm / ($most - $least), 1e-6, (string) $d);
        }
    }

    public function test_resolved_detail_is_where_transfers_summed_by_themselves_fall_to_a_tenth(): void
    {
        foreach ([0.0, 0.15, 1.1] as $d) {
            $rig = self::rig();
            $reading = Reading::of($rig);
            $picture = RigPicture::of($rig);
            $this->assertNotNull($picture);
            $disc = $picture->at($d)->discMm;
            $spot = 550e-6 * (float) $reading->effectiveAperture;
            $pitch = 36.0 / 6000.0;
            $passed = static function (float $v) use ($spot, $pitch, $disc): float {
                $n = 4000;
                [$pupil, $pixel, $round] = [0.0, 0.0, 0.0];
                for ($k = 0; $k < $n; $k++) {
                    $x = ($k + 0.5) / $n;
                    $chord = sqrt(0.25 - ($x - 0.5) ** 2);
                    $pupil += max(0.0, 2.0 * $chord - $spot * $v) / $n / (M_PI / 4.0);
                    $pixel += cos(2.0 * M_PI * $v * $pitch * ($x - 0.5)) / $n;
                    $round += 2.0 * $chord * cos(2.0 * M_PI * $v * $disc * ($x - 0.5)) / $n / (M_PI / 4.0);
                }

                return $pupil * abs($pixel) * abs($round);
            };
            // The first crossing, walked up to from the coarsest lines.
            $at = 0.0;
            for ($step = 8.0; $step > 1e-4; $step /= 8.0) {
                while ($passed($at + $step) > 0.1) {
                    $at += $step;
                }
            }
            $expected = max(1.0 / $at, 2.0 * $pitch) / $picture->at($d)->magnification;
            $this->assertEqualsWithDelta(1.0, $picture->resolvedDetailMm($d) / $expected, 1e-4, (string) $d);
        }
    }

    private static function rig(int $pixels = 6000): Rig
    {
        return RigMaker::made(['format' => 'zinc-thimble/rig', 'version' => 1,
            'camera' => ['joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24] + ($pixels > 0 ? ['columns' => $pixels, 'rows' => intdiv($pixels * 2, 3)] : [])],
            'chain' => [
                ['kind' => 'tube', 'name' => 'Tube', 'rear' => 'larch', 'front' => 'larch', 'lengthMm' => 40],
                ['kind' => 'lens', 'name' => 'Sixty', 'rear' => 'larch', 'focalLengthMm' => 60, 'registerMm' => 44.5, 'frontRimMm' => 40, 'focusing' => 'fixed', 'design' => 'symmetrical', 'pupilRatio' => 1.1,
                    'aperture' => ['widest' => 2.8, 'smallest' => 22, 'control' => 'ring'], 'set' => ['aperture' => 8]],
            ]]);
    }
}
