<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Rig;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\Gear\Focusing;
use ZincThimble\Core\Rig\SettledLens;
use ZincThimble\Core\Tests\Near;
use ZincThimble\Core\Tests\RigMaker;

/** OPTICS.md, "Settling a lens", by numbers worked out by hand and by what must hold of any lens. */
final class SettlingTest extends TestCase
{
    private const LENS = ['focalLengthMm' => 50, 'registerMm' => 44.5, 'frontRimMm' => 40, 'design' => 'symmetrical'];

    public function test_without_a_closest_focus_or_a_greatest_magnification_the_ring_does_nothing(): void
    {
        foreach ([[], ['minFocusMm' => 450], ['maxMagnification' => 0.15], ['minFocusMm' => 450, 'maxMagnification' => 0.15, 'focusing' => 'fixed']] as $fields) {
            $lens = self::settled($fields);
            $this->assertSame(Focusing::Fixed, $lens->focusing);
            $this->assertSame(0.0, $lens->m0);
            $this->assertSame([50.0, 50.0], [$lens->f0, $lens->f1]);
            Near::assert(-9.0, $lens->g0, 1e-12, 'the family’s gap, -0.18 f');
            Near::assert(1.08, $lens->p0, 1e-12, 'the family’s pupil ratio');
        }
    }

    public function test_a_unit_lens_shares_the_disagreement_by_variance(): void
    {
        // A = 2 + 0.15 + 1/0.15 = 8.8167; D - (A f + g) = 450 - (440.833 - 9) = 18.1667; sf = 1.5, sg = 0.15 * 50 = 7.5.
        $lens = self::settled(['minFocusMm' => 450, 'maxMagnification' => 0.15, 'focusing' => 'unit']);
        $a = 2 + 0.15 + 1 / 0.15;
        $r = 450 - ($a * 50 - 9);
        $v = ($a * 1.5) ** 2 + 7.5 ** 2;
        Near::assert($r, $lens->disagreement, 1e-12, 'r');
        Near::assert(50 + $a * 1.5 ** 2 * $r / $v, $lens->f0, 1e-12, 'f');
        Near::assert(-9 + 7.5 ** 2 * $r / $v, $lens->g0, 1e-12, 'g');
        // What its owner can check is kept.
        Near::assert(450.0, $a * $lens->f0 + $lens->g0, 1e-12, 'D');
        Near::assert(2 * sqrt($v), $lens->tolerance, 1e-12, 'tolerance');
        $this->assertFalse($lens->disagrees);
        $this->assertFalse($lens->decided);
    }

    public function test_a_gap_that_is_given_is_left_alone(): void
    {
        $lens = self::settled(['minFocusMm' => 450, 'maxMagnification' => 0.15, 'focusing' => 'unit', 'principalGapMm' => -4]);
        $this->assertSame([50.0, -4.0], [$lens->f0, $lens->g0]);
    }

    public function test_a_measured_focal_length_hardly_moves(): void
    {
        $usual = self::settled(['minFocusMm' => 450, 'maxMagnification' => 0.15, 'focusing' => 'unit']);
        $measured = self::settled(['minFocusMm' => 450, 'maxMagnification' => 0.15, 'focusing' => 'unit', 'measured' => ['focalLengthMm' => 0.05]]);
        $this->assertLessThan(abs($usual->f0 - 50) / 50, abs($measured->f0 - 50));
        Near::assert(450.0, (2 + 0.15 + 1 / 0.15) * $measured->f0 + $measured->g0, 1e-12, 'D is met all the same');
    }

    public function test_an_internal_lens_shrinks_until_its_closest_focus_is_met(): void
    {
        // g1 = g + 0.4 f m0 = -18 + 40 = 22; f1 = (300 - 22) / 4 = 69.5.
        $lens = self::settled(['focalLengthMm' => 100, 'minFocusMm' => 300, 'maxMagnification' => 1, 'focusing' => 'internal']);
        Near::assert(22.0, $lens->g1, 1e-12, 'g1');
        Near::assert(69.5, $lens->f1, 1e-12, 'f1');
        $this->assertFalse($lens->disagrees);
    }

    public function test_what_is_given_of_the_closest_is_taken_and_the_distance_given_up(): void
    {
        $lens = self::settled(['focalLengthMm' => 100, 'minFocusMm' => 300, 'maxMagnification' => 1, 'focusing' => 'internal', 'closeFocalLengthMm' => 75, 'closePrincipalGapMm' => 10]);
        $this->assertSame([75.0, 10.0], [$lens->f1, $lens->g1]);
    }

    public function test_the_kind_of_focusing_is_decided_at_twice_the_root_of_the_variance(): void
    {
        $a = 2 + 0.5 + 1 / 0.5;
        $edge = 2 * sqrt(($a * 1.5) ** 2 + 7.5 ** 2);
        $unit = self::settled(['minFocusMm' => $a * 50 - 9 - $edge * 0.999, 'maxMagnification' => 0.5, 'focusing' => 'unknown']);
        $internal = self::settled(['minFocusMm' => $a * 50 - 9 - $edge * 1.001, 'maxMagnification' => 0.5, 'focusing' => 'unknown']);
        $this->assertSame([Focusing::Unit, Focusing::Internal], [$unit->focusing, $internal->focusing]);
        $this->assertTrue($unit->decided && $internal->decided);
    }

    public function test_figures_that_can_not_all_be_right_are_told(): void
    {
        $a = 2 + 0.5 + 1 / 0.5;
        $edge = 2 * sqrt(($a * 1.5) ** 2 + 7.5 ** 2);
        $this->assertFalse(self::settled(['minFocusMm' => $a * 50 - 9 + $edge * 0.999, 'maxMagnification' => 0.5, 'focusing' => 'unit'])->disagrees);
        $this->assertTrue(self::settled(['minFocusMm' => $a * 50 - 9 + $edge * 1.001, 'maxMagnification' => 0.5, 'focusing' => 'unit'])->disagrees);
        // An internal one, when it would have to shrink below 0.4 f or grow beyond 1.1 f.
        foreach ([39.0 => true, 41.0 => false, 109.0 => false, 111.0 => true] as $f1 => $disagrees) {
            $lens = self::settled(['focalLengthMm' => 100, 'minFocusMm' => 4 * $f1 + 22, 'maxMagnification' => 1, 'focusing' => 'internal']);
            Near::assert((float) $f1, $lens->f1, 1e-12, 'f1');
            $this->assertSame($disagrees, $lens->disagrees, (string) $f1);
        }
    }

    public function test_a_closest_focus_inside_the_lens_is_an_error_that_names_it(): void
    {
        try {
            self::settled(['focalLengthMm' => 100, 'minFocusMm' => 20, 'maxMagnification' => 1, 'focusing' => 'internal']);
            $this->fail('There is no such lens.');
        } catch (FileInvalid $invalid) {
            $this->assertSame(['/chain/0/minFocusMm'], array_column($invalid->faults, 'pointer'));
        }
    }

    /** @return iterable<string, array{float, float, float, float}> */
    public static function zooms(): iterable
    {
        yield 'at the short end' => [28.0, 28.0, 1.2, 3.5];
        yield 'half way' => [49.0, 49.0, 1.1, 4.5];
        yield 'at the long end' => [70.0, 70.0, 1.0, 5.5];
        yield 'below it' => [20.0, 28.0, 1.2, 3.5];
        yield 'beyond it' => [200.0, 70.0, 1.0, 5.5];
    }

    #[DataProvider('zooms')]
    public function test_between_two_stations_everything_is_linear_and_outside_it_clamps(float $set, float $f, float $pupil, float $widest): void
    {
        $lens = self::settled(['focalLengthMm' => 28, 'stations' => [
            ['focalLengthMm' => 28, 'pupilRatio' => 1.2, 'aperture' => ['widest' => 3.5]],
            ['focalLengthMm' => 70, 'pupilRatio' => 1.0, 'aperture' => ['widest' => 5.5]],
        ]], $set);
        Near::assert($f, $lens->f0, 1e-12, 'f');
        Near::assert($pupil, $lens->p0, 1e-12, 'P');
        Near::assert($widest, $lens->widest, 1e-12, 'nested figures too');
    }

    public function test_whatever_is_settled_meets_what_its_owner_can_check(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $unit = $internal = 0;
        for ($n = 0; $n < 2000; $n++) {
            $fields = $make->lens();
            unset($fields['stations']);
            try {
                $lens = self::settled($fields);
            } catch (FileInvalid) {
                continue;
            }
            if ($lens->m0 <= 0.0) {
                continue;
            }
            $a = 2.0 + $lens->m0 + 1.0 / $lens->m0;
            if ($lens->focusing === Focusing::Internal) {
                $internal++;
                Near::assert($fields['minFocusMm'], $a * $lens->f1 + $lens->g1, 1e-9, 'D of an internal lens');
            } elseif (! isset($fields['principalGapMm'])) {
                $unit++;
                Near::assert($fields['minFocusMm'], $a * $lens->f0 + $lens->g0, 1e-9, 'D of a unit lens');
            }
        }
        $this->assertGreaterThan(200, $unit);
        $this->assertGreaterThan(200, $internal);
    }

    /** @param  array<string, mixed>  $fields */
    private static function settled(array $fields, ?float $zoom = null): SettledLens
    {
        return RigMaker::chain([($zoom === null ? [] : ['set' => ['zoomMm' => $zoom]]) + $fields + self::LENS + ['kind' => 'lens']])->lenses[0];
    }
}
