<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/** How many guests may come from one address in a day. */
final class GuestsFrom
{
    /**
     * @return string the address's fingerprint, to be kept with a guest that comes from it
     *
     * @throws ValidationException when there are as many as may be
     */
    public static function hold(Request $request): string
    {
        $from = hash('sha256', 'guest of '.$request->ip());
        $open = User::query()->where('opened_from', $from)->where('guest_until', '>', now())->where('created_at', '>', now()->subDay())->count();
        if ($open >= (int) config('zinc.guests_per_address')) {
            throw ValidationException::withMessages(['guest' => 'Very many guests are open from your network already. Make an account, or come back tomorrow.']);
        }

        return $from;
    }
}
