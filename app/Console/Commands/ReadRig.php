<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use ZincThimble\Core\File\FieldGuide;
use ZincThimble\Core\Finding\Phrase;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Plan\Advice;
use ZincThimble\Core\Reading\FocusState;
use ZincThimble\Core\Reading\NextMeasurement;
use ZincThimble\Core\Report\RigReport;
use ZincThimble\Core\Rig\LensFigure;

/** Reads a rig file. Exits 0; 1 when a stop finding blocks the rig; 2 when the file can't be read. */
final class ReadRig extends Command
{
    use RigFiles;

    protected $signature = 'rig:read {file : a version-1 rig file} {--json : print the whole reading as JSON, unrounded}';

    protected $description = 'Tell what a rig does';

    public function handle(): int
    {
        $rig = $this->rigIn($this->argument('file'));
        if ($rig === null) {
            return 2;
        }
        $answer = RigReport::of($rig);
        if ($this->option('json')) {
            $this->printJson($answer->toArray());
        } else {
            $this->show($answer);
        }

        return $answer->isStopped() ? 1 : 0;
    }

    private function show(RigReport $answer): void
    {
        $reading = $answer->reading;
        $this->line($answer->rig->name ?? 'A rig without a name');
        $tell = function (string $name, ?float $value, string $unit, string $key) use ($answer): array {
            $half = $answer->halfWidths[$key] ?? null;

            return [$name, $value === null ? '—' : Phrase::figure($value, $unit), $half === null || $value === null ? '' : '± '.Phrase::digits($half)];
        };
        $this->table(['reading', 'value', 'half-width'], [
            $tell('magnification', $reading->magnification, 'x', 'magnification'),
            $tell('field width', $reading->fieldWidthMm, 'mm', 'fieldWidthMm'),
            $tell('field height', $reading->fieldHeightMm, 'mm', 'fieldHeightMm'),
            $tell('working distance', $reading->workingDistanceMm, 'mm', 'workingDistanceMm'),
            $tell('subject distance (from the sensor)', $reading->subjectDistanceMm, 'mm', 'subjectDistanceMm'),
            $tell('effective aperture', $reading->effectiveAperture, 'f', 'effectiveAperture'),
            $tell('stops lost', $reading->stopsLost, '', 'stopsLost'),
            $tell('depth of field', $reading->depthOfFieldMm, 'mm', 'depthOfFieldMm'),
            $tell('wave depth', $reading->waveDepthMm, 'mm', 'waveDepthMm'),
            $tell('smallest detail', $reading->detailMm, 'mm', 'detailMm'),
            $tell('diffraction spot at the sensor', $reading->airyDiameterMm, 'mm', 'airyDiameterMm'),
            $tell('extension', $reading->extensionMm, 'mm', ''),
            $tell('light gap', $reading->lightGapDeg, 'deg', ''),
        ]);
        $infinity = $answer->infinity;
        $this->line(match ($answer->focus()) {
            FocusState::Sharp => 'Sharp at a distance.',
            FocusState::AtInfinity => 'Sharp at infinity.',
            FocusState::PastInfinity => 'Past infinity: nothing is sharp as it is set.',
            FocusState::Never => 'Nothing is ever sharp.',
            FocusState::Inside => 'Focus falls inside the rig.',
        }.' '.($infinity->reached ? 'Infinity is reached.' : 'Infinity is lost.'));
        $this->line('The aperture is worked: '.$answer->rig->totals->coupling->value.'.');
        foreach ($answer->rig->lenses as $i => $lens) {
            foreach ($lens->takenAs as $each) {
                $guide = FieldGuide::of($each->figure === LensFigure::Register ? Kind::Camera : Kind::Lens, $each->figure->value);
                $this->line($answer->rig->chain[$i]->label().': '.lcfirst($guide['label']).($each->given === null ? ' not given' : ' '.$each->given.' '.$guide['unit']).', taken as '.sprintf('%.4g', $each->taken).' '.$guide['unit'].' ± '.Phrase::digits($each->halfWidth).'.');
            }
        }
        foreach (['magnification' => ['Magnification', 'x'], 'workingDistanceMm' => ['Working distance', 'mm'], 'effectiveAperture' => ['Effective aperture', '']] as $name => [$what, $unit]) {
            $next = NextMeasurement::of($answer->rig, $answer->sure, $name);
            if ($next !== null) {
                $this->line($what.': '.lcfirst($next->way->spoken($answer->rig->chain[$next->part]->label())).' would make ±'.Phrase::figure($next->before, $unit).' to ±'.Phrase::figure($next->after, $unit).'.');
            }
        }
        $this->advise($answer);
        foreach ($answer->findings as $finding) {
            $this->line($finding->severity->value.'  '.$finding->code->value.'  '.$finding->message());
        }
    }

    /** What to do with it, as far as the file says what it takes to know. */
    private function advise(RigReport $answer): void
    {
        $advice = Advice::of($answer->rig);
        $best = $advice->best;
        if ($best !== null) {
            $this->line('Best single shot: '.Phrase::figure($best->single, 'f').'; as a stack: '.Phrase::figure($best->stacking, 'f')
                .($best->stack === null ? '' : ', '.$best->stack->frames.' frames of '.Phrase::figure($best->stack->stepMm, 'mm')).'.');
        }
        if ($advice->exposureFactor !== null) {
            $this->line('A meter reading without the rig: '.Phrase::digits($advice->exposureFactor).' times as long.');
        }
        foreach (['Shutter for this light' => $advice->exposureS, 'Longest for what moves across' => $advice->longestAcrossS, 'Longest for what moves to and fro' => $advice->longestToAndFroS, 'Longest for the usual sway' => $advice->longestSwayS] as $what => $seconds) {
            if ($seconds !== null) {
                $this->line($what.': '.Phrase::figure($seconds, 's').'.');
            }
        }
        if ($advice->balanceMm !== null) {
            $this->line('It balances '.Phrase::figure($advice->balanceMm, 'mm').' from the sensor.');
        }
        $clear = [...array_map(static fn (float $stop): string => Phrase::figure($stop, 'f'), $advice->clearApertures), ...array_map(static fn (float $mm): string => Phrase::figure($mm, 'mm'), $advice->clearZoomsMm), ...$advice->clearModes];
        if ($clear !== []) {
            $this->line('The corner is clear at '.implode(', ', $clear).'.');
        }
    }
}
