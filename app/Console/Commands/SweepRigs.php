<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Compare\LooseRigs;
use Illuminate\Console\Command;

/** Forgets rigs that were only set up to be compared. */
final class SweepRigs extends Command
{
    protected $signature = 'rigs:sweep';

    protected $description = 'Forget rigs that were set up to be compared and that nobody kept';

    public function handle(): int
    {
        $this->line(LooseRigs::sweep().' rigs forgotten.');

        return self::SUCCESS;
    }
}
