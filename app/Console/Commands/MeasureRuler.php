<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use ZincThimble\Core\Finding\Phrase;
use ZincThimble\Core\Measure\GreyPlane;
use ZincThimble\Core\Measure\Ruler;

/**
 * How large a ruler comes out in a picture (rig format, "More files, and the command line"). Exits 0; 1 when it can't be measured, with the
 * reason on standard error; 2 when the file or an option can't be read.
 */
final class MeasureRuler extends Command
{
    use MeasuresPictures;

    /** From here on the ends of the box are told apart, as a share. */
    private const WORTH_SAYING = 0.01;

    protected $signature = 'picture:ruler {file : a PNG, JPEG or WebP file} {--division= : mm from line to line} {--box= : x,y,width,height in pixels; left out = all of it} {--pitch= : mm from pixel to pixel of the sensor} {--json : everything, unrounded}';

    protected $description = 'Measure a ruler in a picture';

    private function measuring(): \Closure
    {
        $division = $this->number('division', 0.0001) ?? throw new \InvalidArgumentException('--division: how many mm is it from line to line?');
        $pitch = $this->number('pitch', 0.0001);

        return fn (GreyPlane $plane) => $this->told(Ruler::in($plane), $division, $pitch);
    }

    private function told(Ruler $ruler, float $division, ?float $pitch): void
    {
        $magnification = $pitch === null ? null : $ruler->magnification($pitch, $division);
        if ($this->option('json')) {
            $this->printJson([
                'pixelsPerDivision' => $ruler->pixelsPerDivision, 'standardError' => $ruler->standardError, 'lines' => $ruler->lines, 'angleDeg' => $ruler->angleDeg,
                'growthPerDivision' => $ruler->growthPerDivision, 'magnification' => $magnification,
            ]);

            return;
        }
        $this->line(sprintf('%s pixels a division ± %s, over %d lines, at %.1f°.', Phrase::digits($ruler->pixelsPerDivision), Phrase::digits(1.645 * $ruler->standardError), $ruler->lines, $ruler->angleDeg));
        if ($magnification !== null) {
            $this->line('Magnification '.Phrase::figure($magnification, 'x').'.');
        }
        if ($ruler->endsDiffer() > self::WORTH_SAYING) {
            $this->line('The camera isn’t square to the ruler: its ends differ by '.Phrase::figure($ruler->endsDiffer(), 'pct').'.');
        }
    }
}
