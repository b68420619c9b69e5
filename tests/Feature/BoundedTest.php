<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Kit;
use App\Models\Rig;
use Illuminate\Support\Facades\DB;
use Tests\TestCase;

/** The largest that is allowed is answered, by every screen that shows it, within the memory of a worker. */
final class BoundedTest extends TestCase
{
    public function test_a_kit_of_two_thousand_parts_is_shown_and_searched_and_says_what_was_left_out(): void
    {
        $this->actingAs($user = $this->guest());
        $kit = $user->kits()->firstOrFail();
        $rows = [];
        for ($n = $kit->parts()->count(); $n < 2000; $n++) {
            $mount = ['larch', 'tern', 'wren'][$n % 3];
            $part = match ($n % 7) {
                0 => ['kind' => 'lens', 'rear' => $mount, 'front' => 'thread:52x0.75', 'focalLengthMm' => 30 + $n % 120, 'registerMm' => 44, 'frontRimMm' => 40, 'focusing' => 'fixed', 'aperture' => ['widest' => 4, 'smallest' => 22, 'control' => 'ring']],
                1 => ['kind' => 'close-up-lens', 'rear' => 'thread:52x0.75', 'front' => 'thread:52x0.75', 'powerD' => 1 + $n % 9, 'thicknessMm' => 5],
                2 => ['kind' => 'adapter', 'rear' => $mount, 'front' => ['larch', 'tern', 'wren'][($n + 1) % 3], 'lengthMm' => 2 + $n % 20],
                3 => ['kind' => 'helicoid', 'rear' => $mount, 'front' => $mount, 'minMm' => 15, 'maxMm' => 30],
                default => ['kind' => 'tube', 'rear' => $mount, 'front' => $mount, 'lengthMm' => 5 + $n % 50],
            };
            $rows[] = ['kit_id' => $kit->id, 'kind' => $part['kind'], 'ref' => 'more-'.$n, 'name' => 'Part '.$n, 'position' => $n, 'document' => json_encode(['id' => 'more-'.$n, 'name' => 'Part '.$n] + array_diff_key($part, ['kind' => 0])), 'created_at' => now(), 'updated_at' => now()];
        }
        foreach (array_chunk($rows, 400) as $some) {
            DB::table('parts')->insert($some);
        }
        memory_reset_peak_usage();
        $this->assertCount(2000, $this->getJson("/api/kits/{$kit->id}")->assertOk()->json('parts'));
        $first = $this->getJson("/api/kits/{$kit->id}/find/first?magnification=0.5")->assertOk();
        $this->assertNotSame([], $first->json('leftOut'));
        $this->assertGreaterThan(0, $first->json('fulfil'));
        $this->assertNotSame([], $this->getJson("/api/kits/{$kit->id}/map")->assertOk()->json('islands'));
        $this->getJson("/api/kits/{$kit->id}/crossing?front=larch&rear=tern")->assertOk();
        $this->getJson('/api/rigs/proposals')->assertOk();
        $rig = $this->rigOf($user, 'Lichen disc');
        $this->assertCount(2000 - Kit::query()->findOrFail($kit->id)->parts()->where('kind', 'camera')->count(), $this->getJson("/api/rigs/{$rig->id}/tray?index=0")->assertOk()->json('parts'));
        $this->assertLessThan(200e6, memory_get_peak_usage());
        // One more is one too many, and told so.
        $this->postJson("/api/kits/{$kit->id}/parts", ['parts' => [['kind' => 'tube', 'lengthMm' => 5]]])->assertStatus(422)->assertJsonPath('errors.parts.0', 'A kit holds at most 2,000 parts.');
    }

    public function test_a_chain_of_forty_parts_with_twelve_moving_lengths_is_shown_moved_and_mended(): void
    {
        $this->actingAs($this->guest());
        $lens = ['kind' => 'lens', 'rear' => 'larch', 'front' => 'larch', 'focalLengthMm' => 80, 'registerMm' => 44, 'frontRimMm' => 40, 'focusing' => 'unit', 'minFocusMm' => 700, 'maxMagnification' => 0.15, 'aperture' => ['widest' => 2.8, 'smallest' => 22, 'control' => 'ring']];
        foreach ([1, 12] as $lenses) {
            $chain = [];
            for ($n = 0; $n < 12; $n++) {
                $chain[] = ['kind' => 'helicoid', 'rear' => 'larch', 'front' => 'larch', 'minMm' => 10 + $n, 'maxMm' => 25 + $n];
                if ($n >= 12 - $lenses) {
                    $chain[] = ['focalLengthMm' => 80 + 40 * $n] + $lens;
                }
            }
            while (count($chain) < 40) {
                array_unshift($chain, ['kind' => 'tube', 'rear' => 'larch', 'front' => 'larch', 'lengthMm' => 1]);
            }
            $text = json_encode(['format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => ['joint' => 'larch', 'registerMm' => 18, 'sensor' => ['widthMm' => 24, 'heightMm' => 16]], 'chain' => $chain, 'subject' => ['widthMm' => 20, 'depthMm' => 2]]);
            memory_reset_peak_usage();
            $id = $this->postJson('/api/rigs/import', ['text' => $text])->assertCreated()->assertJsonCount(40, 'chain')->json('id');
            $at = 40 - 12 - $lenses;
            $this->getJson("/api/rigs/{$id}/sweep?travel={$at}.length")->assertOk();
            $this->getJson("/api/rigs/{$id}/mends")->assertOk();
            $revision = Rig::query()->findOrFail($id)->revision;
            $this->postJson("/api/rigs/{$id}/steps", ['revision' => $revision, 'step' => ['action' => 'solve', 'reading' => 'magnification', 'value' => 2, 'near' => true]])->assertOk();
            $this->assertLessThan(150e6, memory_get_peak_usage());
        }
        // Longer than anybody mounts is refused before anything is worked out.
        $long = json_encode(['format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => ['registerMm' => 18, 'sensor' => ['widthMm' => 24, 'heightMm' => 16]], 'chain' => array_fill(0, 101, ['kind' => 'tube', 'lengthMm' => 1])]);
        $this->postJson('/api/rigs/import', ['text' => $long])->assertStatus(422)->assertJsonPath('errors.0.pointer', '/chain');
    }

    public function test_lists_within_a_part_are_bounded(): void
    {
        $this->actingAs($user = $this->guest());
        $kit = $user->kits()->firstOrFail();
        $lens = ['kind' => 'lens', 'focalLengthMm' => 80, 'registerMm' => 44, 'frontRimMm' => 40, 'focusing' => 'fixed'];
        $stations = static fn (int $count): array => array_map(static fn (int $n): array => ['focalLengthMm' => 20 + $n], range(1, $count));
        $this->postJson("/api/kits/{$kit->id}/parts", ['parts' => [['stations' => $stations(101)] + $lens]])->assertStatus(422)->assertJsonPath('errors.0.pointer', '/parts/0/stations');
        $this->postJson("/api/kits/{$kit->id}/parts", ['parts' => [['stations' => $stations(100)] + $lens]])->assertCreated();
    }
}
