<?php

declare(strict_types=1);

use Illuminate\Support\Facades\Schedule;

Schedule::command('guests:sweep')->everyTenMinutes()->onOneServer();
Schedule::command('sessions:sweep')->everyTenMinutes()->onOneServer();
Schedule::command('rigs:sweep')->dailyAt('03:40')->onOneServer();
Schedule::command('practice:sweep')->dailyAt('03:50')->onOneServer();
Schedule::command('logs:turn')->dailyAt('03:10');
// Whoever ran a stack was ended in the middle of a frame, and nobody looks at it: it goes on all the same.
Schedule::command('stacks:resume')->everyMinute()->onOneServer();
Schedule::command('queue:prune-failed --hours=336')->daily()->onOneServer();
