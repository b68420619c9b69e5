<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Report;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Finding\Finding;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Picture\Layer;
use ZincThimble\Core\Picture\RigPicture;
use ZincThimble\Core\Picture\Target;
use ZincThimble\Core\Reading\BestAperture;
use ZincThimble\Core\Reading\Range;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\SolveTarget;
use ZincThimble\Core\Report\Bringing;
use ZincThimble\Core\Report\ComparedRig;
use ZincThimble\Core\Report\Comparison;
use ZincThimble\Core\Report\Criterion;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Subject;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Tests\KitRigs;
use ZincThimble\Core\Tests\RigMaker;

/** Rigs brought to the same picture, who is best in what, who is beaten by whom: against plain looking at all of them. */
final class ComparisonTest extends TestCase
{
    public function test_whoever_can_is_brought_to_the_field_and_whoever_covers_more_is_cropped_to_it(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $rigs = KitRigs::ofTheDemonstration($make);
        $met = $cropped = $short = 0;
        for ($n = 0; $n < 60; $n++) {
            $wanted = $make->number(8.0, 120.0);
            foreach (Comparison::of([$rigs->rig(), $rigs->rig()], Bringing::asSet()->to(SolveTarget::FieldWidth, $wanted))->rigs as $each) {
                $field = $each->report->reading->fieldWidthMm;
                if ($each->met) {
                    $met++;
                    $this->assertEqualsWithDelta($wanted, $field, 1e-5 * $wanted);
                    $this->assertNull($each->cropToMm);
                    $this->assertSame($each->rig->frame->columns, $each->pixelsLeft);
                } elseif ($field !== null && $field > $wanted) {
                    $cropped++;
                    $this->assertSame($wanted, $each->cropToMm);
                    $this->assertSame((int) floor($each->rig->frame->columns * $wanted / $field), $each->pixelsLeft);
                } else {
                    $short++;
                    $this->assertNull($each->cropToMm, 'what covers less has nothing to cut off');
                    $this->assertSame($each->rig->frame->columns, $each->pixelsLeft);
                }
            }
        }
        $this->assertGreaterThan(5, min($met, $cropped, $short));
    }

    public function test_the_same_magnification_another_place_and_each_at_its_closest(): void
    {
        $rig = self::rig();
        $at = static fn (Bringing $bringing): ComparedRig => Comparison::of([$rig], $bringing)->rigs[0];
        $same = $at(Bringing::asSet()->to(SolveTarget::Magnification, 1.2));
        $this->assertTrue($same->met);
        $this->assertEqualsWithDelta(1.2, $same->report->reading->magnification, 1e-6);
        $far = $at(Bringing::asSet()->to(SolveTarget::Magnification, 50.0));
        $this->assertFalse($far->met);
        $most = (float) Range::of($rig)->magnification[1];
        $this->assertEqualsWithDelta($most, $far->report->reading->magnification, 1e-6);
        $this->assertEqualsWithDelta(36.0 / 50.0, $far->cropToMm, 1e-12, 'what can’t magnify so much is cropped');
        $place = $at(Bringing::asSet()->to(SolveTarget::SubjectDistance, 260.0));
        $this->assertTrue($place->met);
        $this->assertEqualsWithDelta(260.0, $place->report->reading->subjectDistanceMm, 1e-4);
        $this->assertEqualsWithDelta($most, $at(Bringing::asSet()->toClosest())->report->reading->magnification, 1e-6);
        $this->assertTrue($at(Bringing::asSet()->toClosest())->met);
        $this->assertEquals($rig->setting, $at(Bringing::asSet())->rig->setting);
        // Without anything that moves it is there, or it isn't.
        $fixed = RigMaker::made(self::document([self::LENS]));
        $this->assertFalse(Comparison::of([$fixed], Bringing::asSet()->to(SolveTarget::Magnification, 0.5))->rigs[0]->met);
    }

    public function test_the_same_light_within_what_a_ring_clicks_and_the_sharpest_stop(): void
    {
        $rig = self::rig();
        foreach ([8.0, 11.0, 20.0, 31.0] as $wanted) {
            $each = Comparison::of([$rig], Bringing::asSet()->atEffective($wanted))->rigs[0];
            $off = abs(log((float) $each->report->reading->effectiveAperture / $wanted));
            foreach ($rig->stopsAt(1) as $stop) {
                $other = abs(log((float) Reading::of($rig->with(TravelKind::Aperture, 1, $stop))->effectiveAperture / $wanted));
                $this->assertGreaterThanOrEqual($off - 1e-9, $other, 'no stop comes nearer');
            }
            $this->assertSame($off <= log(2.0) / 12.0 + 1e-12, $each->met);
        }
        $this->assertFalse(Comparison::of([$rig], Bringing::asSet()->atEffective(3.0))->rigs[0]->met);
        $deep = Comparison::of([$rig], Bringing::asSet(4.0)->atSharpest())->rigs[0];
        $this->assertSame(BestAperture::of($rig, 4.0)?->single, $deep->rig->markedAperture(1));
        $this->assertEqualsWithDelta(BestAperture::of($rig, 4.0)?->singleBlurMm, $deep->blurAtEdgeMm, 1e-12);
        // What is found of it is found for that target, and not for another subject: the stop that it names is the one that is set.
        $other = $rig->withSubject(Subject::from(new Values(['name' => 'Seed', 'depthMm' => 0.4, 'radiusMm' => 3.0])));
        $aimed = Comparison::of([$other], Bringing::asSet(4.0)->atSharpest())->rigs[0];
        $this->assertSame([4.0, 4.0, 'Seed'], [$aimed->depthMm, $aimed->rig->subject?->depthMm, $aimed->rig->subject?->name]);
        $this->assertSame($deep->rig->markedAperture(1), $aimed->rig->markedAperture(1));
        $thin = array_values(array_filter($aimed->report->findings, static fn (Finding $finding): bool => isset($finding->numbers['single'])));
        $this->assertSame($aimed->rig->markedAperture(1), $thin[0]->numbers['single']);
        $flat = Comparison::of([$rig], Bringing::asSet()->atSharpest())->rigs[0];
        $this->assertSame(BestAperture::of($rig, 1.0)?->stacking, $flat->rig->markedAperture(1));
        $this->assertNull($flat->blurAtEdgeMm);
        $this->assertNull($flat->depthMm);
        $this->assertSame([0.0], array_map(static fn (Layer $layer): float => $layer->atMm, $flat->layers(Target::ofSubject(null, 40.0))));
        // Its depth lies about the plane of focus, half before and half behind it.
        $this->assertSame(4.0, $deep->depthMm);
        $at = array_map(static fn (Layer $layer): float => $layer->atMm, $deep->layers(Target::ofSubject(null, 40.0, 4.0)));
        $this->assertEqualsWithDelta(0.0, array_sum($at), 1e-9);
        $this->assertGreaterThan($at[1], $at[0]);
        $this->assertEqualsWithDelta(2.0, $at[0] + ($at[0] - $at[1]) / 2.0, 1e-9);
        $this->assertSame(RigPicture::of($flat->rig)?->resolvedDetailMm(), $flat->resolvedDetailMm);
    }

    public function test_best_and_beaten_are_what_plain_looking_says(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $rigs = KitRigs::ofTheDemonstration($make);
        $said = $beaten = $none = 0;
        for ($n = 0; $n < 40; $n++) {
            $comparison = Comparison::of([$rigs->rig(), $rigs->rig(), $rigs->rig()], Bringing::asSet());
            $better = static function (Criterion $criterion, ComparedRig $a, ComparedRig $b): bool {
                $one = $a->value($criterion);
                $other = $b->value($criterion);
                $doubt = hypot($a->halfWidth($criterion), $b->halfWidth($criterion));

                return $one !== null && $other !== null && ($criterion->isMoreBetter() ? $one - $other : $other - $one) > $doubt + 1e-9 * max(abs($one), abs($other));
            };
            foreach (Criterion::cases() as $criterion) {
                $expected = null;
                $known = array_filter($comparison->rigs, static fn (ComparedRig $rig): bool => $rig->value($criterion) !== null);
                foreach ($comparison->rigs as $rig) {
                    $others = array_filter($comparison->rigs, static fn (ComparedRig $other): bool => $other !== $rig);
                    if (count($known) === 3 && array_filter($others, static fn (ComparedRig $other): bool => ! $better($criterion, $rig, $other)) === []) {
                        $expected = $rig->letter;
                    }
                }
                $best = $comparison->best()[$criterion->value];
                $this->assertSame($expected, $best['letter'] ?? null, $criterion->value);
                $said += $expected === null ? 0 : 1;
                $none += $expected === null ? 1 : 0;
            }
            $told = array_column($comparison->beaten(), 'by', 'letter');
            foreach ($comparison->rigs as $rig) {
                $by = array_values(array_filter($comparison->rigs, static fn (ComparedRig $other): bool => $other !== $rig
                    && array_filter(Criterion::cases(), static fn (Criterion $each): bool => $better($each, $rig, $other)) === []
                    && array_filter(Criterion::cases(), static fn (Criterion $each): bool => $better($each, $other, $rig)) !== []));
                $this->assertSame($by[0]->letter ?? null, $told[$rig->letter] ?? null);
                $beaten += $by === [] ? 0 : 1;
            }
        }
        $this->assertGreaterThan(30, $said);
        $this->assertGreaterThan(30, $none);
        $this->assertGreaterThan(2, $beaten);
    }

    public function test_a_difference_within_the_half_widths_is_none(): void
    {
        $one = self::rig(90.0);
        $other = self::rig(90.3);
        $comparison = Comparison::of([$one, $other], Bringing::asSet());
        $apart = abs((float) $comparison->rigs[0]->value(Criterion::Room) - (float) $comparison->rigs[1]->value(Criterion::Room));
        $this->assertGreaterThan(0.0, $apart);
        $this->assertLessThan($comparison->rigs[0]->halfWidth(Criterion::Room), $apart);
        $this->assertNull($comparison->best()['workingDistanceMm']);
        $this->assertSame([], $comparison->beaten());
        $far = Comparison::of([self::rig(60.0), self::rig(160.0)], Bringing::asSet())->best()['workingDistanceMm'];
        $this->assertSame('A', $far['letter'] ?? null);
    }

    public function test_what_was_asked_for_and_not_met_beats_nobody(): void
    {
        $one = Comparison::of([self::rig(120.0, 10.0), RigMaker::made(self::document([['kind' => 'tube', 'name' => 'Tube', 'rear' => 'larch', 'front' => 'larch', 'lengthMm' => 60, 'massG' => 9000, 'price' => 9000], self::LENS]))],
            Bringing::asSet()->to(SolveTarget::Magnification, 0.55));
        $this->assertSame([true, false], array_map(static fn (ComparedRig $rig): bool => $rig->met, $one->rigs));
        foreach ($one->beaten() as $each) {
            $this->assertSame('A', $each['by']);
        }
    }

    public function test_one_to_sixty_four_rigs_have_letters(): void
    {
        $rig = RigMaker::made(self::document([self::LENS]));
        $letters = array_map(static fn (ComparedRig $each): string => $each->letter, Comparison::of(array_fill(0, 64, $rig), Bringing::asSet())->rigs);
        $this->assertSame(['A', 'Z', 'AA', 'AZ', 'BA', 'BL'], [$letters[0], $letters[25], $letters[26], $letters[51], $letters[52], $letters[63]]);
        $this->assertCount(64, array_unique($letters));
        foreach ([[], array_fill(0, 65, $rig)] as $bad) {
            try {
                Comparison::of($bad, Bringing::asSet());
                $this->fail('took '.count($bad));
            } catch (InvalidFigure $fault) {
                $this->assertStringContainsString('1 to 64', $fault->getMessage());
            }
        }
    }

    public function test_as_csv_every_figure_stands_under_its_name_unrounded(): void
    {
        $comparison = Comparison::of([self::rig(60.0)->withSubject(Subject::from(new Values(['depthMm' => 1.0]))), self::rig(160.0)], Bringing::asSet()->to(SolveTarget::Magnification, 1.1));
        $lines = array_map(static fn (string $line): array => str_getcsv($line, escape: ''), explode("\r\n", trim($comparison->csv())));
        $this->assertCount(3, $lines);
        foreach ($comparison->rigs as $n => $each) {
            $cells = array_combine($lines[0], $lines[$n + 1]);
            $this->assertSame([$each->letter, 'yes', "Bellows draw {$this->draw($each)}\u{2009}mm · Sixty f/8"], [$cells['letter'], $cells['met'], $cells['settings']]);
            $figures = $each->report->figures() + ['resolvedDetailMm' => $each->resolvedDetailMm, 'pixelsLeft' => $each->pixelsLeft, 'cropToMm' => $each->cropToMm, 'blurAtEdgeMm' => $each->blurAtEdgeMm];
            foreach (['magnification', 'fieldWidthMm', 'workingDistanceMm', 'subjectDistanceMm', 'effectiveAperture', 'stopsLost', 'depthOfFieldMm', 'massG', 'price', 'joints', 'resolvedDetailMm', 'pixelsLeft', 'cropToMm', 'blurAtEdgeMm'] as $name) {
                $this->assertSame($figures[$name] === null ? '' : (string) $figures[$name], $cells[$name], $name);
            }
        }
    }

    private function draw(ComparedRig $each): string
    {
        return rtrim(rtrim(sprintf('%.1f', $each->rig->lengthMm(0)), '0'), '.');
    }

    public function test_the_format_names_every_figure(): void
    {
        $told = Comparison::of([self::rig(60.0), self::rig(160.0)], Bringing::asSet(2.0))->toArray();
        $this->assertSame(['rigs', 'best', 'beaten'], array_keys($told));
        $this->assertSame(['letter', 'name', 'met', 'settings', 'reading', 'resolvedDetailMm', 'pixelsLeft', 'cropToMm', 'blurAtEdgeMm'], array_keys($told['rigs'][0]));
        $this->assertSame(['A', 'B'], array_column($told['rigs'], 'letter'));
        $this->assertEquals((object) ['Bellows' => "draw 60\u{2009}mm", 'Sixty' => 'f/8'], $told['rigs'][0]['settings']);
        $this->assertSame(['workingDistanceMm', 'effectiveAperture', 'resolvedDetailMm', 'depthOfFieldMm', 'massG', 'price', 'joints', 'coupled'], array_keys($told['best']));
    }

    private const LENS = ['kind' => 'lens', 'name' => 'Sixty', 'rear' => 'larch', 'focalLengthMm' => 60, 'registerMm' => 44.5, 'frontRimMm' => 40, 'focusing' => 'fixed', 'design' => 'symmetrical',
        'aperture' => ['widest' => 2.8, 'smallest' => 22, 'control' => 'ring'], 'set' => ['aperture' => 8]];

    private static function rig(float $draw = 90.0, float $massG = 300.0): Rig
    {
        return RigMaker::made(self::document([['kind' => 'bellows', 'name' => 'Bellows', 'rear' => 'larch', 'front' => 'larch', 'minMm' => 30, 'maxMm' => 180, 'setMm' => $draw, 'massG' => $massG, 'price' => 100], self::LENS]));
    }

    /**
     * @param  list<array<string, mixed>>  $chain
     * @return array<string, mixed>
     */
    private static function document(array $chain): array
    {
        return ['format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => ['joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24, 'columns' => 6000, 'rows' => 4000]], 'chain' => $chain];
    }
}
