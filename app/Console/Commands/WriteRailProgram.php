<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use Symfony\Component\Console\Output\OutputInterface;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Plan\RailProgram;
use ZincThimble\Core\Plan\Shots;

/**
 * Prints the program that moves a rail through a rig's stack. Exits 0; 1 when there is nothing to stack; 2 when the file or an option
 * can't be read.
 */
final class WriteRailProgram extends Command
{
    use RailOptions;
    use RigFiles;

    protected $signature = 'rail:gcode {file : a version-1 rig file}
        {--pitch= : of the rail, mm a turn: the plan’s, else 1} {--steps= : steps or lines a turn, 100 unless said} {--backlash= : mm} {--overlap= : share, 0.25 unless said}
        {--feed=60 : mm a minute} {--settle= : s} {--hold=0.5 : s} {--press=M3 : presses the trigger} {--release=M5 : lets it go}';

    protected $description = 'Print a rail’s program for a stack';

    public function handle(): int
    {
        $rig = $this->rigIn($this->argument('file'));
        if ($rig === null) {
            return 2;
        }
        try {
            $shots = Shots::of($rig, $this->screw($rig, 1.0), $this->overlap($rig));
            if ($shots->rail === null) {
                $this->output->getErrorStyle()->writeln('The subject has no depth that is known, or nothing is sharp: there is nothing to stack.');

                return 1;
            }
            $words = array_map(fn (string $option): string => is_string($this->option($option)) ? $this->option($option) : '', ['press', 'release']);
            $program = RailProgram::of($shots->rail, $rig->name ?? '', $this->number('feed', 1e-6) ?? 60.0, $this->number('settle') ?? $rig->conditions->plan->settleS ?? Shots::SETTLE_S, $this->number('hold') ?? 0.5, [$words[0], $words[1]]);
        } catch (\InvalidArgumentException|InvalidFigure $fault) {
            $this->output->getErrorStyle()->writeln($fault->getMessage());

            return 2;
        }
        $this->output->write($program->text(), false, OutputInterface::OUTPUT_RAW);

        return 0;
    }
}
