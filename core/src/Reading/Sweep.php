<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Finding\Facts;
use ZincThimble\Core\Finding\Findings;
use ZincThimble\Core\Finding\Span;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Rig\Travels;
use ZincThimble\Core\Drawing\MovingPlaces;

/**
 * Every reading, half-width, finding and drawing position at every place where one control can rest (OPTICS.md,
 * "Sweep"): a person drags the part, the screen looks up, nothing is interpolated.
 */
final readonly class Sweep
{
    /**
     * @param  list<float>  $places
     * @param  array<string, list<?float>>  $halfWidths
     * @param  list<Span>  $spans
     */
    private function __construct(
        public Travel $travel,
        public array $places,
        public Columns $columns,
        public array $halfWidths,
        public array $spans,
        public MovingPlaces $drawing,
    ) {}

    public static function of(Rig $rig, Travel $travel): self
    {
        $places = Travels::places($rig, $travel);
        [$columns, $drawing] = SweepColumns::read($rig, $travel, $places);
        $range = Range::of($rig);
        $facts = new Facts($rig, $range, Infinity::of($rig, $range), $columns, $travel, $places);

        return new self($travel, $places, $columns, SweepColumns::halfWidths($rig, $travel, $places), Findings::spans($facts), $drawing);
    }
}
