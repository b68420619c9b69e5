<?php

declare(strict_types=1);

namespace App\Operations;

use App\Models\User;
use Illuminate\Support\Facades\DB;

/**
 * Long work (searches, maps, archives): one piece at a time for each person, and of one kind the newest. Who asks again no longer waits
 * for the older answer, which ends at its next look. Kept in the database, so that it holds over all workers and nodes.
 */
final class Turns
{
    /** Seconds after which work that never said it ended counts as ended: its worker was killed. Archives take longest. */
    private const LONGEST = 25;

    private const LONGEST_ARCHIVE = 300;

    /** Seconds that a turn is waited for. */
    private const PATIENCE = 8.0;

    /** Seconds between two looks at whether somebody newer waits. */
    private const LOOK = 0.05;

    /**
     * @template T
     *
     * @param  string  $kind  a newer one of a kind takes the place of an older
     * @param  callable(\Closure(): void): T  $work  is given what to ask now and then; it throws when the answer is no longer wanted
     * @return T
     *
     * @throws Superseded when a newer one of its kind came
     * @throws TooBusy when other work of the same person doesn't end
     */
    public static function take(User $user, string $kind, callable $work): mixed
    {
        $number = self::number($user, $kind);
        $patience = microtime(true) + self::PATIENCE;
        while (! self::begin($user, $kind, $number)) {
            self::look($user, $kind, $number);
            if (microtime(true) > $patience) {
                throw new TooBusy;
            }
            usleep(25_000);
        }
        $next = 0.0;
        try {
            return $work(static function () use ($user, $kind, $number, &$next): void {
                if (microtime(true) >= $next) {
                    self::look($user, $kind, $number);
                    $next = microtime(true) + self::LOOK;
                }
            });
        } finally {
            DB::table('running_turns')->where('user_id', $user->id)->where('kind', $kind)->where('number', $number)->delete();
        }
    }

    private static function number(User $user, string $kind): int
    {
        $rows = DB::select('insert into turns (user_id, kind, newest) values (?, ?, 1) on conflict (user_id, kind) do update set newest = turns.newest + 1 returning newest', [$user->id, $kind]);
        $row = $rows[0] ?? null;

        return $row instanceof \stdClass && is_numeric($row->newest ?? null) ? (int) $row->newest : 0;
    }

    /** Whether nothing else of this person's runs, or what did has been silent for too long. */
    private static function begin(User $user, string $kind, int $number): bool
    {
        return DB::affectingStatement('insert into running_turns (user_id, kind, number, until) values (?, ?, ?, now() + make_interval(secs => ?))
            on conflict (user_id) do update set kind = excluded.kind, number = excluded.number, until = excluded.until where running_turns.until < now()',
            [$user->id, $kind, $number, $kind === 'archive' ? self::LONGEST_ARCHIVE : self::LONGEST]) === 1;
    }

    /** @throws Superseded */
    private static function look(User $user, string $kind, int $number): void
    {
        $newest = DB::table('turns')->where('user_id', $user->id)->where('kind', $kind)->value('newest');
        if (! is_numeric($newest) || (int) $newest !== $number) {
            throw new Superseded;
        }
    }
}
