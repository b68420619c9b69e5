<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Models\User;
use Illuminate\Support\Facades\DB;

/** The sessions of a person: which there are, and their end. Told by a fingerprint, since who knows a session's id is in it. */
final class Sessions
{
    /** @return list<\stdClass> the last used first */
    public static function of(User $user): array
    {
        return array_values(DB::table('sessions')->where('user_id', $user->id)->orderByDesc('last_activity')->limit(100)->get()->all());
    }

    public static function fingerprint(string $id): string
    {
        return substr(hash('sha256', 'session '.$id), 0, 16);
    }

    /** Whether there was one of that fingerprint. */
    public static function end(User $user, string $fingerprint): bool
    {
        foreach (self::of($user) as $session) {
            if (self::fingerprint((string) $session->id) === $fingerprint) {
                DB::table('sessions')->where('id', $session->id)->delete();

                return true;
            }
        }

        return false;
    }

    public static function endAll(User $user, ?string $but = null): void
    {
        DB::table('sessions')->where('user_id', $user->id)->when($but !== null, fn ($query) => $query->where('id', '<>', $but))->delete();
    }
}
