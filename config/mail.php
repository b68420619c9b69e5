<?php

declare(strict_types=1);

return [
    // Letters are put into a folder unless a mailer is set up: nothing leaves the machine by itself.
    'default' => env('MAIL_MAILER', 'letters'),
    'mailers' => [
        'letters' => ['transport' => 'letters', 'path' => env('LETTERS_PATH', storage_path('letters'))],
        'array' => ['transport' => 'array'],
        'smtp' => [
            'transport' => 'smtp',
            'host' => env('MAIL_HOST', '127.0.0.1'),
            'port' => env('MAIL_PORT', 587),
            'username' => env('MAIL_USERNAME'),
            'password' => env('MAIL_PASSWORD'),
            'timeout' => 10,
        ],
    ],
    'from' => ['address' => env('MAIL_FROM_ADDRESS', 'thimble@localhost'), 'name' => 'Zinc Thimble'],
];
