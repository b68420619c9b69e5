<?php

declare(strict_types=1);

namespace App\Providers;

use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\ServiceProvider;

final class AppServiceProvider extends ServiceProvider
{
    public function boot(): void
    {
        Model::shouldBeStrict();
        // A person dragging and building makes a handful of calls a second; a loop makes hundreds.
        RateLimiter::for('bench', fn (Request $request): Limit => Limit::perMinute(900)->by((string) ($request->user()?->getAuthIdentifier() ?? $request->ip())));
        // What costs tens of milliseconds and more.
        RateLimiter::for('heavy', fn (Request $request): Limit => Limit::perMinute(120)->by('heavy '.($request->user()?->getAuthIdentifier() ?? $request->ip())));
        // A first answer at every key, the whole one at every pause.
        RateLimiter::for('find', fn (Request $request): Limit => Limit::perMinute(600)->by('find '.($request->user()?->getAuthIdentifier() ?? $request->ip())));
        // Guessing: few tries for one address of one account, more for a house with many people in it.
        RateLimiter::for('sign-in', function (Request $request): array {
            $email = $request->input('email');

            return [Limit::perMinute(6)->by('try '.(is_string($email) ? mb_strtolower($email) : '').' '.$request->ip().' '.$request->user()?->getAuthIdentifier()), Limit::perMinute(40)->by('house '.$request->ip())];
        });
        RateLimiter::for('sign-up', fn (Request $request): Limit => Limit::perMinute((int) config('zinc.guests_per_minute'))->by('up '.$request->ip()));
        RateLimiter::for('letters', fn (Request $request): Limit => Limit::perMinute(4)->by('letter '.$request->ip()));
        RateLimiter::for('guests', fn (Request $request): Limit => Limit::perMinute((int) config('zinc.guests_per_minute'))->by((string) $request->ip()));
    }
}
