<?php

declare(strict_types=1);

use ZincThimble\Bench\BenchKit;
use ZincThimble\Bench\Rate;
use ZincThimble\Core\File\KitFile;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Report\RigReport;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Search\Budget;
use ZincThimble\Core\Search\KeptKit;
use ZincThimble\Core\Search\PreparedKit;
use ZincThimble\Core\Search\Search;
use ZincThimble\Core\Search\SearchCriteria;
use ZincThimble\Core\Search\SearchKit;

/*
 * Times the search: a fixed kit of sixty parts, taken from its file with nothing of it built before, is asked three unlike wishes.
 * Called by bin/bench find; prints figures, fails nothing. With --sizes it prints the table of docs/benchmarks.md instead.
 */

require __DIR__.'/../vendor/autoload.php';
require __DIR__.'/BenchKit.php';
require __DIR__.'/Rate.php';

$file = static fn (int $size): string => json_encode(BenchKit::of($size), JSON_THROW_ON_ERROR);
$conditions = Conditions::from(new Values([]));
$wishes = [
    'a field, with room' => new SearchCriteria(fieldWidthMm: 18.0, leastRoomMm: 40.0),
    'a magnification, with light, by the camera' => new SearchCriteria(magnification: 2.0, mostStopsLost: 4.0, automatic: true, support: 'hand'),
    'a distance, light and short' => new SearchCriteria(workingDistanceMm: 120.0, mostMassG: 900.0, mostLengthMm: 200.0),
];
$seconds = static fn (int $from): float => (hrtime(true) - $from) / 1e9;

$read = static fn (string $text): SearchKit => SearchKit::of(KitFile::parse($text)->kit());
/** @return array{Search, float} */
$open = static function (string $text) use ($conditions, $seconds, $read): array {
    $from = hrtime(true);

    return [Search::of($read($text), $conditions), $seconds($from)];
};

// One wish in a process of its own, so that nothing is warm from the one before.
if (isset($argv[1]) && str_starts_with($argv[1], '--wish=')) {
    [$wish, $size] = array_map(intval(...), explode(',', substr($argv[1], 7)));
    $wanted = array_values($wishes)[$wish];
    $text = $file($size);
    // The code is loaded and compiled, as it is in a worker that has answered before; of this kit nothing is known yet.
    [$other] = $open($file(12));
    $other->first($wanted);
    $other->ask($wanted);
    unset($other);
    [$search, $built] = $open($text);
    $from = hrtime(true);
    $search->first($wanted);
    $first = $built + $seconds($from);
    $found = $search->ask($wanted);
    $whole = $built + $seconds($from);
    $peak = memory_get_peak_usage(true) / 1048576;
    // The same in a worker that has answered often: with what no wish changes kept from before, and with nothing kept, in turn.
    $prepared = PreparedKit::of($read($text), $conditions, Budget::endless());
    Search::over($prepared)->ask($wanted);
    $kept = (string) KeptKit::of($prepared);
    $searches = [
        'kept' => static fn (SearchKit $kit): Search => Search::over(KeptKit::back($kept, $kit, $conditions) ?? throw new RuntimeException('What was kept is not whole.')),
        'warm' => static fn (SearchKit $kit): Search => Search::of($kit, $conditions),
    ];
    $took = ['kept' => [], 'keptFirst' => [], 'warm' => []];
    for ($n = 0; $n < 25; $n++) {
        foreach ($searches as $how => $over) {
            $search = null;
            $from = hrtime(true);
            $search = $over($read($text));
            if ($how === 'kept') {
                $search->first($wanted);
                $took['keptFirst'][] = $seconds($from);
                $search = null;
                $from = hrtime(true);
                $search = $over($read($text));
            }
            $search->ask($wanted);
            $took[$how][] = $seconds($from);
        }
    }
    // The first ones are the JIT's.
    $median = static fn (string $what): float => Rate::median(array_slice($took[$what], 10));
    echo json_encode([
        'keptS' => $median('kept'), 'keptFirstS' => $median('keptFirst'), 'warmS' => $median('warm'), 'keptBytes' => strlen($kept),
        'rigs' => $found->rigs, 'fulfil' => $found->fulfil, 'mayFulfil' => $found->mayFulfil, 'rows' => count($found->rows), 'leftOut' => $found->leftOut,
        'firstAnswerS' => $first, 'wholeAnswerS' => $whole, 'peakMemoryMb' => $peak,
    ], JSON_THROW_ON_ERROR), "\n";
    exit;
}
$asked = static function (int $wish, int $size): array {
    $options = [];
    foreach (['opcache.enable_cli', 'opcache.jit', 'opcache.jit_buffer_size', 'opcache.jit_max_root_traces', 'opcache.jit_max_side_traces', 'opcache.jit_max_exit_counters'] as $name) {
        $options[] = '-d '.escapeshellarg($name.'='.ini_get($name));
    }
    exec(PHP_BINARY.' '.implode(' ', $options).' '.escapeshellarg(__FILE__).' --wish='.$wish.','.$size, $lines, $failed);
    if ($failed !== 0) {
        fwrite(STDERR, "! A wish could not be asked\n");
        exit(1);
    }

    return json_decode($lines[0], true, 8, JSON_THROW_ON_ERROR);
};

if (in_array('--sizes', $argv, true)) {
    echo "| parts | rigs | first answer | whole answer | memory | left out |\n|---|---|---|---|---|---|\n";
    foreach ([10, 20, 30, 40, 60, 80, 100, 120, 160, 200, 500] as $size) {
        $told = array_map(static fn (int $wish): array => $asked($wish, $size), [0, 1, 2]);
        printf(
            "| %d | %s | %.0f ms | %.0f ms | %.0f MB | %s |\n", $size, number_format($told[0]['rigs']), 1000 * max(array_column($told, 'firstAnswerS')),
            1000 * max(array_column($told, 'wholeAnswerS')), max(array_column($told, 'peakMemoryMb')), implode('; ', $told[0]['leftOut']) ?: 'nothing',
        );
    }
    exit;
}

// The plain way: each rig read in full. A sample of them, at the rate of which the rest would take as long.
[$search] = $open($file(60));
$sample = [];
foreach ($wishes as $wanted) {
    foreach ($search->ask($wanted)->rows as $row) {
        $sample[] = $row->rig;
    }
}
$from = hrtime(true);
foreach ($sample as $rig) {
    RigReport::of($rig);
}
$perRig = $seconds($from) / max(1, count($sample));

$told = [];
foreach (array_keys($wishes) as $n => $name) {
    $told[$name] = $asked($n, 60);
}
$figures = [
    'rigs' => $told[array_key_first($told)]['rigs'],
    'firstAnswerS' => round(max(array_column($told, 'firstAnswerS')), 3),
    'wholeAnswerS' => round(max(array_column($told, 'wholeAnswerS')), 3),
    'warmAnswerS' => round(max(array_column($told, 'warmS')), 3),
    'keptAnswerS' => round(max(array_column($told, 'keptS')), 3),
    'keptFirstS' => round(max(array_column($told, 'keptFirstS')), 3),
    'keptMb' => round(max(array_column($told, 'keptBytes')) / 1e6, 2),
    'peakMemoryMb' => round(max(array_column($told, 'peakMemoryMb')), 1),
    'baselineS' => round($perRig * $told[array_key_first($told)]['rigs'], 1),
];
if (in_array('--json', $argv, true)) {
    echo json_encode($figures, JSON_THROW_ON_ERROR), "\n";
    exit;
}
foreach ($told as $name => $each) {
    printf("%-44s %s rigs, %s do it, %d rows; first %.3f s, whole %.3f s, %.0f MB; warm %.3f s; kept first %.3f s, whole %.3f s\n", $name, number_format($each['rigs']), number_format($each['fulfil']), $each['rows'], $each['firstAnswerS'], $each['wholeAnswerS'], $each['peakMemoryMb'], $each['warmS'], $each['keptFirstS'], $each['keptS']);
}
printf("each rig read in full, one by one             %.1f s, extrapolated from %d rigs read: %.0f times as long\n", $figures['baselineS'], count($sample), $figures['baselineS'] / $figures['wholeAnswerS']);
