<?php

declare(strict_types=1);

use App\Accounts\ArchiveReader;
use App\Accounts\ArchiveWriter;
use App\Accounts\Demonstration;
use App\Models\User;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\DB;

/*
 * The largest account that is allowed, out and back in: 100 rigs of 300 steps each, and a kit of 2,000 parts. Prints time and the
 * process's peak memory. Called by bin/bench account; works in a transaction that is rolled back.
 */

require __DIR__.'/../vendor/autoload.php';
$app = require __DIR__.'/../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();
config(['zinc.most_rigs_of_guest' => 400]);

$rigs = (int) ($argv[1] ?? 100);
$steps = (int) ($argv[2] ?? 300);
DB::beginTransaction();
$guest = $app->make(Demonstration::class)->openFor(1);
$documents = DB::table('rig_steps')->join('rigs', 'rigs.id', '=', 'rig_steps.rig_id')->where('rigs.user_id', $guest->id)->orderByRaw('bytes desc')->pluck('document')->all();
$first = $guest->rigs()->firstOrFail();
for ($n = $guest->rigs()->count(); $n < $rigs; $n++) {
    DB::statement('insert into rigs (user_id, kit_id, name, camera_id, camera, conditions, subject, extra, revision, step, news, tags, created_at, updated_at)
        select user_id, kit_id, ?, camera_id, camera, conditions, subject, extra, revision, step, news, tags, created_at, updated_at from rigs where id = ?', ["Rig {$n}", $first->id]);
    $id = DB::table('rigs')->max('id');
    DB::statement('insert into rig_parts (rig_id, part_id, kit_id, place, kind, document, reversed, working, length_mm, focus, aperture, zoom_mm, swing_deg, shift_mm)
        select ?, part_id, kit_id, place, kind, document, reversed, working, length_mm, focus, aperture, zoom_mm, swing_deg, shift_mm from rig_parts where rig_id = ?', [$id, $first->id]);
}
foreach ($guest->rigs()->pluck('id') as $id) {
    DB::statement("insert into rig_steps (rig_id, number, label, document, created_at) select ?, n, 'set the bellows to ' || n || ' mm', ?::json, now() from generate_series(1000, ?) as n", [$id, $documents[0], 999 + $steps]);
}
$kit = $guest->kits()->firstOrFail();
for ($n = $kit->parts()->count(); $n < 2000; $n++) {
    $rows[] = ['kit_id' => $kit->id, 'kind' => 'tube', 'ref' => 'more-'.$n, 'name' => 'Tube '.$n, 'position' => $n, 'document' => json_encode(['id' => 'more-'.$n, 'name' => 'Tube '.$n, 'rear' => 'larch', 'front' => 'larch', 'lengthMm' => 9]), 'created_at' => now(), 'updated_at' => now()];
}
foreach (array_chunk($rows ?? [], 500) as $some) {
    DB::table('parts')->insert($some);
}
unset($rows, $documents);
gc_collect_cycles();
memory_reset_peak_usage();
$from = microtime(true);
$path = $app->make(ArchiveWriter::class)->write($guest);
printf("out: %d rigs, %d steps, %d parts; %.1f s, peak %.0f MB, %.1f MB of ZIP\n", $guest->rigs()->count(), DB::table('rig_steps')->whereIn('rig_id', $guest->rigs()->select('id'))->count(), $kit->parts()->count(), microtime(true) - $from, memory_get_peak_usage() / 1e6, filesize($path) / 1e6);
$guest->delete();
$user = User::query()->create(['name' => 'Guest', 'guest_until' => now()->addDay()])->refresh();
memory_reset_peak_usage();
$from = microtime(true);
$app->make(ArchiveReader::class)->read($user, $path);
printf("in: %.1f s, peak %.0f MB\n", microtime(true) - $from, memory_get_peak_usage() / 1e6);
$again = $app->make(ArchiveWriter::class)->write($user);
printf("the same bytes: %s\n", sha1_file($path) === sha1_file($again) ? 'yes' : 'NO');
unlink($path);
unlink($again);
DB::rollBack();
