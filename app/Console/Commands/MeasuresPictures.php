<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Pictures\PictureFile;
use Symfony\Component\Console\Formatter\OutputFormatter;
use ZincThimble\Core\Measure\CantMeasure;
use ZincThimble\Core\Measure\GreyPlane;

/** What every command that measures a picture does: read its file, or say why not on standard error. */
trait MeasuresPictures
{
    use RigFiles;

    /** @return ?GreyPlane null = it can't be read, and why was said */
    private function planeIn(mixed $path): ?GreyPlane
    {
        $path = is_string($path) ? $path : '';
        $stderr = $this->output->getErrorStyle();
        if (! is_file($path) || ! is_readable($path) || filesize($path) > PictureFile::MOST_BYTES) {
            $stderr->writeln(OutputFormatter::escape("There is no readable file {$path} of up to 64 MB."));

            return null;
        }
        try {
            return PictureFile::plane((string) file_get_contents($path), $this->box());
        } catch (CantMeasure|\InvalidArgumentException $fault) {
            $stderr->writeln(OutputFormatter::escape($fault->getMessage()));

            return null;
        }
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
