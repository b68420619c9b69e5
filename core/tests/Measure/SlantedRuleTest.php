<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Measure;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Measure\CantMeasure;
use ZincThimble\Core\Measure\SlantedRule;
use ZincThimble\Core\Tests\RigMaker;

/** Where the slice fell, in pictures of a leaning rule whose truth is known (OPTICS.md, "Measuring pictures"). */
final class SlantedRuleTest extends TestCase
{
    public function test_the_slice_and_where_its_middle_fell(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $pictures = new PictureMaker($make);
        $worst = [0.0, 0.0];
        $errors = [];
        $refused = $outside = 0;
        $runs = 60;
        for ($n = 0; $n < $runs; $n++) {
            $period = $make->number(14.0, 40.0);
            $width = (int) ($period * $make->number(16.0, 30.0));
            $focus = $make->number(-4.0, 4.0);
            $grows = $period * $make->number(0.03, 0.09);
            $lean = $make->number(20.0, 70.0);
            $blur = $make->number(2.0, 6.0);
            $plane = $pictures->slantedRule($width, 120, ['period' => $period, 'focus' => $focus, 'discPerLine' => $grows, 'noise' => $n % 2 === 0 ? 0.0 : 0.02, 'growth' => $make->number(-0.01, 0.01) * $period / 10]);
            try {
                $found = SlantedRule::in($plane, 0.5, $lean, $blur);
            } catch (CantMeasure) {
                $refused++;

                continue;
            }
            $depth = 0.5 * sin(deg2rad($lean));
            $slice = 2.0 * $blur / $grows * $depth;
            $errors[] = abs($found->sliceMm / $slice - 1.0);
            $worst[0] = max($worst[0], abs($found->sliceMm / $slice - 1.0));
            $worst[1] = max($worst[1], abs($found->middleMm - $focus * $depth) / $depth);
            $outside += abs($found->sliceMm - $slice) > $found->sliceHalfWidthMm + 0.03 * $slice ? 1 : 0;
            if ($found->firstLine !== null && $found->lastLine !== null) {
                $this->assertEqualsWithDelta($slice / $depth, $found->lastLine - $found->firstLine + 1, 1.0 + 0.25 * $slice / $depth);
            }
        }
        fwrite(STDERR, sprintf("Slanted rules: %d of %d refused, slice within %.1f %%, its middle within %.2f of a line\n", $refused, $runs, 100.0 * $worst[0], $worst[1]));
        sort($errors);
        $this->assertLessThan(0.02, $errors[intdiv(count($errors), 2)]);
        $this->assertLessThan(0.25, $worst[0]);
        $this->assertLessThan(0.6, $worst[1]);
        $this->assertLessThan($runs / 10, $outside);
        $this->assertLessThan($runs / 10, $refused);
    }

    public function test_what_tells_nothing_is_refused(): void
    {
        $pictures = new PictureMaker(new RigMaker(11));
        foreach ([
            'as sharp at one end' => ['period' => 20.0, 'focus' => 0.0, 'discPerLine' => 0.0, 'noise' => 0.02],
            'isn’t within the box' => ['period' => 30.0, 'focus' => -16.0, 'discPerLine' => 0.8],
        ] as $said => $of) {
            try {
                SlantedRule::in($pictures->slantedRule(400, 120, $of), 0.5, 45.0, 4.0);
                $this->fail('was measured: '.$said);
            } catch (CantMeasure $refused) {
                $this->assertStringContainsString($said, $refused->getMessage());
            }
        }
    }
}
