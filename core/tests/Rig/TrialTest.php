<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Rig;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\LensTrial;
use ZincThimble\Core\Gear\TriedStop;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Picture\RigPicture;
use ZincThimble\Core\Reading\BestAperture;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Report\PictureColumns;
use ZincThimble\Core\Report\Sweep;
use ZincThimble\Core\Rig\LensSharpness;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Rig\Travels;
use ZincThimble\Core\Tests\RigMaker;

/** What a trial of a lens says of it, where that is used, and what it changes (OPTICS.md, "Measuring pictures"). */
final class TrialTest extends TestCase
{
    private const LENS = ['kind' => 'lens', 'name' => 'Fifty', 'focalLengthMm' => 50, 'registerMm' => 44.5, 'frontRimMm' => 40, 'aperture' => ['widest' => 2, 'smallest' => 22, 'control' => 'ring']];

    /** Blur of the lens's own at each stop, mm: sharpest of all at f/4. */
    private const OWN = ['2' => 0.012, '2.8' => 0.007, '4' => 0.003, '5.6' => 0.0028, '8' => 0.0027, '11' => 0.0027];

    private const PITCH = 0.004;

    /** @return array<string, mixed> */
    private static function trial(float $m, float $perStop): array
    {
        $stops = [];
        foreach (self::OWN as $stop => $blur) {
            $sigma = sqrt($blur ** 2 + (0.42 * 550e-6 * $perStop * (float) $stop) ** 2 + (0.29 * self::PITCH) ** 2);
            $stops[] = ['aperture' => (float) $stop, 'effectiveAperture' => $perStop * (float) $stop, 'mtf50' => 0.187 * self::PITCH / $sigma, 'halfWidth' => 0.001];
        }

        return ['magnification' => $m, 'pitchMm' => self::PITCH, 'stops' => array_reverse($stops)];
    }

    /** @param  list<array<string, mixed>>  $trials */
    private static function rig(array $trials, float $tubeMm = 50.0, array $more = [], array $lens = []): Rig
    {
        return RigMaker::chain([['kind' => 'tube', 'lengthMm' => $tubeMm], $lens + ['trials' => $trials, 'set' => ['aperture' => 8]] + self::LENS, ...$more]);
    }

    public function test_the_lenses_own_blur_is_what_is_left_of_what_was_seen(): void
    {
        $trial = LensTrial::from(new Values(self::trial(1.0, 2.0)));
        foreach (array_values(self::OWN) as $n => $blur) {
            $this->assertEqualsWithDelta($blur, $trial->blurMm($trial->stops[$n]), 1e-9);
        }
        $this->assertSame([2.0, 2.8, 4.0, 5.6, 8.0, 11.0], array_map(static fn (TriedStop $stop): float => $stop->aperture, $trial->stops), 'the widest first, however they came');
        $this->assertSame(4.0, $trial->sharpest());
        $this->assertSame([4.0], $trial->asSharp());
        // Half-way between two stops by their logarithm; beyond the ends as at the end.
        $this->assertEqualsWithDelta((0.012 + 0.007) / 2.0, $trial->blurAtMm(sqrt(2.0 * 2.8)), 1e-9);
        $this->assertEqualsWithDelta([0.012, 0.0027], [$trial->blurAtMm(1.4), $trial->blurAtMm(22.0)], 1e-9);
        $this->assertEqualsWithDelta(0.003, $trial->blurAtMm(4.0), 1e-9);
    }

    public function test_what_is_within_a_twentieth_of_the_sharpest_is_as_sharp(): void
    {
        $with = static fn (float $second): LensTrial => LensTrial::from(new Values(['magnification' => 1.0, 'pitchMm' => 0.004, 'stops' => [
            ['aperture' => 4, 'effectiveAperture' => 8, 'mtf50' => 0.2], ['aperture' => 5.6, 'effectiveAperture' => 11.2, 'mtf50' => $second],
        ]]));
        $this->assertSame([4.0, 5.6], $with(0.1901)->asSharp());
        $this->assertSame([4.0], $with(0.1899)->asSharp());
        $this->assertSame(5.6, $with(0.21)->sharpest());
        // Sharper than diffraction and pixels allow: nothing is the lens's.
        $this->assertSame(0.0, $with(0.6)->blurMm($with(0.6)->stops[1]));
        $this->expectException(InvalidFigure::class);
        LensTrial::from(new Values(['magnification' => 1.0, 'pitchMm' => 0.004, 'stops' => []]));
    }

    public function test_it_holds_near_its_magnification_the_same_way_round_and_with_nothing_else_that_draws(): void
    {
        $rig = self::rig([self::trial(1.0, 2.0)]);
        $this->assertSame(4.0, LensSharpness::of($rig, 1.0)?->sharpest());
        foreach (['1.499' => true, '1.501' => false] as $m => $holds) {
            $this->assertSame($holds, LensSharpness::of($rig, (float) $m) !== null);
            $this->assertSame($holds, LensSharpness::of($rig, 1.0 / (float) $m) !== null);
        }
        $this->assertNull(LensSharpness::of($rig, null));
        $this->assertNull(LensSharpness::of(self::rig([['reversed' => true] + self::trial(1.0, 2.0)]), 1.0));
        $this->assertNotNull(LensSharpness::of(self::rig([['reversed' => true] + self::trial(1.0, 2.0)], 50.0, [], ['reversed' => true]), 1.0));
        $this->assertNull(LensSharpness::of(self::rig([self::trial(1.0, 2.0)], 50.0, [['kind' => 'close-up-lens', 'powerD' => 4]]), 1.0), 'with a close-up lens it is another picture');
        $this->assertNotNull(LensSharpness::of(self::rig([self::trial(1.0, 2.0)], 50.0, [['kind' => 'filter', 'lengthMm' => 5]]), 1.0));
        $near = ['at' => 'near'] + self::trial(1.2, 2.0);
        $this->assertSame(['near', null], [LensSharpness::of(self::rig([self::trial(1.0, 2.0), $near]), 1.3)?->trial->at, LensSharpness::of(self::rig([$near, self::trial(1.0, 2.0)]), 1.05)?->trial->at]);
        $this->assertSame('last', LensSharpness::of(self::rig([self::trial(1.0, 2.0), ['at' => 'last'] + self::trial(1.0, 2.0)]), 1.1)?->trial->at);
    }

    public function test_a_zoom_is_known_only_where_it_was_tried(): void
    {
        $zoom = ['stations' => [['focalLengthMm' => 35], ['focalLengthMm' => 70]], 'set' => ['aperture' => 8, 'zoomMm' => 50]];
        $this->assertNotNull(LensSharpness::of(self::rig([['zoomMm' => 50.5] + self::trial(1.0, 2.0)], 50.0, [], $zoom), 1.0));
        $this->assertNull(LensSharpness::of(self::rig([['zoomMm' => 52] + self::trial(1.0, 2.0)], 50.0, [], $zoom), 1.0));
    }

    public function test_advice_goes_by_it(): void
    {
        $bare = self::rig([]);
        $m = (float) Reading::of($bare)->magnification;
        $rig = self::rig([self::trial($m, 1.0 + $m)]);
        $this->assertSame([4.0, null], [BestAperture::of($bare, 0.5)?->stacking, BestAperture::of($bare, 0.5)?->tried]);
        foreach (['2.8' => 2.8, '8' => 8.0, '11' => 9.5] as $sharpest => $stacking) {
            $trial = ['magnification' => $m, 'pitchMm' => 0.004, 'stops' => [['aperture' => 2.0, 'effectiveAperture' => 4.0, 'mtf50' => 0.1], ['aperture' => (float) $sharpest, 'effectiveAperture' => 2.0 * (float) $sharpest, 'mtf50' => 0.2]]];
            $best = BestAperture::of(self::rig([$trial]), 0.5);
            $this->assertSame((float) $sharpest, $best?->tried?->sharpest());
            $this->assertSame($stacking, $best->stacking, 'beyond f/9.5 diffraction spreads a point over more than the blur limit');
        }
        // Blur at the edge has the disc that spreads as much as the lens: four standard deviations.
        $reading = Reading::of($rig);
        $without = (float) BestAperture::edgeBlurOf($bare, $reading, 2.0);
        $this->assertEqualsWithDelta(hypot($without, 4.0 * 0.0027), BestAperture::edgeBlurOf($rig, $reading, 2.0), 1e-9);
        // A lens that is soft wide open is stopped down for a thin subject.
        $this->assertLessThan(BestAperture::of($rig, 0.02)?->single, BestAperture::of($bare, 0.02)?->single);
        $best = BestAperture::of($rig, 0.02);
        foreach ($rig->stopsAt(1) as $stop) {
            $there = $rig->with(TravelKind::Aperture, 1, $stop);
            $this->assertGreaterThanOrEqual(($best->singleBlurMm ?? 0.0) - 1e-12, BestAperture::edgeBlurOf($there, Reading::of($there), 0.02));
        }
    }

    public function test_a_picture_is_as_blurred_as_the_lens_makes_it_at_every_stop_of_a_sweep(): void
    {
        $bare = self::rig([]);
        $m = (float) Reading::of($bare)->magnification;
        $rig = self::rig([self::trial($m, 1.0 + $m)]);
        $picture = RigPicture::of($rig);
        $this->assertNotNull($picture);
        $this->assertEqualsWithDelta([0.0027, sqrt((RigPicture::of($bare)->gaussianMm ?? 0.0) ** 2 + 0.0027 ** 2)], [$picture->lensMm, $picture->gaussianMm], 1e-9);
        $this->assertGreaterThan(RigPicture::of($bare)?->resolvedDetailMm(), $picture->resolvedDetailMm());
        $travel = Travels::named($rig, '1.aperture');
        $this->assertNotNull($travel);
        $sweep = Sweep::of($rig, $travel);
        $columns = PictureColumns::of($rig, $sweep, 0.0);
        $seen = [];
        foreach ($sweep->positions as $row => $stop) {
            $there = RigPicture::of($rig->with(TravelKind::Aperture, 1, $stop));
            $this->assertEqualsWithDelta([$there?->gaussianMm, $there?->resolvedDetailMm()], [$columns->gaussianMm[$row], $columns->resolvedDetailMm[$row]], 1e-9);
            $seen[] = $there?->lensMm;
        }
        $this->assertGreaterThan(3, count(array_unique($seen)));
    }
}
