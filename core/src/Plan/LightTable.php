<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Rig\Travels;

/** Figures of light at every place where one control can rest: a person drags it, the screen looks up, nothing is interpolated. */
final readonly class LightTable
{
    /**
     * @param  list<float>  $positions
     * @param  array<string, list<float|int|null>>  $columns  by the names of LightFigures
     */
    private function __construct(public array $positions, public array $columns)
    {
    }

    public static function along(Rig $rig, Travel $travel): self
    {
        $positions = Travels::positions($rig, $travel);
        $columns = [];
        foreach ($positions as $position) {
            foreach (LightFigures::of($rig->with($travel->kind, $travel->part, $position))->toArray() as $name => $figure) {
                $columns[$name][] = $figure;
            }
        }

        return new self($positions, $columns);
    }
}
