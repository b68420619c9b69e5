<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use Symfony\Component\Console\Formatter\OutputFormatter;
use ZincThimble\Core\Finding\Phrase;
use ZincThimble\Core\Measure\CantMeasure;
use ZincThimble\Core\Measure\Edge;

/**
 * How sharp a slanted edge is in a picture (rig format, "More files, and the command line"). Exits 0; 1 when it can't be measured, with the
 * reason on standard error; 2 when the file or an option can't be read.
 */
final class MeasureEdge extends Command
{
    use MeasuresPictures;

    protected $signature = 'picture:edge {file : a PNG, JPEG or WebP file} {--box= : x,y,width,height in pixels; left out = all of it} {--pitch= : mm from pixel to pixel of the sensor} {--magnification= : for line pairs in the subject} {--json : everything, unrounded}';

    protected $description = 'Measure how sharp an edge is in a picture';

    public function handle(): int
    {
        try {
            [$pitch, $magnification] = [$this->number('pitch', 0.0001), $this->number('magnification', 0.0001)];
        } catch (\InvalidArgumentException $fault) {
            $this->output->getErrorStyle()->writeln($fault->getMessage());

            return 2;
        }
        $plane = $this->planeIn($this->argument('file'));
        if ($plane === null) {
            return 2;
        }
        try {
            $edge = Edge::in($plane);
        } catch (CantMeasure $refused) {
            $this->output->getErrorStyle()->writeln(OutputFormatter::escape($refused->getMessage()));

            return 1;
        }
        $pairs = $pitch === null ? null : $edge->mtf50 / $pitch;
        $inSubject = $pairs === null || $magnification === null ? null : $pairs * $magnification;
        if ($this->option('json')) {
            $this->printJson([
                'mtf50' => $edge->mtf50, 'mtf10' => $edge->mtf10, 'halfWidth' => $edge->halfWidth, 'angleDeg' => $edge->angleDeg, 'contrast' => $edge->contrast,
                'mtf50LpPerMm' => $pairs, 'mtf50LpPerMmInSubject' => $inSubject,
            ]);

            return 0;
        }
        $this->line(sprintf('Half of the contrast is left at %s cycles a pixel ± %s; the edge is %.1f° off the pixels.', Phrase::digits($edge->mtf50), Phrase::digits($edge->halfWidth), $edge->angleDeg));
        if ($pairs !== null) {
            $this->line(Phrase::digits($pairs).' line pairs a mm at the sensor'.($inSubject === null ? '' : ', '.Phrase::digits($inSubject).' in the subject').'.');
        }

        return 0;
    }
}
