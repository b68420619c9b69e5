<?php

declare(strict_types=1);

use App\Http\Resources\SweepView;
use ZincThimble\Bench\Rate;
use ZincThimble\Bench\WorkedRigs;
use ZincThimble\Core\Report\RigReport;
use ZincThimble\Core\Report\Sweep;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Rig\Travels;

/*
 * Times the core over the worked cases, one process, each at a setting not read before; nothing is kept between readings
 * but the settled lens. Called by bin/bench core; prints figures, fails nothing.
 */

require __DIR__.'/../vendor/autoload.php';
require __DIR__.'/WorkedRigs.php';
require __DIR__.'/Rate.php';

/** @param  list<array{Rig, Travel}>  $subjects */
function answers(array $subjects, int $n): int
{
    foreach ($subjects as [$rig, $travel]) {
        RigReport::of($rig->with($travel->kind, $travel->part, WorkedRigs::fresh($travel, $n)));
    }

    return count($subjects);
}

/** @param  list<array{Rig, Travel}>  $subjects */
function sweepPoints(array $subjects, int $n, bool $encode): int
{
    $done = 0;
    foreach ($subjects as [$rig, $travel]) {
        // The aperture is set anew each round, so that no sweep is one that was made before.
        foreach ($rig->lenses as $place => $lens) {
            $rig = $rig->with(TravelKind::Aperture, $place, 2.0 + fmod($n * 0.6180339887498949, 1.0) * 14.0);
        }
        foreach (Travels::of($rig) as $each) {
            if (! $each->kind->movesFocus()) {
                continue;
            }
            $sweep = Sweep::of($rig, $each);
            $done += count($sweep->positions);
            if ($encode) {
                Sweep::json(SweepView::of($sweep, $rig, 1));
            }
        }
    }

    return $done;
}

$subjects = WorkedRigs::all();
$figures = [
    'readingsPerSecond' => round(Rate::of(static fn (int $n): int => WorkedRigs::read($subjects, $n))),
    'fullReadingsPerSecond' => round(Rate::of(static fn (int $n): int => answers($subjects, $n))),
    'sweepPointsPerSecond' => round(Rate::of(static fn (int $n): int => sweepPoints($subjects, $n, false))),
    'encodedSweepPointsPerSecond' => round(Rate::of(static fn (int $n): int => sweepPoints($subjects, $n, true))),
    'peakMemoryMb' => round(memory_get_peak_usage(true) / 1048576, 1),
];

if (in_array('--json', $argv, true)) {
    echo json_encode($figures, JSON_THROW_ON_ERROR), "\n";
} else {
    foreach ($figures as $name => $value) {
        printf("%-28s %12s\n", $name, number_format($value, $name === 'peakMemoryMb' ? 1 : 0));
    }
}
