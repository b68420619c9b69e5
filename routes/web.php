<?php

declare(strict_types=1);

use App\Http\Controllers\HealthController;
use App\Http\Controllers\PageController;
use Illuminate\Cookie\Middleware\AddQueuedCookiesToResponse;
use Illuminate\Cookie\Middleware\EncryptCookies;
use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;
use Illuminate\Session\Middleware\StartSession;
use Illuminate\Support\Facades\Route;
use Illuminate\View\Middleware\ShareErrorsFromSession;

// Whoever passes by and looks leaves nothing behind: a session begins when the screens ask the API. The bench knows one that there is already.
Route::withoutMiddleware([EncryptCookies::class, AddQueuedCookiesToResponse::class, StartSession::class, ShareErrorsFromSession::class, ValidateCsrfToken::class])->group(function (): void {
    Route::get('/up', HealthController::class);
    // One page; the places are routed in the browser.
    Route::get('/bench/{rig?}', [PageController::class, 'bench'])->where('rig', '[0-9]{1,15}');
    Route::get('/{place?}', [PageController::class, 'place'])->where('place', '(?!api|up|build|sanctum).*');
});
