<?php

declare(strict_types=1);

use App\Http\Middleware\SecurityHeaders;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Request;
use ZincThimble\Core\File\Fault;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\Gear\InvalidFigure;

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
        $middleware->append(SecurityHeaders::class);
        $middleware->statefulApi();
        $middleware->redirectGuestsTo(fn (): ?string => null);
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        $exceptions->shouldRenderJsonWhen(fn (Request $request): bool => $request->is('api/*') || $request->expectsJson());
        $exceptions->render(fn (AuthenticationException $exception, Request $request) => response()->json(['message' => 'Sign in or open the demonstration first.'], 401));
        $exceptions->render(fn (FileInvalid $exception) => response()->json([
            'message' => 'The file can’t be read.',
            'errors' => array_map(fn (Fault $fault): array => ['pointer' => $fault->pointer, 'message' => $fault->message], $exception->faults),
        ], 422));
        $exceptions->render(fn (InvalidFigure $exception) => response()->json([
            'message' => $exception->getMessage(),
            'errors' => [['pointer' => '/'.str_replace('.', '/', $exception->field), 'message' => $exception->getMessage()]],
        ], 422));
    })
    ->create();
