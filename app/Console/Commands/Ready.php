<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;

/** What has to be done before the web server starts, in one go: a framework takes a third of a second to wake up each time. */
final class Ready extends Command
{
    protected $signature = 'ground:ready {--keep : leave the database as it is}';

    protected $description = 'Bring the database up to this version, sweep it, and cache configuration and routes';

    public function handle(): int
    {
        $commands = ['config:cache' => [], 'route:cache' => []];
        if ($this->option('keep') !== true) {
            $commands = ['migrate' => ['--force' => true], 'guests:sweep' => [], 'sessions:sweep' => []] + $commands;
        }
        foreach ($commands as $command => $arguments) {
            if ($this->callSilently($command, $arguments) !== self::SUCCESS) {
                $this->error("{$command} failed.");

                return self::FAILURE;
            }
        }

        return self::SUCCESS;
    }
}
