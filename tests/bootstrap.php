<?php

declare(strict_types=1);

// The tests empty their database. They refuse any whose name doesn't say that it is for tests.
if (! str_ends_with((string) getenv('DB_DATABASE'), '_test')) {
    fwrite(STDERR, "DB_DATABASE must name a database that ends in _test. Run bin/test app.\n");
    exit(1);
}

require __DIR__.'/../vendor/autoload.php';
