<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Search;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Port;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Optics\RayMatrix;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Setting;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Search\FrontAssembly;
use ZincThimble\Core\Search\FrontOptics;
use ZincThimble\Core\Tests\RigMaker;

/** A front assembly laid out ahead says at every place of its ring what a rig set there says. */
final class FrontOpticsTest extends TestCase
{
    public function test_at_every_place_of_its_ring_it_is_the_rig_set_there(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $straight = $bent = $ported = 0;
        for ($n = 0; $n < 400; $n++) {
            $made = $make->rig();
            // What stands in front of a lens, with it directly on the camera.
            $first = array_key_first(array_filter($made->chain, static fn (object $part): bool => $part instanceof Lens));
            if ($first === null) {
                continue;
            }
            $front = new FrontAssembly(array_slice($made->chain, $first), 0);
            $conditions = Conditions::from(new Values([]));
            $optics = new FrontOptics($front, $made->camera, $conditions, [], 0.0);
            if (! $optics->moves) {
                $this->assertCount(1, $optics->lays());

                continue;
            }
            $focus = array_map(static fn (object $part): ?float => $part instanceof Lens ? 0.0 : null, array_slice($front->parts, 1, null, true));
            $rig = Rig::of($made->camera, $front->parts, new Setting([], [0 => null] + $focus, [], [], [], [], null), $conditions);
            $this->assertCount(FrontOptics::PLACES, $optics->lays());
            foreach ([...array_map(static fn (RayMatrix $lay): float => $lay->s, $optics->lays()), $make->number(0.0, 1.0), $make->number(0.0, 1.0)] as $s) {
                $told = $optics->at($s);
                $this->agrees(RayMatrix::of(Axis::of($rig->with(TravelKind::Focus, 0, $s)), $made->camera->registerMm, $s, $optics->widest), $told, $made->name.' at '.$s);
            }
            $isStraight = abs($optics->lays()[4]->a - $optics->lays()[0]->a) < 1e-15;
            $straight += $isStraight ? 1 : 0;
            $bent += $isStraight ? 0 : 1;
            $ported += array_filter($front->parts, static fn (object $part): bool => $part instanceof Port) === [] ? 0 : 1;
        }
        $this->assertGreaterThan(30, $straight);
        $this->assertGreaterThan(30, $bent);
        $this->assertGreaterThan(3, $ported);
    }

    private function agrees(RayMatrix $rig, RayMatrix $told, string $name): void
    {
        $this->assertSame([$rig->s, $rig->working, $rig->medium, $rig->na, $rig->shown], [$told->s, $told->working, $told->medium, $told->na, $told->shown], $name);
        foreach (['a', 'b', 'c', 'd', 'last', 'front', 'reduced'] as $what) {
            $this->assertEqualsWithDelta($rig->{$what}, $told->{$what}, 1e-10 * max(1.0, abs($rig->{$what})), $name.' '.$what);
        }
        foreach (['alpha', 'beta', 'radius'] as $what) {
            $this->assertSame(array_keys($rig->{$what}), array_keys($told->{$what}), $name);
            foreach ($rig->{$what} as $j => $value) {
                $this->assertEqualsWithDelta($value, $told->{$what}[$j], 1e-10 * max(1.0, abs($value)), $name.' '.$what.' '.$j);
            }
        }
    }
}
