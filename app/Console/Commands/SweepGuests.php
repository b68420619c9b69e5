<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\User;
use Illuminate\Console\Command;

/** Removes guests whose day is over, with everything of theirs. */
final class SweepGuests extends Command
{
    protected $signature = 'guests:sweep';

    protected $description = 'Remove guests of the demonstration whose time is over';

    public function handle(): int
    {
        $gone = User::query()->whereNotNull('guest_until')->where('guest_until', '<', now())->delete();
        $this->line($gone.' guests swept.');

        return self::SUCCESS;
    }
}
