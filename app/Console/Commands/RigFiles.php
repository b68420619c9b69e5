<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Symfony\Component\Console\Formatter\OutputFormatter;
use Symfony\Component\Console\Output\OutputInterface;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\File\Shapes;
use ZincThimble\Core\Rig\Rig;

/** What every command on rig files does: read one, or say a fault a line on standard error; print JSON unrounded. */
trait RigFiles
{
    /** @return ?Rig null = it can't be read, and why was said */
    private function rigIn(mixed $path): ?Rig
    {
        $path = is_string($path) ? $path : '';
        $stderr = $this->output->getErrorStyle();
        if (! is_file($path) || ! is_readable($path)) {
            $stderr->writeln(OutputFormatter::escape("/: there is no readable file {$path}"));

            return null;
        }
        try {
            return RigFile::parse((string) file_get_contents($path, length: Shapes::MAX_BYTES + 1));
        } catch (FileInvalid $invalid) {
            foreach ($invalid->faults as $fault) {
                $stderr->writeln(OutputFormatter::escape((string) $fault));
            }

            return null;
        }
    }

    /**
     * A number given as an option.
     *
     * @param  float  $least  below it is a fault
     *
     * @throws \InvalidArgumentException says which, and what it should be
     */
    private function number(string $option, float $least = 0.0): ?float
    {
        $value = $this->option($option);
        if ($value === null) {
            return null;
        }
        if (! is_numeric($value) || ! is_finite((float) $value) || (float) $value < $least) {
            throw new \InvalidArgumentException('--'.$option.': should be a number from '.$least);
        }

        return (float) $value;
    }

    /** @param  array<string, mixed>  $told */
    private function printJson(array $told): void
    {
        $this->output->writeln(
            json_encode($told, JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR), OutputInterface::OUTPUT_RAW,
        );
    }
}
