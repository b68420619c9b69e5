<?php

declare(strict_types=1);

return [
    // Every letter of a password counts (the older hash took the first 72 bytes): OWASP's figures for Argon2id. Older hashes are taken and
    // replaced at the next signing in.
    'driver' => 'argon2id',
    'argon' => ['memory' => (int) env('ARGON_MEMORY', 19456), 'threads' => 1, 'time' => 2, 'verify' => false],
    'rehash_on_login' => true,
];
