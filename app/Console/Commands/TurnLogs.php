<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;

/** Turns over the logs of web server and workers when they have grown, and keeps a few old ones: they are appended to while it does. */
final class TurnLogs extends Command
{
    protected $signature = 'logs:turn {--bytes=2097152 : from which size on} {--keep=4 : how many old ones stay}';

    protected $description = 'Turn over logs that have grown';

    public function handle(): int
    {
        $path = config('logging.channels.daily.path');
        $run = dirname(is_string($path) ? $path : storage_path('logs/x'), 2);
        $keep = max(1, (int) $this->option('keep'));
        foreach (glob($run.'/logs/*.log') ?: [] as $file) {
            // The application's own are a file a day already.
            if (str_contains(basename($file), 'application') || ! is_writable($file) || filesize($file) < (int) $this->option('bytes')) {
                continue;
            }
            for ($n = $keep - 1; $n >= 1; $n--) {
                if (is_file($file.'.'.$n)) {
                    rename($file.'.'.$n, $file.'.'.($n + 1));
                }
            }
            copy($file, $file.'.1');
            // Whoever writes it appends: the next line begins the emptied file.
            file_put_contents($file, '');
            $this->line(basename($file).' turned over.');
        }

        return self::SUCCESS;
    }
}
