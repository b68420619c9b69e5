<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use ZincThimble\Core\Finding\Phrase;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Plan\FlashPlan;
use ZincThimble\Core\Plan\Shots;

/**
 * Plans light, one shot and a stack of a rig, by its own plan where no option says otherwise (rig file, version 1, "More files, and the command line"). Exits 0; 1 when this light is too slow for
 * what must stand still; 2 when the file or an option can't be read.
 */
final class PlanShots extends Command
{
    use RailOptions;
    use RigFiles;

    protected $signature = 'rig:shots {file : a version-1 rig file}
        {--ev= : light, exposure value at ISO 100} {--iso=} {--support= : hand, braced or table}
        {--guide-number= : of a flash, metres at ISO 100} {--flash-mm= : from flash to subject} {--diffuser-stops=0}
        {--pitch= : of the rail, mm a turn} {--steps= : steps or lines a turn, 100 unless said} {--backlash= : mm} {--overlap= : share, 0.25 unless said} {--json : everything, unrounded}';

    protected $description = 'Plan light, one shot and a stack';

    public function handle(): int
    {
        $rig = $this->rigIn($this->argument('file'));
        if ($rig === null) {
            return 2;
        }
        try {
            $conditions = array_filter(['ev' => $this->number('ev', -30.0), 'iso' => $this->number('iso', 0.01), 'support' => $this->support()], static fn (mixed $each): bool => $each !== null);
            $rig = $rig->withConditions($rig->conditions->with($conditions));
            $guide = $this->number('guide-number', 1e-6);
            $distance = $this->number('flash-mm', 1e-6);
            if (($guide === null) !== ($distance === null)) {
                throw new \InvalidArgumentException('--guide-number, --flash-mm: both of them, or neither');
            }
            $flash = $guide === null || $distance === null ? FlashPlan::planned($rig) : FlashPlan::of($rig, $guide, $distance, $this->number('diffuser-stops') ?? 0.0);
            $shots = Shots::of($rig, $this->screw($rig), $this->overlap($rig), $flash);
        } catch (\InvalidArgumentException|InvalidFigure $fault) {
            $this->output->getErrorStyle()->writeln($fault->getMessage());

            return 2;
        }
        if ($this->option('json')) {
            $this->printJson($shots->toArray());
        } else {
            $this->tell($shots);
        }

        return ($shots->shutter->gapStops() ?? 0.0) > 0.0 ? 1 : 0;
    }

    /** @throws \InvalidArgumentException where it is none */
    private function support(): ?string
    {
        $support = $this->option('support');
        if ($support !== null && ! in_array($support, ['hand', 'braced', 'table'], true)) {
            throw new \InvalidArgumentException('--support: should be hand, braced or table');
        }

        return $support;
    }

    private function tell(Shots $shots): void
    {
        $seconds = static fn (?float $s): string => $s === null ? 'not known' : Phrase::figure($s, 's');
        $shutter = $shots->shutter;
        $this->line('Exposure by this light: '.$seconds($shutter->exposureS));
        foreach (['across' => $shutter->acrossS, 'to and fro' => $shutter->toAndFroS, 'sway' => $shutter->swayS, 'shake of the hand, by custom' => $shutter->customS] as $what => $longest) {
            if ($longest !== null) {
                $this->line('Longest for '.$what.': '.$seconds($longest));
            }
        }
        $gap = $shutter->gapStops();
        if ($gap !== null) {
            $this->line($gap > 0.0 ? 'Too slow by '.Phrase::digits($gap).' stops.' : 'Quick enough by '.Phrase::digits(-$gap).' stops.');
        }
        if ($shots->flash !== null) {
            $power = $shots->flash->power;
            $this->line($power === null
                ? ($shots->flash->needed > 1.0 ? 'The flash is too weak there: no further off than '.Phrase::figure($shots->flash->furthestMm, 'mm').'.' : 'The flash is too strong there: no nearer than '.Phrase::figure($shots->flash->nearestMm, 'mm').'.')
                : 'Flash at '.$shots->flash->powerSaid().' power.');
        }
        if ($shots->depthMm === null || $shots->blurMm === null) {
            $this->line('The subject has no depth that is known, or nothing is imaged: one shot.');

            return;
        }
        // What has no stops stands as it is.
        $stop = static fn (?float $marked): string => $marked === null ? 'as it is' : 'f/'.Phrase::digits($marked);
        $this->line(sprintf('One shot: %s, blur at the edge %s.', $stop($shots->best?->single), Phrase::figure($shots->blurMm, 'mm')));
        if ($shots->sliceMm !== null) {
            $this->line(sprintf('Stack: %s, %d frames, %s each, about %s.', $stop($shots->best?->stacking), (int) $shots->frames(), Phrase::figure($shots->sliceMm, 'mm'), $seconds($shots->seconds())));
        }
        if ($shots->rail !== null) {
            $this->line('Rail: '.Phrase::digits($shots->rail->turnsAFrame()).' turns a frame, '.Phrase::figure($shots->rail->railMm()[$shots->rail->frames() - 1], 'mm').' in all.');
        }
        if ($shots->ring !== null && $shots->ring->frames !== []) {
            $this->line('By the ring: '.count($shots->ring->frames).' frames'.($shots->ring->isWhole ? '' : ', as far as it goes').'.');
        }
    }
}
