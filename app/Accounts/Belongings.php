<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Models\User;
use App\Operations\Quota;
use Illuminate\Support\Facades\DB;
use ZincThimble\Core\File\Text;

/** What a guest told of their own gear goes along when they sign in: kits, rigs, comparisons, outings, joints, what they practised. The guest is gone then. */
final class Belongings
{
    public static function bring(User $guest, User $to): void
    {
        if (! $guest->isGuest() || ! $guest->guest_own || $guest->is($to)) {
            return;
        }
        DB::transaction(static function () use ($guest, $to): void {
            User::query()->whereKey([$guest->id, $to->id])->orderBy('id')->lockForUpdate()->get();
            DB::statement('set constraints all deferred');
            // A joint of the same name is the same joint: the one that is there stays.
            DB::table('joints')->where('user_id', $guest->id)->whereNotIn('name', DB::table('joints')->where('user_id', $to->id)->select('name'))->update(['user_id' => $to->id]);
            DB::table('comparison_rigs')->where('user_id', $guest->id)->update(['user_id' => $to->id]);
            DB::table('entries')->where('user_id', $guest->id)->update(['user_id' => $to->id]);
            DB::table('practice_answers')->where('user_id', $guest->id)->update(['user_id' => $to->id]);
            DB::table('practice_evenings')->where('user_id', $guest->id)->update(['user_id' => $to->id]);
            DB::statement('insert into practice_tasks (user_id, task, tried, done, last_at) select ?, task, tried, done, last_at from practice_tasks where user_id = ? on conflict (user_id, task) do update set tried = practice_tasks.tried + excluded.tried, done = practice_tasks.done + excluded.done, last_at = greatest(practice_tasks.last_at, excluded.last_at)', [$to->id, $guest->id]);
            foreach (['kits', 'rigs', 'comparisons', 'outings'] as $table) {
                self::hand($table, $guest, $to);
            }
            DB::statement('set constraints all immediate');
            Quota::bytes($to->id);
            $guest->delete();
        });
    }

    /** One by one, each under its own name or, where that is taken by then, with a number behind it. */
    private static function hand(string $table, User $guest, User $to): void
    {
        foreach (DB::table($table)->where('user_id', $guest->id)->orderBy('id')->get(['id', 'name']) as $row) {
            $taken = DB::table($table)->where('user_id', $to->id)->pluck('name')->all();
            $name = is_string($row->name) && in_array($row->name, $taken, true) ? Text::freeAmong($row->name, $taken) : $row->name;
            DB::table($table)->where('id', $row->id)->update(['user_id' => $to->id, 'name' => $name]);
        }
    }
}
