<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Rig;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\Gear\Focusing;
use ZincThimble\Core\Rig\LensFigure;
use ZincThimble\Core\Rig\LensModel;
use ZincThimble\Core\Rig\SettledLens;
use ZincThimble\Core\Rig\TakenAs;
use ZincThimble\Core\Tests\Near;
use ZincThimble\Core\Tests\RigMaker;

/** OPTICS.md, "A lens", "Settling a lens" and "What its owner knows", by numbers worked out by hand and by what must hold of any lens. */
final class SettlingTest extends TestCase
{
    private const LENS = ['focalLengthMm' => 50, 'registerMm' => 44.5, 'frontRimMm' => 40, 'design' => 'symmetrical'];

    public function test_without_a_closest_focus_and_a_greatest_magnification_the_ring_does_nothing(): void
    {
        foreach ([[], ['maxMagnification' => 0, 'minFocusMm' => 450], ['minFocusMm' => 450, 'maxMagnification' => 0.15, 'focusing' => 'fixed']] as $fields) {
            $lens = self::settled($fields);
            $this->assertSame(Focusing::Fixed, $lens->focusing);
            $this->assertFalse($lens->turns());
            $this->assertSame([0.0, 50.0, 50.0], [$lens->m0, $lens->f0, $lens->f1]);
            Near::assert(-9.0, $lens->g0, 1e-12, 'the family’s gap, -0.18 f');
            Near::assert(1.08, $lens->p0, 1e-12, 'the family’s pupil ratio');
            Near::each([1.5, 12.5, 0.1, 1.0], array_map($lens->halfWidth(...), $lens->figures), 1e-9, 'half-widths as they are');
        }
    }

    /** @return iterable<string, array{array<string, mixed>, list<float>}> fields, half-widths of f, g, R, L */
    public static function halfWidths(): iterable
    {
        yield 'a triplet' => [['design' => 'triplet'], [1.5, 4.0, 0.1, 1.0]];
        yield 'a telephoto' => [['design' => 'telephoto'], [1.5, 12.5, 0.1, 1.0]];
        yield 'a retrofocus' => [['design' => 'retrofocus'], [1.5, 25.0, 0.1, 1.0]];
        yield 'a wide one' => [['design' => 'wide'], [1.5, 15.0, 0.1, 1.0]];
        yield 'unknown' => [['design' => 'unknown'], [1.5, 20.0, 0.1, 1.0]];
        yield 'a gap that is given' => [['principalGapMm' => -7], [1.5, 1.0, 0.1, 1.0]];
        yield 'on a thread' => [['rear' => 'thread:42x1'], [1.5, 12.5, 0.5, 1.0]];
        yield 'measured' => [['measured' => ['focalLengthMm' => 0.2, 'principalGapMm' => 0.7, 'registerMm' => 0.3, 'frontRimMm' => 0.4]], [0.2, 0.7, 0.3, 0.4]];
        yield 'a register that nobody tells' => [['registerMm' => null], [1.5, 12.5, 4.0, 1.0]];
        yield 'of an unknown design' => [['registerMm' => null, 'design' => 'unknown'], [1.5, 20.0, 7.5, 1.0]];
    }

    /**
     * @param  array<string, mixed>  $fields
     * @param  list<float>  $halfWidths
     */
    #[DataProvider('halfWidths')]
    public function test_each_figure_has_its_half_width(array $fields, array $halfWidths): void
    {
        $lens = self::settled($fields);
        Near::each($halfWidths, array_map($lens->halfWidth(...), $lens->figures), 1e-9, 'half-widths');
    }

    public function test_a_unit_lens_takes_what_is_most_probable(): void
    {
        // A rounded closest focus no longer drags the focal length along: every figure gives way within its own half-width.
        $lens = self::settled(['minFocusMm' => 450, 'maxMagnification' => 0.15, 'focusing' => 'unit']);
        $a = 2 + 0.15 + 1 / 0.15;
        Near::assert(450 - ($a * 50 - 9), $lens->disagreement, 1e-12, 'what is missing');
        Near::assert(2 * sqrt(($a * 1.5) ** 2 + 12.5 ** 2 + 4.5 ** 2 + (50 * (1 - 1 / 0.15 ** 2) * 0.005) ** 2), $lens->known->toleranceMm(), 1e-12, 'what may be');
        $left = static function (array $x): float {
            return (($x[0] - 50) / 1.5) ** 2 + (($x[1] + 9) / 12.5) ** 2 + (($x[2] - 0.15) / 0.005) ** 2 + (((2 + $x[2] + 1 / $x[2]) * $x[0] + $x[1] - 450) / 4.5) ** 2;
        };
        $x = [$lens->f0, $lens->g0, $lens->m0];
        foreach ([[1e-4, 0, 0], [-1e-4, 0, 0], [0, 1e-3, 0], [0, -1e-3, 0], [0, 0, 1e-6], [0, 0, -1e-6]] as $step) {
            $this->assertGreaterThan($left($x), $left(array_map(static fn (float $a, float $b): float => $a + $b, $x, $step)));
        }
        $this->assertFalse($lens->disagrees);
        $this->assertFalse($lens->decided);
        $this->assertSame([44.5, 40.0], [$lens->register, $lens->rim], 'nothing said of these');
    }

    public function test_at_one_to_one_the_closest_focus_says_nothing_of_the_magnification(): void
    {
        $lens = self::settled(['minFocusMm' => 195, 'maxMagnification' => 1, 'focusing' => 'unit']);
        $this->assertEqualsWithDelta(1.0, $lens->m0, 1e-6);
        $this->assertNotEqualsWithDelta(50.0, $lens->f0, 0.05);
    }

    public function test_what_is_otherwise_than_engraved_is_said(): void
    {
        $told = static fn (SettledLens $lens): array => array_map(static fn (TakenAs $each): array => [$each->figure->value, $each->given, round($each->taken, 2)], $lens->takenAs);
        $lens = self::settled(['minFocusMm' => 460, 'maxMagnification' => 0.145, 'focusing' => 'unit']);
        $this->assertSame([['focalLengthMm', 50.0, 50.68], ['maxMagnification', 0.145, 0.14]], $told($lens));
        $this->assertSame([], $told(self::settled([])));
        $this->assertSame([['maxMagnification', null, 0.15]], $told(self::settled(['minFocusMm' => 432, 'focusing' => 'unit'])), 'what a rule filled in');
        $this->assertSame([['registerMm', null, 46.5]], $told(self::settled(['registerMm' => null])));
    }

    public function test_an_internal_lens_shrinks_until_its_closest_focus_is_met(): void
    {
        // g1 = g + 0.4 f m0 = -18 + 40 = 22; f1 = (300 - 22) / 4 = 69.5.
        $lens = self::settled(['focalLengthMm' => 100, 'minFocusMm' => 300, 'maxMagnification' => 1, 'focusing' => 'internal']);
        Near::assert(22.0, $lens->g1, 1e-12, 'g1');
        Near::assert(69.5, $lens->f1, 1e-12, 'f1');
        $this->assertFalse($lens->disagrees);
        Near::each([3.0, 25.0, 0.1, 1.0, 0.03, hypot(25.0, 30.0), 4.0], array_map($lens->halfWidth(...), $lens->figures), 1e-9, 'half-widths');
    }

    public function test_what_is_given_of_the_closest_is_taken_and_the_distance_given_up(): void
    {
        $lens = self::settled(['focalLengthMm' => 100, 'minFocusMm' => 300, 'maxMagnification' => 1, 'focusing' => 'internal', 'closeFocalLengthMm' => 75, 'closePrincipalGapMm' => 10]);
        $this->assertSame([75.0, 10.0], [$lens->f1, $lens->g1]);
    }

    public function test_the_kind_of_focusing_is_decided_where_the_figures_part(): void
    {
        $a = 2 + 0.5 + 1 / 0.5;
        $edge = 2 * sqrt(($a * 1.5) ** 2 + 12.5 ** 2 + 4 ** 2 + (50 * (1 - 4) * 0.015) ** 2);
        foreach ([1.0, -1.0] as $side) {
            $unit = self::settled(['minFocusMm' => $a * 50 - 9 + $side * $edge * 0.999, 'maxMagnification' => 0.5, 'focusing' => 'unknown']);
            $internal = self::settled(['minFocusMm' => $a * 50 - 9 + $side * $edge * 1.001, 'maxMagnification' => 0.5, 'focusing' => 'unknown']);
            $this->assertSame([Focusing::Unit, Focusing::Internal], [$unit->focusing, $internal->focusing]);
            $this->assertTrue($unit->decided && $internal->decided);
        }
        $this->assertFalse(self::settled(['minFocusMm' => $a * 50 - 9 + $edge * 0.999, 'maxMagnification' => 0.5, 'focusing' => 'unit'])->disagrees);
        $this->assertTrue(self::settled(['minFocusMm' => $a * 50 - 9 + $edge * 1.001, 'maxMagnification' => 0.5, 'focusing' => 'unit'])->disagrees);
    }

    public function test_an_internal_lens_that_would_have_to_shrink_too_far_is_told(): void
    {
        foreach ([[39.9, true], [40.1, false], [109.9, false], [110.1, true]] as [$f1, $disagrees]) {
            $lens = self::settled(['focalLengthMm' => 100, 'minFocusMm' => 4 * $f1 + 22, 'maxMagnification' => 1, 'focusing' => 'internal']);
            Near::assert($f1, $lens->f1, 1e-12, 'f1');
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

    public function test_a_closest_focus_alone_tells_the_magnification(): void
    {
        // D = 50 (2 + m + 1/m) - 9 at m = 0.15 is 431.8333.
        $closest = 50 * (2 + 0.15 + 1 / 0.15) - 9;
        $unit = self::settled(['minFocusMm' => $closest, 'focusing' => 'unit']);
        $this->assertTrue($unit->turns());
        Near::assert(0.15, $unit->known->magnification, 1e-9, 'as it follows');
        Near::assert(0.015, $unit->known->magnificationHalfWidth, 1e-9, 'to a tenth');
        Near::assert(50.0, $unit->f0, 1e-9, 'it agrees with itself');
        // The same with 42.5 in place of 50, and the mean of both.
        $b = ($closest + 9) / 42.5 - 2;
        $mean = (0.15 + ($b - sqrt($b * $b - 4)) / 2) / 2;
        foreach (['internal', 'unknown'] as $focusing) {
            $other = self::settled(['minFocusMm' => $closest, 'focusing' => $focusing]);
            Near::assert($mean, $other->known->magnification, 1e-9, $focusing);
            Near::assert(0.15 * $mean, $other->known->magnificationHalfWidth, 1e-9, 'to three in twenty');
        }
        $this->assertSame([LensFigure::Magnification], $unit->known->filled);
    }

    public function test_no_lens_comes_closer_than_at_one_to_one(): void
    {
        // B = (D - g) / f - 2 is 2 at D = 191.
        $this->assertFalse(self::settled(['minFocusMm' => 191.001, 'focusing' => 'unit'])->disagrees);
        $lens = self::settled(['minFocusMm' => 190.999, 'focusing' => 'unit']);
        $this->assertTrue($lens->disagrees);
        $this->assertTrue($lens->turns(), 'and yet it has its ring');
    }

    public function test_a_closest_focus_from_the_front_is_one_from_the_sensor(): void
    {
        foreach (['unit', 'unknown'] as $focusing) {
            $known = self::settled(['minFocusMm' => 44.5 + 40 + 50 * 0.15 + 340, 'maxMagnification' => 0.15, 'focusing' => $focusing]);
            $front = self::settled(['minFocusFrontMm' => 340, 'maxMagnification' => 0.15, 'focusing' => $focusing]);
            Near::each($known->place(), $front->place(), 1e-9, $focusing);
        }
        $internal = self::settled(['minFocusFrontMm' => 200, 'maxMagnification' => 0.5, 'focusing' => 'internal', 'rimTravelMm' => 12]);
        Near::assert(44.5 + 40 + 12 + 200, $internal->known->closestMm, 1e-12, 'the barrel grows by what is told');
        // Alone: the rim's way and the magnification tell each other.
        $alone = self::settled(['minFocusFrontMm' => 340, 'focusing' => 'unit']);
        $m = (float) $alone->known->magnification;
        Near::assert(44.5 + 40 + 50 * $m + 340, $alone->known->closestMm, 1e-9, 'D');
        Near::assert((2 + $m + 1 / $m) * 50 - 9, $alone->known->closestMm, 1e-9, 'the ring’s own law');
    }

    public function test_a_magnification_alone_is_enough(): void
    {
        $unit = self::settled(['maxMagnification' => 0.2, 'focusing' => 'unit']);
        $this->assertSame([50.0, 0.2, true], [$unit->f0, $unit->m0, $unit->turns()]);
        $internal = self::settled(['maxMagnification' => 0.6, 'focusing' => 'internal']);
        Near::assert(50 * (1 - 0.25 * 0.6), $internal->f1, 1e-12, 'f1');
        Near::assert(-9 + 0.4 * 50 * 0.6, $internal->g1, 1e-12, 'g1');
        $this->assertSame([LensFigure::CloseFocalLength], $internal->known->filled);
        $this->assertSame(Focusing::Unit, self::settled(['maxMagnification' => 0.2, 'focusing' => 'unknown'])->focusing);
    }

    public function test_a_lens_that_begins_at_life_size(): void
    {
        $lens = self::settled(['minMagnification' => 1, 'maxMagnification' => 5, 'focusing' => 'unit', 'focalLengthMm' => 65, 'frontRimMm' => 98]);
        $model = LensModel::of($lens);
        foreach ([[0.0, 1.0], [0.25, 2.0], [1.0, 5.0]] as [$s, $m]) {
            Near::assert($m, $model->magnification($s), 1e-12, 'm');
            Near::assert(65 * (1 + $m) - 44.5, $model->a($s), 1e-12, 'a');
            Near::assert(98 + 65 * ($m - 1.0), $model->rim($s), 1e-12, 'its length was measured where the ring begins');
        }
        $this->assertSame(0.0, $lens->leastFocus());
        try {
            self::settled(['minMagnification' => 1.001, 'maxMagnification' => 1, 'focusing' => 'unit']);
            $this->fail('It would end before it begins.');
        } catch (FileInvalid $invalid) {
            $this->assertSame(['/chain/0/minMagnification'], array_column($invalid->faults, 'pointer'));
        }
    }

    public function test_a_lens_that_turns_past_infinity(): void
    {
        $lens = self::settled(['maxMagnification' => 0.1, 'focusing' => 'unit', 'pastInfinityMm' => 1.5]);
        Near::assert(-1.5 / (50 * 0.1), $lens->leastFocus(), 1e-12, 'as far as the ring goes');
        Near::assert(50 * (1 - 0.03) - 44.5, LensModel::of($lens)->a($lens->leastFocus()), 1e-9, 'the lens 1.5 mm further in');
        $this->assertSame(0.0, self::settled(['maxMagnification' => 0.1, 'focusing' => 'internal', 'pastInfinityMm' => 1.5])->leastFocus());
        $this->assertSame(0.0, self::settled(['pastInfinityMm' => 1.5])->leastFocus(), 'without a ring');
        // A ring may be set there, and no further.
        $set = static fn (float $focus): SettledLens => self::settled(['maxMagnification' => 0.1, 'focusing' => 'unit', 'pastInfinityMm' => 1.5, 'set' => ['focus' => $focus]]);
        $this->assertTrue($set(-0.3)->turns());
        try {
            $set(-0.301);
            $this->fail('The ring ends before.');
        } catch (FileInvalid $invalid) {
            $this->assertSame(['/chain/0/set/focus'], array_column($invalid->faults, 'pointer'));
        }
    }

    public function test_a_register_is_needed_where_nothing_else_tells_it(): void
    {
        foreach (['symmetrical', 'triplet', 'unknown'] as $design) {
            Near::assert(0.93 * 50, self::settled(['registerMm' => null, 'design' => $design])->register, 1e-12, $design);
        }
        foreach (['telephoto', 'retrofocus', 'wide'] as $design) {
            try {
                self::settled(['registerMm' => null, 'design' => $design]);
                $this->fail($design);
            } catch (FileInvalid $invalid) {
                $this->assertStringContainsString('is needed and missing', $invalid->getMessage());
            }
        }
    }

    public function test_both_pupils_give_their_ratio(): void
    {
        $lens = self::settled(['pupils' => ['entranceMm' => 20, 'exitMm' => 25], 'pupilRatio' => 1.4]);
        Near::assert(1.25, $lens->p0, 1e-12, 'exit over entrance');
        Near::assert(1.25 * hypot(0.3 / 20, 0.3 / 25), $lens->known->pupilRatioHalfWidth, 1e-12, '0.3 mm each');
        $this->assertSame(0.0, self::settled(['pupilRatio' => 1.4])->known->pupilRatioHalfWidth);
        $this->assertSame(0.2, self::settled([])->known->pupilRatioHalfWidth);
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
            if (! $lens->turns()) {
                continue;
            }
            $a = 2.0 + $lens->m0 + 1.0 / $lens->m0;
            if ($lens->focusing === Focusing::Internal) {
                $internal++;
                Near::assert($fields['minFocusMm'], $a * $lens->f1 + $lens->g1, 1e-9, 'D of an internal lens');
            } elseif (! $lens->disagrees) {
                $unit++;
                // The rounding of all four makes it up, so none has to give way by more than the whole.
                $this->assertLessThanOrEqual($lens->known->closestHalfWidth * 2.0, abs($a * $lens->f0 + $lens->g0 - $fields['minFocusMm']));
                $this->assertLessThanOrEqual($lens->known->focalLengthHalfWidth * 2.0, abs($lens->f0 - $fields['focalLengthMm']));
            }
            Near::each($lens->place(), $lens->at($lens->place())->place(), 1e-12, 'what it stands at is where it stands');
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
