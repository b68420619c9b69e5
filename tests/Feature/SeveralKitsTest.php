<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Kit\KitStore;
use App\Models\Kit;
use App\Models\User;
use Tests\TestCase;

/** A person may keep two kits, one for the studio and one for the bag: what is built and found comes from the one that is named. */
final class SeveralKitsTest extends TestCase
{
    private User $user;

    private Kit $studio;

    protected function setUp(): void
    {
        parent::setUp();
        $this->user = $this->guest();
        $this->studio = $this->user->kits()->firstOrFail();
        $this->actingAs($this->user);
    }

    public function test_a_kit_is_started_named_and_listed(): void
    {
        $bag = $this->postJson('/api/kits', ['name' => 'Bag', 'currency' => 'EUR'])->assertCreated()->assertJsonPath('name', 'Bag')->assertJsonPath('currency', 'EUR')->assertJsonPath('parts', [])->json('id');
        $this->assertSame([$this->studio->id, $bag], array_column($this->getJson('/api/kits')->json(), 'id'));
        $this->putJson("/api/kits/{$bag}", ['name' => 'Small bag'])->assertOk()->assertJsonPath('name', 'Small bag');
        $this->postJson('/api/kits', ['name' => 'Small bag'])->assertStatus(422)->assertJsonPath('errors.name.0', 'You have a kit of that name already.');
        $this->putJson("/api/kits/{$bag}", ['name' => $this->studio->name])->assertStatus(422)->assertJsonStructure(['errors' => ['name']]);
        // A kit keeps its own name, and another person may use it.
        $this->putJson("/api/kits/{$bag}", ['name' => 'Small bag'])->assertOk();
        $this->actingAs($this->guest());
        $this->postJson('/api/kits', ['name' => 'Small bag'])->assertCreated();
    }

    public function test_what_is_no_name_is_refused(): void
    {
        foreach ([[], ['name' => ''], ['name' => str_repeat('x', 121)], ['name' => "a\u{7}b"], ['name' => ['x']], ['name' => 'Bag', 'currency' => str_repeat('x', 13)]] as $body) {
            $this->postJson('/api/kits', $body)->assertStatus(422);
        }
        $this->assertSame(1, $this->user->kits()->count());
    }

    public function test_there_is_room_for_so_many(): void
    {
        for ($n = 1; $n < KitStore::MOST_KITS; $n++) {
            $this->postJson('/api/kits', ['name' => 'Kit '.$n])->assertCreated();
        }
        $this->postJson('/api/kits', ['name' => 'One more'])->assertStatus(422)->assertJsonStructure(['errors' => ['name']]);
        $this->assertSame(KitStore::MOST_KITS, $this->user->kits()->count());
    }

    public function test_only_an_empty_kit_goes_and_never_the_last(): void
    {
        $this->deleteJson("/api/kits/{$this->studio->id}")->assertStatus(422)->assertJsonPath('errors.kit.0', 'This is your only kit: it stays.');
        $bag = $this->bag();
        $this->deleteJson("/api/kits/{$this->studio->id}")->assertStatus(422)->assertJsonPath('errors.kit.0', 'There are parts in this kit. Remove them first.');
        $rig = $this->postJson('/api/rigs', ['kit' => $bag->id])->assertCreated()->json('id');
        foreach ($bag->parts as $part) {
            $this->deleteJson("/api/kits/{$bag->id}/parts/{$part->id}?anyway=1")->assertNoContent();
        }
        $this->deleteJson("/api/kits/{$bag->id}")->assertStatus(422)->assertJsonPath('errors.kit.0', 'Rigs were built from this kit. Delete them first.');
        $this->deleteJson("/api/rigs/{$rig}")->assertNoContent();
        $this->deleteJson("/api/kits/{$bag->id}")->assertNoContent();
        $this->getJson("/api/kits/{$bag->id}")->assertNotFound();
    }

    public function test_a_rig_is_built_from_the_kit_that_is_named(): void
    {
        $bag = $this->bag();
        $camera = $bag->parts()->where('kind', 'camera')->firstOrFail();
        $tube = $bag->parts()->where('kind', 'tube')->firstOrFail();
        $rig = $this->postJson('/api/rigs', ['kit' => $bag->id, 'parts' => [$tube->id]])->assertCreated()
            ->assertJsonPath('kitId', $bag->id)->assertJsonPath('camera.partId', $camera->id)->assertJsonPath('chain.0.partId', $tube->id)->json();
        $tray = $this->getJson("/api/rigs/{$rig['id']}/tray?index=1")->assertOk()->json('parts');
        $this->assertSame(['Bag lens', 'Bag tube'], collect(array_column(array_column($tray, 'part'), 'name'))->sort()->values()->all());
        // A part of the studio is in no reach of it, nor one of the bag without the bag being named.
        $elsewhere = $this->studio->parts()->where('kind', 'tube')->firstOrFail();
        $this->postJson("/api/rigs/{$rig['id']}/steps", ['revision' => $rig['revision'], 'step' => ['action' => 'insert', 'index' => 1, 'parts' => [$elsewhere->id]]])->assertStatus(422);
        $this->postJson('/api/rigs', ['parts' => [$tube->id]])->assertStatus(422);
        $this->postJson('/api/rigs', ['kit' => 999_999_999])->assertStatus(422)->assertJsonPath('errors.kit.0', 'You have no such kit.');
    }

    public function test_a_kit_of_somebody_else_is_none(): void
    {
        $mine = $this->bag();
        $this->actingAs($this->guest());
        $this->postJson('/api/rigs', ['kit' => $mine->id])->assertStatus(422)->assertJsonPath('errors.kit.0', 'You have no such kit.');
        $this->getJson('/api/rigs/proposals?kit='.$mine->id)->assertStatus(422);
        $this->postJson('/api/rigs/import', ['kit' => $mine->id, 'text' => (string) file_get_contents(base_path('database/demo/4-sedge-seed.rig.json'))])->assertStatus(422)->assertJsonStructure(['errors' => ['kit']]);
        $this->deleteJson("/api/kits/{$mine->id}")->assertNotFound();
    }

    public function test_proposals_find_and_files_look_through_one_kit(): void
    {
        $bag = $this->bag();
        foreach ($this->getJson('/api/rigs/proposals?kit='.$bag->id)->assertOk()->json() as $proposal) {
            $this->assertSame([], array_diff($proposal['names'], ['Bag body', 'Bag lens', 'Bag tube']));
        }
        $found = $this->getJson("/api/kits/{$bag->id}/find?magnification=0.4")->assertOk()->json();
        $this->assertSame(2, $found['rigs']);
        $this->assertSame(['Bag tube + Bag lens'], array_column($found['rows'], 'title'));
        $file = (string) $this->get("/api/kits/{$bag->id}/file")->assertOk()->getContent();
        $this->assertStringContainsString('"Bag tube"', $file);
        $this->assertStringNotContainsString('Tube 31', $file);
    }

    private function bag(): Kit
    {
        $id = $this->postJson('/api/kits', ['name' => 'Bag'])->assertCreated()->json('id');
        $this->postJson("/api/kits/{$id}/parts", ['parts' => [
            ['kind' => 'camera', 'name' => 'Bag body', 'joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24]],
            ['kind' => 'tube', 'name' => 'Bag tube', 'rear' => 'larch', 'front' => 'larch', 'lengthMm' => 20],
            ['kind' => 'lens', 'name' => 'Bag lens', 'rear' => 'larch', 'front' => 'thread:52x0.75', 'focalLengthMm' => 50, 'registerMm' => 44.5, 'frontRimMm' => 38, 'focusing' => 'fixed', 'aperture' => ['widest' => 2.8, 'smallest' => 16, 'control' => 'ring']],
        ]])->assertCreated();

        return Kit::query()->findOrFail($id);
    }
}
