<?php

declare(strict_types=1);

use ZincThimble\Bench\LimitKit;
use ZincThimble\Bench\LimitRig;
use ZincThimble\Bench\Rate;
use ZincThimble\Bench\WorkedRigs;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\Uncertainty;
use ZincThimble\Core\Report\Sweep;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Rig\TravelKind;

/*
 * Holds the core against plain C with the same answers (bench/limit): first every figure of every worked case, read at many settings and
 * swept over all places of a control, to 1e-9; then both timed in turn. Called by bin/bench limit; prints ratios, fails nothing but on an
 * answer that differs. Argument: a folder to compile into.
 */

require __DIR__.'/../vendor/autoload.php';
require __DIR__.'/WorkedRigs.php';
require __DIR__.'/LimitRig.php';
require __DIR__.'/BenchKit.php';
require __DIR__.'/LimitKit.php';
require __DIR__.'/Rate.php';

const SETTINGS = 48;
const PAIRS = 7;

$folder = $argv[1] ?? sys_get_temp_dir();
foreach (['reading', 'search'] as $program) {
    exec('cc -O2 -o '.escapeshellarg("$folder/$program").' '.escapeshellarg(__DIR__."/limit/$program.c").' -lm 2>&1', $said, $failed);
    if ($failed !== 0) {
        fwrite(STDERR, "! The reference can't be compiled:\n".implode("\n", $said)."\n");
        exit(1);
    }
}
/** @var list<array{Rig, Travel}> $subjects */
$subjects = array_values(array_filter(WorkedRigs::all(), static fn (array $each): bool => in_array($each[1]->kind, [TravelKind::Focus, TravelKind::Length], true)));

/** @return list<string> lines that the reference prints of what lies in the folder under a name */
$reference = static function (string $how, string $of, string $program = 'reading') use ($folder): array {
    exec(escapeshellarg("$folder/$program").' '.$how.' < '.escapeshellarg("$folder/$of"), $lines, $failed);
    if ($failed !== 0) {
        fwrite(STDERR, "! The reference broke off\n");
        exit(1);
    }

    return $lines;
};

$most = 0.0;
$figures = 0;
/** @param  array<string, float>  $here  by name, NAN = none; the reference tells them in the same order */
$agrees = static function (array $here, string $line, string $of, float $place) use (&$most, &$figures): void {
    $told = explode(' ', $line);
    foreach ($here as $name => $figure) {
        $other = array_shift($told);
        $off = is_nan($figure) ? ($other === 'nan' || $other === '-nan' ? 0.0 : INF) : abs((float) $other - $figure) / max(1e-6, abs($figure));
        if (! ($off <= 1e-9) || ! is_nan($figure) && ! is_numeric($other)) {
            fwrite(STDERR, sprintf("! %s at %.12g: %s is %.15g here and %s there\n", $of, $place, $name, $figure, $other));
            exit(1);
        }
        $most = max($most, $off);
        $figures++;
    }
};

// The same answers first: each reading as set.
file_put_contents("$folder/rigs.txt", count($subjects)."\n".implode('', array_map(
    static fn (array $each): string => LimitRig::told($each[0], $each[1], array_map(static fn (int $n): float => WorkedRigs::fresh($each[1], $n), range(1, SETTINGS))), $subjects,
)));
$lines = $reference('check', 'rigs.txt');
foreach ($subjects as $r => [$rig, $travel]) {
    for ($n = 0; $n < SETTINGS; $n++) {
        $place = WorkedRigs::fresh($travel, $n + 1);
        $agrees(LimitRig::figures(Reading::of($rig->with($travel->kind, $travel->part, $place))), $lines[$r * SETTINGS + $n], $rig->name.', '.$travel->name(), $place);
    }
}

// And each place of a sweep, with its half-widths.
$text = count($subjects)."\n";
foreach ($subjects as [$rig, $travel]) {
    $text .= LimitRig::sweep($rig, $travel);
}
file_put_contents("$folder/sweeps.txt", $text);
$lines = $reference('check-sweeps', 'sweeps.txt');
$at = 0;
foreach ($subjects as [$rig, $travel]) {
    $sweep = Sweep::of($rig, $travel);
    $readings = $sweep->readings($rig);
    foreach ($sweep->positions as $row => $place) {
        $told = [];
        foreach (LimitRig::figures(Reading::of($rig->with($travel->kind, $travel->part, $place))) as $name => $figure) {
            $told[$name] = array_key_exists($name, $readings) ? $readings[$name][$row] ?? NAN : $figure;
        }
        foreach (Uncertainty::READINGS as $name) {
            $told['half-width of '.$name] = $sweep->halfWidths[$name][$row] ?? 0.0;
        }
        $agrees($told, $lines[$at++], $rig->name.', '.$travel->name(), $place);
    }
}

// And a search: how many rigs do what is wished, and every row that is read among the best of the reference.
$kit = LimitKit::of(60);
$wishes = LimitKit::wishes();
file_put_contents("$folder/kit.txt", $kit->told($wishes));
$lines = $reference('check', 'kit.txt', 'search');
$rows = 0;
foreach ($wishes as $w => $wanted) {
    $found = $kit->search()->ask($wanted);
    $counted = $kit->search()->ask($wanted, 1);
    [$rigs, $does, $held] = array_map(intval(...), explode(' ', (string) array_shift($lines)));
    $best = array_map($kit->rigOf(...), array_splice($lines, 0, $held));
    foreach ($found->each as $row) {
        $rows++;
        if (! in_array(LimitKit::partsOf($row->rig->camera, $row->rig->chain), $best, true)) {
            fwrite(STDERR, "! Wish $w: a rig that is read isn't among the best of the reference\n");
            exit(1);
        }
    }
    if ($rigs !== $found->rigs || $does !== $counted->fulfil) {
        fwrite(STDERR, sprintf("! Wish %d: %d of %d rigs here, %d of %d there\n", $w, $counted->fulfil, $found->rigs, $does, $rigs));
        exit(1);
    }
}

/** Points a second of sweeps; the aperture is set anew each round, so that no sweep is one that was made before. */
$sweeps = static function (int $n) use ($subjects): int {
    $done = 0;
    foreach ($subjects as [$rig, $travel]) {
        foreach ($rig->lenses as $place => $lens) {
            $rig = $rig->with(TravelKind::Aperture, $place, 2.0 + fmod($n * 0.6180339887498949, 1.0) * 14.0);
        }
        $done += count(Sweep::of($rig, $travel)->positions);
    }

    return $done;
};
/**
 * Both in turn.
 *
 * @param  Closure(int): int  $round
 * @return array{float, float, float} how many a second here and there, and how many times as quick the reference is
 */
$timed = static function (Closure $round, string $how, string $of) use ($reference): array {
    $here = $there = $ratios = [];
    for ($pair = 0; $pair < PAIRS; $pair++) {
        $here[] = Rate::of($round, 40);
        $there[] = (float) explode(' ', $reference($how, $of)[0])[0];
        $ratios[] = $there[$pair] / $here[$pair];
    }

    return [Rate::median($here), Rate::median($there), Rate::median($ratios)];
};
[$readings, $referenceReadings, $readingRatio] = $timed(static fn (int $n): int => WorkedRigs::read($subjects, $n), 'time', 'rigs.txt');
[$points, $referencePoints, $sweepRatio] = $timed($sweeps, 'time-sweeps', 'sweeps.txt');
// Each wish of a kit that has been gone through before, without reading what was found: that is the row above.
$searchHere = $searchThere = $searchRatios = array_fill(0, count($wishes), []);
foreach ($wishes as $w => $wanted) {
    for ($n = 0; $n < 20; $n++) {
        $kit->search()->ask($wanted, 1);
    }
}
for ($pair = 0; $pair < PAIRS; $pair++) {
    foreach ($wishes as $w => $wanted) {
        $best = INF;
        for ($n = 0; $n < 20; $n++) {
            $from = hrtime(true);
            $kit->search()->ask($wanted, 1);
            $best = min($best, (hrtime(true) - $from) / 1e9);
        }
        $searchHere[$w][] = $best;
    }
    foreach ($reference('time', 'kit.txt', 'search') as $w => $line) {
        $searchThere[$w][] = (float) explode(' ', $line)[0];
        $searchRatios[$w][] = $searchHere[$w][$pair] / $searchThere[$w][$pair];
    }
}
$searchRatio = max(array_map(Rate::median(...), $searchRatios));
if (in_array('--json', $argv, true)) {
    echo json_encode([
        'searchRatio' => round($searchRatio, 1), 'readingRatio' => round($readingRatio, 1), 'sweepRatio' => round($sweepRatio, 2), 'readingsPerSecond' => round($readings), 'referenceReadingsPerSecond' => round($referenceReadings),
        'sweepPointsPerSecond' => round($points), 'referenceSweepPointsPerSecond' => round($referencePoints), 'figuresChecked' => $figures, 'mostOff' => $most,
    ], JSON_THROW_ON_ERROR), "\n";
    exit;
}
printf("%s figures of %d rigs agree to %.1e\n", number_format($figures), count($subjects), $most);
foreach ($wishes as $w => $wanted) {
    printf("search of %s rigs, %s: core %.1f ms, plain C %.2f ms: C is %.1f times as quick\n", number_format($found->rigs), LimitKit::NAMES[$w], 1000 * Rate::median($searchHere[$w]), 1000 * Rate::median($searchThere[$w]), Rate::median($searchRatios[$w]));
}
printf("%d rows that are read are among the best of the reference, and as many rigs do it\n", $rows);
printf("readings as set, a second: core %s, plain C %s: C is %.1f times as quick (median of %d pairs)\n", number_format($readings), number_format($referenceReadings), $readingRatio, PAIRS);
printf("points of a sweep, a second: core %s, plain C %s: C is %.2f times as quick\n", number_format($points), number_format($referencePoints), $sweepRatio);
