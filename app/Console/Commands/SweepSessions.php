<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/** Forgets the sessions of passers-by, of people who are gone, and those that are over. */
final class SweepSessions extends Command
{
    protected $signature = 'sessions:sweep';

    protected $description = 'Forget sessions that nobody uses any more';

    public function handle(): int
    {
        $hours = config('zinc.passer_by_hours');
        $days = config('zinc.account_session_days');
        $minutes = config('session.lifetime');
        $gone = DB::table('sessions')->whereNull('user_id')->where('last_activity', '<', now()->subHours(is_int($hours) ? $hours : 2)->getTimestamp())->delete()
            // A guest's own gear has nothing else to be found by; an account has its password.
            + DB::table('sessions')->whereIn('user_id', DB::table('users')->where('guest_own', false)->select('id'))->where('last_activity', '<', now()->subDays(is_int($days) ? $days : 14)->getTimestamp())->delete()
            + DB::table('sessions')->where('last_activity', '<', now()->subMinutes(is_int($minutes) ? $minutes : 20160)->getTimestamp())->delete()
            + DB::table('sessions')->whereNotNull('user_id')->whereNotIn('user_id', DB::table('users')->select('id'))->delete();
        $this->line($gone.' sessions forgotten.');

        return self::SUCCESS;
    }
}
