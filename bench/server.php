<?php

declare(strict_types=1);

/*
 * What one request costs the processor: the time that the workers of bin/start's application spend, over so many requests
 * one after the other, as the screens ask them. Called by bin/bench server; prints milliseconds a request, fails nothing.
 */

use ZincThimble\Bench\Visitor;

require __DIR__.'/Visitor.php';

[$base, $master] = [$argv[1] ?? 'http://127.0.0.1:8200', (int) ($argv[2] ?? 0)];
$json = in_array('--json', $argv, true);
$count = (int) (array_values(array_filter(array_slice($argv, 3), is_numeric(...)))[0] ?? 300);
/** Milliseconds of processor that all workers have used so far. */
$used = static function () use ($master): float {
    $ticks = 0;
    foreach (explode(' ', trim((string) file_get_contents("/proc/$master/task/$master/children"))) as $worker) {
        $stat = (string) @file_get_contents("/proc/$worker/stat");
        $fields = explode(' ', substr($stat, (int) strrpos($stat, ')') + 2));
        $ticks += (int) ($fields[11] ?? 0) + (int) ($fields[12] ?? 0);
    }

    return $ticks * 1000 / (int) trim((string) shell_exec('getconf CLK_TCK'));
};

$figures = [];
foreach (['meMs' => '/api/me', 'rigMs' => '/api/rigs/%d', 'trayMs' => '/api/rigs/%d/tray?index=1', 'sweepMs' => '/api/rigs/%d/sweep?travel=1.length', 'pageMs' => '/bench/%d'] as $name => $path) {
    // Each by somebody else: who asks as often in a minute is told to wait.
    $visitor = Visitor::withDemonstration($base);
    $rigs = json_decode($visitor->ask('GET', '/api/rigs'), true, 64, JSON_THROW_ON_ERROR);
    $path = sprintf($path, array_column($rigs, 'id', 'name')['Sedge seed, coat pattern']);
    // The JIT compiles what runs often: the first ones are its work.
    for ($n = 0; $n < $count; $n++) {
        $answer = $visitor->ask('GET', $path);
    }
    // Too many pages in a minute come without their answers: counted along, they would pass for speed.
    if ($name === 'pageMs' && ! str_contains($answer ?? '', 'id="answers"')) {
        throw new RuntimeException('The page came without its answers.');
    }
    $before = $used();
    for ($n = 0; $n < $count; $n++) {
        $visitor->ask('GET', $path);
    }
    $figures[$name] = round(($used() - $before) / $count, 2);
}
if ($json) {
    echo json_encode($figures, JSON_THROW_ON_ERROR), "\n";
} else {
    foreach ($figures as $name => $value) {
        printf("%-12s %8.2f\n", $name, $value);
    }
}
