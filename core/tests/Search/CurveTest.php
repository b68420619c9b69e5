<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Search;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Search\CameraBody;
use ZincThimble\Core\Search\Curve;
use ZincThimble\Core\Search\FrontAssembly;
use ZincThimble\Core\Search\FrontOptics;
use ZincThimble\Core\Search\LimitCheck;
use ZincThimble\Core\Search\SearchCriteria;
use ZincThimble\Core\Search\SearchKit;
use ZincThimble\Core\Tests\RigMaker;

/** Where a front assembly meets a wish, as its ring is turned. */
final class CurveTest extends TestCase
{
    public function test_what_is_left_out_for_being_out_of_reach_is_met_by_no_stack(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $met = $left = $unmet = 0;
        for ($n = 0; $n < 400; $n++) {
            $made = $make->rig();
            $first = array_key_first(array_filter($made->chain, static fn (object $part): bool => $part instanceof Lens));
            if ($first === null) {
                continue;
            }
            $conditions = Conditions::from(new Values([]));
            $optics = new FrontOptics(new FrontAssembly(array_slice($made->chain, $first), 0), $made->camera, $conditions, [], 0.0);
            $base = CameraBody::all(new SearchKit([$made->camera], [], []))[0];
            $wanted = match ($n % 3) {
                0 => new SearchCriteria(magnification: $make->number(0.05, 3.0)),
                1 => new SearchCriteria(workingDistanceMm: $make->number(20.0, 400.0)),
                default => new SearchCriteria(subjectDistanceMm: $make->number(100.0, 800.0)),
            };
            $target = $wanted->target(36.0);
            $limits = new LimitCheck($base, $wanted, $conditions);
            for ($way = 0; $way < $target->ways(); $way++) {
                $whole = new Curve($optics, $way, $limits, $target, $base);
                for ($k = 0; $k < 12; $k++) {
                    $from = $make->number(0.0, 160.0);
                    $to = $from + $make->number(0.0, 80.0);
                    $reached = new Curve($optics, $way, $limits, $target, $base, $from, $to);
                    $left += $reached->z === [] && $whole->z !== [] ? 1 : 0;
                    foreach ([[$from, $to], [$from, $from], [$make->number($from, $to), $to]] as [$least, $most]) {
                        $point = $whole->first($least, $most);
                        $met += $point === null ? 0 : 1;
                        $unmet += $point === null ? 1 : 0;
                        $this->assertEqualsWithDelta($point?->z, $reached->first($least, $most)?->z, 1e-6, "{$made->name}, {$target->kind->name} {$target->value}, from $least to $most");
                    }
                }
            }
        }
        $this->assertGreaterThan(100, $met);
        $this->assertGreaterThan(100, $unmet);
        $this->assertGreaterThan(100, $left);
    }
}
