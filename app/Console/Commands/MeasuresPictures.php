<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Pictures\PictureFile;
use Symfony\Component\Console\Formatter\OutputFormatter;
use ZincThimble\Core\Measure\CantMeasure;
use ZincThimble\Core\Measure\GreyPlane;

/**
 * What every command that measures a picture does: read its options and its file, measure, print. Exits 0; 1 when it can't be measured, with the
 * reason on standard error; 2 when the file or an option can't be read.
 */
trait MeasuresPictures
{
    use RigFiles;

    /**
     * Reads the options, before the file is looked at.
     *
     * @return \Closure(GreyPlane): void measures and prints; throws CantMeasure
     *
     * @throws \InvalidArgumentException says which option, and what it should be
     */
    abstract private function measuring(): \Closure;

    public function handle(): int
    {
        try {
            $measure = $this->measuring();
            $plane = $this->plane();
        } catch (CantMeasure|\InvalidArgumentException $fault) {
            return $this->refuse($fault, 2);
        }
        try {
            $measure($plane);
        } catch (CantMeasure $refused) {
            return $this->refuse($refused, 1);
        }

        return 0;
    }

    private function refuse(\Throwable $why, int $exits): int
    {
        $this->output->getErrorStyle()->writeln(OutputFormatter::escape($why->getMessage()));

        return $exits;
    }

    /** @throws CantMeasure|\InvalidArgumentException when there is no such picture, or the box isn't in it */
    private function plane(): GreyPlane
    {
        $path = $this->argument('file');
        $path = is_string($path) ? $path : '';
        if (! is_file($path) || ! is_readable($path) || filesize($path) > PictureFile::MOST_BYTES) {
            throw new \InvalidArgumentException("There is no readable file {$path} of up to 64 MB.");
        }

        return PictureFile::plane((string) file_get_contents($path), $this->box());
    }

    /**
     * @return ?array{int, int, int, int}
     *
     * @throws \InvalidArgumentException when it is no box
     */
    private function box(): ?array
    {
        $box = $this->option('box');
        if ($box === null) {
            return null;
        }
        if (! is_string($box) || preg_match('/^(\d{1,6}),(\d{1,6}),(\d{1,6}),(\d{1,6})$/', $box, $told) !== 1) {
            throw new \InvalidArgumentException('--box: should be x,y,width,height in pixels');
        }

        return [(int) $told[1], (int) $told[2], (int) $told[3], (int) $told[4]];
    }
}
