<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Part;
use App\Models\User;
use Tests\TestCase;

/** What the bench says and offers while one builds: moves, ways round, what can't be reached, what is only lent a hand. */
final class BenchAidsTest extends TestCase
{
    private User $user;

    private int $kit;

    protected function setUp(): void
    {
        parent::setUp();
        $this->user = $this->guest();
        $this->actingAs($this->user);
        $this->kit = $this->user->kits()->firstOrFail()->id;
    }

    public function test_a_change_of_length_says_how_far_the_rig_moves_and_which_way_until_the_next_look(): void
    {
        $rig = $this->rigOf($this->user, 'Lichen disc');
        $before = $this->getJson("/api/rigs/{$rig->id}")->json();
        $this->assertNull($before['movesMm']);
        $taken = $this->step($before, ['action' => 'remove', 'index' => 0]);
        $by = $taken['readings']['subjectDistanceMm'] - $before['readings']['subjectDistanceMm'];
        $this->assertGreaterThan(1.0, abs($by));
        $this->assertEqualsWithDelta($by, $taken['movesMm'], 1e-9);
        $undone = $this->postJson("/api/rigs/{$rig->id}/undo", ['revision' => $taken['revision']])->assertOk()->json();
        $this->assertEqualsWithDelta(-$by, $undone['movesMm'], 1e-9);
        $redone = $this->postJson("/api/rigs/{$rig->id}/redo", ['revision' => $undone['revision']])->assertOk()->json();
        $this->assertEqualsWithDelta($by, $redone['movesMm'], 1e-9);
        $this->assertNull($this->getJson("/api/rigs/{$rig->id}")->json('movesMm'));
        // What changes no length moves nothing.
        $this->assertNull($this->step($redone, ['action' => 'set', 'travel' => '1.aperture', 'value' => 11])['movesMm']);
    }

    public function test_the_other_way_round_says_its_magnification_beforehand(): void
    {
        $rig = $this->rigOf($this->user, 'Lichen disc');
        $before = $this->getJson("/api/rigs/{$rig->id}")->json();
        $last = count($before['chain']) - 1;
        $this->assertNull($before['chain'][0]['turnedMagnification'], 'a tube has no other way round');
        $told = $before['chain'][$last]['turnedMagnification'];
        $turned = $this->step($before, ['action' => 'turn', 'index' => $last]);
        $this->assertEqualsWithDelta($told, $turned['readings']['magnification'], 1e-9);
        $this->assertEqualsWithDelta($before['readings']['magnification'], $turned['chain'][$last]['turnedMagnification'], 1e-9);
    }

    public function test_what_cant_be_reached_says_how_near_it_gets_and_is_set_only_when_asked(): void
    {
        $rig = $this->rigOf($this->user, 'Lichen disc');
        $before = $this->getJson("/api/rigs/{$rig->id}")->json();
        $greatest = $before['range']['magnification']['greatest'];
        $step = ['action' => 'solve', 'reading' => 'magnification', 'value' => 9.0];
        $refused = $this->postJson("/api/rigs/{$rig->id}/steps", ['revision' => $before['revision'], 'step' => $step])->assertStatus(422)->json();
        $this->assertMatchesRegularExpression('/^This rig doesn’t reach 9×: the nearest it gets is 0\.\d+×\.$/u', $refused['errors']['near'][0]);
        $this->assertSame($before['revision'], $this->getJson("/api/rigs/{$rig->id}")->json('revision'), 'nothing was set');
        $near = $this->step($before, $step + ['near' => true]);
        $this->assertEqualsWithDelta($greatest, $near['readings']['magnification'], 1e-6);
        $this->assertStringStartsWith('as near as it gets to 9×', $near['history']['undo']);
        $reached = $this->step($near, ['action' => 'solve', 'reading' => 'magnification', 'value' => round($greatest * 0.95, 3)]);
        $this->assertEqualsWithDelta(round($greatest * 0.95, 3), $reached['readings']['magnification'], 1e-6);
    }

    public function test_before_a_port_the_tray_offers_wet_glass_and_rings_and_whatever_it_offers_goes_on(): void
    {
        $this->postJson("/api/kits/{$this->kit}/parts", ['parts' => [['kind' => 'step-ring', 'name' => 'Step 67 to 52', 'rear' => 'thread:67x0.75', 'front' => 'thread:52x0.75', 'lengthMm' => 4]]])->assertCreated();
        $rig = $this->postJson('/api/rigs', ['kit' => $this->kit, 'camera' => $this->part('Body B'), 'parts' => [$this->part('Sedge 24–70'), $this->part('Flat port')]])->assertCreated()->json();
        $this->assertSame(['lens', 'port'], array_column($rig['chain'], 'kind'));
        $offered = 0;
        foreach ([0, 1, 2] as $index) {
            foreach ($this->getJson("/api/rigs/{$rig['id']}/tray?index={$index}")->assertOk()->json('parts') as $each) {
                if (! $each['fits'] && $each['via'] === []) {
                    continue;
                }
                $offered++;
                if ($index === 2) {
                    $this->assertContains($each['part']['kind'], ['close-up-lens', 'step-ring'], $each['part']['name']);
                    $this->assertSame([], array_diff(array_map(fn (int $id): string => Part::query()->findOrFail($id)->kind, $each['via']), ['step-ring', 'adapter']), 'only rings between wet glass');
                }
                $copy = $this->postJson("/api/rigs/{$rig['id']}/copies")->assertCreated()->json();
                $this->step($copy, ['action' => 'insert', 'index' => $index, 'parts' => [...$each['via'], $each['part']['id']]]);
            }
        }
        $this->assertGreaterThan(5, $offered);
    }

    public function test_a_ring_of_two_threads_is_offered_and_goes_on_the_other_way_round(): void
    {
        $this->postJson("/api/kits/{$this->kit}/parts", ['parts' => [
            ['kind' => 'adapter', 'name' => 'Two threads', 'rear' => 'thread:95x1', 'rearSide' => 'female', 'front' => 'thread:52x0.75', 'frontSide' => 'male', 'lengthMm' => 4],
            ['kind' => 'close-up-lens', 'name' => 'Great glass', 'rear' => 'thread:95x1', 'rearSide' => 'male', 'front' => 'thread:95x1', 'powerD' => 1],
        ]])->assertCreated();
        $rig = $this->postJson('/api/rigs', ['kit' => $this->kit, 'camera' => $this->part('Body B'), 'parts' => [$this->part('Moor 50')]])->assertCreated()->json();
        $tray = array_column($this->getJson("/api/rigs/{$rig['id']}/tray?index=1")->assertOk()->json('parts'), null, 'reason');
        $parts = $this->getJson("/api/rigs/{$rig['id']}/tray?index=1")->json('parts');
        $ring = array_values(array_filter($parts, static fn (array $each): bool => $each['part']['name'] === 'Two threads'))[0];
        $glass = array_values(array_filter($parts, static fn (array $each): bool => $each['part']['name'] === 'Great glass'))[0];
        $this->assertSame([true, 'goes on reversed'], [$ring['fits'], $ring['reason']], json_encode(array_keys($tray)) ?: '');
        $this->assertSame([true, false], [$ring['reversed'], $glass['reversed']]);
        $this->assertSame(['Two threads'], $glass['viaNames']);
        $on = $this->step($rig, ['action' => 'insert', 'index' => 1, 'parts' => [...$glass['via'], $glass['part']['id']]]);
        $this->assertSame([false, true, false], array_column($on['chain'], 'reversed'));
        $this->assertSame(['mates', 'mates', 'mates'], array_column($on['chain'], 'fit'));
    }

    public function test_a_clip_on_goes_by_the_thread_and_by_a_ring_where_that_is_too_narrow(): void
    {
        $this->postJson("/api/kits/{$this->kit}/parts", ['parts' => [
            ['kind' => 'lens', 'name' => 'Small front', 'rear' => 'larch', 'front' => 'thread:37x0.75', 'frontOuterMm' => 62, 'focalLengthMm' => 60, 'registerMm' => 44.5, 'frontRimMm' => 40, 'aperture' => ['widest' => 4, 'smallest' => 22, 'control' => 'ring']],
            ['kind' => 'step-ring', 'name' => 'Step 37 to 52', 'rear' => 'thread:37x0.75', 'front' => 'thread:52x0.75', 'lengthMm' => 3],
            ['kind' => 'step-ring', 'name' => 'Thick 37 to 49', 'rear' => 'thread:37x0.75', 'front' => 'thread:49x0.75', 'lengthMm' => 9],
        ]])->assertCreated();
        $tray = function (string $lens): array {
            $rig = $this->postJson('/api/rigs', ['kit' => $this->kit, 'camera' => $this->part('Body B'), 'parts' => [$this->part($lens)]])->assertCreated()->json();
            $parts = $this->getJson("/api/rigs/{$rig['id']}/tray?index=1")->assertOk()->json('parts');

            return [$rig, array_values(array_filter($parts, static fn (array $each): bool => $each['part']['name'] === 'Clip-on +10'))[0]];
        };
        [$rig, $clip] = $tray('Small front');
        $this->assertFalse($clip['fits'], 'its thread is 37 mm, however wide the barrel behind it');
        $this->assertSame(['Step 37 to 52'], $clip['viaNames']);
        $on = $this->step($rig, ['action' => 'insert', 'index' => 1, 'parts' => [...$clip['via'], $clip['part']['id']]]);
        $this->assertSame(['mates', 'mates', 'mates'], array_column($on['chain'], 'fit'));
        $this->assertTrue($tray('Moor 50')[1]['fits']);
    }

    public function test_the_camera_is_changed_and_its_finder_told(): void
    {
        $rig = $this->rigOf($this->user, 'Lichen disc');
        $before = $this->getJson("/api/rigs/{$rig->id}")->json();
        $this->assertSame('Body B', $before['camera']['name']);
        $this->assertEqualsWithDelta(0.97, $before['camera']['finderCoverage'], 1e-12);
        $changed = $this->step($before, ['action' => 'camera', 'part' => $this->part('Body C')]);
        $this->assertSame('Body C', $changed['camera']['name']);
        $this->assertNull($changed['camera']['finderCoverage']);
        $this->assertSame('change to Body C', $changed['history']['undo']);
        $this->assertContains('joint-mismatch', array_column($changed['findings'], 'code'));
    }

    public function test_a_new_rig_of_a_camera_with_a_built_in_lens_has_that_lens(): void
    {
        $camera = ['kind' => 'camera', 'joint' => 'fixed', 'registerMm' => 20, 'sensor' => ['widthMm' => 13.2, 'heightMm' => 8.8]];
        $lens = ['kind' => 'lens', 'rear' => 'fixed', 'focalLengthMm' => 24, 'registerMm' => 20, 'frontRimMm' => 30, 'aperture' => ['widest' => 2.8, 'smallest' => 11, 'control' => 'electronic']];
        $this->postJson("/api/kits/{$this->kit}/parts", ['parts' => [
            ['id' => 'compact', 'name' => 'Compact'] + $camera, ['id' => 'other', 'name' => 'Other compact'] + $camera,
            ['id' => 'its-lens', 'name' => 'Lens of the other', 'marriedTo' => 'other'] + $lens, ['id' => 'lens', 'name' => 'Lens of the compact', 'marriedTo' => 'compact'] + $lens,
        ]])->assertCreated();
        foreach (['Compact' => 'Lens of the compact', 'Other compact' => 'Lens of the other'] as $body => $own) {
            $rig = $this->postJson('/api/rigs', ['kit' => $this->kit, 'camera' => $this->part($body)])->assertCreated()->json();
            $this->assertSame([$own], array_column($rig['chain'], 'name'));
            $this->assertSame('mates', $rig['chain'][0]['fit']);
            $this->assertFalse($rig['chain'][0]['turns'], 'it doesn’t come off');
        }
        $bare = $this->postJson('/api/rigs', ['kit' => $this->kit, 'camera' => $this->part('Body B')])->assertCreated()->json();
        $this->assertSame([], $bare['chain']);
    }

    public function test_a_kit_with_only_a_reversing_ring_has_its_first_rig_too(): void
    {
        $kit = $this->postJson('/api/kits', ['name' => 'Little'])->assertCreated()->json('id');
        $this->postJson("/api/kits/{$kit}/parts", ['parts' => [
            ['kind' => 'camera', 'name' => 'Body', 'joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24]],
            ['kind' => 'lens', 'name' => 'Thirty-five', 'rear' => 'larch', 'front' => 'thread:52x0.75', 'focalLengthMm' => 35, 'registerMm' => 44.5, 'frontRimMm' => 38, 'aperture' => ['widest' => 2.8, 'smallest' => 22, 'control' => 'ring']],
            ['kind' => 'reversing-ring', 'name' => 'Reversing ring', 'rear' => 'larch', 'front' => 'thread:52x0.75', 'lengthMm' => 8],
        ]])->assertCreated();
        $proposals = $this->getJson("/api/rigs/proposals?kit={$kit}")->assertOk()->json();
        $this->assertSame(['A lens turned round on a ring'], array_column($proposals, 'title'));
        $made = $this->postJson('/api/rigs', ['kit' => $kit, 'camera' => $proposals[0]['camera'], 'parts' => $proposals[0]['parts']])->assertCreated()->json();
        $this->assertSame(['Reversing ring', 'Thirty-five'], array_column($made['chain'], 'name'));
        $this->assertTrue($made['chain'][1]['reversed']);
        $this->assertGreaterThan(1.0, $made['readings']['magnification']);
    }

    public function test_glass_is_taped_to_a_lens_without_a_thread_and_says_so(): void
    {
        $this->postJson("/api/kits/{$this->kit}/parts", ['parts' => [
            ['kind' => 'lens', 'name' => 'Bare rim', 'rear' => 'larch', 'front' => 'plain rim', 'focalLengthMm' => 75, 'registerMm' => 44.5, 'frontRimMm' => 40, 'aperture' => ['widest' => 4, 'smallest' => 22, 'control' => 'ring']],
        ]])->assertCreated();
        $rig = $this->postJson('/api/rigs', ['kit' => $this->kit, 'camera' => $this->part('Body B'), 'parts' => [$this->part('Bare rim'), $this->part('Close-up +4')]])->assertCreated()->json();
        $this->assertSame('different', $rig['chain'][1]['fit']);
        $this->assertFalse($rig['chain'][1]['makeshift']);
        $this->assertNull($rig['chain'][0]['makeshift']);
        $mend = array_values(array_filter($this->getJson("/api/rigs/{$rig['id']}/mends")->assertOk()->json('mends'), static fn (array $each): bool => $each['pattern'] === 'Tape {name} on'));
        $this->assertCount(1, $mend);
        $taped = $this->step($rig, ['action' => 'makeshift', 'index' => 1, 'used' => true]);
        $this->assertSame(['improvised', true], [$taped['chain'][1]['fit'], $taped['chain'][1]['makeshift']]);
        $this->assertSame('tape Close-up +4 on', $taped['history']['undo']);
        $finding = array_values(array_filter($taped['findings'], static fn (array $each): bool => $each['code'] === 'joint-mismatch'))[0];
        $this->assertSame('warn', $finding['severity']);
        $this->assertStringContainsString('held on Bare rim by tape', $finding['message']);
        // The file keeps it, and the kit's part doesn't get it.
        $file = $this->get("/api/rigs/{$rig['id']}/file")->assertOk()->getContent();
        $this->assertTrue(json_decode((string) $file, true)['chain'][1]['taped']);
        $again = $this->postJson('/api/rigs/import', ['text' => $file, 'kit' => $this->kit])->json();
        $this->assertSame('improvised', $again['chain'][1]['fit'] ?? json_encode($again));
        $off = $this->step($taped, ['action' => 'makeshift', 'index' => 1, 'used' => false]);
        $this->assertSame('take the tape off Close-up +4', $off['history']['undo']);
        $this->assertSame('different', $off['chain'][1]['fit']);
        // What screws in needs no tape.
        $whole = $this->postJson('/api/rigs', ['kit' => $this->kit, 'camera' => $this->part('Body B'), 'parts' => [$this->part('Moor 50'), $this->part('Close-up +4')]])->assertCreated()->json();
        $this->assertNull($whole['chain'][1]['makeshift']);
        $this->postJson("/api/rigs/{$whole['id']}/steps", ['revision' => $whole['revision'], 'step' => ['action' => 'makeshift', 'index' => 1, 'used' => true]])->assertStatus(422);
    }

    private function part(string $name): int
    {
        return Part::query()->whereIn('kit_id', $this->user->kits()->pluck('id'))->where('name', $name)->firstOrFail()->id;
    }

    /**
     * @param  array<string, mixed>  $rig
     * @param  array<string, mixed>  $step
     * @return array<string, mixed>
     */
    private function step(array $rig, array $step): array
    {
        return (array) $this->postJson("/api/rigs/{$rig['id']}/steps", ['revision' => $rig['revision'], 'step' => $step])->assertOk()->json();
    }
}
