<?php

declare(strict_types=1);

namespace App\Console\Commands;

use ZincThimble\Core\Plan\RailScrew;

/** A rail as options of a command: `--pitch`, `--steps`, `--backlash`. Stands beside RigFiles, whose numbers it reads by. */
trait RailOptions
{
    /**
     * @throws \InvalidArgumentException says which option, and what it should be
     * @throws \ZincThimble\Core\Gear\InvalidFigure names what can't be
     */
    private function screw(): ?RailScrew
    {
        $pitch = $this->number('pitch', 1e-6);

        return $pitch === null ? null : RailScrew::of($pitch, (int) ($this->number('steps', 1.0) ?? RailScrew::DIAL), $this->number('backlash') ?? 0.0);
    }
}
