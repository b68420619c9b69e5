<?php

declare(strict_types=1);

namespace App\Console\Commands;

use ZincThimble\Core\Plan\RailScrew;
use ZincThimble\Core\Reading\Stack;
use ZincThimble\Core\Rig\Rig;

/** A rail as options of a command: `--pitch`, `--steps`, `--backlash`; where they are silent, the rail of the rig's own plan. Stands beside RigFiles, whose numbers it reads by. */
trait RailOptions
{
    /**
     * @throws \InvalidArgumentException says which option, and what it should be
     * @throws \ZincThimble\Core\Gear\InvalidFigure names what can't be
     */
    private function screw(Rig $rig, ?float $usualMm = null): ?RailScrew
    {
        $plan = $rig->conditions->plan;
        $said = $this->number('pitch', 1e-6);
        $pitch = $said ?? $plan->pitchMm ?? $usualMm;

        return $pitch === null ? null : RailScrew::of(
            $pitch, (int) ($this->number('steps', 1.0) ?? ($said === null ? $plan->steps : RailScrew::DIAL)), $this->number('backlash') ?? ($said === null ? $plan->backlashMm : 0.0), $said === null ? $plan->railTravelMm : null,
        );
    }

    private function overlap(Rig $rig): float
    {
        return $this->number('overlap') ?? $rig->conditions->plan->overlap ?? Stack::OVERLAP;
    }
}
