<?php

declare(strict_types=1);

/*
 * Times one reading over HTTP (GET /api/rigs/{rig} as the screen asks it, warm, one after the other), then a drag, an
 * import and a shelf in a browser.
 * Called by bin/bench web; prints figures, fails nothing.
 */

use ZincThimble\Bench\Visitor;

require __DIR__.'/Visitor.php';

$base = $argv[1] ?? 'http://127.0.0.1:8200';
$json = in_array('--json', $argv, true);
$visitor = Visitor::withDemonstration($base);
$rigs = json_decode($visitor->ask('GET', '/api/rigs'), true, 64, JSON_THROW_ON_ERROR);
$figures = [];
foreach (['readingMs' => '/api/rigs/%d', 'trayMs' => '/api/rigs/%d/tray?index=1'] as $name => $path) {
    $times = [];
    for ($n = 0; $n < 220; $n++) {
        $start = hrtime(true);
        $visitor->ask('GET', sprintf($path, $rigs[$n % count($rigs)]['id']));
        if ($n >= 20) {
            $times[] = (hrtime(true) - $start) / 1e6;
        }
    }
    sort($times);
    $figures[$name.'Median'] = round($times[100], 2);
    $figures[$name.'P95'] = round($times[190], 2);
}
$sweeps = [];
foreach ($rigs as $rig) {
    $view = json_decode($visitor->ask('GET', '/api/rigs/'.$rig['id']), true, 64, JSON_THROW_ON_ERROR);
    foreach ($view['travels'] as $travel) {
        $start = hrtime(true);
        $visitor->ask('GET', '/api/rigs/'.$rig['id'].'/sweep?travel='.$travel['name']);
        $sweeps[] = (hrtime(true) - $start) / 1e6;
    }
}
sort($sweeps);
$figures['sweepMsMedian'] = round($sweeps[intdiv(count($sweeps), 2)], 2);
$figures['sweepMsWorst'] = round($sweeps[count($sweeps) - 1], 2);
$script = 0;
foreach (glob(__DIR__.'/../public/build/assets/*.js') ?: [] as $file) {
    $script += strlen((string) gzencode((string) file_get_contents($file), 9));
}
$figures['scriptKbGzip'] = round($script / 1024, 1);
$visitor->ask('POST', '/api/sign-out');
// What only a browser can tell: a drag, an import, a shelf.
exec('cd '.escapeshellarg(dirname(__DIR__)).' && node bench/screens.mjs '.escapeshellarg($base), $lines, $failed);
if ($failed !== 0) {
    fwrite(STDERR, "! The browser's part could not be timed\n");
} else {
    /** @var array<string, int|float> $felt */
    $felt = json_decode($lines[count($lines) - 1] ?? '{}', true, 8, JSON_THROW_ON_ERROR);
    $figures += $felt;
}

if ($json) {
    echo json_encode($figures, JSON_THROW_ON_ERROR), "\n";
} else {
    foreach ($figures as $name => $value) {
        printf("%-22s %8.2f\n", $name, $value);
    }
}
