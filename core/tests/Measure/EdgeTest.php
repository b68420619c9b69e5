<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Measure;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Measure\CantMeasure;
use ZincThimble\Core\Measure\Edge;
use ZincThimble\Core\Measure\GreyPlane;
use ZincThimble\Core\Tests\RigMaker;

/** Edges in pictures whose truth is known: a Gaussian blur and the pixel itself, within 2 % (OPTICS.md, "Measuring pictures"). */
final class EdgeTest extends TestCase
{
    public function test_edges_of_half_a_pixel_to_three_of_blur(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $pictures = new PictureMaker($make);
        $worst = $refused = 0;
        $outside = 0;
        for ($n = 0; $n < 130; $n++) {
            $sigma = 0.5 * exp($make->number(0.0, log(6.0)));
            $deg = $make->number(2.4, 14.5) * $make->pick([-1.0, 1.0]);
            $plane = $pictures->edge(150, $make->pick([240, 300, 360]), [
                'angle' => deg2rad($deg), 'sigma' => $sigma, 'noise' => $n % 2 === 0 ? 0.0 : $make->number(0.0, 0.02), 'light' => $make->number(-0.1, 0.1), 'at' => $make->number(-6.0, 6.0),
            ]);
            // Every other one lies along a row.
            try {
                $found = Edge::in($n % 2 === 0 ? $plane : $plane->turned());
            } catch (CantMeasure) {
                $refused++;

                continue;
            }
            $true = self::falls($sigma, 0.5);
            $error = abs($found->mtf50 / $true - 1.0);
            $worst = max($worst, $error);
            $outside += $error > 0.02 + ($n % 2 === 0 ? 0.0 : $found->halfWidth / $true) ? 1 : 0;
            $this->assertEqualsWithDelta(abs($deg), $found->angleDeg, 0.1);
            $this->assertEqualsWithDelta(0.7, $found->contrast, 0.03);
            if ($sigma > 1.0) {
                $this->assertEqualsWithDelta(1.0, $found->mtf10 / self::falls($sigma, 0.1), 0.06);
            }
        }
        fwrite(STDERR, sprintf("Edges: %d of 130 refused, worst error %.2f %%\n", $refused, 100.0 * $worst));
        $this->assertLessThan(2, $outside);
        $this->assertSame(0, $refused);
    }

    public function test_what_cant_be_measured_is_refused_with_what_to_do(): void
    {
        $pictures = new PictureMaker(new RigMaker(7));
        $why = static function (GreyPlane $plane): string {
            try {
                return sprintf('%.3f', Edge::in($plane)->mtf50);
            } catch (CantMeasure $refused) {
                return $refused->getMessage();
            }
        };
        $edge = static fn (float $deg, int $height = 120, float $noise = 0.0, float $at = 0.0): GreyPlane => $pictures->edge(120, $height, ['angle' => deg2rad($deg), 'sigma' => 1.0, 'noise' => $noise, 'at' => $at]);
        $this->assertStringContainsString('degrees off the pixels', $why($edge(1.8)));
        $this->assertMatchesRegularExpression('/^0\.\d+$/', $why($edge(2.2)));
        $this->assertMatchesRegularExpression('/^0\.\d+$/', $why($edge(14.8)));
        $this->assertStringContainsString('degrees off the pixels', $why($edge(15.2)));
        $this->assertStringContainsString('Less than 80 pixels', $why($edge(5.0, 79)));
        $this->assertMatchesRegularExpression('/^0\.\d+$/', $why($edge(5.0, 80)));
        $this->assertStringContainsString('leaves the box', $why($edge(5.0, 120, 0.0, 50.0)));
        $this->assertStringContainsString('too noisy', $why($edge(5.0, 120, 0.08)));
        $plain = $edge(5.0);
        $this->assertStringContainsString('too little contrast', $why(new GreyPlane($plain->width, $plain->height, array_map(static fn (float $value): float => 0.5 + 0.1 * ($value - 0.5), $plain->values))));
    }

    public function test_both_ways_round_and_both_ways_up_it_is_the_same_edge(): void
    {
        $plane = (new PictureMaker(new RigMaker(9)))->edge(140, 160, ['angle' => 0.1, 'sigma' => 1.2]);
        $upside = new GreyPlane($plane->width, $plane->height, array_reverse($plane->values));
        $lit = new GreyPlane($plane->width, $plane->height, array_map(static fn (float $value): float => 1.0 - $value, $plane->values));
        $one = Edge::in($plane);
        foreach ([$upside, $lit, $plane->turned()] as $other) {
            $this->assertEqualsWithDelta($one->mtf50, Edge::in($other)->mtf50, 0.002 * $one->mtf50);
        }
    }

    /** Where a Gaussian blur and a square pixel leave a share of the contrast, cycles a pixel. */
    private static function falls(float $sigma, float $to): float
    {
        [$low, $high] = [1e-6, 0.99];
        for ($n = 0; $n < 60; $n++) {
            $f = ($low + $high) / 2.0;
            $left = exp(-2.0 * (M_PI * $sigma * $f) ** 2) * sin(M_PI * $f) / (M_PI * $f);
            [$low, $high] = $left > $to ? [$f, $high] : [$low, $f];
        }

        return $low;
    }
}
