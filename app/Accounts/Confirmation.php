<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Models\User;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;

/** That letters to an address reach the person who claims it: a signed link, good for a week. */
final class Confirmation
{
    private const DAYS = 7;

    public static function link(User $user): string
    {
        $until = now()->addDays(self::DAYS)->getTimestamp();

        return url('/confirm').'?'.http_build_query(['user' => $user->id, 'until' => $until, 'signature' => self::sign($user, $until)]);
    }

    /**
     * What a link would say, of somebody whom a letter has just reached.
     *
     * @return array{int, int, string}
     */
    public static function shown(User $user): array
    {
        $until = now()->addMinute()->getTimestamp();

        return [$user->id, $until, self::sign($user, $until)];
    }

    /** False when the link is not whole, too old, or the address has been shown to be somebody else's since. */
    public static function take(int $id, int $until, string $signature): bool
    {
        $user = User::query()->find($id);
        if (! $user instanceof User || $user->email === null || $until < now()->getTimestamp() || ! hash_equals(self::sign($user, $until), $signature)) {
            return false;
        }
        if ($user->email_confirmed_at === null) {
            try {
                DB::transaction(fn () => $user->forceFill(['email_confirmed_at' => now()])->save());
            } catch (UniqueConstraintViolationException) {
                return false;
            }
        }

        return true;
    }

    private static function sign(User $user, int $until): string
    {
        $key = config('app.key');

        return hash_hmac('sha256', 'confirm '.$user->id.' '.$user->email.' '.$until, is_string($key) ? $key : '');
    }
}
