<?php

declare(strict_types=1);

return [
    'default' => env('CACHE_STORE', 'file'),
    // How often somebody has asked is counted at every request: in memory that all workers share, where bin/start says so.
    'limiter' => env('CACHE_LIMITER'),
    'stores' => [
        'memory' => ['driver' => 'apc'],
        'file' => ['driver' => 'file', 'path' => storage_path('framework/cache/data'), 'lock_path' => storage_path('framework/cache/data')],
        // For several nodes (docs/operating.md): what is counted and kept is the same on all of them.
        'database' => ['driver' => 'database', 'connection' => null, 'table' => 'cache', 'lock_connection' => null, 'lock_table' => 'cache_locks'],
        'array' => ['driver' => 'array', 'serialize' => false],
    ],
    'prefix' => 'zinc_thimble_',
];
