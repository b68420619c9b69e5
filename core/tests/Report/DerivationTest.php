<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Report;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Report\Derivation;
use ZincThimble\Core\Report\RigReport;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Tests\RigMaker;

/** How a reading comes about: every sum adds up with the numbers that stand in it, and the last one is the reading. */
final class DerivationTest extends TestCase
{
    private const CAMERA = ['joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24, 'columns' => 6000, 'rows' => 4000]];

    private const LENS = ['kind' => 'lens', 'name' => 'Fifty', 'rear' => 'larch', 'front' => 'thread:52x0.75', 'focalLengthMm' => 50, 'registerMm' => 44.5, 'frontRimMm' => 40, 'focusing' => 'unit', 'design' => 'symmetrical', 'principalGapMm' => 0, 'minFocusMm' => 450, 'maxMagnification' => 0.15, 'aperture' => ['widest' => 2, 'smallest' => 16, 'control' => 'ring'], 'pupilRatio' => 1, 'set' => ['aperture' => 8]];

    public function test_a_lens_on_a_tube_told_step_by_step(): void
    {
        $rig = RigMaker::made(['format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => self::CAMERA, 'chain' => [['kind' => 'tube', 'rear' => 'larch', 'front' => 'larch', 'lengthMm' => 25], self::LENS]]);
        $told = Derivation::of($rig, 'magnification');
        $this->assertSame(['A ray leaves', 'Fifty: its plane', 'Sizes are as'], array_map(static fn ($step): string => implode(' ', array_slice(explode(' ', $step->says), 0, 3)), $told->steps));
        // f is weighed against a rounded closest focus: a hundredth or two off 50.
        $this->assertMatchesRegularExpression('/= 0\.(5|49|50)\d*×$/', $told->steps[2]->sum);
        $this->assertMatchesRegularExpression('/25 \/ (50|49\.\d+|50\.\d+) \+ 0 = 0\.(5|49|50)\d*×\.$/', $told->thumb);
        $this->assertStringContainsString('(its ring turned in)', Derivation::of($rig->with(TravelKind::Focus, 1, 1.0), 'magnification')->steps[1]->says);
        // Two rays: one from the middle, which ends on the axis, one from the edge, which ends at the edge of the field.
        [$middle, $edge] = $told->rays;
        $this->assertEqualsWithDelta(0.0, $middle[count($middle) - 1][1], 1e-9);
        $this->assertEqualsWithDelta(-18.0 / 0.5, $edge[count($edge) - 1][1], 0.5);
        $this->assertEqualsWithDelta(18.0, $edge[0][1], 1e-9);
    }

    public function test_what_makes_no_picture_says_so(): void
    {
        foreach ([[], [self::LENS]] as $chain) {
            $rig = RigMaker::made(['format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => self::CAMERA, 'chain' => $chain]);
            foreach (Derivation::READINGS as $name) {
                $told = Derivation::of($rig, $name);
                $this->assertCount(1, $told->steps);
                $this->assertSame('', $told->steps[0]->sum);
                $this->assertStringContainsString($chain === [] ? 'bends light' : 'infinity', $told->steps[0]->says);
                $this->assertSame([], $told->rays);
            }
        }
    }

    public function test_every_sum_of_generated_rigs_adds_up_and_ends_at_the_reading(): void
    {
        $maker = RigMaker::seeded(__METHOD__);
        $sums = $rigs = 0;
        for ($n = 0; $n < 250; $n++) {
            $rig = $maker->rig();
            $figures = RigReport::of($rig)->figures();
            if ((float) $figures['magnification'] <= 0.0) {
                continue;
            }
            $rigs++;
            foreach (Derivation::READINGS as $name) {
                $told = Derivation::of($rig, $name);
                $value = $figures[$name];
                $last = null;
                foreach ($told->steps as $step) {
                    foreach ($step->sum === '' ? [] : explode('; ', $step->sum) as $sum) {
                        $this->assertAddsUp($sum);
                        $sums++;
                        $last = $sum;
                    }
                }
                if ($name === 'magnification' || $name === 'workingDistanceMm' || $name === 'subjectDistanceMm') {
                    $this->assertNotNull($last);
                    $this->assertEqualsWithDelta((float) $value, self::ends((string) $last), 6e-4 * abs((float) $value) + 1e-6, $name);
                }
                if ($name === 'depthOfFieldMm' && $value !== null) {
                    $this->assertEqualsWithDelta((float) $value, self::ends((string) $last), 6e-4 * abs((float) $value) + 1e-6);
                }
                $this->assertSame('', preg_match('/nan|inf/i', $told->thumb.implode('', array_map(static fn ($step): string => $step->sum, $told->steps))) === 1 ? 'nan' : '');
            }
        }
        $this->assertGreaterThan(120, $rigs);
        $this->assertGreaterThan(2000, $sums);
    }

    /** The two sides are the same to the digits that stand there. */
    private function assertAddsUp(string $sum): void
    {
        $sides = explode(' = ', $sum);
        if (count($sides) < 2) {
            return;
        }
        $right = self::plain((string) end($sides));
        if (str_contains($right, '∞') || $right === '–') {
            return;
        }
        $left = self::plain(str_replace('M = ', '', count($sides) === 3 ? $sides[1] : $sides[0]));
        $this->assertMatchesRegularExpression('/^[-+*\/() 0-9.,logE]+$/', $left, $sum);
        preg_match_all('/\d+(?:\.\d+)?/', $left, $numbers);
        $largest = max(array_map(floatval(...), $numbers[0]));
        $value = eval('return '.$left.';');
        $this->assertIsNumeric($value, $sum);
        // Four digits each: half of a last digit of every term, and their products.
        $room = 0.003 * max(abs((float) $right), abs((float) $value)) + (str_contains($left, '-') || str_contains($left, '+') ? 0.0012 * $largest * self::slope($left) : 0.0) + 1e-5 + (str_contains($left, 'log') ? 0.003 : 0.0);
        $this->assertEqualsWithDelta((float) $right, (float) $value, $room, $sum);
    }

    private static function ends(string $sum): float
    {
        return (float) self::plain(substr($sum, (int) strrpos($sum, '= ') + 2));
    }

    /** What a rounded distance is multiplied by. */
    private static function slope(string $left): float
    {
        preg_match_all('/(\d+(?:\.\d+)?) ?\*/', $left, $factors);

        return max([1.0, ...array_map(floatval(...), $factors[1])]);
    }

    private static function plain(string $side): string
    {
        $side = str_replace(['−', '×', "\u{2009}", ' nm', 'mm', 'µm', ', the water’s index', ','], ['-', '*', ' ', '', '', '', '', ''], $side);
        $side = (string) preg_replace('/(\d+(?:\.\d+)?)²/u', '($1*$1)', $side);
        $side = (string) preg_replace('/log₂ \(([^)]*)\)/u', 'log($1)/log(2)', $side);
        $side = (string) preg_replace('/f\//u', '', $side);

        return trim(rtrim(trim($side), '*'));
    }
}
