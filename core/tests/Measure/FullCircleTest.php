<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Measure;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Gear\LensTrial;
use ZincThimble\Core\Gear\TriedStop;
use ZincThimble\Core\Measure\Edge;
use ZincThimble\Core\Measure\Ruler;
use ZincThimble\Core\Measure\SlantedRule;
use ZincThimble\Core\Picture\Artwork;
use ZincThimble\Core\Picture\Exposure;
use ZincThimble\Core\Picture\FrameBox;
use ZincThimble\Core\Picture\RigPicture;
use ZincThimble\Core\Picture\Target;
use ZincThimble\Core\Picture\TargetKind;
use ZincThimble\Core\Plan\RailScrew;
use ZincThimble\Core\Plan\RailStack;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\Uncertainty;
use ZincThimble\Core\Rig\HiddenLens;
use ZincThimble\Core\Rig\LensSharpness;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Tests\Picture\ExposureTest;
use ZincThimble\Core\Tests\RigMaker;

/** Lenses that nobody knows, photographed by the made-up camera: what pictures alone tell of them is what they truly are. */
final class FullCircleTest extends TestCase
{
    private const LENSES = 10;

    private const COLUMNS = 4000;

    private const ROWS = 2668;

    /** @param  list<array<string, mixed>>  $shots  @param  list<array<string, mixed>>  $trials */
    private static function rig(float $focal, float $tubeMm, array $shots = [], array $trials = [], float $stop = 8.0): Rig
    {
        return RigMaker::made(['format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => ['registerMm' => 44.5, 'sensor' => ['widthMm' => 23.5, 'heightMm' => 15.674, 'columns' => self::COLUMNS, 'rows' => self::ROWS]], 'chain' => [
            ['kind' => 'tube', 'lengthMm' => $tubeMm],
            array_filter(['shots' => $shots, 'trials' => $trials]) + ['kind' => 'lens', 'name' => 'The unknown one', 'focalLengthMm' => $focal, 'registerMm' => 44.5, 'frontRimMm' => 40, 'focusing' => 'fixed', 'design' => 'symmetrical',
                'aperture' => ['widest' => 2.8, 'smallest' => 22, 'control' => 'ring'], 'set' => ['aperture' => $stop]],
        ]]);
    }

    private static function exposure(Rig $true, int $seed, float $stop): Exposure
    {
        $picture = RigPicture::of($true);
        self::assertNotNull($picture);

        return new Exposure($picture->withLensBlur(HiddenLens::at($true, 1, $seed)->blurMm($stop)), (float) $true->frame->pitchMm());
    }

    public function test_a_lens_is_settled_from_its_pictures_and_the_next_rig_predicted(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $inside = 0;
        $gained = [];
        $off = [];
        for ($n = 0; $n < self::LENSES; $n++) {
            $focal = $make->number(35.0, 105.0);
            $seed = (int) $make->number(1, 1e9);
            $shots = [];
            foreach ([0.5, 1.1] as $share) {
                $tube = round($share * $focal, 1);
                $true = HiddenLens::in(self::rig($focal, $tube), $seed);
                $field = (float) Reading::of(self::rig($focal, $tube))->fieldWidthMm;
                $target = Target::measured(TargetKind::Ruler, $field);
                $pixels = self::exposure($true, $seed, 8.0)->take(Artwork::of($target, $field), 0.0, FrameBox::about(self::COLUMNS, self::ROWS, self::COLUMNS / 2, self::ROWS / 2, 1400, 160), seed: $n + 1);
                $ruler = Ruler::in(ExposureTest::plane($pixels));
                $m = $ruler->pixelsPerDivision * (float) $true->frame->pitchMm() / $target->divisionMm;
                $shots[] = ['cameraRegisterMm' => 44.5, 'spacersMm' => $tube, 'magnification' => $m, 'magnificationHalfWidth' => 0.002 * $m];
            }
            // The next rig is another one, between and beyond those that were photographed.
            foreach ([0.8, 1.6] as $share) {
                $tube = round($share * $focal, 1);
                $before = self::rig($focal, $tube);
                $truth = (float) Reading::of(HiddenLens::in($before, $seed))->magnification;
                $after = self::rig($focal, $tube, $shots);
                $half = (float) Uncertainty::of($after)->halfWidth('magnification');
                $error = abs((float) Reading::of($after)->magnification - $truth);
                $inside += $error <= $half ? 1 : 0;
                $off[] = $error / $truth;
                $gained[] = (float) Uncertainty::of($before)->halfWidth('magnification') / $half;
            }
        }
        sort($gained);
        fwrite(STDERR, sprintf("Full circle: %d of %d rigs predicted within their half-width, at most %.3f %% off; half-widths %.1f times narrower\n", $inside, 2 * self::LENSES, 100.0 * max($off), $gained[self::LENSES]));
        $this->assertSame(2 * self::LENSES, $inside);
        $this->assertGreaterThan(2.0, $gained[self::LENSES]);
    }

    public function test_a_trial_finds_the_stop_that_the_lens_is_sharpest_at_and_what_it_blurs(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $right = 0;
        $worst = 0.0;
        for ($n = 0; $n < self::LENSES; $n++) {
            $focal = $make->number(40.0, 90.0);
            $seed = (int) $make->number(1, 1e9);
            $known = self::rig($focal, $focal * 0.7);
            $stops = $truth = [];
            foreach ([2.8, 4.0, 5.6, 8.0, 11.0, 16.0] as $stop) {
                $set = $known->with(TravelKind::Aperture, 1, $stop);
                $reading = Reading::of($set);
                $true = HiddenLens::in($set, $seed);
                $exposure = self::exposure($true, $seed, $stop);
                $field = (float) $reading->fieldWidthMm;
                $found = Edge::in(ExposureTest::plane($exposure->take(Artwork::of(Target::measured(TargetKind::Edge, $field), $field), 0.0, FrameBox::about(self::COLUMNS, self::ROWS, self::COLUMNS / 2, self::ROWS / 2, 160, 240), seed: $n + 5)));
                $stops[] = ['aperture' => $stop, 'effectiveAperture' => $reading->effectiveAperture, 'mtf50' => $found->mtf50, 'halfWidth' => $found->halfWidth];
                $blur = HiddenLens::at($true, 1, $seed)->blurMm($stop);
                $truth[(string) $stop] = hypot($blur, 0.42 * 550e-6 * (float) Reading::of($true)->effectiveAperture);
                $blurs[(string) $stop] = $blur;
            }
            $rig = self::rig($focal, $focal * 0.7, [], [['magnification' => Reading::of($known)->magnification, 'pitchMm' => $known->frame->pitchMm(), 'stops' => $stops]]);
            $tried = LensSharpness::of($rig, Reading::of($rig)->magnification);
            $this->assertInstanceOf(LensTrial::class, $tried?->trial);
            // The hidden one is sharpest where its blur and diffraction together are least; what is within a twentieth of it is as sharp.
            $sharpest = (float) array_search(min($truth), $truth, true);
            $right += in_array($sharpest, $tried->trial->asSharp(), true) ? 1 : 0;
            $wide = $tried->trial->stops[0];
            $this->assertInstanceOf(TriedStop::class, $wide);
            $worst = max($worst, abs($tried->trial->blurMm($wide) / $blurs['2.8'] - 1.0));
        }
        fwrite(STDERR, sprintf("Trials: %d of %d found the sharpest stop; blur wide open within %.1f %%\n", $right, self::LENSES, 100.0 * $worst));
        $this->assertSame(self::LENSES, $right);
        $this->assertLessThan(0.08, $worst);
    }

    public function test_every_place_of_a_deep_target_is_sharp_in_a_frame_of_its_stack(): void
    {
        $rig = self::rig(60.0, 60.0, [], [], 5.6);
        $reading = Reading::of($rig);
        $picture = RigPicture::of($rig);
        $this->assertNotNull($picture);
        $field = (float) $reading->fieldWidthMm;
        $pitch = (float) $rig->frame->pitchMm();
        $target = Target::measured(TargetKind::Rule, $field, $reading->depthOfFieldMm, $pitch / (float) $reading->magnification);
        $deep = 3.0;
        $stack = RailStack::through($deep, (float) $reading->depthOfFieldMm, RailScrew::of(1.25, 200));
        $artwork = Artwork::of($target, $field);
        $exposure = new Exposure($picture, $pitch);
        $sharp = [];
        $last = null;
        foreach ($stack->railMm() as $n => $mm) {
            // The rail goes towards the target: what was further off comes nearer.
            $offset = $deep / 2.0 - $mm;
            $found = SlantedRule::in(ExposureTest::plane($exposure->take($artwork, $offset, FrameBox::about(self::COLUMNS, self::ROWS, self::COLUMNS / 2, self::ROWS / 2, 1500, 120), seed: $n + 1)), $target->divisionMm, Target::LEAN_DEG, $rig->blurLimitMm / $pitch);
            // Measured, each slice begins before the one before it ends.
            [$from, $to] = [$found->middleMm - $found->sliceMm / 2.0, $found->middleMm + $found->sliceMm / 2.0];
            if ($last !== null) {
                $this->assertLessThan($last, $from, 'frame '.$n);
            }
            $last = $to;
            $sharp[] = [$from, $to];
        }
        $this->assertLessThanOrEqual(-$deep / 2.0 + 0.02, $sharp[0][0]);
        $this->assertGreaterThanOrEqual($deep / 2.0 - 0.02, $last);
        // And by its figures: of a step from its face to its ground, every depth is within the blur limit in one of them.
        for ($d = -$deep / 2.0; $d <= $deep / 2.0; $d += 0.01) {
            $least = min(array_map(static fn (float $mm): float => $picture->at($d + $deep / 2.0 - $mm)->discMm, $stack->railMm()));
            $this->assertLessThanOrEqual($rig->blurLimitMm * (1.0 + 1e-9), $least);
        }
    }
}
