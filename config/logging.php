<?php

declare(strict_types=1);

use Monolog\Handler\StreamHandler;

return [
    'default' => env('LOG_CHANNEL', 'stderr'),
    'deprecations' => ['channel' => 'null', 'trace' => false],
    'channels' => [
        'stderr' => ['driver' => 'monolog', 'level' => env('LOG_LEVEL', 'warning'), 'handler' => StreamHandler::class, 'handler_with' => ['stream' => 'php://stderr']],
        // Two weeks of days; what web server and database write is turned over by logs:turn.
        'daily' => ['driver' => 'daily', 'path' => env('LOG_PATH', storage_path('logs/application.log')), 'level' => env('LOG_LEVEL', 'warning'), 'days' => 14],
        'null' => ['driver' => 'monolog', 'handler' => Monolog\Handler\NullHandler::class],
        'emergency' => ['path' => 'php://stderr'],
    ],
];
