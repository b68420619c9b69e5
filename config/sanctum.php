<?php

declare(strict_types=1);

use App\Http\Middleware\CheckToken;
use Illuminate\Cookie\Middleware\EncryptCookies;
use Laravel\Sanctum\Http\Middleware\AuthenticateSession;
use Laravel\Sanctum\Sanctum;

return [
    // The screens come from the same host and port as the API.
    'stateful' => [trim(Sanctum::currentRequestHost(), ',')],
    'guard' => ['web'],
    'expiration' => null,
    'middleware' => [
        'authenticate_session' => AuthenticateSession::class,
        'encrypt_cookies' => EncryptCookies::class,
        'validate_csrf_token' => CheckToken::class,
    ],
];
