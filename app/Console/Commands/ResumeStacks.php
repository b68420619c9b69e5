<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Look\StackRuns;
use App\Models\StackRun;
use Illuminate\Console\Command;

/** Stacks whose worker was ended in the middle of a frame are taken up again. */
final class ResumeStacks extends Command
{
    protected $signature = 'stacks:resume';

    protected $description = 'Take up stacks again that nobody is at work on';

    public function handle(StackRuns $runs): int
    {
        StackRun::query()->where('state', 'running')->each($runs->takeUp(...));

        return self::SUCCESS;
    }
}
