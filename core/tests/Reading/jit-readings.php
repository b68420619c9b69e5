<?php

declare(strict_types=1);

/*
 * Prints what the core says of generated rigs, over and over until the JIT compiles it: for JitTest, which runs it with
 * the JIT and without. Argument: the seed.
 */

require __DIR__.'/../../../vendor/autoload.php';

use ZincThimble\Core\Reading\Answer;
use ZincThimble\Core\Reading\Sweep;
use ZincThimble\Core\Rig\Travels;
use ZincThimble\Core\Tests\RigMaker;

$make = new RigMaker((int) ($argv[1] ?? 1));
for ($n = 0; $n < 40; $n++) {
    $rig = $make->rig();
    $told = json_encode(Answer::of($rig)->toArray(), JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION);
    foreach (Travels::of($rig) as $travel) {
        $told .= Sweep::of($rig, $travel)->encode($rig);
    }
    echo $n, ' ', $rig->name, ' ', hash('xxh128', $told), "\n";
}
