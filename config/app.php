<?php

declare(strict_types=1);

return [
    'name' => 'Zinc Thimble',
    'env' => env('APP_ENV', 'production'),
    'debug' => (bool) env('APP_DEBUG', false),
    'url' => env('APP_URL', 'http://127.0.0.1'),
    // The web server's and the proxies' that may say who asks and how (docs/operating.md, “Behind TLS”).
    'proxies' => env('TRUSTED_PROXIES'),
    'instance' => env('INSTANCE_ID', ''),
    'timezone' => 'UTC',
    'locale' => 'en',
    'fallback_locale' => 'en',
    'faker_locale' => 'en_US',
    'cipher' => 'AES-256-CBC',
    'key' => env('APP_KEY'),
    'maintenance' => ['driver' => 'file'],
];
