<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Drawing\MovingPlaces;
use ZincThimble\Core\Finding\Facts;
use ZincThimble\Core\Finding\Findings;
use ZincThimble\Core\Finding\Span;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Rig\Travels;

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
    ) {
    }

    public static function of(Rig $rig, Travel $travel): self
    {
        $places = Travels::places($rig, $travel);
        if ($travel->kind === TravelKind::Zoom) {
            return self::ofZoom($rig, $travel, $places);
        }
        [$columns, $drawing] = SweepColumns::read($rig, $travel, $places);
        $range = Range::of($rig);
        [$halfWidths, $sources] = SweepColumns::halfWidths($rig, $travel, $places);
        $facts = new Facts($rig, $range, Infinity::of($rig, $range), $columns, $travel, $places, $halfWidths, $sources);

        return new self($travel, $places, $columns, $halfWidths, Findings::spans($facts), $drawing);
    }

    /**
     * A zoom is another lens at every place: what it reaches, and how surely, is asked anew at each.
     *
     * @param  list<float>  $places
     */
    private static function ofZoom(Rig $rig, Travel $travel, array $places): self
    {
        [$columns, $drawing] = SweepColumns::read($rig, $travel, $places);
        $halfWidths = [];
        $findings = [];
        foreach ($places as $place) {
            $answer = Answer::of($rig->with($travel->kind, $travel->part, $place));
            foreach (Uncertainty::READINGS as $name) {
                $halfWidths[$name][] = $answer->halfWidths[$name] ?? null;
            }
            $findings[] = $answer->findings;
        }

        return new self($travel, $places, $columns, $halfWidths, Span::joined($findings), $drawing);
    }
}
