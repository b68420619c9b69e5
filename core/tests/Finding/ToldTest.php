<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Finding;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Finding\Code;
use ZincThimble\Core\Finding\Finding;
use ZincThimble\Core\Finding\Findings;
use ZincThimble\Core\Finding\Mending;
use ZincThimble\Core\Finding\Severity;
use ZincThimble\Core\Finding\Span;
use ZincThimble\Core\Reading\Infinity;
use ZincThimble\Core\Reading\Range;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Report\RigReport;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Tests\KitRigs;
use ZincThimble\Core\Tests\RigMaker;

/** A finding is said when somebody would act on it: few, the one that counts first, and nothing grave lost (handbook, "Mistakes"). */
final class ToldTest extends TestCase
{
    private const CAMERA = ['name' => 'Body', 'joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24, 'columns' => 6000, 'rows' => 4000]];

    private const LENS = [
        'kind' => 'lens', 'name' => 'Fifty', 'rear' => 'larch', 'front' => 'thread:52x0.75', 'focalLengthMm' => 50, 'registerMm' => 44.5, 'frontRimMm' => 38, 'focusing' => 'fixed',
        'design' => 'symmetrical', 'pupilRatio' => 1.0, 'principalGapMm' => -6, 'aperture' => ['widest' => 2.8, 'smallest' => 22, 'control' => 'ring'], 'set' => ['aperture' => 8],
    ];

    private const TUBE = ['kind' => 'tube', 'name' => 'Tube', 'rear' => 'larch', 'front' => 'larch', 'lengthMm' => 20];

    /** Where there is room for one of two that weigh the same, it is the same one, whichever a sweep or a single reading comes to first. */
    public function test_of_two_that_weigh_the_same_one_is_told_whatever_came_first(): void
    {
        $span = static fn (Code $code, Severity $severity, ?int $part, string $pattern): Span => new Span(new Finding($code, $severity, $part, $pattern, []), 0, 3);
        $spans = [
            $span(Code::FocusInside, Severity::Stop, null, 'inside'), $span(Code::JointMismatch, Severity::Stop, 3, 'joint'), $span(Code::GripFouls, Severity::Stop, 0, 'grip'), $span(Code::ApertureStuck, Severity::Warn, 2, 'stuck'),
            $span(Code::Vignette, Severity::Warn, 2, 'corner'), $span(Code::Vignette, Severity::Warn, 5, 'light'), $span(Code::Vignette, Severity::Warn, 5, 'both'),
        ];
        $names = static fn (array $told): array => array_map(static fn (Span $each): string => $each->finding->pattern, $told);
        $once = $names(Findings::told($spans));
        sort($once);
        $this->assertSame(['corner', 'grip', 'inside', 'joint', 'stuck'], $once);
        for ($n = 0; $n < 40; $n++) {
            shuffle($spans);
            $again = $names(Findings::told($spans));
            sort($again);
            $this->assertSame($once, $again);
        }
    }

    public function test_few_are_told_and_none_that_is_grave_is_lost(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $rigs = KitRigs::ofTheDemonstration($make);
        $counts = [];
        $notes = 0;
        for ($n = 0; $n < 300; $n++) {
            $rig = $rigs->rig();
            $told = RigReport::of($rig)->findings;
            $all = self::all($rig);
            $counts[] = count($told);
            foreach ($told as $finding) {
                $this->assertContainsEquals($finding, $all, 'nothing is made up');
            }
            foreach ($all as $finding) {
                if ($finding->severity === Severity::Stop) {
                    $this->assertContainsEquals($finding, $told, 'a stop is told');
                }
            }
            $warnings = array_values(array_filter($all, static fn (Finding $finding): bool => $finding->severity === Severity::Warn));
            if ($warnings !== [] && count($told) < 5) {
                foreach ($warnings as $warning) {
                    $this->assertContainsEquals($warning, $told);
                }
            }
            $notes += count(array_filter($told, static fn (Finding $finding): bool => $finding->severity === Severity::Note));
            $ranks = array_map(static fn (Finding $finding): int => $finding->severity->rank(), $told);
            $sorted = $ranks;
            sort($sorted);
            $this->assertSame($sorted, $ranks, 'worst first');
        }
        sort($counts);
        $this->assertLessThanOrEqual(2, $counts[150], 'the median');
        $this->assertLessThanOrEqual(5, $counts[299]);
        $this->assertGreaterThan(20, $notes, 'notes are told where nothing worse stands');
    }

    public function test_what_is_told_of_many_rows_is_what_is_told_of_each(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        for ($n = 0; $n < 400; $n++) {
            $spans = [];
            $codes = Code::cases();
            for ($k = 0; $k < 9; $k++) {
                $from = (int) $make->number(0, 19.99);
                $spans[] = new Span(new Finding($make->pick($codes), $make->pick(Severity::cases()), $k, 'Said '.$k.'.'), $from, (int) $make->number($from, 19.99));
            }
            $told = Findings::told($spans);
            for ($row = 0; $row < 20; $row++) {
                $here = static fn (array $list): array => array_values(array_filter($list, static fn (Span $span): bool => $span->from <= $row && $span->to >= $row));
                $alone = Findings::told(array_map(static fn (Span $span): Span => new Span($span->finding, 0, 0), $here($spans)));
                $names = static fn (array $list): array => array_map(static fn (Span $span): int => (int) $span->finding->part, $list);
                $this->assertEqualsCanonicalizing($names($alone), $names($here($told)), 'row '.$row);
            }
        }
    }

    public function test_infinity_is_missed_only_where_somebody_wants_it(): void
    {
        // It was said of every rig with a tube on.
        $this->assertSame([], self::of(self::rig([self::TUBE, self::LENS]), Code::InfinityLost));
        $this->assertCount(1, self::of(self::rig([self::TUBE, self::LENS], ['infinity' => true]), Code::InfinityLost));
        $this->assertCount(1, self::of(self::rig([['kind' => 'adapter', 'lengthMm' => 1, 'name' => 'Thick'] + self::TUBE, self::LENS]), Code::InfinityLost));
        foreach ([[1999.9, 0], [2000.0, 1]] as [$mm, $said]) {
            $this->assertCount($said, self::of(self::rig([self::TUBE, self::LENS], ['askedDistanceMm' => $mm]), Code::InfinityLost), (string) $mm);
        }
        foreach ([[499.9, 0], [500.0, 1]] as [$mm, $said]) {
            $this->assertCount($said, self::of(self::rig([self::TUBE, self::LENS], subject: ['widthMm' => $mm]), Code::InfinityLost), (string) $mm);
        }
    }

    public function test_touching_and_shading_are_one_and_inside_says_both(): void
    {
        $long = self::rig([['lengthMm' => 31] + self::TUBE, ['focalLengthMm' => 35, 'frontRimMm' => 56, 'outerMm' => 60] + self::LENS]);
        $this->assertCount(1, self::of($long, Code::Touching));
        $this->assertSame([], self::of($long, Code::LightShutOut));
        $inside = self::rig([['lengthMm' => 90] + self::TUBE, ['focalLengthMm' => 35, 'frontRimMm' => 56, 'outerMm' => 60] + self::LENS]);
        $this->assertCount(1, self::of($inside, Code::FocusInside));
        $this->assertSame([], [...self::of($inside, Code::Touching), ...self::of($inside, Code::LightShutOut)]);
    }

    public function test_inside_says_how_much_to_take_off_and_that_much_is_enough(): void
    {
        $rig = static fn (float $mm): Rig => self::rig([['lengthMm' => $mm] + self::TUBE, ['focalLengthMm' => 35, 'frontRimMm' => 56] + self::LENS]);
        $said = self::of($rig(90), Code::FocusInside)[0];
        $longest = 90.0 - (float) self::number($said, 'off');
        $this->assertEqualsWithDelta($longest, self::number($said, 'longest'), 1e-9);
        $this->assertEqualsWithDelta(0.0, Reading::of($rig($longest))->workingDistanceMm, 1e-6);
        $this->assertSame([], self::of($rig($longest - 0.01), Code::FocusInside));
        // Where no extension at all is short enough, glass has to go.
        $deep = self::rig([['rimTravelMm' => 0, 'frontRimMm' => 160] + self::LENS, ['kind' => 'close-up-lens', 'name' => 'Strong', 'rear' => 'thread:52x0.75', 'front' => 'thread:52x0.75', 'powerD' => 20, 'thicknessMm' => 80, 'planeFromFrontMm' => 80]]);
        $this->assertStringContainsString('weaker glass', self::of($deep, Code::FocusInside)[0]->message());
    }

    public function test_sharpness_is_one_sentence_and_its_stop_is_better_than_the_one_that_is_set(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $rigs = KitRigs::ofTheDemonstration($make);
        $said = 0;
        for ($n = 0; $n < 400; $n++) {
            $rig = $rigs->rig();
            $all = self::all($rig);
            $sharp = array_values(array_filter($all, static fn (Finding $finding): bool => $finding->code === Code::Diffraction || $finding->code === Code::SliceThin));
            $this->assertLessThanOrEqual(1, count($sharp), 'two sentences pull two ways');
            $at = $rig->workingLens();
            foreach ($sharp as $finding) {
                $this->assertStringNotContainsString('stop down', strtolower($finding->message()));
                $best = $finding->numbers['single'] ?? $finding->numbers['open'] ?? null;
                if ($at === null || $best === null) {
                    continue;
                }
                $said++;
                $this->assertContains($best, $rig->stopsAt($at));
                $there = Reading::of($rig->with(\ZincThimble\Core\Rig\TravelKind::Aperture, $at, (float) $best));
                $now = Reading::of($rig);
                if (isset($finding->numbers['open'])) {
                    $this->assertLessThan($now->airyDiameterMm, $there->airyDiameterMm, 'a stop that doesn’t help');
                } else {
                    $z = (float) $rig->subject?->depthOver($now->fieldWidthMm);
                    $this->assertLessThanOrEqual(self::blur($rig, $now, $z) * (1 + 1e-9), self::blur($rig, $there, $z), 'a stop that doesn’t help');
                }
            }
        }
        $this->assertGreaterThan(40, $said);
    }

    public function test_nobody_turns_round_a_lens_that_does_not_come_off(): void
    {
        $lens = ['rear' => 'fixed', 'focusing' => 'unit', 'minFocusMm' => 460, 'maxMagnification' => 0.145] + self::LENS;
        $near = [['set' => ['aperture' => 8, 'focus' => 1]] + $lens, ['kind' => 'close-up-lens', 'name' => 'Strong', 'rear' => 'thread:52x0.75', 'front' => 'thread:52x0.75', 'powerD' => 30, 'elements' => 2, 'thicknessMm' => 4]];
        $rig = self::rig($near, camera: ['joint' => 'fixed']);
        $this->assertGreaterThan(1.0, Reading::of($rig)->magnification);
        $this->assertSame([], self::of($rig, Code::TurnItRound));
        $this->assertCount(1, self::of(self::rig([['rear' => 'larch'] + $near[0], $near[1]]), Code::TurnItRound));
    }

    public function test_strong_glass_and_diffraction_do_not_ask_for_opposite_stops(): void
    {
        $glass = ['kind' => 'close-up-lens', 'name' => 'Ten', 'rear' => 'thread:52x0.75', 'front' => 'thread:52x0.75', 'powerD' => 10, 'thicknessMm' => 4];
        $wide = self::of(self::rig([['set' => ['aperture' => 2.8]] + self::LENS, $glass]), Code::DiopterStrong)[0];
        $this->assertStringContainsString('From f/11 on', $wide->message());
        // On 200 mm of tube f/11 is f/60 and more: stopping down to it is no advice.
        $long = self::rig([['lengthMm' => 200] + self::TUBE, ['set' => ['aperture' => 4]] + self::LENS, $glass]);
        foreach (self::of($long, Code::DiopterStrong) as $said) {
            $this->assertStringNotContainsString('From f/', $said->message());
        }
    }

    public function test_mends_are_offered_once_keep_the_picture_and_say_what_becomes_of_it(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $rigs = KitRigs::ofTheDemonstration($make);
        $offered = 0;
        for ($n = 0; $n < 120; $n++) {
            $rig = $rigs->rig();
            $before = Reading::of($rig)->magnification;
            $seen = [];
            foreach (Mending::ofAll($rig, RigReport::of($rig)->findings) as [$finding, $mends]) {
                foreach ($mends as $mend) {
                    $offered++;
                    $this->assertNotContains($mend->change(), $seen, 'offered twice');
                    $seen[] = $mend->change();
                    $after = Reading::of(Mending::applied($rig, $mend))->magnification;
                    $this->assertSame($after, $mend->magnification);
                    if ($finding->severity !== Severity::Stop && $finding->code !== Code::InfinityOvershot && $before > 0.0) {
                        $this->assertGreaterThanOrEqual(0.5 * $before, $after, $mend->label().' takes the picture');
                        $this->assertLessThanOrEqual(2.0 * $before, $after, $mend->label().' makes another picture');
                    }
                }
            }
        }
        $this->assertGreaterThan(30, $offered);
    }

    public function test_a_metre_is_no_answer_to_eighty_millimetres(): void
    {
        $rig = self::rig([['focusing' => 'unit', 'minFocusMm' => 1100, 'maxMagnification' => 0.05] + self::LENS], ['askedDistanceMm' => 80]);
        $this->assertSame([], Mending::of($rig, self::of($rig, Code::OutsideWindow)[0]));
    }

    private static function blur(Rig $rig, Reading $reading, float $z): float
    {
        return \ZincThimble\Core\Reading\BestAperture::edgeBlurMm($z, (float) $reading->magnification, (float) $reading->effectiveAperture, $rig->conditions->wavelengthNm * 1e-6, $rig->frame->pitchMm());
    }

    /** @return list<Finding> */
    private static function all(Rig $rig): array
    {
        $range = Range::of($rig);

        return Findings::all($rig, Reading::of($rig), $range, Infinity::of($rig, $range));
    }

    /** @return list<Finding> */
    private static function of(Rig $rig, Code $code): array
    {
        return array_values(array_filter(self::all($rig), static fn (Finding $finding): bool => $finding->code === $code));
    }

    private static function number(Finding $finding, string $name): float
    {
        return (float) ($finding->numbers[$name] ?? NAN);
    }

    /**
     * @param  list<array<string, mixed>>  $chain
     * @param  array<string, mixed>  $conditions
     * @param  array<string, mixed>  $subject
     * @param  array<string, mixed>  $camera
     */
    private static function rig(array $chain, array $conditions = [], array $subject = [], array $camera = []): Rig
    {
        return RigMaker::made([
            'format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => $camera + self::CAMERA, 'chain' => $chain, 'conditions' => $conditions === [] ? new \stdClass : $conditions,
        ] + ($subject === [] ? [] : ['subject' => $subject]));
    }
}
