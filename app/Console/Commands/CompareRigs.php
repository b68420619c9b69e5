<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use ZincThimble\Core\Finding\Phrase;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Reading\SolveTarget;
use ZincThimble\Core\Report\Bringing;
use ZincThimble\Core\Report\ComparedRig;
use ZincThimble\Core\Report\Comparison;

/**
 * Lays rigs side by side (rig file, version 1, "More files, and the command line"). Exits 0; 1 when one of them doesn't do what all were to be
 * brought to; 2 when a file or an option can't be read.
 */
final class CompareRigs extends Command
{
    use RigFiles;

    /** The least that a length or a magnification to be brought to can be. */
    private const LEAST = 1e-6;

    /** Readings in the words of a table. */
    private const WORDS = ['workingDistanceMm' => 'room', 'effectiveAperture' => 'light', 'resolvedDetailMm' => 'detail', 'depthOfFieldMm' => 'slice', 'massG' => 'weight', 'price' => 'price', 'joints' => 'joints', 'coupled' => 'aperture from the camera'];

    protected $signature = 'rig:compare {files* : version-1 rig files}
        {--field= : bring each to this width, mm} {--magnification= : bring each to this magnification} {--closest : each at its closest} {--place= : each sharp there, mm from the sensor mark}
        {--effective= : all at this effective aperture} {--sharpest : each at its sharpest stop} {--depth= : depth of the target, mm} {--json : everything, unrounded}';

    protected $description = 'Compare rigs on the same target';

    public function handle(): int
    {
        $files = $this->argument('files');
        $rigs = [];
        $isBad = false;
        foreach (is_array($files) ? $files : [] as $file) {
            $rig = $this->rigIn($file);
            $isBad = $isBad || $rig === null;
            if ($rig !== null) {
                $rigs[] = $rig;
            }
        }
        if ($isBad) {
            return 2;
        }
        try {
            $comparison = Comparison::of($rigs, $this->bringing());
        } catch (\InvalidArgumentException|InvalidFigure $fault) {
            $this->output->getErrorStyle()->writeln($fault->getMessage());

            return 2;
        }
        if ($this->option('json')) {
            $this->printJson($comparison->toArray());
        } else {
            $this->tell($comparison);
        }

        return array_filter($comparison->rigs, static fn (ComparedRig $rig): bool => ! $rig->met) === [] ? 0 : 1;
    }

    /** @throws \InvalidArgumentException says what can't be */
    private function bringing(): Bringing
    {
        $to = array_filter([
            SolveTarget::FieldWidth->value => $this->number('field', self::LEAST), SolveTarget::Magnification->value => $this->number('magnification', self::LEAST),
            SolveTarget::SubjectDistance->value => $this->number('place', self::LEAST),
        ], static fn (?float $value): bool => $value !== null);
        if (count($to) + ($this->option('closest') ? 1 : 0) > 1) {
            throw new \InvalidArgumentException('--field, --magnification, --closest, --place: one of them');
        }
        $effective = $this->number('effective', 0.5);
        if ($effective !== null && $this->option('sharpest')) {
            throw new \InvalidArgumentException('--effective, --sharpest: one of them');
        }
        $bringing = Bringing::asSet($this->number('depth', self::LEAST));
        foreach ($to as $target => $value) {
            $bringing = $bringing->to(SolveTarget::from($target), $value);
        }
        if ($this->option('closest')) {
            $bringing = $bringing->toClosest();
        }

        return match (true) {
            $effective !== null => $bringing->atEffective($effective),
            (bool) $this->option('sharpest') => $bringing->atSharpest(),
            default => $bringing,
        };
    }

    private function tell(Comparison $comparison): void
    {
        $rows = [];
        foreach ($comparison->rigs as $rig) {
            $reading = $rig->report->reading;
            $told = static fn (?float $value, string $unit): string => $value === null ? '—' : Phrase::figure($value, $unit);
            $rows[] = [
                $rig->letter, $rig->rig->name ?? 'without a name', $rig->met ? '' : 'as near as it gets', $told($reading->magnification, 'x'), $told($reading->fieldWidthMm, 'mm'), $told($reading->workingDistanceMm, 'mm'),
                $told($reading->effectiveAperture, 'f'), $told($reading->depthOfFieldMm, 'mm'), $told($rig->resolvedDetailMm, 'mm'), $rig->pixelsLeft === null ? '—' : (string) $rig->pixelsLeft,
            ];
        }
        $this->table(['', 'rig', '', 'magnification', 'field', 'working distance', 'effective', 'slice', 'detail', 'pixels left'], $rows);
        foreach ($comparison->rigs as $rig) {
            $settings = $rig->settings();
            $this->line($rig->letter.': '.($settings === [] ? 'nothing to set' : implode(' · ', array_map(static fn (string $part, string $said): string => $part.' '.$said, array_keys($settings), $settings))));
        }
        foreach (array_filter($comparison->best()) as $name => $best) {
            $this->line('Best in '.self::WORDS[$name].': '.$best['letter']);
        }
        foreach ($comparison->beaten() as $each) {
            $this->line($each['letter'].' is no better than '.$each['by'].' in anything.');
        }
    }
}
