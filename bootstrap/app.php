<?php

declare(strict_types=1);

use App\Http\Middleware\SecurityHeaders;
use App\Http\Middleware\SoundRequest;
use App\Operations\Troubles;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        web: __DIR__.'/../routes/web.php',
        api: __DIR__.'/../routes/api.php',
        commands: __DIR__.'/../routes/console.php',
        health: '/up',
    )
    ->withMiddleware(function (Middleware $middleware): void {
        // One origin needs no CORS, and the package for it is not installed.
        $middleware->remove(HandleCors::class);
        $middleware->append([SecurityHeaders::class, SoundRequest::class]);
        $middleware->statefulApi();
        $middleware->redirectGuestsTo(fn (): ?string => null);
    })
    ->withExceptions(Troubles::register(...))
    ->create();
