<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Picture;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Measure\Edge;
use ZincThimble\Core\Measure\GreyPlane;
use ZincThimble\Core\Measure\Ruler;
use ZincThimble\Core\Measure\SlantedRule;
use ZincThimble\Core\Picture\Artwork;
use ZincThimble\Core\Picture\Exposure;
use ZincThimble\Core\Picture\FrameBox;
use ZincThimble\Core\Picture\Pixels;
use ZincThimble\Core\Picture\RigPicture;
use ZincThimble\Core\Picture\Target;
use ZincThimble\Core\Picture\TargetKind;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Tests\RigMaker;

/** Frames of the made-up camera are what the rig's figures say: measured back, they come to the same. */
final class ExposureTest extends TestCase
{
    private static function rig(float $tubeMm = 60.0, float $stop = 5.6): Rig
    {
        return RigMaker::made(['format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => ['registerMm' => 44.5, 'sensor' => ['widthMm' => 23.5, 'heightMm' => 15.7, 'columns' => 6000, 'rows' => 4000]], 'chain' => [
            ['kind' => 'tube', 'lengthMm' => $tubeMm],
            ['kind' => 'lens', 'name' => 'Fifty', 'focalLengthMm' => 50, 'registerMm' => 44.5, 'frontRimMm' => 40, 'aperture' => ['widest' => 2, 'smallest' => 22, 'control' => 'ring'], 'set' => ['aperture' => $stop]],
        ]]);
    }

    private static function frame(Rig $rig, TargetKind $kind, FrameBox $box, float $offset = 0.0, float $light = 1.0, array $brightness = [], float $iso = 100.0, float $shake = 0.0): Pixels
    {
        $picture = RigPicture::of($rig);
        self::assertNotNull($picture);

        return (new Exposure($picture, (float) $rig->frame->pitchMm(), $brightness))->take(Artwork::of(self::target($rig, $kind), (float) Reading::of($rig)->fieldWidthMm), $offset, $box, $light, $iso, 3, $shake);
    }

    private static function target(Rig $rig, TargetKind $kind): Target
    {
        $reading = Reading::of($rig);

        return $kind->isMeasured() ? Target::measured($kind, (float) $reading->fieldWidthMm, $reading->depthOfFieldMm, $rig->frame->pitchMm() / (float) $reading->magnification) : Target::own($kind);
    }

    public static function plane(Pixels $pixels): GreyPlane
    {
        $bytes = [];
        for ($n = 1, $end = strlen($pixels->rgb); $n < $end; $n += 3) {
            $bytes[] = ord($pixels->rgb[$n]);
        }

        return GreyPlane::ofSrgb($pixels->width, $pixels->height, $bytes);
    }

    public function test_a_ruler_in_it_tells_the_magnification_and_which_way_it_lies(): void
    {
        foreach ([15.0, 60.0, 140.0] as $tube) {
            $rig = self::rig($tube);
            $ruler = Ruler::in(self::plane(self::frame($rig, TargetKind::Ruler, FrameBox::about(6000, 4000, 3000, 2000, 1400, 200))));
            $m = $ruler->pixelsPerDivision * (float) $rig->frame->pitchMm() / self::target($rig, TargetKind::Ruler)->divisionMm;
            $this->assertEqualsWithDelta(1.0, $m / (float) Reading::of($rig)->magnification, 2e-4);
            $this->assertEqualsWithDelta(Artwork::RULER_DEG, $ruler->angleDeg, 0.05);
            $this->assertGreaterThanOrEqual(9, $ruler->lines);
        }
    }

    public function test_off_the_plane_it_is_smaller_and_as_blurred_as_the_disc_and_the_gaussian_are(): void
    {
        $rig = self::rig();
        $picture = RigPicture::of($rig);
        $this->assertNotNull($picture);
        $pitch = (float) $rig->frame->pitchMm();
        $box = FrameBox::about(6000, 4000, 3000, 2000, 260, 320);
        $this->assertEqualsWithDelta(0.187 * $pitch / $picture->gaussianMm, Edge::in(self::plane(self::frame($rig, TargetKind::Edge, $box)))->mtf50, 0.006);
        // A disc of some pixels beside it: the variances add, as far as a disc looks like a Gaussian.
        foreach ([0.2, -0.2] as $offset) {
            $layer = $picture->at($offset);
            $sigma = hypot($picture->gaussianMm, $layer->discMm / 4.0) / $pitch;
            $found = Edge::in(self::plane(self::frame($rig, TargetKind::Edge, $box, $offset)));
            $this->assertEqualsWithDelta(1.0, $found->mtf50 * $sigma / 0.187, 0.08);
        }
        $ruler = Ruler::in(self::plane(self::frame($rig, TargetKind::Ruler, FrameBox::about(6000, 4000, 3000, 2000, 1400, 200), 0.5)));
        $this->assertEqualsWithDelta(1.0, $ruler->pixelsPerDivision * $pitch / self::target($rig, TargetKind::Ruler)->divisionMm / $picture->at(0.5)->magnification, 3e-4);
    }

    public function test_what_shakes_is_blurred_by_that_too(): void
    {
        $rig = self::rig();
        $gaussian = (RigPicture::of($rig)->gaussianMm ?? 0.0) / (float) $rig->frame->pitchMm();
        $found = Edge::in(self::plane(self::frame($rig, TargetKind::Edge, FrameBox::about(6000, 4000, 3000, 2000, 260, 320), shake: 1.5)));
        $this->assertEqualsWithDelta(0.187 / hypot($gaussian, 1.5), $found->mtf50, 0.005);
    }

    public function test_a_leaning_rule_tells_the_slice_and_where_it_is(): void
    {
        $rig = self::rig();
        $reading = Reading::of($rig);
        foreach ([0.0, 0.6] as $offset) {
            $found = SlantedRule::in(self::plane(self::frame($rig, TargetKind::Rule, FrameBox::about(6000, 4000, 3000, 2000, 1400, 160), $offset)), self::target($rig, TargetKind::Rule)->divisionMm, Target::LEAN_DEG, $rig->blurLimitMm / (float) $rig->frame->pitchMm());
            $this->assertEqualsWithDelta(1.0, $found->sliceMm / (float) $reading->depthOfFieldMm, 0.06);
            $this->assertEqualsWithDelta(-$offset, $found->middleMm, 0.05 * (float) $reading->depthOfFieldMm + 0.02);
        }
    }

    public function test_a_piece_is_the_same_as_in_the_whole_and_a_reduced_one_is_its_mean(): void
    {
        $rig = RigMaker::made(['format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => ['registerMm' => 44.5, 'sensor' => ['widthMm' => 23.5, 'heightMm' => 15.7, 'columns' => 600, 'rows' => 400]], 'chain' => [
            ['kind' => 'tube', 'lengthMm' => 200], ['kind' => 'lens', 'focalLengthMm' => 50, 'registerMm' => 44.5, 'frontRimMm' => 40, 'aperture' => ['widest' => 2, 'smallest' => 22, 'control' => 'ring']],
        ]]);
        foreach ([TargetKind::Seed, TargetKind::Capsule, TargetKind::Tooth, TargetKind::Dots] as $kind) {
            // So little noise that only what is drawn counts.
            $whole = self::plane(self::frame($rig, $kind, FrameBox::whole(600, 400, 600), iso: 0.01));
            $piece = self::plane(self::frame($rig, $kind, new FrameBox(600, 400, 200, 150, 90, 70), iso: 0.01));
            for ($y = 0; $y < 70; $y += 9) {
                for ($x = 0; $x < 90; $x += 7) {
                    $this->assertEqualsWithDelta($whole->values[(150 + $y) * 600 + 200 + $x], $piece->values[$y * 90 + $x], 0.008, $kind->value);
                }
            }
            $half = self::plane(self::frame($rig, $kind, FrameBox::whole(600, 400, 300), iso: 0.01));
            $this->assertSame([300, 200], [$half->width, $half->height]);
            $off = [];
            foreach ($half->values as $n => $value) {
                $at = 2 * intdiv($n, 300) * 600 + 2 * ($n % 300);
                $off[] = abs($value - ($whole->values[$at] + $whole->values[$at + 1] + $whole->values[$at + 600] + $whole->values[$at + 601]) / 4.0);
            }
            sort($off);
            $this->assertLessThan(0.05, $off[(int) (0.99 * count($off))], $kind->value);
        }
    }

    public function test_light_noise_and_corners(): void
    {
        $rig = self::rig();
        $mean = static fn (GreyPlane $plane): float => array_sum($plane->values) / count($plane->values);
        $corner = new FrameBox(6000, 4000, 0, 0, 100, 100);
        $even = $mean(self::plane(self::frame($rig, TargetKind::Seed, $corner)));
        $this->assertEqualsWithDelta($even / 2.0, $mean(self::plane(self::frame($rig, TargetKind::Seed, $corner, light: 0.5))), 0.003);
        $this->assertEqualsWithDelta($even * 0.4, $mean(self::plane(self::frame($rig, TargetKind::Seed, $corner, brightness: [1.0, 0.9, 0.4]))), 0.02);
        $this->assertEqualsWithDelta($even, $mean(self::plane(self::frame($rig, TargetKind::Seed, FrameBox::about(6000, 4000, 3000, 100, 100, 100), brightness: [1.0, 1.0, 1.0]))), 0.003);
        $this->assertGreaterThan(0.99, $mean(self::plane(self::frame($rig, TargetKind::Seed, $corner, light: 8.0))), 'blown out');
        $spread = static function (GreyPlane $plane) use ($mean): float {
            $at = $mean($plane);

            return sqrt(array_sum(array_map(static fn (float $value): float => ($value - $at) ** 2, $plane->values)) / count($plane->values));
        };
        $quiet = $spread(self::plane(self::frame($rig, TargetKind::Seed, $corner)));
        $this->assertEqualsWithDelta(4.0, $spread(self::plane(self::frame($rig, TargetKind::Seed, $corner, iso: 1600.0))) / $quiet, 0.6);
    }

    public function test_targets_that_are_measured_have_as_many_divisions_as_there_is_room_for(): void
    {
        foreach ([1.9, 7.0, 29.0, 130.0] as $field) {
            $ruler = Target::measured(TargetKind::Ruler, $field);
            $this->assertGreaterThanOrEqual(40.0, $field / $ruler->divisionMm);
            $this->assertLessThanOrEqual(100.0, $field / $ruler->divisionMm);
            $this->assertMatchesRegularExpression('/^0*[125]0*$/', str_replace('.', '', rtrim(sprintf('%.6f', $ruler->divisionMm), '0')), 'a round one');
            $rule = Target::measured(TargetKind::Rule, $field, 0.1, 0.001);
            $this->assertEqualsWithDelta($rule->widthMm, $rule->depthMm, 1e-9, 'it leans by half a right angle');
            $this->assertGreaterThan(10.0 * 0.001, $rule->divisionMm * M_SQRT1_2);
        }
        $this->expectException(InvalidFigure::class);
        Target::own(TargetKind::Ruler);
    }

    public function test_a_piece_has_to_lie_within_the_frame_and_be_no_larger_than_is_waited_for(): void
    {
        $this->assertEquals(new FrameBox(600, 400, 500, 0, 100, 50), FrameBox::about(600, 400, 900.0, -10.0, 100, 50));
        $this->assertEquals(new FrameBox(600, 400, 0, 0, 600, 400), FrameBox::about(600, 400, 300.0, 200.0, 9000, 9000));
        $this->assertEquals(new FrameBox(6000, 4000, 0, 0, 750, 500, 8), FrameBox::whole(6000, 4000, 750));
        foreach ([[600, 400, -1, 0, 10, 10, 1], [600, 400, 591, 0, 10, 10, 1], [600, 400, 0, 391, 10, 10, 1], [600, 400, 0, 0, 0, 10, 1], [6000, 4000, 0, 0, 1501, 1000, 1], [0, 4, 0, 0, 1, 1, 1], [600, 400, 0, 0, 301, 100, 2]] as $box) {
            try {
                new FrameBox(...$box);
                $this->fail(json_encode($box) ?: '');
            } catch (InvalidFigure $fault) {
                $this->assertContains($fault->field, ['box', 'columns']);
            }
        }
        new FrameBox(6000, 4000, 0, 0, 1500, 1000);
    }
}
