<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Reading;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Reading\MeasurementWay;
use ZincThimble\Core\Reading\NextMeasurement;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\Uncertainty;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Tests\Near;
use ZincThimble\Core\Tests\RigMaker;

/** OPTICS.md, "How sure": what is named on paper does, when it is done, what was promised. */
final class NextMeasurementTest extends TestCase
{
    private const LENS = [
        'kind' => 'lens', 'rear' => 'larch', 'focalLengthMm' => 50, 'registerMm' => 44.5, 'frontRimMm' => 38, 'design' => 'symmetrical', 'rearProtrusionMm' => 3.5,
        'focusing' => 'unit', 'maxMagnification' => 0.15, 'minFocusMm' => 450, 'aperture' => ['widest' => 2, 'smallest' => 16], 'set' => ['aperture' => 8],
    ];

    public function test_a_ruler_shot_of_this_rig_leaves_what_it_says(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $named = [];
        for ($n = 0; $n < 150; $n++) {
            $spacers = $make->number(5, 60);
            $reversed = $make->chance(0.4);
            $rig = static fn (array $shots): Rig => RigMaker::chain([['kind' => 'tube', 'lengthMm' => $spacers], ['shots' => $shots, 'reversed' => $reversed] + self::LENS]);
            $plain = $rig([]);
            $reading = Reading::of($plain);
            foreach (['magnification', 'workingDistanceMm'] as $name) {
                $next = NextMeasurement::of($plain, Uncertainty::of($plain), $name);
                if ($next === null || ($reading->workingDistanceMm ?? 0.0) <= 0.0) {
                    continue;
                }
                $named[$next->way->value] = ($named[$next->way->value] ?? 0) + 1;
                Near::assert(Uncertainty::of($plain)->halfWidth($name), $next->before, 1e-9, 'before');
                $this->assertLessThanOrEqual(0.5 * $next->before, $next->after);
                $shot = ['cameraRegisterMm' => 44.5, 'spacersMm' => $spacers, 'reversed' => $reversed];
                $done = match ($next->way) {
                    MeasurementWay::RulerHere => $shot + ['magnification' => $reading->magnification],
                    MeasurementWay::DistanceHere => $shot + ['workingDistanceMm' => $reading->workingDistanceMm],
                    MeasurementWay::RulerAndDistanceHere => $shot + ['magnification' => $reading->magnification, 'workingDistanceMm' => $reading->workingDistanceMm],
                    default => null,
                };
                if ($done !== null) {
                    Near::assert($next->after, Uncertainty::of($rig([$done]))->halfWidth($name), 0.06, $next->way->value.' for '.$name);
                }
            }
        }
        $this->assertGreaterThan(60, $named['ruler-here'] ?? 0);
        $this->assertGreaterThan(30, $named['distance-here'] ?? 0);
    }

    /** @return iterable<string, array{list<array<string, mixed>>, string, ?string}> chain, reading, what is named; null = nothing */
    public static function rigs(): iterable
    {
        $tube = ['kind' => 'tube', 'lengthMm' => 20];
        yield 'a magnification, by a ruler in front of the rig' => [[$tube, self::LENS], 'magnification', 'ruler-here'];
        yield 'a working distance, by measuring it' => [[$tube, self::LENS], 'workingDistanceMm', 'distance-here'];
        yield 'light lost, by the pupils' => [[$tube, ['measured' => ['focalLengthMm' => 0.1]] + self::LENS], 'effectiveAperture', 'pupils'];
        yield 'a glass of which the power is all' => [[['measured' => ['focalLengthMm' => 0.01, 'registerMm' => 0.001, 'principalGapMm' => 0.01]] + self::LENS, ['kind' => 'close-up-lens', 'powerD' => 1, 'elements' => 2]], 'magnification', 'distance-here'];
        yield 'all that is known is known' => [[$tube, ['shots' => [['cameraRegisterMm' => 44.5, 'spacersMm' => 20, 'magnification' => 0.4, 'magnificationHalfWidth' => 0.001]]] + self::LENS], 'magnification', null];
    }

    /** @param  list<array<string, mixed>>  $chain */
    #[DataProvider('rigs')]
    public function test_it_names_what_narrows_most_for_its_trouble(array $chain, string $reading, ?string $way): void
    {
        $rig = RigMaker::chain($chain);
        $this->assertSame($way, NextMeasurement::of($rig, Uncertainty::of($rig), $reading)?->way->value);
    }

    public function test_a_shot_at_infinity_is_no_advice_for_a_closest_magnification(): void
    {
        // On its own camera at the closest: what is unsure is m0 alone.
        $rig = RigMaker::chain([['set' => ['focus' => 1], 'measured' => ['focalLengthMm' => 0.01, 'principalGapMm' => 0.01, 'registerMm' => 0.01]] + ['minFocusMm' => null] + self::LENS]);
        $next = NextMeasurement::of($rig, Uncertainty::of($rig), 'magnification');
        $this->assertNotNull($next);
        $this->assertContains($next->way, [MeasurementWay::RulerHere, MeasurementWay::DistanceHere]);
        // And a lens whose focal length is settled has nothing to learn of it from a window.
        $held = RigMaker::chain([['kind' => 'tube', 'lengthMm' => 20], ['measured' => ['registerMm' => 0.01]] + self::LENS]);
        foreach (['magnification', 'workingDistanceMm', 'effectiveAperture'] as $name) {
            $this->assertNotSame(MeasurementWay::Window, NextMeasurement::of($held, Uncertainty::of($held), $name)?->way);
        }
    }

    public function test_every_way_can_be_said(): void
    {
        foreach (MeasurementWay::cases() as $way) {
            $this->assertMatchesRegularExpression('/^[A-Z][^{}]+$/', $way->spoken('Fifty'));
            $this->assertGreaterThan(0.0, $way->trouble());
        }
    }
}
