<?php

declare(strict_types=1);

use ZincThimble\Core\Tests\Truth\TruthTable;

/*
 * Lenses of glass, followed surface by surface, against what is told of them before and after each kind of measurement. Called by
 * bin/bench truth; prints a table that docs/benchmarks.md holds and TruthTest keeps to its bounds.
 */

require __DIR__.'/../vendor/autoload.php';

$table = TruthTable::of((int) ($argv[1] ?? TruthTable::EACH), (int) ($argv[2] ?? TruthTable::SEED));
$words = ['magnification' => 'M', 'workingDistanceMm' => 'working distance', 'effectiveAperture' => 'Neff'];
printf("%d lenses of glass; error and half-width in %% (working distance: of the focal length)\n\n", $table->lenses);
echo "| after | of | rigs | median error | one in ten exceeds | median half-width | truth within |\n|---|---|---|---|---|---|---|\n";
foreach (TruthTable::STAGES as $stage) {
    foreach ([null, ...TruthTable::KINDS] as $kind) {
        foreach ($words as $reading => $word) {
            if ($table->count($stage, $reading, $kind) > 0) {
                printf(
                    "| %s | %s | %d | %.2f | %.2f | %.2f | %.0f |\n", $stage, $word.($kind === null ? '' : ', '.$kind), $table->count($stage, $reading, $kind), 100.0 * $table->medianError($stage, $reading, $kind),
                    100.0 * $table->ninthError($stage, $reading, $kind), 100.0 * $table->medianHalfWidth($stage, $reading, $kind), $table->coverage($stage, $reading, $kind),
                );
            }
        }
    }
}
