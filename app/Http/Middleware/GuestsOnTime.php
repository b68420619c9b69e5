<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Accounts\SessionGuard;
use App\Models\User;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** A guest whose day is over can't do anything any more, whether or not they have been swept yet. */
final class GuestsOnTime
{
    /** @param  \Closure(Request): Response  $next */
    public function handle(Request $request, \Closure $next): Response
    {
        $user = $request->user();
        if ($user instanceof User && $user->isOver()) {
            SessionGuard::guard()->logout();
            throw new AuthenticationException;
        }

        return $next($request);
    }
}
