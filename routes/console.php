<?php

declare(strict_types=1);

use Illuminate\Support\Facades\Schedule;

Schedule::command('guests:sweep')->everyTenMinutes()->onOneServer();
Schedule::command('sessions:sweep')->everyTenMinutes()->onOneServer();
Schedule::command('rigs:sweep')->dailyAt('03:40')->onOneServer();
Schedule::command('logs:turn')->dailyAt('03:10');
Schedule::command('queue:prune-failed --hours=336')->daily()->onOneServer();
