<?php

declare(strict_types=1);

use App\Http\Middleware\SecurityHeaders;
use App\Http\Middleware\SoundRequest;
use App\Operations\Troubles;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Request;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        web: __DIR__.'/../routes/web.php',
        api: __DIR__.'/../routes/api.php',
        commands: __DIR__.'/../routes/console.php',
    )
    ->withMiddleware(function (Middleware $middleware): void {
        // One origin needs no CORS, and the package for it is not installed.
        $middleware->remove(HandleCors::class);
        $middleware->append([SecurityHeaders::class, SoundRequest::class]);
        $middleware->statefulApi();
        // The web server refuses other names already; whoever runs this behind another one is safe all the same.
        $middleware->trustHosts(at: static fn (): array => ['^'.preg_quote((string) parse_url((string) config('app.url'), PHP_URL_HOST)).'$', '^127\.0\.0\.1$'], subdomains: false);
        $proxies = env('TRUSTED_PROXIES');
        if (is_string($proxies) && $proxies !== '') {
            $middleware->trustProxies(at: array_map(trim(...), explode(',', $proxies)), headers: Request::HEADER_X_FORWARDED_FOR | Request::HEADER_X_FORWARDED_PROTO);
        }
        // A password is what was typed, blanks at its ends included.
        $middleware->trimStrings(except: ['current', 'current_password', 'password', 'password_confirmation', 'token']);
        $middleware->redirectGuestsTo(fn (): ?string => null);
    })
    ->withExceptions(Troubles::register(...))
    ->create();
