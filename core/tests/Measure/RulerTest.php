<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Measure;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Measure\CantMeasure;
use ZincThimble\Core\Measure\GreyPlane;
use ZincThimble\Core\Measure\Ruler;
use ZincThimble\Core\Tests\RigMaker;

/** Rulers in pictures whose truth is known (OPTICS.md, "Measuring pictures"): 0.1 % where they are clean, 0.3 % where they are not. */
final class RulerTest extends TestCase
{
    public function test_clean_rulers_of_six_to_four_hundred_pixels_a_division_at_any_angle(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $pictures = new PictureMaker($make);
        $worst = 0.0;
        for ($n = 0; $n < 60; $n++) {
            $period = $n < 4 ? 400.0 : 6.0 * exp($make->number(0.0, log($n % 6 === 0 ? 12.0 : 5.0)));
            $along = (int) max(120, 9.5 * $period);
            $angle = $n < 4 ? $make->number(-0.02, 0.02) : $make->number(-M_PI_2, M_PI_2);
            // Broad enough that lines are seen whichever way it lies.
            [$width, $height] = $n < 4 ? [$along, 40] : [$along, (int) ($along * (0.3 + 0.5 * abs(sin(2.0 * $angle)) + (abs(sin($angle)) > 0.8 ? 0.7 : 0.0)))];
            $found = Ruler::in($pictures->ruler($width, $height, ['period' => $period, 'angle' => $angle, 'duty' => $make->number(0.15, 0.5), 'blur' => $make->number(0.2, 0.6)]));
            $worst = max($worst, abs($found->pixelsPerDivision / $period - 1.0));
            $this->assertEqualsWithDelta(1.0, $found->pixelsPerDivision / $period, 0.001, sprintf('%.2f pixels at %.2f', $period, $angle));
            $off = fmod(abs($found->angleDeg - rad2deg($angle)), 180.0);
            $this->assertLessThan(0.6, min($off, 180.0 - $off));
            $this->assertGreaterThanOrEqual(6, $found->lines);
            $this->assertCount($found->lines, $found->centres);
        }
        fwrite(STDERR, sprintf("Clean rulers: worst error %.4f %%\n", 100.0 * $worst));
    }

    /** Noise, blur, uneven light, dust, longer lines at every fifth or tenth, the eight bits of a file, and a camera that isn't square to it. */
    public function test_rulers_as_they_are_photographed(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $pictures = new PictureMaker($make);
        $worst = $refused = $measured = 0;
        $outside = 0;
        for ($n = 0; $n < 220; $n++) {
            $period = 7.0 * exp($make->number(0.0, log(4.0)));
            $count = $make->number(9.0, 26.0);
            $width = (int) max(100, $count * $period);
            $growth = $n % 4 === 0 ? $make->number(-0.02, 0.02) * $period / $count : 0.0;
            $dust = $make->pick([0, 0, 3]);
            $plane = $pictures->ruler($width, (int) max(50, 0.3 * $width), [
                // A third of a division from half to half is 0.14 of one as standard deviation.
                'period' => $period, 'angle' => $make->number(-0.3, 0.3), 'growth' => $growth, 'blur' => $make->number(0.2, 0.14 * $period), 'noise' => $make->number(0.0, 0.05),
                'duty' => $make->number(0.2, 0.5), 'light' => $make->number(-0.3, 0.3), 'dust' => $dust, 'every' => $make->pick([0, 5, 10]),
            ]);
            try {
                $found = Ruler::in(self::throughAFile($plane));
            } catch (CantMeasure) {
                $refused++;

                continue;
            }
            $measured++;
            $error = abs($found->pixelsPerDivision / $period - 1.0);
            $worst = max($worst, $error);
            // Of a speck as broad as a line in a picture of ten of them something is left.
            $outside += $error > ($dust > 0 ? 0.006 : 0.003) ? 1 : 0;
            if ($growth !== 0.0) {
                $this->assertEqualsWithDelta($growth, $found->growthPerDivision, 0.004 * $period);
            }
        }
        fwrite(STDERR, sprintf("Rulers as photographed: %d of 220 refused, worst error %.3f %%\n", $refused, 100.0 * $worst));
        $this->assertSame(0, $outside);
        $this->assertLessThan(22, $refused);
        $this->assertGreaterThan(198, $measured);
    }

    /** A figure is never given for what is no ruler. */
    public function test_what_cant_be_measured_is_refused_with_what_to_do(): void
    {
        $make = new RigMaker(11);
        $pictures = new PictureMaker($make);
        $why = static function (GreyPlane $plane): string {
            try {
                return sprintf('%.3f', Ruler::in($plane)->pixelsPerDivision);
            } catch (CantMeasure $refused) {
                return $refused->getMessage();
            }
        };
        $ruler = static fn (int $width, float $period): GreyPlane => $pictures->ruler($width, 60, ['period' => $period, 'angle' => 0.05]);
        $this->assertStringContainsString('under 80 pixels', $why($ruler(76, 8.0)));
        $this->assertStringNotContainsString('under 80 pixels', $why($ruler(90, 8.0)));
        $this->assertStringContainsString('six lines', $why($ruler(200, 44.0)));
        $flat = $ruler(200, 10.0);
        $with = static fn (\Closure $of): GreyPlane => new GreyPlane($flat->width, $flat->height, array_map($of, $flat->values));
        $this->assertStringContainsString('too little contrast', $why($with(static fn (float $value): float => 0.5 + 0.2 * ($value - 0.5))));
        $this->assertStringContainsString('blown out', $why($with(static fn (float $value): float => $value > 0.7 ? 1.0 : $value)));
        $this->assertStringContainsString('pure black', $why($with(static fn (float $value): float => $value < 0.3 ? 0.0 : $value)));
        $noise = [];
        for ($n = 0; $n < 200 * 60; $n++) {
            $noise[] = $make->number(0.1, 0.9);
        }
        $this->assertMatchesRegularExpression('/no lines|No even/', $why(new GreyPlane(200, 60, $noise)));
        // An edge is no ruler either.
        $this->assertMatchesRegularExpression('/no lines|No even|not even|six lines/', $why($pictures->edge(200, 100, ['angle' => 0.1, 'sigma' => 1.0])));
    }

    /** @return array<string, array{float, float, float}> pixels a division, pitch, division, what it comes to below */
    public static function scales(): array
    {
        return ['life size' => [200.0, 0.005, 1.0], 'half of it' => [50.0, 0.005, 0.5]];
    }

    #[DataProvider('scales')]
    public function test_so_many_pixels_of_such_a_pitch_are_a_magnification(float $pixels, float $pitch, float $division): void
    {
        $found = Ruler::in((new PictureMaker(new RigMaker(3)))->ruler((int) (9 * $pixels), 60, ['period' => $pixels, 'angle' => 0.01]));
        $this->assertEqualsWithDelta($pixels * $pitch / $division, $found->magnification($pitch, $division), 0.001);
        $this->assertLessThan(0.001, $found->endsDiffer());
        $this->assertLessThan(0.001 * $pixels, $found->standardError);
    }

    /** The same pixels with eight bits of a gamma each. */
    private static function throughAFile(GreyPlane $plane): GreyPlane
    {
        return GreyPlane::ofSrgb($plane->width, $plane->height, array_map(static fn (float $value): int => (int) round(255.0 * ($value <= 0.0031308 ? 12.92 * $value : 1.055 * $value ** (1 / 2.4) - 0.055)), $plane->values));
    }
}
