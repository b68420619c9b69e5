<?php

declare(strict_types=1);

return [
    'driver' => env('SESSION_DRIVER', 'database'),
    // A guest's own gear is kept for 30 days on the device: no session ends before (accounts': zinc.account_session_days).
    'lifetime' => 60 * 24 * 31,
    'expire_on_close' => false,
    'encrypt' => false,
    'connection' => null,
    'table' => 'sessions',
    'lottery' => [2, 100],
    'cookie' => 'zinc_thimble',
    'path' => '/',
    'domain' => null,
    'secure' => env('SESSION_SECURE_COOKIE', str_starts_with((string) env('APP_URL', ''), 'https:')),
    'http_only' => true,
    'same_site' => 'lax',
    'partitioned' => false,
];
