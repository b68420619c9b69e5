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
        RateLimiter::for('guests', fn (Request $request): Limit => Limit::perMinute((int) config('zinc.guests_per_minute'))->by((string) $request->ip()));
    }
}
