<?php

declare(strict_types=1);

use ZincThimble\Bench\BenchKit;
use ZincThimble\Core\File\KitFile;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Outing\OutingPlanner;
use ZincThimble\Core\Outing\WantedSubject;
use ZincThimble\Core\Plan\BagGoal;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Rig\Subject;
use ZincThimble\Core\Search\SearchCriteria;

/*
 * Times the plan of an outing: five subjects with the demonstration's kit, ten with a fixed kit of sixty parts, by each goal.
 * Called by bin/bench outing; prints figures, fails nothing.
 */

require __DIR__.'/../vendor/autoload.php';
require __DIR__.'/BenchKit.php';

$wishes = [
    ['Sedge seed, coat', ['fieldWidthMm' => 6.0, 'subjectDepthMm' => 1.2, 'support' => 'table'], []],
    ['Moss capsule, teeth', ['fieldWidthMm' => 2.4, 'subjectDepthMm' => 0.5, 'support' => 'table'], []],
    ['Lichen disc on bark', ['fieldWidthMm' => 24.0, 'subjectDepthMm' => 3.0, 'support' => 'braced'], ['protected']],
    ['Dragonfly on the dyke', ['fieldWidthMm' => 90.0, 'leastRoomMm' => 400.0, 'support' => 'hand'], ['flees']],
    ['Herbarium sheet, label', ['fieldWidthMm' => 60.0, 'flat' => true, 'support' => 'table'], []],
    ['Clock tooth', ['fieldWidthMm' => 12.0, 'subjectDepthMm' => 2.0, 'support' => 'table'], []],
    ['Whole leaf', ['fieldWidthMm' => 120.0, 'support' => 'table'], []],
    ['Spider by the door', ['fieldWidthMm' => 30.0, 'leastRoomMm' => 80.0, 'support' => 'hand'], ['flees']],
    ['Pollen on a slide', ['magnification' => 3.0, 'support' => 'table'], []],
    ['Bud in the hedge', ['fieldWidthMm' => 40.0, 'leastRoomMm' => 100.0, 'support' => 'braced'], []],
];
$subjects = array_map(static fn (array $each): WantedSubject => new WantedSubject(
    $each[0], SearchCriteria::from(new Values($each[1])), $each[2] === [] ? null : Subject::from(new Values(['traits' => $each[2]])),
), $wishes);
$conditions = Conditions::from(new Values([]));
foreach ([
    'five subjects, the demonstration’s kit' => [(string) file_get_contents(__DIR__.'/../database/demo/herbarium.kit.json'), 5],
    'ten subjects, sixty parts' => [json_encode(BenchKit::of(60), JSON_THROW_ON_ERROR), 10],
] as $name => [$file, $count]) {
    foreach (BagGoal::cases() as $goal) {
        $from = hrtime(true);
        $plan = OutingPlanner::plan(KitFile::parse($file)->kit(), array_slice($subjects, 0, $count), $conditions, $goal);
        printf("%-40s by %-6s %6.2f s   %d parts, %.0f g, %d rigs, %d joints%s\n", $name, $goal->value, (hrtime(true) - $from) / 1e9,
            $plan->parts, $plan->massG, count($plan->rigs), $plan->joints, $plan->optimal ? '' : sprintf(', at most %g off', $plan->atMostOffBy));
        if ($goal === BagGoal::Mass && in_array('--whole', $argv, true)) {
            foreach ($plan->assignments as $each) {
                printf("    %-24s %s  %s\n", $each->subject->name, $each->letter ?? '-', implode(' + ', $plan->rigs[ord($each->letter ?? 'A') - 65]->parts ?? []));
            }
            foreach ($plan->bag as $item) {
                printf("    %2d %-26s %6.0f g  %s\n", $item->count, $item->name, $item->massG, implode(', ', $item->for));
            }
            foreach ($plan->visits as $visit) {
                printf("    %s undo %d make %d: %s\n", $visit->letter, $visit->undone, $visit->made, implode(', ', $visit->subjects));
            }
        }
    }
}
