<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Search;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Search\Ranking;
use ZincThimble\Core\Search\SearchCriteria;
use ZincThimble\Core\Search\TargetKind;

/** What may be wished for: every blank at its bounds, what is met exactly and what is only a limit. */
final class SearchCriteriaTest extends TestCase
{
    /** @return iterable<string, array{string, float, float}> blank, least, greatest */
    public static function blanks(): iterable
    {
        yield 'width of subject' => ['fieldWidthMm', 0.01, 100_000.0];
        yield 'magnification' => ['magnification', 0.0001, 100.0];
        yield 'working distance' => ['workingDistanceMm', 0.0, 1_000_000.0];
        yield 'distance from the sensor' => ['subjectDistanceMm', 1.0, 1_000_000.0];
        yield 'least room' => ['leastRoomMm', 0.0, 1_000_000.0];
        yield 'most stops lost' => ['mostStopsLost', -10.0, 30.0];
        yield 'focus from' => ['focusFromMm', 1.0, 1_000_000.0];
        yield 'focus to' => ['focusToMm', 1.0, 1_000_000.0];
        yield 'mass' => ['mostMassG', 0.0, 1_000_000.0];
        yield 'length' => ['mostLengthMm', 0.0, 100_000.0];
        yield 'price' => ['mostPrice', 0.0, 1_000_000_000.0];
        yield 'what may be spent' => ['mostMissingPrice', 0.0, 1_000_000_000.0];
        yield 'corner' => ['leastCorner', 0.0, 1.0];
        yield 'slice' => ['depthMm', 0.0001, 100_000.0];
        yield 'detail' => ['detailMm', 0.00001, 100.0];
        yield 'depth of the subject' => ['subjectDepthMm', 0.0, 100_000.0];
    }

    #[DataProvider('blanks')]
    public function test_a_blank_takes_its_bounds_and_nothing_beyond(string $blank, float $least, float $greatest): void
    {
        foreach ([$least, $greatest] as $inside) {
            $this->assertSame($inside, self::wanted([$blank => $inside])->{$blank});
        }
        foreach ([$least - max(1e-9, abs($least) * 1e-6), $greatest * (1.0 + 1e-6), NAN, INF, -INF] as $outside) {
            try {
                self::wanted([$blank => $outside]);
                $this->fail($blank.' took '.$outside);
            } catch (InvalidFigure $invalid) {
                $this->assertSame($blank, $invalid->field);
            }
        }
    }

    public function test_no_blank_is_left_out(): void
    {
        $numbers = [];
        foreach ((new \ReflectionMethod(SearchCriteria::class, '__construct'))->getParameters() as $parameter) {
            if ((string) $parameter->getType() === '?float') {
                $numbers[] = $parameter->getName();
            }
        }
        $this->assertEqualsCanonicalizing($numbers, array_column(iterator_to_array(self::blanks(), false), 0));
    }

    public function test_something_is_to_be_met_and_support_is_one_of_three(): void
    {
        foreach (['fieldWidthMm' => ['leastRoomMm' => 60.0, 'infinity' => true], 'support' => ['magnification' => 1.0, 'support' => 'rope']] as $field => $given) {
            try {
                new SearchCriteria(...$given);
                $this->fail('nothing was said about '.$field);
            } catch (InvalidFigure $invalid) {
                $this->assertSame($field, $invalid->field);
            }
        }
        foreach (['hand', 'braced', 'table', null] as $support) {
            $this->assertSame($support, self::wanted(['support' => $support])->support);
        }
    }

    public function test_what_is_met_exactly_is_the_first_that_is_said(): void
    {
        $all = ['fieldWidthMm' => 18.0, 'magnification' => 0.5, 'workingDistanceMm' => 80.0, 'subjectDistanceMm' => 300.0];
        foreach ([
            [TargetKind::Magnification, 36.0 / 18.0],
            [TargetKind::Magnification, 0.5],
            [TargetKind::WorkingDistance, 80.0],
            [TargetKind::SubjectDistance, 300.0],
        ] as [$kind, $value]) {
            $target = (new SearchCriteria(...$all))->target(36.0);
            $this->assertSame([$kind, $value], [$target->kind, $target->value]);
            array_shift($all);
        }
    }

    public function test_room_is_a_limit_beside_a_field_and_exact_by_itself(): void
    {
        $least = self::wanted(['leastRoomMm' => 60.0]);
        $this->assertTrue($least->roomIsMet(60.0));
        $this->assertFalse($least->roomIsMet(59.999));
        $this->assertTrue($least->roomIsMet(6000.0));
        // Beside a magnification a working distance is met within 5 %, both ends taken in.
        $beside = self::wanted(['workingDistanceMm' => 100.0]);
        foreach ([[94.999, false], [95.0, true], [105.0, true], [105.001, false]] as [$room, $met]) {
            $this->assertSame($met, $beside->roomIsMet($room), (string) $room);
        }
        // By itself it is what is solved for, and every answer has it.
        $this->assertTrue((new SearchCriteria(workingDistanceMm: 100.0))->roomIsMet(3.0));
        $this->assertFalse((new SearchCriteria(workingDistanceMm: 100.0, leastRoomMm: 60.0))->roomIsMet(3.0));
    }

    public function test_without_its_limits_a_wish_keeps_what_is_met_exactly_and_how_it_is_held(): void
    {
        $whole = new SearchCriteria(
            fieldWidthMm: 18.0, magnification: null, workingDistanceMm: 80.0, subjectDistanceMm: 300.0, leastRoomMm: 60.0, mostStopsLost: 2.0, infinity: true,
            focusFromMm: 200.0, focusToMm: 900.0, mostMassG: 1500.0, mostLengthMm: 300.0, mostPrice: 400.0, mostMissingPrice: 50.0, automatic: true, support: 'hand',
            leastCorner: 0.9, depthMm: 0.5, detailMm: 0.01, subjectDepthMm: 2.0, ranking: Ranking::Light, flat: true, underWater: true,
        );
        $bare = $whole->bare();
        $kept = ['fieldWidthMm' => 18.0, 'subjectDistanceMm' => 300.0, 'support' => 'hand', 'subjectDepthMm' => 2.0, 'ranking' => Ranking::Light, 'infinity' => false, 'flat' => true, 'underWater' => true];
        foreach (get_object_vars($bare) as $name => $value) {
            $this->assertSame($kept[$name] ?? null, $value, $name);
        }
        $this->assertSame(80.0, (new SearchCriteria(workingDistanceMm: 80.0, leastRoomMm: 60.0))->bare()->workingDistanceMm);
    }

    public function test_rigs_are_read_as_they_are_held_and_before_what_is_known_of_the_subject(): void
    {
        $usual = Conditions::from(new Values(['support' => 'table', 'wavelengthNm' => 600, 'mode' => 'crop']));
        $this->assertSame($usual, self::wanted([])->conditions($usual));
        $held = self::wanted(['support' => 'hand'])->conditions($usual);
        $this->assertSame(['hand', 600.0, 'crop'], [$held->support, $held->wavelengthNm, $held->mode]);
        $this->assertNull(self::wanted([])->subject());
        $subject = (new SearchCriteria(fieldWidthMm: 18.0, subjectDepthMm: 2.0))->subject();
        $this->assertSame([18.0, 2.0], [$subject?->widthMm, $subject?->depthMm]);
        $this->assertNull(self::wanted(['subjectDepthMm' => 2.0])->subject()?->widthMm);
    }

    /** @param  array<string, mixed>  $given */
    private static function wanted(array $given): SearchCriteria
    {
        return new SearchCriteria(...$given + ['magnification' => 1.0]);
    }
}
