<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Rig;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Parts;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Report\RigReport;
use ZincThimble\Core\Rig\Calibration;
use ZincThimble\Core\Rig\RulerShot;
use ZincThimble\Core\Tests\RigMaker;

/** A lens is photographed as it truly is; what the shots tell of it must make a nominal one read the same. */
final class CalibrationTest extends TestCase
{
    private const REGISTER = 18.4;

    public function test_shots_settle_a_lens_so_that_it_reads_as_the_true_one_does(): void
    {
        $maker = RigMaker::seeded(__METHOD__);
        $settledLenses = 0;
        for ($n = 0; $n < 2000; $n++) {
            $f = $maker->number(20, 120);
            $reversed = $maker->chance(0.5);
            $true = ['focalLengthMm' => $f * $maker->number(0.97, 1.03), 'principalGapMm' => $f * $maker->number(-0.4, 0.9), 'registerMm' => 44.5 + $maker->number(-0.4, 0.4)];
            $nominal = ['focalLengthMm' => $f, 'registerMm' => 44.5, 'design' => 'unknown'];
            if ($maker->chance(0.4)) {
                $nominal += ['minFocusMm' => 7 * $f, 'maxMagnification' => 0.2, 'focusing' => 'unit'];
            }
            $spacers = [$maker->number(50, 70), $maker->number(90, 120), $maker->number(140, 170)];
            $near = $maker->chance(0.5);
            $shots = [];
            foreach ($spacers as $spacer) {
                $reading = self::read($true, $reversed, $spacer);
                if ($reading->magnification === null || $reading->magnification < 0.05 || $reading->workingDistanceMm === null) {
                    continue 2;
                }
                $shots[] = RulerShot::of(self::REGISTER, $spacer, 10.0 * $reading->magnification, 0.01, 10.0, 0.01, $near ? $reading->workingDistanceMm : null, 0.2);
            }
            $lens = self::lens($nominal, $reversed);
            $calibration = Calibration::byRuler($lens, $shots);
            $fields = array_column($calibration->figures, null, 'field');
            $this->assertEqualsWithDelta($true['focalLengthMm'], $fields['focalLengthMm']->new, 1e-6 * $f);
            if ($near || ! $reversed) {
                $this->assertEqualsWithDelta($true['registerMm'], $fields['registerMm']->new, 1e-5 * $f);
            }
            if ($near) {
                $this->assertEqualsWithDelta($true['principalGapMm'], $fields['principalGapMm']->new, 1e-5 * $f);
            }
            $settled = $calibration->fields();
            $settledLenses++;
            foreach ([80.0, 200.0] as $spacer) {
                $want = self::read($true, $reversed, $spacer);
                if ($want->magnification === null || $want->magnification < 0.05) {
                    continue;
                }
                $have = self::read(['focusing' => 'fixed'] + $settled, $reversed, $spacer);
                $this->assertEqualsWithDelta($want->magnification, $have->magnification, 1e-4 * $want->magnification);
                if ($near) {
                    $this->assertEqualsWithDelta($want->workingDistanceMm, $have->workingDistanceMm, 1e-3 * $f);
                }
            }
        }
        $this->assertGreaterThan(1200, $settledLenses);
    }

    public function test_one_shot_settles_a_reversed_retrofocus_lens_whose_family_says_next_to_nothing(): void
    {
        $nominal = ['focalLengthMm' => 28.0, 'registerMm' => 44.5, 'design' => 'retrofocus', 'pupilRatio' => 1.6];
        $true = ['focalLengthMm' => 28.0, 'registerMm' => 44.5, 'principalGapMm' => 31.0, 'pupilRatio' => 1.6];
        $reading = self::read($true, true, 60.0);
        $shot = RulerShot::of(self::REGISTER, 60.0, 4.0 * (float) $reading->magnification, 0.008, 4.0, 0.01);
        $before = self::answer($nominal, 60.0);
        $calibration = Calibration::byRuler(self::lens($nominal, true), [$shot]);
        $after = self::answer($calibration->fields(), 60.0);
        $this->assertEqualsWithDelta($reading->magnification, $after->reading->magnification, 1e-6);
        $this->assertGreaterThan(0.45, $before->halfWidths['magnification']);
        $this->assertLessThan(0.2, $after->halfWidths['magnification']);
        $figure = $calibration->figures[0];
        $this->assertSame(['principalGapMm', true], [$figure->field, $figure->assumed]);
        $this->assertEqualsWithDelta(0.7 * 28.0, $figure->old, 1e-9);
        $this->assertEqualsWithDelta(0.5 * 28.0, $figure->oldHalfWidth, 1e-9);
        $this->assertArrayHasKey('principalGapMm', $calibration->lens()->measured);
    }

    public function test_one_shot_the_usual_way_round_keeps_the_focal_length_and_settles_the_offset(): void
    {
        $lens = self::lens(['focalLengthMm' => 50.0, 'registerMm' => 44.5], false);
        $calibration = Calibration::byRuler($lens, [RulerShot::of(self::REGISTER, 57.1, 12.4, 0.01, 20.0)]);
        $this->assertSame(['registerMm'], array_column($calibration->figures, 'field'));
        $this->assertEqualsWithDelta(0.62, self::read($calibration->fields(), false, 57.1)->magnification, 1e-6);
    }

    public function test_half_widths_cover_the_truth_as_often_as_standard_errors_should(): void
    {
        $maker = RigMaker::seeded(__METHOD__);
        $covered = 0;
        $count = 600;
        for ($n = 0; $n < $count; $n++) {
            $shots = [];
            foreach ([30.0, 60.0, 90.0, 120.0] as $spacer) {
                $m = (float) self::read(['focalLengthMm' => 60.0, 'registerMm' => 44.5, 'principalGapMm' => -5.0], true, $spacer)->magnification;
                // Normal noise of one half-width, from twelve even ones.
                $noise = -6.0;
                for ($k = 0; $k < 12; $k++) {
                    $noise += $maker->number(0, 1);
                }
                $shots[] = RulerShot::of(self::REGISTER, $spacer, 10.0 * $m + 0.03 * $noise, 0.03, 10.0, 0.0);
            }
            $figure = Calibration::byRuler(self::lens(['focalLengthMm' => 60.0, 'registerMm' => 44.5], true), $shots)->figures[0];
            $covered += abs($figure->new - 60.0) <= $figure->newHalfWidth ? 1 : 0;
        }
        // Two in three would be 0.68; scatter that happens to be large widens it further, never narrows it.
        $this->assertGreaterThan(0.62, $covered / $count);
        $this->assertLessThan(0.85, $covered / $count);
    }

    public function test_pupils_give_their_ratio(): void
    {
        $figure = Calibration::byPupils(self::lens(['focalLengthMm' => 50.0, 'registerMm' => 44.5, 'design' => 'telephoto'], false), 18.0, 24.0)->figures[0];
        $this->assertEqualsWithDelta(0.75, $figure->new, 1e-12);
        $this->assertEqualsWithDelta(0.72, $figure->old, 1e-12);
        $this->assertEqualsWithDelta(0.75 * hypot(0.3 / 18, 0.3 / 24), $figure->newHalfWidth, 1e-12);
    }

    public function test_a_zoom_is_settled_at_the_station_it_stood_at(): void
    {
        $zoom = self::lens(['focalLengthMm' => 70.0, 'registerMm' => 44.5, 'stations' => [['focalLengthMm' => 24.0], ['focalLengthMm' => 70.0]]], true);
        $shots = [RulerShot::of(self::REGISTER, 40.0, 8.0, 0.01, 4.0)];
        $fields = Calibration::byRuler($zoom, $shots, 24.0)->fields();
        $this->assertIsArray($fields['stations']);
        $this->assertArrayHasKey('principalGapMm', (array) $fields['stations'][0]);
        $this->assertArrayNotHasKey('principalGapMm', (array) $fields['stations'][1]);
        $this->expectException(InvalidFigure::class);
        $this->expectExceptionMessageMatches('/^zoomMm/');
        Calibration::byRuler($zoom, $shots, 40.0);
    }

    public function test_measures_that_no_lens_can_have_are_refused_by_name(): void
    {
        $lens = self::lens(['focalLengthMm' => 50.0, 'registerMm' => 44.5], false);
        $shot = static fn (float $spacers, float $onSensor): RulerShot => RulerShot::of(self::REGISTER, $spacers, $onSensor, 0.01, 10.0);
        foreach ([
            'onSensorMm' => static fn () => RulerShot::of(18.0, 10.0, 0.0, 0.0, 10.0),
            'rulerMm' => static fn () => RulerShot::of(18.0, 10.0, 5.0, 0.01, 0.04),
            'spacersMm' => static fn () => RulerShot::of(18.0, -1.0, 5.0, 0.01, 10.0),
            'shots' => static fn () => Calibration::byRuler($lens, [$shot(50.0, 6.0), $shot(50.1, 6.0)]),
            'exitMm' => static fn () => Calibration::byPupils($lens, 0.0, 20.0),
        ] as $field => $wrong) {
            try {
                $wrong();
                $this->fail($field.' was taken');
            } catch (InvalidFigure $fault) {
                $this->assertSame($field, $fault->field);
            }
        }
        $this->expectExceptionMessageMatches('/less magnification on more extension/');
        Calibration::byRuler($lens, [$shot(50.0, 9.0), $shot(90.0, 6.0)]);
    }

    /** @param  array<string, mixed>  $fields */
    private static function lens(array $fields, bool $reversed): Lens
    {
        $lens = Parts::make(Kind::Lens, new Values($fields + ['frontRimMm' => 48.0, 'rearProtrusionMm' => 3.0, 'reversed' => $reversed]));
        assert($lens instanceof Lens);

        return $lens;
    }

    /** @param  array<string, mixed>  $fields */
    private static function read(array $fields, bool $reversed, float $spacer): Reading
    {
        return Reading::of(self::rig(self::lens($fields, $reversed), $spacer));
    }

    /** @param  array<string, mixed>  $fields */
    private static function answer(array $fields, float $spacer): RigReport
    {
        return RigReport::of(self::rig(self::lens($fields, true), $spacer));
    }

    private static function rig(Lens $lens, float $spacer): \ZincThimble\Core\Rig\Rig
    {
        return RigFile::read(json_decode(json_encode([
            'format' => RigFile::FORMAT, 'version' => 1,
            'camera' => ['registerMm' => self::REGISTER, 'sensor' => ['widthMm' => 23.6, 'heightMm' => 15.7]],
            'chain' => [['kind' => 'tube', 'lengthMm' => $spacer], ['kind' => 'lens'] + $lens->document->fields],
        ], JSON_THROW_ON_ERROR), false, 64, JSON_THROW_ON_ERROR));
    }
}
