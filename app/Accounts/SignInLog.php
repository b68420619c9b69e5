<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/** What happened at the door of an account, for its owner to look at: the last hundred. */
final class SignInLog
{
    private const KEPT = 100;

    /** @param  'signed in'|'refused'|'signed up'|'password changed'|'password reset'  $what */
    public static function note(User $user, string $what, Request $request): void
    {
        DB::table('sign_ins')->insert(['user_id' => $user->id, 'what' => $what, 'ip_address' => $request->ip(), 'user_agent' => mb_substr((string) $request->userAgent(), 0, 300), 'created_at' => now()]);
        $oldest = DB::table('sign_ins')->where('user_id', $user->id)->orderByDesc('id')->skip(self::KEPT)->value('id');
        if (is_numeric($oldest)) {
            DB::table('sign_ins')->where('user_id', $user->id)->where('id', '<=', $oldest)->delete();
        }
    }
}
