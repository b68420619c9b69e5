<?php

declare(strict_types=1);

namespace App\Providers;

use App\Accounts\PeopleProvider;
use App\Accounts\SessionRows;
use App\Http\Middleware\StartKnownSession;
use App\Models\User;
use App\Operations\LetterFolder;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Contracts\Cache\Factory as CacheFactory;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Request;
use Illuminate\Session\Middleware\StartSession;
use Illuminate\Session\SessionManager;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Facades\Session;
use Illuminate\Support\Facades\URL;
use Illuminate\Support\ServiceProvider;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->singleton(StartSession::class, static fn (Application $app): StartKnownSession => new StartKnownSession($app->make(SessionManager::class), static fn (): CacheFactory => $app->make(CacheFactory::class)));
    }

    public function boot(): void
    {
        Session::extend('database', static fn (Application $app): SessionRows => new SessionRows($app->make('db')->connection(), (string) config('session.table'), (int) config('session.lifetime'), $app));
        Model::shouldBeStrict();
        Auth::provider('people', static fn (Application $app, array $config): PeopleProvider => new PeopleProvider($app->make('hash'), User::class));
        Mail::extend('letters', static fn (array $config): LetterFolder => new LetterFolder(is_string($config['path'] ?? null) ? $config['path'] : storage_path('letters')));
        // Links name the one address of this application, whatever the request called it.
        $address = config('app.url');
        URL::useOrigin(is_string($address) ? rtrim($address, '/') : null);
        URL::forceScheme(is_string($address) && str_starts_with($address, 'https:') ? 'https' : 'http');
        // A person dragging and building makes a handful of calls a second; a loop makes hundreds.
        RateLimiter::for('bench', fn (Request $request): Limit => Limit::perMinute(900)->by((string) ($request->user()?->getAuthIdentifier() ?? $request->ip())));
        // What costs tens of milliseconds and more.
        RateLimiter::for('heavy', fn (Request $request): Limit => Limit::perMinute(120)->by('heavy '.($request->user()?->getAuthIdentifier() ?? $request->ip())));
        // A first answer at every key, the whole one at every pause.
        RateLimiter::for('find', fn (Request $request): Limit => Limit::perMinute(600)->by('find '.($request->user()?->getAuthIdentifier() ?? $request->ip())));
        // Guessing: few tries at one account, from wherever they come, and more for a house with many people in it.
        RateLimiter::for('sign-in', fn (Request $request): array => [
            Limit::perMinutes(10, 20)->by('account '.self::account($request)),
            Limit::perMinute(6)->by('try '.self::account($request).' '.$request->ip()),
            Limit::perMinute(40)->by('house '.$request->ip()),
        ]);
        RateLimiter::for('sign-up', fn (Request $request): array => [
            Limit::perMinute((int) config('zinc.guests_per_minute'))->by('up '.$request->ip()),
            Limit::perHour(6)->by('up for '.self::account($request)),
        ]);
        RateLimiter::for('letters', fn (Request $request): array => [Limit::perMinute(4)->by('letter '.$request->ip()), Limit::perHour(6)->by('letter to '.self::account($request))]);
        RateLimiter::for('guests', fn (Request $request): Limit => Limit::perMinute((int) config('zinc.guests_per_minute'))->by((string) $request->ip()));
    }

    /** The account that is meant: by the address that was typed, or by who is signed in. Whether there is one makes no difference. */
    private static function account(Request $request): string
    {
        $email = $request->input('email');

        return is_string($email) && $email !== '' ? hash('sha256', mb_strtolower(trim($email))) : (string) ($request->user()?->getAuthIdentifier() ?? $request->ip());
    }
}
