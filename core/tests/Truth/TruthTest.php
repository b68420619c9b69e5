<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Truth;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Tests\Near;
use ZincThimble\Core\Tests\RigMaker;

/**
 * What is told of a lens holds of real ones: lenses of glass, followed surface by surface, before and after each kind of measurement
 * (OPTICS.md, "How sure"). The seed is fixed, since the bounds are of a table, not of every lens; `bin/bench truth` prints it.
 */
final class TruthTest extends TestCase
{
    private static ?TruthTable $table = null;

    private static function table(): TruthTable
    {
        return self::$table ??= TruthTable::of(TruthTable::EACH, TruthTable::SEED);
    }

    public function test_the_truth_lies_within_the_half_width_as_often_as_is_said(): void
    {
        $this->assertGreaterThanOrEqual(200, self::table()->lenses);
        foreach (TruthTable::STAGES as $stage) {
            foreach (TruthTable::READINGS as $reading) {
                $this->assertGreaterThan(400, self::table()->count($stage, $reading));
                $covered = self::table()->coverage($stage, $reading);
                $this->assertGreaterThanOrEqual(80.0, $covered, $stage.', '.$reading);
                $this->assertLessThanOrEqual(98.0, $covered, $stage.', '.$reading);
            }
        }
    }

    public function test_half_widths_are_no_wider_than_they_have_to_be(): void
    {
        foreach (TruthTable::STAGES as $stage) {
            foreach (TruthTable::READINGS as $reading) {
                $this->assertLessThanOrEqual(4.0 * self::table()->medianError($stage, $reading), self::table()->medianHalfWidth($stage, $reading), $stage.', '.$reading);
            }
        }
    }

    /** @return iterable<string, array{string, string}> a measurement, and what was known before it */
    public static function measurements(): iterable
    {
        yield 'a shot the usual way' => ['one shot, the usual way', 'catalogue'];
        yield 'its working distance' => ['the same with its working distance', 'one shot, the usual way'];
        yield 'a shot turned round' => ['one shot, turned round', 'catalogue'];
        yield 'the working distance of that' => ['that with its working distance', 'one shot, turned round'];
        yield 'another on other spacers' => ['two shots, the usual way', 'one shot, the usual way'];
        yield 'one at the closest' => ['one at the closest', 'catalogue'];
    }

    #[\PHPUnit\Framework\Attributes\DataProvider('measurements')]
    public function test_no_measurement_makes_anything_worse(string $after, string $before): void
    {
        foreach (TruthTable::READINGS as $reading) {
            foreach ([null, ...TruthTable::KINDS] as $kind) {
                $was = self::table()->ninthError($before, $reading, $kind, among: $after);
                $this->assertLessThanOrEqual(1.2 * $was, self::table()->ninthError($after, $reading, $kind), $after.', '.$reading.', '.($kind ?? 'all'));
            }
        }
    }

    /** @return iterable<string, array{string, string, string, string}> a measurement, what was known before, the kind of rig and the reading it is of */
    public static function ofTheirKind(): iterable
    {
        yield 'a ruler the usual way' => ['one shot, the usual way', 'catalogue', 'usual', 'magnification'];
        yield 'its working distance' => ['the same with its working distance', 'one shot, the usual way', 'usual', 'workingDistanceMm'];
        yield 'a ruler turned round' => ['one shot, turned round', 'catalogue', 'turned', 'magnification'];
        yield 'the working distance of that' => ['that with its working distance', 'one shot, turned round', 'turned', 'workingDistanceMm'];
        yield 'a ruler at the closest' => ['one at the closest', 'catalogue', 'close', 'magnification'];
        yield 'the distance at the closest' => ['one at the closest', 'catalogue', 'close', 'workingDistanceMm'];
    }

    #[\PHPUnit\Framework\Attributes\DataProvider('ofTheirKind')]
    public function test_a_measurement_of_a_kind_brings_down_what_it_is_of(string $after, string $before, string $kind, string $reading): void
    {
        $was = self::table()->ninthError($before, $reading, $kind, among: $after);
        $this->assertLessThanOrEqual(0.7 * $was, self::table()->ninthError($after, $reading, $kind));
    }

    public function test_the_glass_is_followed_rightly(): void
    {
        // A thick ball lens: f = n r / 2 (n - 1), its planes both in the middle.
        $ball = new Glass([[10.0, 20.0, 1.5], [-10.0, 0.0, 1.0]], 0);
        Near::assert(15.0, $ball->focalLength(), 1e-12, 'f');
        Near::assert(5.0, $ball->backFocus(), 1e-12, 'back focus');
        $this->assertEqualsWithDelta(0.0, $ball->principalGap(), 1e-12);
        // On a picture at 2 f either side: life size.
        [$m, $subject] = $ball->image(30.0 - 10.0);
        Near::assert(1.0, $m, 1e-12, 'M');
        Near::assert(20.0, $subject, 1e-12, 'subject');
        // Any lens: what the field calls its own law, whatever the glass.
        $make = new RigMaker(7);
        foreach (Prescriptions::all() as $name => $form) {
            $glass = $form['glass'];
            $f = $glass->focalLength();
            $m = $make->number(0.1, 3.0);
            [$told, $subject] = $glass->image($glass->backFocus() + $m * $f);
            Near::assert($m, $told, 1e-9, $name);
            Near::assert((2.0 + $m + 1.0 / $m) * $f + $glass->principalGap(), $glass->backFocus() + $m * $f + $glass->length() + $subject, 1e-9, $name);
            Near::assert(8.0 * (1.0 + $m / $glass->pupilRatio()), $glass->effective($glass->backFocus() + $m * $f, $glass->diaphragm(8.0)), 1e-9, $name.', Neff');
            Near::assert(1.0, $glass->pupilRatio() * $glass->turned()->pupilRatio(), 1e-9, $name.', turned');
        }
    }
}
