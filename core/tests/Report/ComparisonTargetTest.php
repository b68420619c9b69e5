<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Report;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Picture\RigPicture;
use ZincThimble\Core\Picture\Shape;
use ZincThimble\Core\Picture\Target;
use ZincThimble\Core\Picture\TargetKind;
use ZincThimble\Core\Reading\SolveTarget;
use ZincThimble\Core\Report\Bringing;
use ZincThimble\Core\Report\ComparedRig;
use ZincThimble\Core\Report\Comparison;
use ZincThimble\Core\Report\PictureColumns;
use ZincThimble\Core\Report\Sweep;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Subject;
use ZincThimble\Core\Rig\Travels;
use ZincThimble\Core\Tests\RigMaker;

/** What all rigs of a comparison have before them, what a hand sets afterwards, and the picture while it is set. */
final class ComparisonTargetTest extends TestCase
{
    public function test_all_have_one_target_before_them(): void
    {
        $seed = Subject::from(new Values(['widthMm' => 3.0, 'depthMm' => 0.9, 'traits' => ['wet']]));
        $leaf = Subject::from(new Values(['name' => 'Leaf', 'depthMm' => 5.0]));
        $told = static fn (Comparison $comparison): array => array_map(static fn (ComparedRig $rig): ?float => $rig->depthMm, $comparison->rigs);
        // The first that is described is the subject of all; what only has a name isn't.
        $first = Comparison::of([self::rig(60.0)->withSubject(Subject::from(new Values(['name' => 'Something']))), self::rig(60.0)->withSubject($seed), self::rig(90.0)->withSubject($leaf)], Bringing::asSet(), TargetKind::Subject);
        $this->assertSame([0.9, 0.9, 0.9], $told($first));
        $this->assertSame([TargetKind::Subject, Shape::Dome, 3.0, 2.25, 0.9], [$first->target->kind, $first->target->shape, $first->target->widthMm, $first->target->heightMm, $first->target->depthMm]);
        $this->assertSame(['wet'], $first->rigs[2]->rig->subject?->traits);
        // Unless each keeps its own.
        $this->assertSame([0.9, 5.0, null], $told(Comparison::of([self::rig(60.0)->withSubject($seed), self::rig(90.0)->withSubject($leaf), self::rig()], Bringing::asSet())));
        // A depth that is typed is the depth, whatever is described.
        $this->assertSame([2.0, 2.0], $told(Comparison::of([self::rig(60.0)->withSubject($seed), self::rig()], Bringing::asSet(2.0), TargetKind::Subject)));
        $this->assertSame([null, null], $told(Comparison::of([self::rig(60.0)->withSubject($seed), self::rig()], Bringing::asSet(0.0), TargetKind::Subject)));
        // One of ours, at its own depth or another; without depth it is a flat sheet.
        $tooth = Comparison::of([self::rig(60.0)->withSubject($seed), self::rig()], Bringing::asSet(), TargetKind::Tooth);
        $this->assertSame([3.0, 3.0], $told($tooth));
        $this->assertSame([Shape::Step, 12.0, []], [$tooth->target->shape, $tooth->target->widthMm, $tooth->rigs[0]->rig->subject?->traits]);
        $this->assertSame([1.5], $told(Comparison::of([self::rig()], Bringing::asSet(1.5), TargetKind::Tooth)));
        $flat = Comparison::of([self::rig()->withSubject($seed)], Bringing::asSet(), TargetKind::Dots);
        $this->assertSame([[null], true, 0.0], [$told($flat), $flat->rigs[0]->rig->subject?->flat, $flat->target->depthMm]);
        // Undescribed, it is as wide as most of the widest field, and flat.
        $none = Comparison::of([self::rig(60.0), self::rig(120.0)], Bringing::asSet());
        $this->assertEqualsWithDelta(0.7 * max(array_map(static fn (ComparedRig $rig): float => (float) $rig->report->reading->fieldWidthMm, $none->rigs)), $none->target->widthMm, 1e-9);
        $this->assertSame([Shape::Sheet, 0.0], [$none->target->shape, $none->target->depthMm]);
    }

    public function test_every_target_of_ours_has_its_own_size_and_no_depth_below_nothing(): void
    {
        foreach ([
            [TargetKind::Seed, Shape::Dome, 3.2, 2.3, 1.2], [TargetKind::Capsule, Shape::Cylinder, 1.6, 2.6, 0.8], [TargetKind::Tooth, Shape::Step, 12.0, 9.0, 3.0], [TargetKind::Dots, Shape::Sheet, 24.0, 16.0, 0.0],
            [TargetKind::Grid, Shape::Sheet, 100.0, 70.0, 0.0], [TargetKind::Print, Shape::Sheet, 45.0, 30.0, 0.0], [TargetKind::Label, Shape::Cylinder, 36.0, 28.0, 10.0],
        ] as [$kind, $shape, $width, $height, $depth]) {
            $target = Target::own($kind);
            $this->assertSame([$kind, $shape, $width, $height, $depth], [$target->kind, $target->shape, $target->widthMm, $target->heightMm, $target->depthMm]);
            $this->assertSame([$width, $depth > 0.0 ? $depth : null, $depth > 0.0 ? null : true], [$target->subject()->widthMm, $target->subject()->depthMm, $target->subject()->flat]);
            $this->assertSame(0.4, Target::own($kind, 0.4)->subject()->depthMm);
        }
        foreach ([[TargetKind::Subject, null], [TargetKind::Seed, -0.1]] as [$kind, $depth]) {
            try {
                Target::own($kind, $depth);
                $this->fail($kind->value);
            } catch (InvalidFigure $fault) {
                $this->assertStringContainsString('0 or more', $fault->getMessage());
            }
        }
        $this->assertSame(0.0, Target::own(TargetKind::Seed, 0.0)->depthMm);
    }

    public function test_a_curved_subject_is_as_deep_as_its_sag_and_a_flat_one_a_sheet(): void
    {
        $ball = Target::ofSubject(Subject::from(new Values(['widthMm' => 6.0, 'radiusMm' => 5.0])), 40.0);
        $this->assertEqualsWithDelta(5.0 - 4.0, $ball->depthMm, 1e-12);
        $this->assertSame(Shape::Dome, $ball->shape);
        $this->assertSame(Shape::Sheet, Target::ofSubject(Subject::from(new Values(['depthMm' => 2.0, 'flat' => true])), 40.0)->shape);
        $this->assertEqualsWithDelta(28.0, Target::ofSubject(null, 40.0)->widthMm, 1e-12);
        $this->assertEqualsWithDelta(21.0, Target::ofSubject(null, null)->widthMm, 1e-12);
    }

    public function test_a_step_is_imaged_at_its_two_ends_and_all_else_layer_by_layer(): void
    {
        $tooth = Comparison::of([self::rig()], Bringing::asSet(2.4), TargetKind::Tooth);
        $picture = RigPicture::of($tooth->rigs[0]->rig);
        $this->assertNotNull($picture);
        $this->assertEquals([$picture->at(1.2), $picture->at(-1.2)], $tooth->rigs[0]->layers($tooth->target));
        $label = Comparison::of([self::rig()], Bringing::asSet(2.4), TargetKind::Label);
        $this->assertEquals($picture->through(-1.2, 1.2), $label->rigs[0]->layers($label->target));
        $flat = Comparison::of([self::rig()], Bringing::asSet(0.0), TargetKind::Tooth);
        $this->assertEquals([$picture->at(0.0)], $flat->rigs[0]->layers($flat->target));
    }

    public function test_what_is_set_by_hand_afterwards_stays_and_is_held_to_what_was_asked(): void
    {
        $at = static fn (array $byHand, Bringing $bringing): ComparedRig => Comparison::of([self::rig(), self::rig()], $bringing, byHand: [1 => $byHand])->rigs[1];
        $to = Bringing::asSet()->to(SolveTarget::Magnification, 1.2);
        $hand = $at(['0.length' => 70.0, '1.aperture' => 11.0], $to);
        $this->assertSame([70.0, 11.0, false], [$hand->rig->lengthMm(0), $hand->rig->markedAperture(1), $hand->met]);
        $this->assertSame(['0.length' => 70.0, '1.aperture' => 11.0], $hand->byHand);
        $there = Comparison::of([self::rig()], $to)->rigs[0]->rig->lengthMm(0);
        $this->assertTrue($at(['0.length' => $there], $to)->met);
        $this->assertSame(180.0, $at(['0.length' => 9000.0], $to)->rig->lengthMm(0), 'held within its ends');
        $light = Bringing::asSet()->atEffective(20.0);
        $this->assertTrue($at(['1.aperture' => (float) Comparison::of([self::rig()], $light)->rigs[0]->rig->markedAperture(1)], $light)->met);
        $this->assertFalse($at(['1.aperture' => 22.0], $light)->met);
        $this->assertTrue($at(['0.length' => 50.0], Bringing::asSet())->met, 'as set is as set');
        $this->expectExceptionMessage('no control 0.aperture');
        $at(['0.aperture' => 8.0], $to);
    }

    public function test_at_every_place_of_a_sweep_the_picture_is_that_of_the_rig_set_there(): void
    {
        $rig = self::rig();
        foreach (['0.length', '1.aperture'] as $name) {
            $travel = Travels::named($rig, $name);
            $this->assertNotNull($travel);
            $sweep = Sweep::of($rig, $travel);
            $columns = PictureColumns::of($rig, $sweep, 3.0);
            foreach ($sweep->positions as $row => $position) {
                $picture = RigPicture::of($rig->with($travel->kind, $travel->part, $position));
                $this->assertNotNull($picture);
                foreach (['near' => -1.5, 'far' => 1.5] as $end => $d) {
                    $layer = $picture->at($d);
                    $this->assertEqualsWithDelta($layer->magnification, $columns->{$end.'Scale'}[$row], 1e-9);
                    $this->assertEqualsWithDelta($layer->discMm, $columns->{$end.'DiscMm'}[$row], 1e-9);
                }
                $this->assertEqualsWithDelta($picture->gaussianMm, $columns->gaussianMm[$row], 1e-12);
                $this->assertEqualsWithDelta($picture->resolvedDetailMm(), $columns->resolvedDetailMm[$row], 1e-9);
                // And both ends tell every layer between.
                foreach ([-1.2, -0.3, 0.4, 1.0] as $d) {
                    $layer = $picture->at($d);
                    $share = ($d + 1.5) / 3.0;
                    $scale = 1.0 / ((1.0 - $share) / (float) $columns->nearScale[$row] + $share / (float) $columns->farScale[$row]);
                    $this->assertEqualsWithDelta($layer->magnification, $scale, 1e-9);
                    $this->assertEqualsWithDelta($layer->discMm, $scale * (float) $columns->farDiscMm[$row] / (float) $columns->farScale[$row] * abs($d) / 1.5, 1e-9);
                }
            }
        }
    }

    public function test_the_corner_is_as_dark_as_its_reading_says(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $dark = 0;
        for ($n = 0; $n < 150; $n++) {
            $each = Comparison::of([$make->rig()], Bringing::asSet())->rigs[0];
            $corner = $each->report->reading->cornerBrightness;
            $bright = $each->brightness(9);
            $this->assertCount(9, $bright);
            $this->assertEqualsWithDelta($corner ?? 1.0, $bright[8], 1e-9);
            if ($corner !== null && $corner < 0.99) {
                $dark++;
                $this->assertGreaterThanOrEqual($bright[8] - 1e-9, $bright[4]);
            }
        }
        $this->assertGreaterThan(5, $dark);
    }

    private static function rig(float $draw = 90.0): Rig
    {
        return RigMaker::made(['format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => ['joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24, 'columns' => 6000, 'rows' => 4000]], 'chain' => [
            ['kind' => 'bellows', 'name' => 'Bellows', 'rear' => 'larch', 'front' => 'larch', 'minMm' => 30, 'maxMm' => 180, 'setMm' => $draw],
            ['kind' => 'lens', 'name' => 'Sixty', 'rear' => 'larch', 'focalLengthMm' => 60, 'registerMm' => 44.5, 'frontRimMm' => 40, 'focusing' => 'fixed', 'design' => 'symmetrical',
                'aperture' => ['widest' => 2.8, 'smallest' => 22, 'control' => 'ring'], 'set' => ['aperture' => 8]],
        ]]);
    }
}
