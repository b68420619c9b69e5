<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Bench\RigStore;
use App\Models\Kit;
use App\Models\Part;
use App\Models\Rig;
use App\Models\User;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Tests\TestCase;

/** What one person owns is never reached by what another sends: parts are referred to by rows of one's own kit alone. */
final class OthersPartsTest extends TestCase
{
    public function test_a_rig_file_that_names_a_strangers_part_refers_to_nothing(): void
    {
        $stranger = $this->guest();
        $body = $this->partOf($stranger, 'camera');
        $tube = $this->partOf($stranger, 'tube');
        $this->actingAs($me = $this->guest());

        $id = $this->postJson('/api/rigs/import', ['text' => $this->rigFile($body->id, $tube->id)])->assertCreated()->json('id');

        $rig = Rig::query()->with('parts')->findOrFail($id);
        $this->assertNull($rig->camera_id);
        $this->assertNull($rig->parts[0]->part_id);
        $this->assertSame($me->id, $rig->user_id);
        $this->assertStringNotContainsString('kitPart', (string) json_encode([$rig->camera, $rig->parts[0]->document, $rig->steps[0]->document]));

        // The stranger corrects and deletes: the rig says nothing of it, and the stranger isn't told of the rig.
        $this->actingAs($stranger);
        $fields = ['kind' => 'tube', 'name' => 'Secret tube', 'massG' => 4711] + (array) $tube->document;
        $this->correct($stranger, $tube, $fields)->assertOk();
        $after = Rig::query()->findOrFail($id);
        $this->assertSame([], $after->news);
        $this->assertSame($rig->revision, $after->revision);
        $this->assertStringNotContainsString('Secret tube', (string) json_encode($after->parts));
        $answer = $this->deleteJson("/api/kits/{$tube->kit_id}/parts/{$tube->id}");
        $this->assertStringNotContainsString('Unnamed', (string) $answer->getContent());
    }

    public function test_a_kit_file_or_a_part_that_names_a_strangers_part_refers_to_nothing(): void
    {
        $stranger = $this->guest();
        $theirs = $this->partOf($stranger, 'tube');
        $this->actingAs($me = $this->guest());
        $kit = $me->kits()->firstOrFail();
        $part = ['kind' => 'tube', 'name' => 'Planted', 'lengthMm' => 9, 'rear' => 'larch', 'front' => 'larch', RigStore::REFERENCE => $theirs->id];
        $ways = [
            fn (): TestResponse => $this->postJson("/api/kits/{$kit->id}/parts", ['parts' => [['name' => 'Planted 1'] + $part]])->assertCreated(),
            fn (): TestResponse => $this->putJson("/api/kits/{$kit->id}/import", ['revision' => $kit->refresh()->revision, 'as' => 'json', 'text' => json_encode(['format' => 'zinc-thimble/kit', 'version' => 1, 'parts' => [['name' => 'Planted 2'] + $part]])])->assertOk(),
            fn (): TestResponse => $this->putJson("/api/kits/{$kit->id}/import", ['revision' => $kit->refresh()->revision, 'as' => 'csv', 'text' => "kind,name,lengthMm,rear,front,kitPart\ntube,Planted 3,9,larch,larch,{$theirs->id}\n"])->assertOk(),
        ];
        foreach ($ways as $n => $way) {
            $way();
            $mine = Part::query()->where('kit_id', $kit->id)->where('name', 'Planted '.($n + 1))->firstOrFail();
            $this->assertStringNotContainsString(RigStore::REFERENCE, (string) json_encode($mine->document));
            $rig = $this->postJson('/api/rigs', ['parts' => [$mine->id]])->assertCreated()->json('id');
            $this->assertSame($mine->id, Rig::query()->findOrFail($rig)->parts[0]->part_id);
        }
    }

    public function test_the_database_itself_refuses_a_part_of_another_kit(): void
    {
        $theirs = $this->partOf($this->guest(), 'tube');
        $mine = $this->rigOf($this->guest(), 'Lichen disc');
        $refused = 0;
        foreach ([
            fn () => DB::table('rig_parts')->where('rig_id', $mine->id)->update(['part_id' => $theirs->id]),
            fn () => DB::table('rig_parts')->where('rig_id', $mine->id)->update(['part_id' => $theirs->id, 'kit_id' => $theirs->kit_id]),
            fn () => DB::table('rigs')->where('id', $mine->id)->update(['camera_id' => $this->partOf($theirs->kit->user, 'camera')->id]),
            fn () => DB::table('rigs')->where('id', $mine->id)->update(['kit_id' => $theirs->kit_id]),
        ] as $attempt) {
            try {
                DB::transaction($attempt);
            } catch (QueryException) {
                $refused++;
            }
        }
        $this->assertSame(4, $refused);
        // A rig that stands on no kit stands on no part either.
        DB::table('rigs')->where('id', $mine->id)->update(['kit_id' => null]);
        $bare = Rig::query()->with('parts')->findOrFail($mine->id);
        $this->assertNull($bare->camera_id);
        $this->assertSame([null], array_values(array_unique($bare->parts->map(fn ($part): ?int => $part->part_id)->all())));
    }

    public function test_a_kit_that_goes_leaves_its_rigs_standing_on_their_own(): void
    {
        $user = $this->guest();
        $rig = $this->rigOf($user, 'Lichen disc');
        $parts = $rig->parts()->count();
        Kit::query()->whereKey($rig->kit_id)->delete();
        $rig = Rig::query()->with('parts')->findOrFail($rig->id);
        $this->assertNull($rig->kit_id);
        $this->assertCount($parts, $rig->parts);
        $this->actingAs($user)->getJson("/api/rigs/{$rig->id}")->assertOk();
    }

    public function test_a_part_that_is_erased_leaves_the_rest_of_the_rig_referring(): void
    {
        $rig = $this->rigOf($this->guest(), 'Lichen disc')->load('parts');
        $gone = $rig->parts[0]->part_id;
        Part::query()->whereKey($gone)->forceDelete();
        $left = Rig::query()->with('parts')->findOrFail($rig->id);
        $this->assertNull($left->parts[0]->part_id);
        $this->assertNotNull($left->parts[1]->part_id);
        $this->assertNotNull($left->camera_id);
    }

    public function test_a_correction_undoes_no_step_that_came_between(): void
    {
        $user = $this->guest();
        $rig = $this->rigOf($user, 'Lichen disc')->load('parts');
        $this->actingAs($user);
        $last = count($rig->parts) - 1;
        $camera = Part::query()->findOrFail($rig->camera_id);
        $between = false;
        // As soon as the correction has looked up the rigs that use the camera, somebody takes a part off one of them.
        DB::listen(function (QueryExecuted $query) use (&$between, $rig, $last): void {
            if (! $between && str_contains($query->sql, 'from "rigs"') && str_contains($query->sql, 'camera_id')) {
                $between = true;
                $this->postJson("/api/rigs/{$rig->id}/steps", ['revision' => $rig->revision, 'step' => ['action' => 'remove', 'index' => $last]])->assertOk();
            }
        });
        $fields = ['kind' => 'camera', 'registerMm' => 19.5] + (array) $camera->document;
        $this->correct($user, $camera, $fields)->assertOk();

        $this->assertTrue($between);
        $now = Rig::query()->with('parts')->findOrFail($rig->id);
        $this->assertCount($last, $now->parts, 'the step that came between is undone');
        $this->assertSame(19.5, $now->camera->registerMm);
        $this->assertSame($rig->revision + 2, $now->revision);
        $this->assertCount(1, $now->news);
        // Whoever still holds the revision of the step is told that something came after it.
        $this->postJson("/api/rigs/{$rig->id}/undo", ['revision' => $rig->revision + 1])->assertStatus(409);
    }

    public function test_news_that_a_correction_could_not_be_followed_raise_the_revision_too(): void
    {
        $user = $this->guest();
        $rig = $this->rigOf($user, 'Lichen disc');
        $news = (object) ['part' => 'Body', 'followed' => false, 'changes' => []];
        $stale = Rig::query()->findOrFail($rig->id);
        DB::table('rigs')->where('id', $rig->id)->update(['news' => json_encode([(object) ['part' => 'earlier', 'followed' => true, 'changes' => []]])]);
        $this->app->make(RigStore::class)->tell($stale, $news);
        $now = Rig::query()->findOrFail($rig->id);
        $this->assertSame(['earlier', 'Body'], array_map(static fn (\stdClass $each): string => $each->part, $now->news));
        $this->assertSame($rig->revision + 1, $now->revision);
    }

    private function partOf(User $user, string $kind): Part
    {
        return Part::query()->where('kit_id', $user->kits()->firstOrFail()->id)->where('kind', $kind)->oldest('id')->firstOrFail();
    }

    /** @param  array<string, mixed>  $fields */
    private function correct(User $user, Part $part, array $fields): TestResponse
    {
        return $this->actingAs($user)->putJson("/api/kits/{$part->kit_id}/parts/{$part->id}", ['version' => $part->version, 'part' => $fields]);
    }

    private function rigFile(int $camera, int $tube): string
    {
        return (string) json_encode(['format' => 'zinc-thimble/rig', 'version' => 1,
            'camera' => ['name' => 'A body', 'joint' => 'tern', 'registerMm' => 18, 'sensor' => ['widthMm' => 24, 'heightMm' => 16], RigStore::REFERENCE => $camera],
            'chain' => [['kind' => 'tube', 'name' => 'A tube', 'rear' => 'tern', 'front' => 'tern', 'lengthMm' => 10, RigStore::REFERENCE => $tube]]]);
    }
}
