<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Drawing\MovingPlaces;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Trace\Axis;
use ZincThimble\Core\Trace\Rays;

/** Reads a rig at many places of one control into columns. */
final class SweepColumns
{
    /**
     * @param  list<float>  $places
     * @return array{Columns, MovingPlaces}
     */
    public static function read(Rig $rig, Travel $travel, array $places): array
    {
        $readings = [];
        $drawing = new MovingPlaces($travel->part);
        foreach ($places as $place) {
            $moved = $rig->with($travel->kind, $travel->part, $place);
            $axis = Axis::of($moved);
            $rays = Rays::through($axis);
            $reading = Reader::readAxis($moved, $axis, $rays);
            $readings[] = $reading;
            $drawing->add($moved, $axis, $rays, $reading);
        }

        return [Columns::ofMany($readings), $drawing];
    }

    /**
     * Half-widths at every place, and the input that contributes most to each there.
     *
     * @param  list<float>  $places
     * @return array{array<string, list<?float>>, array<string, list<?UncertainInput>>}
     */
    public static function halfWidths(Rig $rig, Travel $travel, array $places): array
    {
        $sums = [];
        $most = [];
        $sources = [];
        foreach (Uncertainty::inputs($rig->with($travel->kind, $travel->part, $places[0])) as $input) {
            foreach ($places as $row => $place) {
                $up = Reader::read($input->up->with($travel->kind, $travel->part, $place));
                $down = Reader::read($input->down->with($travel->kind, $travel->part, $place));
                foreach (Uncertainty::READINGS as $name) {
                    $a = $up->{$name};
                    $b = $down->{$name};
                    if (! is_float($a) || ! is_float($b)) {
                        continue;
                    }
                    $share = ($a - $b) * ($a - $b) / 4.0;
                    $sums[$name][$row] = ($sums[$name][$row] ?? 0.0) + $share;
                    if ($share > ($most[$name][$row] ?? 0.0)) {
                        $most[$name][$row] = $share;
                        $sources[$name][$row] = $input;
                    }
                }
            }
        }
        $halfWidths = [];
        $inputs = [];
        foreach ($sums as $name => $column) {
            foreach ($places as $row => $_) {
                $halfWidths[$name][] = isset($column[$row]) ? sqrt($column[$row]) : null;
                $inputs[$name][] = $sources[$name][$row] ?? null;
            }
        }

        return [$halfWidths, $inputs];
    }
}
