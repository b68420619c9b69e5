<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use ZincThimble\Core\Finding\Phrase;
use ZincThimble\Core\Measure\Edge;
use ZincThimble\Core\Measure\GreyPlane;

/**
 * How sharp a slanted edge is in a picture (rig format, "More files, and the command line"). Exits 0; 1 when it can't be measured, with the
 * reason on standard error; 2 when the file or an option can't be read.
 */
final class MeasureEdge extends Command
{
    use MeasuresPictures;

    protected $signature = 'picture:edge {file : a PNG, JPEG or WebP file} {--box= : x,y,width,height in pixels; left out = all of it} {--pitch= : mm from pixel to pixel of the sensor} {--magnification= : for line pairs in the subject} {--json : everything, unrounded}';

    protected $description = 'Measure how sharp an edge is in a picture';

    private function measuring(): \Closure
    {
        $pitch = $this->number('pitch', 0.0001);
        $magnification = $this->number('magnification', 0.0001);

        return fn (GreyPlane $plane) => $this->told(Edge::in($plane), $pitch, $magnification);
    }

    private function told(Edge $edge, ?float $pitch, ?float $magnification): void
    {
        $pairs = $pitch === null ? null : $edge->mtf50 / $pitch;
        $inSubject = $pairs === null || $magnification === null ? null : $pairs * $magnification;
        if ($this->option('json')) {
            $this->printJson([
                'mtf50' => $edge->mtf50, 'mtf10' => $edge->mtf10, 'halfWidth' => $edge->halfWidth, 'angleDeg' => $edge->angleDeg, 'contrast' => $edge->contrast,
                'mtf50LpPerMm' => $pairs, 'mtf50LpPerMmInSubject' => $inSubject,
            ]);

            return;
        }
        $this->line(sprintf('Half of the contrast is left at %s cycles a pixel ± %s; the edge is %.1f° off the pixels.', Phrase::digits($edge->mtf50), Phrase::digits($edge->halfWidth), $edge->angleDeg));
        if ($pairs !== null) {
            $this->line(Phrase::digits($pairs).' line pairs a mm at the sensor'.($inSubject === null ? '' : ', '.Phrase::digits($inSubject).' in the subject').'.');
        }
    }
}
