<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Reading;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Optics\AxialSampler;
use ZincThimble\Core\Optics\Image;
use ZincThimble\Core\Reading\Range;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Report\RigReport;
use ZincThimble\Core\Rig\Arrangement;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Tests\Near;
use ZincThimble\Core\Tests\RigMaker;

/** What must hold of every rig, over generated ones (OPTICS.md, "Identities"). */
final class IdentitiesTest extends TestCase
{
    /** Worked wherever the lens stands. */
    private const RING = ['widest' => 2, 'smallest' => 22, 'control' => 'ring'];

    private const RIGS = 2000;

    public function test_a_normal_lens_at_infinity_magnifies_by_extension_over_focal_length(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        for ($n = 0; $n < self::RIGS; $n++) {
            $lens = ['aperture' => self::RING, 'set' => ['focus' => 0, 'aperture' => 8]] + array_diff_key($make->lens(), ['stations' => 0, 'frontGlassMm' => 0]);
            $camera = array_diff_key($make->camera(), ['throatMm' => 0]);
            // Enough tube that the lens stands beyond its own register.
            $tube = $make->number(0.1, 3000.0);
            $needed = max(0.0, $lens['registerMm'] - $camera['registerMm']) + $tube;
            $rig = self::rig($camera, [['kind' => 'tube', 'lengthMm' => min(3000.0, $needed)], $lens]);
            $reading = Reading::of($rig);
            $e = $reading->extensionMm;
            self::assertNotNull($e);
            if ($e > 1e-6) {
                Near::assert($e / $rig->lenses[1]->f0, $reading->magnification, 1e-9, 'M = e/f');
                // u + v + g is the way from the sensor to the subject.
                $f = $rig->lenses[1]->f0;
                $m = (float) $reading->magnification;
                Near::assert($f * (2.0 + $m + 1.0 / $m) + $rig->lenses[1]->g0, $reading->subjectDistanceMm, 1e-9, 'u + v + g');
                Near::assert(8.0 * (1.0 + $m / ($rig->conditions->simpleAperture ? 1.0 : $rig->lenses[1]->p0)), $reading->effectiveAperture, 1e-9, 'Neff = N (1 + m/P)');
            }
        }
    }

    public function test_a_reversed_lens_at_infinity_stands_a_register_and_f_over_m_from_the_subject(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $read = 0;
        for ($n = 0; $n < self::RIGS; $n++) {
            $lens = ['aperture' => self::RING, 'set' => ['focus' => 0, 'aperture' => 8], 'reversed' => true] + array_diff_key($make->lens(), ['stations' => 0, 'frontGlassMm' => 0]);
            $rig = self::rig(array_diff_key($make->camera(), ['throatMm' => 0]), [['kind' => 'tube', 'lengthMm' => $make->number(0, 300)], $lens]);
            $reading = Reading::of($rig);
            if ($reading->image !== Image::Real || $reading->magnification <= 0.0) {
                continue;
            }
            $read++;
            $settled = $rig->lenses[1];
            // With too little behind it the picture is erect: M counts negative.
            $m = $reading->erect ? -$reading->magnification : $reading->magnification;
            Near::assert($settled->register + $settled->f0 / $m - $settled->protrusion, $reading->workingDistanceMm, 1e-7, 'WD = R + f/M - protrusion');
            Near::assert(abs(8.0 * ($m + 1.0 / $settled->p0)), $reading->effectiveAperture, 1e-7, 'Neff = N (m + 1/P)');
        }
        self::assertGreaterThan(self::RIGS / 2, $read);
    }

    public function test_one_diopter_on_a_lens_at_infinity_magnifies_by_focal_length_times_power_and_costs_no_light(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        for ($n = 0; $n < self::RIGS; $n++) {
            $camera = array_diff_key($make->camera(), ['throatMm' => 0]);
            $lens = ['registerMm' => $camera['registerMm'], 'aperture' => self::RING, 'set' => ['focus' => 0, 'aperture' => 8]] + array_diff_key($make->lens(), ['stations' => 0, 'frontGlassMm' => 0]);
            $closeUp = array_diff_key($make->closeUp(), ['clearMm' => 0]);
            $rig = self::rig($camera, [$lens, $closeUp]);
            $reading = Reading::of($rig);
            Near::assert($rig->lenses[0]->f0 * $closeUp['powerD'] / 1000.0, $reading->magnification, 1e-9, 'M = f D / 1000');
            Near::assert(8.0, $reading->effectiveAperture, 1e-9, 'no light lost');
            $plane = $closeUp['elements'] === 2 ? 0.0 : $closeUp['thicknessMm'] / 2.0;
            Near::assert(1000.0 / $closeUp['powerD'], $reading->workingDistanceMm + $plane, 1e-9, 'subject at 1000 / D from the plane');
        }
    }

    public function test_coupled_lenses_at_infinity_magnify_by_the_ratio_of_their_focal_lengths(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        for ($n = 0; $n < self::RIGS; $n++) {
            $camera = $make->camera();
            $rear = ['registerMm' => $camera['registerMm'], 'aperture' => self::RING, 'set' => ['focus' => 0, 'aperture' => 8]] + array_diff_key($make->lens(), ['stations' => 0]);
            $front = ['aperture' => self::RING, 'set' => ['focus' => 0, 'aperture' => 2]] + array_diff_key($make->lens(true), ['stations' => 0]);
            $rig = self::rig($camera, [$rear, ['kind' => 'coupling-ring', 'lengthMm' => $make->number(1, 20)], $front]);
            $reading = Reading::of($rig);
            Near::assert($rig->lenses[0]->f0 / $rig->lenses[2]->f0, $reading->magnification, 1e-7, 'M = f rear / f front');
            Near::assert($rig->lenses[2]->register - $rig->lenses[2]->protrusion, $reading->workingDistanceMm, 1e-6, 'WD = register - protrusion');
        }
    }

    public function test_the_order_of_spacers_changes_nothing_but_what_a_throat_cuts(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        for ($n = 0; $n < self::RIGS; $n++) {
            $camera = $make->camera();
            $lens = $make->lens();
            $spacers = array_map(static fn (array $tube): array => array_diff_key($tube, ['clearMm' => 0]), [$make->tube(), $make->tube(), $make->tube()]);
            $one = Reading::of(self::rig($camera, [...$spacers, $lens]));
            $other = Reading::of(self::rig($camera, [...array_reverse($spacers), $lens]));
            foreach (['magnification', 'workingDistanceMm', 'subjectDistanceMm', 'effectiveAperture', 'entrancePupilMm'] as $name) {
                Near::assert($one->{$name}, $other->{$name}, 1e-9, $name);
            }
        }
    }

    public function test_magnification_and_length_grow_with_extension_and_subject_distance_is_least_at_life_size(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        for ($n = 0; $n < self::RIGS; $n++) {
            $lens = ['aperture' => self::RING, 'set' => ['focus' => 0, 'aperture' => 8]] + array_diff_key($make->lens(), ['stations' => 0]);
            $camera = ['registerMm' => $lens['registerMm']] + $make->camera();
            $f = 0.0;
            $previous = null;
            foreach ([0.2, 0.6, 1.0, 1.4, 2.0] as $share) {
                $plain = self::rig($camera, [$lens]);
                $f = $plain->lenses[0]->f0;
                $reading = Reading::of(self::rig($camera, [['kind' => 'tube', 'lengthMm' => $share * $f], $lens]));
                if ($previous !== null) {
                    self::assertGreaterThan($previous->magnification, $reading->magnification);
                    if ($share <= 1.0) {
                        self::assertLessThan($previous->subjectDistanceMm, $reading->subjectDistanceMm);
                    } else {
                        self::assertGreaterThan($previous->subjectDistanceMm, $reading->subjectDistanceMm);
                    }
                }
                $previous = $reading;
            }
        }
    }

    public function test_the_sampler_agrees_with_the_reader_wherever_the_travels_stand(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        for ($n = 0; $n < self::RIGS; $n++) {
            $rig = $make->rig();
            $travels = $rig->focusTravels();
            $sampler = new AxialSampler($rig, $travels);
            $at = [];
            $moved = $rig;
            foreach ($travels as $i => $travel) {
                $at[$i] = $make->number($travel->least, $travel->greatest);
                $moved = $moved->with($travel->kind, $travel->part, $at[$i]);
            }
            $sampler->sample($at);
            $reading = Reading::of($moved);
            self::assertSame($reading->image, $sampler->image, (string) $rig->name);
            if ($reading->image === Image::Real) {
                Near::assert($reading->magnification, $sampler->magnification, 1e-9, 'M of '.$rig->name);
                // Where the image is nearly at infinity, distances lose digits to cancellation.
                $digits = $reading->magnification > 1e-3 ? 1e-7 : 1e-3;
                Near::assert($reading->workingDistanceMm, $sampler->workingDistanceMm, $digits * (1 + abs((float) $reading->subjectDistanceMm) / max(1e-3, abs((float) $reading->workingDistanceMm))), 'WD of '.$rig->name);
            }
        }
    }

    public function test_the_range_holds_every_place_and_is_touched(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        for ($n = 0; $n < 300; $n++) {
            $rig = $make->rig();
            $range = Range::of($rig);
            $travels = $rig->focusTravels();
            $sampler = new AxialSampler($rig, $travels);
            for ($k = 0; $k < 60; $k++) {
                $at = array_map(static fn ($travel): float => $make->number($travel->least, $travel->greatest), $travels);
                $sampler->sample($at);
                if ($sampler->image !== Image::Real) {
                    continue;
                }
                self::assertNotNull($range->magnification[0], (string) $rig->name);
                $slack = 1e-5;
                self::assertGreaterThanOrEqual($range->magnification[0] * (1 - $slack) - 1e-9, $sampler->magnification, 'least M of '.$rig->name);
                self::assertLessThanOrEqual($range->magnification[1] * (1 + $slack), $sampler->magnification, 'greatest M of '.$rig->name);
                if ($range->subjectDistanceMm[1] !== null) {
                    self::assertLessThanOrEqual($range->subjectDistanceMm[1] + 1e-4 * abs($range->subjectDistanceMm[1]), $sampler->subjectDistanceMm, 'greatest subject distance of '.$rig->name);
                }
                self::assertGreaterThanOrEqual($range->subjectDistanceMm[0] - 1e-4 * abs((float) $range->subjectDistanceMm[0]), $sampler->subjectDistanceMm, 'least subject distance of '.$rig->name);
            }
        }
    }

    public function test_nothing_is_ever_not_a_number(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        for ($n = 0; $n < self::RIGS; $n++) {
            self::assertAllFinite(RigReport::of($make->rig())->toArray());
        }
    }

    public function test_extremes_give_finite_figures_or_null(): void
    {
        foreach ([0.1, 30.0, 3000.0] as $extension) {
            foreach ([4.0, 50.0, 1200.0] as $f) {
                foreach ([0.95, 8.0, 128.0] as $stop) {
                    foreach ([null, 20.0] as $power) {
                        $chain = [['kind' => 'tube', 'lengthMm' => $extension], [
                            'kind' => 'lens', 'focalLengthMm' => $f, 'registerMm' => 44.5, 'frontRimMm' => 30,
                            'aperture' => ['widest' => 0.95, 'smallest' => 128], 'set' => ['aperture' => $stop],
                        ]];
                        if ($power !== null) {
                            $chain[] = ['kind' => 'close-up-lens', 'powerD' => $power, 'thicknessMm' => 5];
                        }
                        foreach ([false, true] as $reversed) {
                            $chain[1]['reversed'] = $reversed;
                            self::assertAllFinite(RigReport::of(self::rig(['name' => 'Body', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24]], $chain))->toArray());
                        }
                    }
                }
            }
        }
    }

    public function test_turning_a_lens_twice_changes_nothing(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        for ($n = 0; $n < 200; $n++) {
            $rig = $make->rig();
            foreach (array_keys($rig->lenses) as $place) {
                $twice = Arrangement::of(Arrangement::of($rig)->turning($place)->rig($rig))->turning($place)->rig($rig);
                self::assertEquals(Reading::of($rig), Reading::of($twice));
            }
        }
    }

    public function test_a_narrower_stop_never_gathers_more_light(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        for ($n = 0; $n < self::RIGS; $n++) {
            $rig = $make->rig();
            $at = $rig->workingLens();
            if ($at === null) {
                continue;
            }
            $open = Reading::of($rig->with(TravelKind::Aperture, $at, 2.8));
            $closed = Reading::of($rig->with(TravelKind::Aperture, $at, 16.0));
            if ($open->effectiveAperture !== null) {
                self::assertGreaterThanOrEqual($open->effectiveAperture - 1e-9, (float) $closed->effectiveAperture);
            }
        }
    }

    /**
     * @param  array<string, mixed>  $camera
     * @param  list<array<string, mixed>>  $chain
     */
    private static function rig(array $camera, array $chain): Rig
    {
        return RigMaker::made(['format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => $camera, 'chain' => $chain]);
    }

    private static function assertAllFinite(mixed $value, string $path = ''): void
    {
        if (is_array($value)) {
            foreach ($value as $key => $item) {
                self::assertAllFinite($item, $path.'/'.$key);
            }
        } elseif (is_float($value)) {
            self::assertTrue(is_finite($value), $path.' is '.$value);
        }
    }
}
