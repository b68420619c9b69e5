<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Rig;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Rig\LensModel;
use ZincThimble\Core\Rig\SettledLens;
use ZincThimble\Core\Tests\Near;
use ZincThimble\Core\Tests\RigMaker;

/** What a lens is as its ring turns (OPTICS.md, "Focus ring"). */
final class LensModelTest extends TestCase
{
    private const LENS = ['kind' => 'lens', 'name' => 'Lens', 'rear' => 'larch', 'front' => 'thread:52x0.75', 'focalLengthMm' => 100, 'registerMm' => 44.5, 'frontRimMm' => 60, 'design' => 'symmetrical'];

    private const INTERNAL = ['minFocusMm' => 300, 'maxMagnification' => 1, 'focusing' => 'internal', 'rimTravelMm' => 8];

    public function test_an_internal_lens_half_way(): void
    {
        // g1 = -18 + 0.4 * 100 = 22, f1 = (300 - 22) / 4 = 69.5; half way powers and gaps are halved.
        $lens = LensModel::of(self::settled(self::INTERNAL));
        $f = 1 / (0.5 / 100 + 0.5 / 69.5);
        Near::assert($f, $lens->focalLength(0.5), 1e-12, 'f');
        Near::assert(2.0, $lens->principalGap(0.5), 1e-12, 'g');
        Near::assert($f * 1.5 - 44.5, $lens->a(0.5), 1e-12, 'a');
        Near::assert($f * 1.5 - 42.5, $lens->b(0.5), 1e-12, 'b');
        Near::assert(64.0, $lens->rim(0.5), 1e-12, 'rim');
        Near::assert(1.08 * 0.75, $lens->pupilRatio(0.5), 1e-12, 'P');
        Near::assert($f * (1 + 0.5 / 0.81) / 1.35, $lens->entrance(0.5), 1e-12, 'E');
    }

    public function test_a_lens_that_moves_as_a_whole(): void
    {
        $settled = self::settled(['minFocusMm' => 1000, 'maxMagnification' => 0.12, 'focusing' => 'unit']);
        $lens = LensModel::of($settled);
        foreach ([0.0, 0.4, 1.0] as $s) {
            Near::assert($settled->f0, $lens->focalLength($s), 1e-12, 'f');
            Near::assert($settled->f0 * (1 + $settled->m0 * $s) - 44.5, $lens->a($s), 1e-12, 'a');
            Near::assert(60 + $settled->f0 * $settled->m0 * $s, $lens->rim($s), 1e-12, 'the rim moves by f m');
            Near::assert(1.08, $lens->pupilRatio($s), 1e-12, 'P stays');
            Near::assert($settled->f0, $lens->entrance($s), 1e-12, 'E is f');
        }
    }

    public function test_an_internal_lens_loses_what_such_lenses_lose(): void
    {
        $lens = LensModel::of(self::settled(self::INTERNAL));
        foreach ([0.0, 0.3, 1.0] as $s) {
            Near::assert(1 + 0.7 * $s, $lens->focalLength($s) / $lens->entrance($s) * (1 + $s / $lens->pupilRatio($s)), 1e-12, 'the bare lens at '.$s);
        }
        $told = LensModel::of(self::settled(self::INTERNAL + ['aperture' => ['widest' => 2.8, 'shows' => 'effective'], 'closeEffectiveAperture' => 5.6]));
        Near::assert(2.0, $told->focalLength(1.0) / $told->entrance(1.0) * (1 + 1 / $told->pupilRatio(1.0)), 1e-12, 'what its camera shows');
        Near::assert(8.0, $told->marked(16.0, 1.0), 1e-12, 'and its marked number is half of that');
        Near::assert(16.0, $told->marked(16.0, 0.0), 1e-12, 'but not at infinity');
    }

    public function test_the_simple_school_knows_neither_pupils_nor_their_width(): void
    {
        $lens = LensModel::of(self::settled(self::INTERNAL), simple: true);
        $this->assertSame(1.0, $lens->pupilRatio(0.7));
        Near::assert($lens->focalLength(0.7), $lens->entrance(0.7), 1e-12, 'E is f');
        Near::assert(1.7, $lens->loss(0.7), 1e-12, '1 + m');
    }

    public function test_a_pupil_ratio_goes_no_lower_than_a_quarter_of_itself(): void
    {
        $lens = LensModel::of(self::settled(['minFocusMm' => 260, 'maxMagnification' => 2, 'focusing' => 'internal', 'closeFocalLengthMm' => 50]));
        Near::assert(1.08 * 0.25, $lens->pupilRatio(1.0), 1e-12, 'at 2 : 1, 1 - 0.5 m would be nothing');
        Near::assert(1.08 * 0.5, $lens->pupilRatio(0.5), 1e-12, 'at 1 : 1');
    }

    public function test_the_ring_takes_powers_gaps_and_rim_along_straight_lines(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $bend = 0;
        for ($n = 0; $n < 1000; $n++) {
            try {
                $settled = self::settled([
                    'focalLengthMm' => $make->number(20, 200), 'minFocusMm' => $make->number(100, 900), 'maxMagnification' => $make->number(0.05, 1.4), 'focusing' => $n % 2 === 0 ? 'unit' : 'internal',
                ]);
            } catch (InvalidFigure|\ZincThimble\Core\File\FileInvalid) {
                continue;
            }
            $lens = LensModel::of($settled);
            $s = $make->number(0.0, 1.0);
            Near::assert((1 - $s) / $settled->f0 + $s / $settled->f1, 1.0 / $lens->focalLength($s), 1e-9, '1/f(s)');
            Near::assert($settled->g0 + $s * ($settled->g1 - $settled->g0), $lens->principalGap($s), 1e-9, 'g(s)');
            Near::assert($lens->rim(0.0) + $s * ($lens->rim(1.0) - $lens->rim(0.0)), $lens->rim($s), 1e-9, 'rim');
            Near::assert($lens->a($s) + $lens->principalGap($s), $lens->b($s), 1e-9, 'b');
            Near::assert($lens->focalLength($s) / $lens->entrance($s) * (1.0 + $s * $settled->m0 / $lens->pupilRatio($s)), $lens->loss($s), 1e-9, 'what it loses');
            $this->assertGreaterThan(0.0, $lens->pupilRatio($s));
            $bend += $lens->bends ? 1 : 0;
        }
        $this->assertGreaterThan(200, $bend);
    }

    public function test_one_lens_is_made_once(): void
    {
        $settled = self::settled([]);
        $this->assertSame(LensModel::of($settled), LensModel::of($settled));
        $this->assertNotSame(LensModel::of($settled), LensModel::of($settled, simple: true));
    }

    /** @param  array<string, mixed>  $fields */
    private static function settled(array $fields): SettledLens
    {
        return RigMaker::chain([$fields + self::LENS])->lenses[0];
    }
}
