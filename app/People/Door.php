<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Contracts\Auth\StatefulGuard;
use Illuminate\Support\Facades\Auth;

/** The guard of the session. Routes behind Sanctum make another one, that can't sign anybody in or out, the default. */
final class Door
{
    public static function guard(): StatefulGuard
    {
        $guard = Auth::guard('web');
        assert($guard instanceof StatefulGuard);

        return $guard;
    }
}
