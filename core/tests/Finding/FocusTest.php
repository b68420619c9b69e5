<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Finding;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Finding\Code;
use ZincThimble\Core\Finding\Finding;
use ZincThimble\Core\Finding\Mending;
use ZincThimble\Core\Finding\Severity;
use ZincThimble\Core\Optics\Image;
use ZincThimble\Core\Reading\FocusState;
use ZincThimble\Core\Reading\Infinity;
use ZincThimble\Core\Reading\Range;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\Solver;
use ZincThimble\Core\Reading\SolveTarget;
use ZincThimble\Core\Report\RigReport;
use ZincThimble\Core\Report\Sweep;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travels;
use ZincThimble\Core\Tests\RigMaker;

/** OPTICS.md, "Range, infinity": sharp at a distance, at infinity, past it, never, inside. */
final class FocusTest extends TestCase
{
    /** On a camera of 44.5 mm this lens needs 20 mm more to be at infinity. */
    private const LENS = ['kind' => 'lens', 'name' => 'Fifty', 'focalLengthMm' => 50, 'registerMm' => 64.5, 'frontRimMm' => 40, 'focusing' => 'fixed', 'aperture' => ['widest' => 4, 'smallest' => 22], 'set' => ['aperture' => 4]];

    private const HELICOID = ['kind' => 'helicoid', 'name' => 'Helicoid', 'minMm' => 14, 'maxMm' => 31];

    public function test_a_rig_that_is_too_short_even_for_infinity_is_never_sharp(): void
    {
        // It said "infinity is reached", and found no fault.
        $rig = RigMaker::chain([['kind' => 'tube', 'lengthMm' => 2], self::LENS]);
        $report = RigReport::of($rig);
        $this->assertFalse($report->infinity->reached);
        $this->assertEqualsWithDelta(18.0, $report->infinity->neverMm, 1e-9);
        $this->assertTrue($report->isStopped());
        $this->assertSame("Nothing is ever sharp: even for what is far away the rig is 18\u{2009}mm too short. Add 18\u{2009}mm of extension or more.", $this->only($report, Code::NoImage)->message());
        // 18 mm more, and it is.
        $this->assertTrue(RigReport::of(RigMaker::chain([['kind' => 'tube', 'lengthMm' => 20], self::LENS]))->infinity->reached);
    }

    public function test_within_the_depth_of_focus_infinity_is_as_good_as_reached(): void
    {
        // 36 x 24: blur limit 0.02884 mm; f/4: 0.1154 mm.
        foreach ([[19.89, true], [19.88, false]] as [$mm, $reached]) {
            $infinity = RigReport::of(RigMaker::chain([['kind' => 'tube', 'lengthMm' => $mm], self::LENS]))->infinity;
            $this->assertSame($reached, $infinity->reached, (string) $mm);
            $this->assertSame(! $reached, $infinity->neverMm !== null);
        }
    }

    public function test_past_infinity_as_set_says_where_the_helicoid_makes_it_sharp(): void
    {
        $rig = RigMaker::chain([['setMm' => 15] + self::HELICOID, self::LENS]);
        $report = RigReport::of($rig);
        $this->assertSame(Image::AtInfinity, $report->reading->image);
        $this->assertTrue($report->infinity->reached, 'elsewhere on the helicoid');
        $this->assertNull($report->infinity->neverMm);
        $this->assertFalse($report->isStopped());
        $said = $this->only($report, Code::InfinityOvershot);
        $this->assertSame(Severity::Note, $said->severity);
        $this->assertSame("Set past infinity: nothing is sharp at any distance. 5\u{2009}mm more of extension makes infinity sharp.", $said->message());
        $there = Solver::anywhere($rig, SolveTarget::Magnification, 0.0);
        $this->assertNotNull($there);
        $this->assertEqualsWithDelta(20.0, $there->value, 1e-6, 'it was left past infinity, where M is 0 too');
        $this->assertNull(Infinity::pastMm($there->rig));
        // Short of it nothing is said of that.
        $this->assertSame([], array_filter(RigReport::of(RigMaker::chain([['setMm' => 25] + self::HELICOID, self::LENS]))->findings, static fn (Finding $finding): bool => str_starts_with($finding->message(), 'Set past')));
    }

    public function test_what_keeps_infinity_is_solved_with_the_close_up_lens_on(): void
    {
        // It forgot the glass: 26.5 mm, where 50 mm and 4 D in contact have a focus 8.3 mm nearer.
        $plain = ['registerMm' => 44.5, 'principalGapMm' => 0] + self::LENS;
        $glass = ['kind' => 'close-up-lens', 'powerD' => 4, 'thicknessMm' => 0];
        $rig = static fn (array $chain): Rig => RigMaker::made(['format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => ['registerMm' => 18, 'sensor' => ['widthMm' => 36, 'heightMm' => 24]], 'chain' => $chain]);
        $keep = RigReport::of($rig([$plain, $glass]))->infinity->spacerToKeepMm;
        $this->assertNotNull($keep);
        $this->assertLessThan(20.0, $keep);
        $this->assertEqualsWithDelta(26.5, RigReport::of($rig([$plain]))->infinity->spacerToKeepMm, 1e-9);
        $with = RigReport::of($rig([['kind' => 'tube', 'lengthMm' => $keep], $plain, $glass]));
        $this->assertTrue($with->infinity->reached);
        $this->assertEqualsWithDelta(0.0, $with->infinity->overshotMm, 1e-9);
    }

    public function test_a_ring_that_turns_past_infinity_is_told_where_it_makes_it_sharp(): void
    {
        $rig = RigMaker::chain([['focusing' => 'unit', 'maxMagnification' => 0.1, 'pastInfinityMm' => 2, 'registerMm' => 44.5, 'set' => ['focus' => -0.3, 'aperture' => 4]] + self::LENS]);
        $said = $this->only(RigReport::of($rig), Code::InfinityOvershot);
        $this->assertSame("Set past infinity: nothing is sharp at any distance. 1.5\u{2009}mm more of extension makes infinity sharp.", $said->message());
        $this->assertEqualsWithDelta(0.0, Solver::anywhere($rig, SolveTarget::Magnification, 0.0)?->value, 1e-6);
    }

    public function test_its_mend_sets_what_stands_there(): void
    {
        $rig = RigMaker::chain([['setMm' => 15] + self::HELICOID, self::LENS]);
        $findings = RigReport::of($rig)->findings;
        $mends = Mending::of($rig, $this->only(RigReport::of($rig), Code::InfinityOvershot), []);
        $this->assertNotSame([], $mends);
        $this->assertSame("Set it to 20\u{2009}mm", $mends[0]->label());
    }

    public function test_along_a_travel_it_is_said_where_it_holds(): void
    {
        $rig = RigMaker::chain([['setMm' => 25] + self::HELICOID, self::LENS]);
        $travel = Travels::of($rig)[0];
        $sweep = Sweep::of($rig, $travel);
        $said = array_values(array_filter($sweep->spans, static fn ($span): bool => $span->finding->code === Code::InfinityOvershot && str_starts_with($span->finding->pattern, 'Set past')));
        $this->assertCount(1, $said);
        foreach ($sweep->positions as $row => $mm) {
            $this->assertSame(Infinity::pastMm($rig->with($travel->kind, $travel->part, $mm)) !== null, $row >= $said[0]->from && $row <= $said[0]->to, 'at '.$mm);
        }
    }

    public function test_an_infinity_corrected_objective_without_a_tube_lens_is_never_sharp(): void
    {
        $objective = ['kind' => 'objective', 'name' => 'Ten', 'nominal' => 10, 'na' => 0.25, 'workingDistanceMm' => 10, 'corrected' => 'infinite'];
        $tube = ['kind' => 'bellows', 'minMm' => 60, 'maxMm' => 160, 'setMm' => 150];
        $alone = RigReport::of(RigMaker::chain([$tube, $objective]));
        $this->assertTrue($alone->isStopped());
        $this->assertStringStartsWith('Ten is corrected for infinity', $this->only($alone, Code::NoImage)->message());
        foreach ([[['registerMm' => 44.5, 'focalLengthMm' => 200, 'frontRimMm' => 150] + self::LENS, $objective], [$tube, ['corrected' => 'finite'] + $objective]] as $chain) {
            $this->assertSame([], array_filter(RigReport::of(RigMaker::chain($chain))->findings, static fn (Finding $finding): bool => $finding->code === Code::NoImage));
        }
    }

    public function test_no_rig_is_told_to_be_sharp_where_none_of_its_settings_is(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $never = $past = 0;
        for ($n = 0; $n < 1500; $n++) {
            $rig = $make->rig();
            $infinity = Infinity::of($rig, Range::of($rig));
            $sharp = $this->isSharpSomewhere($rig, $make);
            if ($infinity->neverMm !== null) {
                $never++;
                $this->assertFalse($sharp, $rig->name.': told never, and it is');
            }
            $past += Infinity::pastMm($rig) !== null ? 1 : 0;
        }
        $this->assertGreaterThan(3, $never);
        $this->assertGreaterThan(10, $past);
    }

    public function test_it_is_one_of_five_states(): void
    {
        $state = static fn (array $chain): FocusState => RigReport::of(RigMaker::chain($chain))->focus();
        $this->assertSame(FocusState::Sharp, $state([['setMm' => 25] + self::HELICOID, self::LENS]));
        $this->assertSame(FocusState::AtInfinity, $state([['setMm' => 20] + self::HELICOID, self::LENS]));
        $this->assertSame(FocusState::AtInfinity, $state([['setMm' => 19.95] + self::HELICOID, self::LENS]), 'within the depth of focus');
        $this->assertSame(FocusState::PastInfinity, $state([['setMm' => 15] + self::HELICOID, self::LENS]));
        $this->assertSame(FocusState::Never, $state([['kind' => 'tube', 'lengthMm' => 2], self::LENS]));
        $this->assertSame(FocusState::Never, $state([['kind' => 'tube', 'lengthMm' => 30]]), 'no lens, no image');
        $this->assertSame(FocusState::Never, $state([['kind' => 'bellows', 'minMm' => 60, 'maxMm' => 160], ['kind' => 'objective', 'nominal' => 10, 'na' => 0.25, 'workingDistanceMm' => 10, 'corrected' => 'infinite']]));
        $this->assertSame(FocusState::Inside, $state([['kind' => 'tube', 'lengthMm' => 200], ['frontRimMm' => 90] + self::LENS]));
    }

    public function test_along_a_travel_it_is_at_each_place_what_it_is_there(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $seen = [];
        for ($n = 0; $n < 60; $n++) {
            $rig = $make->rig();
            foreach (Travels::of($rig) as $travel) {
                $sweep = Sweep::of($rig, $travel);
                $at = 0;
                foreach ($sweep->focus($rig) as ['from' => $from, 'to' => $to, 'state' => $state]) {
                    $this->assertSame($at, $from);
                    $at = $to + 1;
                    $seen[$state->value] = true;
                    foreach (array_unique([$from, intdiv($from + $to, 2), $to]) as $row) {
                        $this->assertSame($state, RigReport::of($rig->with($travel->kind, $travel->part, $sweep->positions[$row]))->focus(), $rig->name.' '.$travel->name().' at '.$sweep->positions[$row]);
                    }
                }
                $this->assertSame(count($sweep->positions), $at);
            }
        }
        $this->assertGreaterThanOrEqual(4, count($seen));
    }

    private function isSharpSomewhere(Rig $rig, RigMaker $make): bool
    {
        for ($n = 0; $n < 40; $n++) {
            $set = $rig;
            foreach ($rig->focusTravels() as $travel) {
                $set = $set->with($travel->kind, $travel->part, $make->pick([$travel->least, $travel->greatest, $make->number($travel->least, $travel->greatest)]));
            }
            if (Reading::of($set)->image === Image::Real) {
                return true;
            }
        }

        return false;
    }

    private function only(RigReport $report, Code $code): Finding
    {
        $found = array_values(array_filter($report->findings, static fn (Finding $finding): bool => $finding->code === $code));
        $this->assertCount(1, $found, $code->value);

        return $found[0];
    }
}
