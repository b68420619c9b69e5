<?php

declare(strict_types=1);

use ZincThimble\Bench\LimitRig;
use ZincThimble\Bench\WorkedRigs;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\TravelKind;

/*
 * Holds the core against plain C with the same answers (bench/limit): first every figure of every worked case at many settings, to 1e-9,
 * then both timed in turn. Called by bin/bench limit; prints ratios, fails nothing but on an answer that differs. Argument: a folder to
 * compile into.
 */

require __DIR__.'/../vendor/autoload.php';
require __DIR__.'/WorkedRigs.php';
require __DIR__.'/LimitRig.php';

const SETTINGS = 48;
const PAIRS = 7;

$folder = $argv[1] ?? sys_get_temp_dir();
$program = $folder.'/reading';
exec('cc -O2 -o '.escapeshellarg($program).' '.escapeshellarg(__DIR__.'/limit/reading.c').' -lm 2>&1', $said, $failed);
if ($failed !== 0) {
    fwrite(STDERR, "! The reference can't be compiled:\n".implode("\n", $said)."\n");
    exit(1);
}

$subjects = array_values(array_filter(WorkedRigs::all(), static fn (array $each): bool => in_array($each[1]->kind, [TravelKind::Focus, TravelKind::Length], true)));
$text = count($subjects)."\n";
foreach ($subjects as [$rig, $travel]) {
    $text .= LimitRig::told($rig, $travel, array_map(static fn (int $n): float => WorkedRigs::fresh($travel, $n), range(1, SETTINGS)));
}
$rigs = $folder.'/rigs.txt';
file_put_contents($rigs, $text);
$reference = static function (string $how) use ($program, $rigs): array {
    exec(escapeshellarg($program).' '.$how.' < '.escapeshellarg($rigs), $lines, $failed);
    if ($failed !== 0) {
        fwrite(STDERR, "! The reference broke off\n");
        exit(1);
    }

    return $lines;
};

// The same answers first.
$lines = $reference('check');
$most = 0.0;
$figures = 0;
foreach ($subjects as $r => [$rig, $travel]) {
    for ($n = 0; $n < SETTINGS; $n++) {
        $reading = Reading::of($rig->with($travel->kind, $travel->part, WorkedRigs::fresh($travel, $n + 1)));
        $told = explode(' ', $lines[$r * SETTINGS + $n]);
        foreach (LimitRig::figures($reading) as $name => $figure) {
            $other = array_shift($told);
            $off = is_nan($figure) ? ($other === 'nan' || $other === '-nan' ? 0.0 : INF) : abs((float) $other - $figure) / max(1e-9, abs($figure));
            if (! ($off <= 1e-9) || ! is_nan($figure) && ! is_numeric($other)) {
                fwrite(STDERR, sprintf("! %s, %s at %.12g: %s is %.15g here and %s there\n", $rig->name, $travel->name(), WorkedRigs::fresh($travel, $n + 1), $name, $figure, $other));
                exit(1);
            }
            $most = max($most, $off);
            $figures++;
        }
    }
}

/** Readings a second of the core: the best of forty stretches of a twentieth of a second. */
$core = static function () use ($subjects): float {
    static $n = 0;
    $best = 0.0;
    for ($stretch = 0; $stretch < 40; $stretch++) {
        $done = 0;
        $from = hrtime(true);
        do {
            foreach ($subjects as [$rig, $travel]) {
                for ($k = 0; $k < 20; $k++) {
                    Reading::of($rig->with($travel->kind, $travel->part, WorkedRigs::fresh($travel, $n++)));
                    $done++;
                }
            }
            $passed = (hrtime(true) - $from) / 1e9;
        } while ($passed < 0.05);
        $best = max($best, $done / $passed);
    }

    return $best;
};
$core();
$ratios = $here = $there = [];
for ($pair = 0; $pair < PAIRS; $pair++) {
    $here[] = $core();
    $there[] = (float) explode(' ', $reference('time')[0])[0];
    $ratios[] = $there[$pair] / $here[$pair];
}
$median = static function (array $values): float {
    sort($values);

    return $values[intdiv(count($values), 2)];
};
$told = ['readingRatio' => round($median($ratios), 1), 'readingsPerSecond' => round($median($here)), 'referenceReadingsPerSecond' => round($median($there)), 'figuresChecked' => $figures, 'mostOff' => $most];
if (in_array('--json', $argv, true)) {
    echo json_encode($told, JSON_THROW_ON_ERROR), "\n";
    exit;
}
printf("%s figures of %d rigs at %d settings agree to %.1e\n", number_format($figures), count($subjects), SETTINGS, $most);
printf("readings as set, a second: core %s, plain C %s: C is %.1f times as quick (median of %d pairs)\n", number_format($told['readingsPerSecond']), number_format($told['referenceReadingsPerSecond']), $told['readingRatio'], PAIRS);
