<?php

declare(strict_types=1);

namespace App\Look;

use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;

/** The next frame of a stack, by its worker. Which one that is, is looked up then: asked for twice, it is taken once. */
final class TakeFrame implements ShouldQueue
{
    use Dispatchable, InteractsWithQueue, Queueable;

    public int $timeout = 80;

    public function __construct(private readonly int $run)
    {
        $this->onConnection(config('queue.default') === 'sync' ? 'sync' : 'stacks');
    }

    public function handle(StackRuns $runs): void
    {
        $runs->next($this->run);
    }
}
