<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** What signs somebody in or out needs a session, and a session begins on this application's own pages alone. */
final class FromThePage
{
    /** @param  \Closure(Request): Response  $next */
    public function handle(Request $request, \Closure $next): Response
    {
        return $request->hasSession() ? $next($request) : new JsonResponse(['message' => 'This is asked from the page itself, at '.url('/').'.'], 400);
    }
}
