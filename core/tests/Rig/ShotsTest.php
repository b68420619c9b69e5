<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Rig;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Gear\LensShot;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Report\RigReport;
use ZincThimble\Core\Rig\LensFigure;
use ZincThimble\Core\Rig\SettledLens;
use ZincThimble\Core\Rig\ShotTrace;
use ZincThimble\Core\Tests\Near;
use ZincThimble\Core\Tests\RigMaker;

/** OPTICS.md, "Shots" and "How sure": lenses settled from what was measured with them. */
final class ShotsTest extends TestCase
{
    private const LENS = ['kind' => 'lens', 'rear' => 'larch', 'focalLengthMm' => 50, 'registerMm' => 44.5, 'frontRimMm' => 38, 'design' => 'symmetrical', 'rearProtrusionMm' => 3.5];

    /** @return iterable<string, array{object}> */
    public static function cases(): iterable
    {
        foreach (json_decode((string) file_get_contents(__DIR__.'/../cases/settled.json'), false, 64, JSON_THROW_ON_ERROR) as $case) {
            yield $case->rig->name => [$case];
        }
    }

    #[DataProvider('cases')]
    public function test_it_settles_what_is_known(object $case): void
    {
        $rig = RigFile::read($case->rig);
        $told = RigReport::of($rig)->toArray();
        $expected = json_decode(json_encode($case->reading, JSON_THROW_ON_ERROR), true, 64, JSON_THROW_ON_ERROR);
        [$settled, $range, $sure, $infinity] = [$expected['settled'], $expected['range'], $expected['uncertainty'], $expected['infinity']];
        unset($expected['settled'], $expected['range'], $expected['uncertainty'], $expected['infinity']);
        foreach ($expected as $name => $value) {
            Near::assert($value, $told[$name], 1e-6, $name);
        }
        foreach ($range as $name => $ends) {
            Near::each($ends, $told['range'][$name], 1e-5, 'range of '.$name);
        }
        foreach ($sure as $name => $half) {
            Near::assert($half, $told['uncertainty'][$name], 1e-3, 'half-width of '.$name);
        }
        $this->assertSame($infinity['reached'], $told['infinity']['reached']);
        Near::each($settled['halfWidths'], $told['settled']['halfWidths'], 1e-3, 'half-widths');
        unset($settled['halfWidths']);
        foreach ($settled as $name => $value) {
            Near::assert($value, $told['settled'][$name], 1e-6, $name);
        }
    }

    public function test_there_are_as_many_as_were_given(): void
    {
        $this->assertCount(14, iterator_to_array(self::cases()));
    }

    public function test_a_shot_is_traced_as_its_rig_would_be(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $compared = 0;
        for ($n = 0; $n < 400; $n++) {
            $fields = ['set' => ['focus' => $make->number(0, 1)], 'reversed' => $make->chance(0.5)] + $make->lens();
            unset($fields['stations'], $fields['set']['zoomMm']);
            $spacers = $make->number(0, 120);
            $rig = RigMaker::chain([['kind' => 'tube', 'lengthMm' => $spacers], $fields]);
            $reading = Reading::of($rig);
            $lens = $rig->lenses[1];
            $trace = ShotTrace::of($lens, new LensShot($rig->camera->registerMm, $spacers, $fields['reversed'], $fields['set']['focus']));
            if ($reading->magnification === null || $reading->magnification <= 0.0) {
                $this->assertLessThanOrEqual(1e-9, $trace->magnification);

                continue;
            }
            if ($trace->magnification < 0.0) {
                // Its principal plane would lie behind the sensor: no lens that anybody measures.
                continue;
            }
            $compared++;
            Near::assert($reading->magnification, $trace->magnification, 1e-9, 'M');
            Near::assert($reading->workingDistanceMm, $trace->workingDistanceMm, 1e-9, 'working distance');
            Near::assert($reading->subjectDistanceMm, $trace->subjectDistanceMm, 1e-9, 'subject distance');
        }
        $this->assertGreaterThan(150, $compared);
    }

    public function test_shots_of_the_lens_as_it_is_known_move_nothing_and_make_it_surer(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        for ($n = 0; $n < 120; $n++) {
            $fields = $make->lens();
            unset($fields['stations'], $fields['set']);
            $plain = RigMaker::chain([$fields])->lenses[0];
            $shots = [];
            for ($k = 0; $k <= $n % 3; $k++) {
                $shot = new LensShot(44.5, $make->number(10, 80), $make->chance(0.5), $n % 4 === 0 && $plain->turns() ? 1.0 : 0.0);
                $trace = ShotTrace::of($plain, $shot);
                if ($trace->magnification > 0.02 && $trace->workingDistanceMm > 0.0 && $trace->workingDistanceMm < 2500.0) {
                    $shots[] = array_filter([
                        'cameraRegisterMm' => 44.5, 'spacersMm' => $shot->spacersMm, 'reversed' => $shot->reversed, 'focus' => $shot->focus,
                        'magnification' => $trace->magnification, 'workingDistanceMm' => $make->chance(0.5) ? $trace->workingDistanceMm : null,
                    ], static fn (mixed $value): bool => $value !== null);
                }
            }
            $settled = RigMaker::chain([['shots' => $shots] + $fields])->lenses[0];
            Near::each($plain->place(), $settled->place(), 1e-5, $plain->focusing->value);
            foreach ($settled->figures as $figure) {
                $this->assertLessThanOrEqual($plain->halfWidth($figure) * (1 + 1e-9), $settled->halfWidth($figure), $figure->value);
            }
            foreach ($settled->residuals as $residual) {
                $this->assertLessThan(0.01, $residual->deviations());
            }
        }
    }

    public function test_a_shot_that_says_nothing_leaves_everything_as_it_was(): void
    {
        // Without shots a lens is settled by its own law alone, in a few sums; with one, by the whole normal matrix.
        $make = RigMaker::seeded(__METHOD__);
        $laws = 0;
        for ($n = 0; $n < 400; $n++) {
            $fields = ['focusing' => 'unit'] + $make->lens();
            unset($fields['stations'], $fields['set']);
            $plain = RigMaker::chain([$fields])->lenses[0];
            $deaf = RigMaker::chain([['shots' => [['cameraRegisterMm' => 44.5, 'spacersMm' => 20, 'magnification' => 0.4, 'magnificationHalfWidth' => 100]]] + $fields])->lenses[0];
            Near::each($plain->place(), $deaf->place(), 1e-4, 'figures');
            foreach ($plain->figures as $figure) {
                Near::assert($plain->halfWidth($figure), $deaf->halfWidth($figure), 1e-4, $figure->value);
            }
            $laws += $plain->takenAs === [] ? 0 : 1;
        }
        $this->assertGreaterThan(50, $laws);
    }

    public function test_the_order_of_shots_is_no_matter_and_taking_one_back_undoes_it(): void
    {
        $one = ['cameraRegisterMm' => 44.5, 'spacersMm' => 31, 'magnification' => 0.6055];
        $two = ['cameraRegisterMm' => 44.5, 'spacersMm' => 4, 'reversed' => true, 'magnification' => 0.69, 'workingDistanceMm' => 111.5];
        $settled = static fn (array ...$shots): SettledLens => self::settled(['shots' => $shots]);
        Near::each($settled($one, $two)->place(), $settled($two, $one)->place(), 1e-9, 'either way');
        $this->assertSame(self::settled([])->place(), $settled()->place());
        $this->assertNotEqualsWithDelta($settled($one)->place(), $settled($one, $two)->place(), 1e-3);
    }

    public function test_a_bayonet_s_register_hardly_moves_and_the_focal_length_does(): void
    {
        // 2 % more than it would be at 50 mm: the lens is one of 49 mm.
        $lens = self::settled(['shots' => [['cameraRegisterMm' => 44.5, 'spacersMm' => 31, 'magnification' => 31 / 49]]]);
        $this->assertEqualsWithDelta(44.5, $lens->register, 0.02);
        $this->assertEqualsWithDelta(49.0, $lens->f0, 0.15);
    }

    public function test_a_far_window_tells_the_register_and_nothing_of_the_closest(): void
    {
        $bare = ['registerMm' => null, 'design' => 'triplet', 'focalLengthMm' => 80, 'maxMagnification' => 0.2, 'focusing' => 'unit'];
        $plain = self::settled($bare);
        $seen = self::settled(['shots' => [['cameraRegisterMm' => 0, 'spacersMm' => 71.5, 'magnification' => 0]]] + $bare);
        $this->assertSame(0.08 * 80, $plain->halfWidth(LensFigure::Register));
        $this->assertEqualsWithDelta(71.5, $seen->register, 0.05);
        $this->assertEqualsWithDelta(0.5, $seen->halfWidth(LensFigure::Register), 0.01);
        Near::assert($plain->halfWidth(LensFigure::Magnification), $seen->halfWidth(LensFigure::Magnification), 1e-9, 'm0');
        Near::assert($plain->halfWidth(LensFigure::PrincipalGap), $seen->halfWidth(LensFigure::PrincipalGap), 1e-9, 'g');
    }

    public function test_a_shot_that_can_not_be_is_named(): void
    {
        $shots = [['cameraRegisterMm' => 44.5, 'spacersMm' => 31, 'magnification' => 0.605], ['cameraRegisterMm' => 44.5, 'spacersMm' => 31, 'magnification' => 0.705]];
        $rig = RigMaker::chain([['kind' => 'tube', 'lengthMm' => 20], ['shots' => $shots, 'name' => 'Fifty', 'measured' => ['focalLengthMm' => 0.1]] + self::LENS]);
        $odd = array_values(array_filter(RigReport::of($rig)->findings, static fn ($finding): bool => $finding->code->value === 'data-disagree'));
        $this->assertCount(1, $odd);
        $this->assertStringStartsWith('Shot 2 of Fifty doesn’t fit: its magnification was 0.71×, and all else that is known of the lens gives 0.63×', $odd[0]->message());
        $fine = RigMaker::chain([['kind' => 'tube', 'lengthMm' => 20], ['shots' => [$shots[0]], 'name' => 'Fifty'] + self::LENS]);
        $this->assertSame([], array_filter(RigReport::of($fine)->findings, static fn ($finding): bool => $finding->code->value === 'data-disagree'));
    }

    public function test_an_internal_lens_keeps_the_catalogue_at_its_closest_until_it_was_seen_there(): void
    {
        $lens = ['focalLengthMm' => 100, 'minFocusMm' => 300, 'maxMagnification' => 1, 'focusing' => 'internal', 'design' => 'telephoto'];
        $at = static fn (float $focus, float $m): SettledLens => self::settled(['shots' => [['cameraRegisterMm' => 44.5, 'spacersMm' => 20, 'focus' => $focus, 'magnification' => $m]]] + $lens);
        $plain = self::settled($lens);
        $far = $at(0.0, 0.206);
        foreach ([LensFigure::Magnification, LensFigure::CloseGap, LensFigure::ClosestFocus] as $figure) {
            Near::assert($plain->halfWidth($figure), $far->halfWidth($figure), 1e-9, $figure->value);
        }
        Near::assert(300.0, $far->f1 * 4 + $far->g1, 1e-9, 'the closest focus is met as before');
        $near = $at(1.0, 1.2);
        $this->assertLessThan(0.8 * $plain->halfWidth(LensFigure::Magnification), $near->halfWidth(LensFigure::Magnification));
        // Half way it bends otherwise than our line, so that a shot says less.
        $shot = static fn (float $focus): float => $at($focus, ShotTrace::of($plain, new LensShot(44.5, 20.0, false, $focus))->magnification)->halfWidth(LensFigure::Magnification);
        $this->assertGreaterThan($shot(1.0), $shot(0.5));
    }

    public function test_between_two_stations_what_shots_moved_is_shared_out(): void
    {
        $shot = ['cameraRegisterMm' => 44.5, 'spacersMm' => 20, 'magnification' => 20 / 49.2];
        $zoom = static fn (float $at, array $near, array $far): SettledLens => self::settled([
            'set' => ['zoomMm' => $at], 'stations' => [['focalLengthMm' => 50] + ($near === [] ? [] : ['shots' => $near]), ['focalLengthMm' => 100] + ($far === [] ? [] : ['shots' => $far])],
        ]);
        $near = $zoom(50.0, [$shot], []);
        $moved = $near->f0 - 50.0;
        $this->assertLessThan(-0.3, $moved);
        Near::assert(100.0, $zoom(100.0, [$shot], [])->f0, 1e-12, 'the other end is as it was');
        Near::assert(75.0 + 0.5 * $moved, $zoom(75.0, [$shot], [])->f0, 1e-9, 'half way, half of it');
        $this->assertSame(75.0, $zoom(75.0, [], [])->f0);
        $half = static fn (SettledLens $lens): float => $lens->halfWidth(LensFigure::FocalLength);
        $this->assertGreaterThan($half($near), $half($zoom(75.0, [$shot], [])));
        $this->assertLessThan($half($zoom(100.0, [], [])), $half($zoom(75.0, [$shot], [])));
    }

    /** @param  array<string, mixed>  $fields */
    private static function settled(array $fields): SettledLens
    {
        return RigMaker::chain([$fields + self::LENS])->lenses[0];
    }
}
