<?php

declare(strict_types=1);

return [
    'default' => env('QUEUE_CONNECTION', 'sync'),
    'connections' => [
        'sync' => ['driver' => 'sync'],
        // Any node takes what any node put in.
        'database' => ['driver' => 'database', 'connection' => null, 'table' => 'jobs', 'queue' => 'default', 'retry_after' => 90, 'after_commit' => true],
        // Frames of stacks have a worker of their own: each takes seconds, and nobody's letter waits for them.
        'stacks' => ['driver' => 'database', 'connection' => null, 'table' => 'jobs', 'queue' => 'stacks', 'retry_after' => 90, 'after_commit' => true],
    ],
    'failed' => ['driver' => 'database-uuids', 'database' => 'pgsql', 'table' => 'failed_jobs'],
];
