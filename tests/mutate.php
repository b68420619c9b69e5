<?php

declare(strict_types=1);

/*
 * Puts the faults of tests/faults.php in, one at a time, in the tree it is called in, and runs the tests that are nearest. Called by
 * bin/mutate, in a copy. Prints what survives; fails when more than five do, or when a fault no longer fits what stands there.
 */

$faults = require __DIR__.'/faults.php';
$only = $argv[1] ?? '';
$run = static function (array $nearest): bool {
    [$part, $files, $filter] = $nearest;
    $command = match ($part) {
        'core' => 'vendor/bin/phpunit -c core/phpunit.xml --stop-on-failure --stop-on-error',
        'app' => 'vendor/bin/phpunit -c phpunit.xml --stop-on-failure --stop-on-error',
        default => 'npx --no-install vitest run',
    };
    foreach ($part === 'unit' ? [$files] : explode(' ', $files) as $file) {
        exec('timeout 180 '.$command.' '.$file.($filter === '' ? '' : ' --filter '.escapeshellarg($filter)).' > /dev/null 2>&1', $output, $code);
        if ($code !== 0) {
            return false;
        }
    }

    return true;
};
$faults = array_values(array_filter($faults, static fn (array $fault): bool => $only === '' || str_contains(implode(' ', [$fault[0], $fault[1], $fault[3][0], $fault[3][1]]), $only)));
$checked = [];
$survivors = $unfit = [];
$began = microtime(true);
foreach ($faults as $n => [$file, $from, $to, $nearest]) {
    $text = (string) file_get_contents($file);
    $name = sprintf('%s: %s → %s', $file, $from, $to === '' ? '(nothing)' : $to);
    if (substr_count($text, $from) !== 1) {
        $unfit[] = $name;
        printf("  %3d UNFIT    %s\n", $n + 1, $name);

        continue;
    }
    $key = serialize($nearest);
    $checked[$key] ??= $run($nearest);
    if (! $checked[$key]) {
        printf("Without any fault these tests fail: %s\n", $nearest[1]);
        exit(2);
    }
    file_put_contents($file, str_replace($from, $to, $text));
    $lives = $run($nearest);
    file_put_contents($file, $text);
    if ($lives) {
        $survivors[] = $name;
    }
    printf("  %3d %s %s\n", $n + 1, $lives ? 'SURVIVED' : 'noticed ', $name);
}
printf("%d faults, %d noticed, %d survived, %d no longer fit, in %d s\n", count($faults), count($faults) - count($survivors) - count($unfit), count($survivors), count($unfit), microtime(true) - $began);
foreach ($survivors as $name) {
    echo '  survived: ', $name, "\n";
}
exit(count($survivors) > 5 || $unfit !== [] ? 1 : 0);
