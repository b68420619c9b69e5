<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Models\User;
use Illuminate\Contracts\Auth\StatefulGuard;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;

/** The guard of the session. Routes behind Sanctum make another one, that can't sign anybody in or out, the default. */
final class SessionGuard
{
    public static function guard(): StatefulGuard
    {
        $guard = Auth::guard('web');
        assert($guard instanceof StatefulGuard);

        return $guard;
    }

    /** Who asks, on a route that nobody reaches without having come in. */
    public static function person(Request $request): User
    {
        $user = $request->user();
        assert($user instanceof User);

        return $user;
    }
}
