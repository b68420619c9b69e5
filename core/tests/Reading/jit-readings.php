<?php

declare(strict_types=1);

use ZincThimble\Core\File\KitFile;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Report\RigReport;
use ZincThimble\Core\Report\Sweep;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Rig\Travels;
use ZincThimble\Core\Search\Candidate;
use ZincThimble\Core\Search\Search;
use ZincThimble\Core\Search\SearchCriteria;
use ZincThimble\Core\Search\SearchKit;
use ZincThimble\Core\Tests\RigMaker;

/*
 * Prints what the core says of generated rigs, and what it finds in a kit, over and over until the JIT compiles it: for
 * JitTest, which runs it with the JIT and without. Argument: the seed.
 */

require __DIR__.'/../../../vendor/autoload.php';

$make = new RigMaker((int) ($argv[1] ?? 1));
for ($n = 0; $n < 40; $n++) {
    $rig = $make->rig();
    $told = json_encode(RigReport::of($rig)->toArray(), JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION);
    foreach (Travels::of($rig) as $travel) {
        $sweep = Sweep::of($rig, $travel);
        $told .= Sweep::json([$sweep->readings($rig), $sweep->cornerParts($rig), $sweep->focus($rig), $sweep->halfWidths, $sweep->spans, $sweep->drawing]);
    }
    echo $n, ' ', $rig->name, ' ', hash('xxh128', $told), "\n";
}

$search = Search::of(SearchKit::of(KitFile::parse((string) file_get_contents(__DIR__.'/../../../database/demo/herbarium.kit.json'))->kit()), Conditions::from(new Values([])));
foreach ([0.4, 0.9, 1.7, 3.1, 6.0] as $m) {
    $found = $search->ask(new SearchCriteria(magnification: $m * $make->number(0.9, 1.1), mostStopsLost: 5.0));
    $rows = array_map(static fn (Candidate $row): array => [$row->rank, $row->alike, $row->reading->workingDistanceMm, $row->rig->setting->focus, $row->rig->setting->lengthMm], $found->rows);
    echo $found->fulfil, ' ', hash('xxh128', json_encode($rows, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION)), "\n";
}
$map = $search->overview();
echo hash('xxh128', json_encode([$map->density, $map->edge, $map->dots, $map->gapsByRoute], JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION)), "\n";
