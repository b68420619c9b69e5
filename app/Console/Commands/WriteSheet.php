<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use Symfony\Component\Console\Output\OutputInterface;
use ZincThimble\Core\Plan\Sheet;
use ZincThimble\Core\Plan\Shots;

/** Prints a rig's sheet for the table (rig file, version 1, "More files, and the command line"). Exits 0; 2 when the file can't be read. */
final class WriteSheet extends Command
{
    use RigFiles;

    protected $signature = 'rig:sheet {file : a version-1 rig file} {--json : its lines by heading}';

    protected $description = 'Print a rig’s sheet for the table';

    public function handle(): int
    {
        $rig = $this->rigIn($this->argument('file'));
        if ($rig === null) {
            return 2;
        }
        $sheet = Sheet::of(Shots::planned($rig));
        if ($this->option('json')) {
            $this->printJson($sheet->toArray());
        } else {
            $this->output->write($sheet->text(), false, OutputInterface::OUTPUT_RAW);
        }

        return 0;
    }
}
