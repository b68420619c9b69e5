<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use ZincThimble\Core\Finding\Phrase;
use ZincThimble\Core\Picture\Layer;
use ZincThimble\Core\Picture\RigPicture;
use ZincThimble\Core\Reading\Reading;

/**
 * What the picture of a rig looks like before and behind its plane of focus (rig file, version 1, "More files, and the command line"). Exits 0; 1
 * when it images nothing at a distance; 2 when the file or an option can't be read.
 */
final class PictureOfRig extends Command
{
    use RigFiles;

    protected $signature = 'rig:picture {file : a version-1 rig file} {--at=* : mm beyond the plane of focus; below 0 = nearer} {--json : everything, unrounded}';

    protected $description = 'Tell what the picture of a rig looks like';

    public function handle(): int
    {
        $rig = $this->rigIn($this->argument('file'));
        if ($rig === null) {
            return 2;
        }
        $at = [];
        foreach ((array) $this->option('at') as $mm) {
            if (! is_numeric($mm) || ! is_finite((float) $mm)) {
                $this->output->getErrorStyle()->writeln('--at: should be a number');

                return 2;
            }
            $at[] = (float) $mm;
        }
        $picture = RigPicture::of($rig);
        if ($picture === null) {
            $this->output->getErrorStyle()->writeln('It images nothing at a distance.');

            return 1;
        }
        $reading = Reading::of($rig);
        // Left out, it is the slice: its near limit, its middle and its far one.
        $at = $at !== [] ? $at : array_values(array_filter([$reading->nearMm === null ? null : -$reading->nearMm, 0.0, $reading->farMm], static fn (?float $mm): bool => $mm !== null));
        $layers = array_map($picture->at(...), $at);
        if ($this->option('json')) {
            $finite = static fn (float $value): ?float => is_finite($value) ? $value : null;
            $this->printJson([
                'layers' => array_map(static fn (Layer $layer): array => ['atMm' => $layer->atMm, 'magnification' => $finite($layer->magnification), 'discMm' => $finite($layer->discMm)], $layers),
                'gaussianMm' => $picture->gaussianMm,
                'resolvedDetailMm' => $picture->resolvedDetailMm(),
            ]);

            return 0;
        }
        $told = static fn (float $value, string $unit): string => is_finite($value) ? Phrase::figure($value, $unit) : '—';
        $this->table(['beyond the plane', 'magnification', 'disc at the sensor', 'lines told apart'], array_map(static fn (Layer $layer): array => [
            $told($layer->atMm, 'mm'), $told($layer->magnification, 'x'), $told($layer->discMm, 'mm'), $told($picture->resolvedDetailMm($layer->atMm), 'mm'),
        ], $layers));
        $this->line('Everywhere a blur of '.Phrase::figure($picture->gaussianMm, 'mm').' (standard deviation, at the sensor).');

        return 0;
    }
}
