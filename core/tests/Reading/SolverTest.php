<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Reading;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Optics\Image;
use ZincThimble\Core\Reading\Range;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\Solver;
use ZincThimble\Core\Reading\SolveTarget;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Tests\Near;
use ZincThimble\Core\Tests\RigMaker;
use ZincThimble\Core\Tests\WorkedCases;

final class SolverTest extends TestCase
{
    public function test_what_a_rig_reads_somewhere_is_found_there_again(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $found = 0;
        for ($n = 0; $n < 600; $n++) {
            $rig = $make->rig();
            foreach ($rig->focusTravels() as $travel) {
                $place = $make->number($travel->least, $travel->greatest);
                $reading = Reading::of($rig->with($travel->kind, $travel->part, $place));
                if ($reading->image !== Image::Real || $reading->magnification < 1e-3) {
                    continue;
                }
                foreach ([SolveTarget::Magnification, SolveTarget::FieldWidth, SolveTarget::WorkingDistance, SolveTarget::SubjectDistance] as $wish) {
                    $wanted = $reading->{$wish->value};
                    if (abs($wanted) < 0.5) {
                        continue;
                    }
                    $solutions = Solver::along($rig, $travel, $wish, $wanted);
                    $this->assertNotEmpty($solutions, $rig->name.' '.$wish->value);
                    foreach ($solutions as $solution) {
                        $this->assertTrue($solution->exact, $rig->name.' '.$travel->name().' '.$wish->value.' '.$wanted.' reached '.$solution->reached);
                        Near::assert($wanted, $solution->reached, 1e-5, $rig->name.' '.$wish->value);
                    }
                    $found++;
                }
            }
        }
        $this->assertGreaterThan(500, $found);
    }

    public function test_life_size_on_a_bellows_is_one_focal_length_of_extension(): void
    {
        $rig = WorkedCases::named('bellows, enlarging lens');
        [$solution] = Solver::along($rig, $rig->focusTravels()[0], SolveTarget::Magnification, 1.0);
        $this->assertTrue($solution->exact);
        // 18.4 + 26.1 + draw - 60 = 75
        $this->assertEqualsWithDelta(90.5, $solution->value, 1e-6);
    }

    public function test_a_subject_distance_has_two_solutions_on_either_side_of_life_size(): void
    {
        $rig = WorkedCases::named('bellows, enlarging lens');
        $solutions = Solver::along($rig, $rig->focusTravels()[0], SolveTarget::SubjectDistance, 300.0);
        $this->assertCount(2, $solutions);
        $this->assertLessThan(1.0, Reading::of($solutions[0]->rig)->magnification);
        $this->assertGreaterThan(1.0, Reading::of($solutions[1]->rig)->magnification);
    }

    public function test_the_nearest_is_given_when_there_is_none(): void
    {
        $rig = WorkedCases::named('bellows, enlarging lens');
        $solution = Solver::anywhere($rig, SolveTarget::Magnification, 20.0);
        $this->assertNotNull($solution);
        $this->assertFalse($solution->exact);
        Near::assert(Range::of($rig)->magnification[1], $solution->reached, 1e-6, 'as far as it goes');
    }

    public function test_bellows_are_moved_before_the_ring(): void
    {
        $rig = WorkedCases::named('two travels: bellows and a focus ring');
        $solution = Solver::anywhere($rig, SolveTarget::Magnification, 1.0);
        $this->assertSame(TravelKind::Length, $solution?->travel->kind);
        $this->assertSame(0.4, $solution->rig->setting->focus[1]);
    }

    public function test_moving_back_is_positive(): void
    {
        $rig = WorkedCases::named('bellows, enlarging lens');
        $before = Reading::of($rig->with(TravelKind::Length, 1, 100.0));
        $after = Reading::of($rig->with(TravelKind::Length, 1, 150.0));
        $this->assertGreaterThan(0.0, Solver::moveToRefocus($before, $after));
        $this->assertLessThan(0.0, Solver::moveToRefocus($after, $before));
    }
}
