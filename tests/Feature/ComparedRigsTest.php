<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Accounts\ArchiveReader;
use App\Accounts\ArchiveWriter;
use App\Bench\RigStore;
use App\Compare\LooseRigs;
use App\Models\Kit;
use App\Models\Part;
use App\Models\Rig;
use App\Models\User;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Tests\TestCase;
use ZincThimble\Core\File\ComparisonFile;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Picture\TargetKind;
use ZincThimble\Core\Plan\AsEngraved;
use ZincThimble\Core\Plan\SchoolQuestions;
use ZincThimble\Core\Reading\SolveTarget;
use ZincThimble\Core\Report\Bringing;
use ZincThimble\Core\Report\Comparison;
use ZincThimble\Core\Report\PictureColumns;
use ZincThimble\Core\Report\Sweep;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Rig\Travels;
use ZincThimble\Core\Tests\Columns;

/** Where the rigs of a comparison come from and where they go: Find, ladders, files, schools, a name, the bench. */
final class ComparedRigsTest extends TestCase
{
    private User $user;

    private RigStore $store;

    protected function setUp(): void
    {
        parent::setUp();
        $this->user = $this->guest();
        $this->actingAs($this->user);
        $this->store = $this->app->make(RigStore::class);
    }

    public function test_every_figure_of_the_target_and_of_the_picture_is_the_cores(): void
    {
        [$seed, $disc] = [$this->rigOf($this->user, 'Sedge seed, coat pattern'), $this->rigOf($this->user, 'Lichen disc')];
        $told = $this->getJson("/api/comparison?rigs={$seed->id},{$disc->id}&target=label&depthMm=4&set=A:1.length:60,B:2.aperture:11")->assertOk()->json();
        $comparison = Comparison::of([$this->store->read($seed), $this->store->read($disc)], Bringing::asSet(4.0), TargetKind::Label, [0 => ['1.length' => 60.0], 1 => ['2.aperture' => 11.0]]);
        $this->assertEquals(['kind' => 'label', 'shape' => 'cylinder', 'widthMm' => 36.0, 'heightMm' => 28.0, 'depthMm' => 4.0], $told['target']);
        foreach ($comparison->rigs as $n => $rig) {
            $one = $told['rigs'][$n];
            $this->assertSame($rig->rig->frame->columns, $one['columns']);
            $this->assertEqualsWithDelta($rig->picture?->gaussianMm, $one['gaussianMm'], 1e-12);
            $this->assertEquals($rig->brightness(17), $one['brightness']);
            $this->assertSame([array_keys($rig->byHand), $rig->rig->totals->coupling->isAutomatic()], [$one['byHand'], $one['isCoupled']]);
            $this->assertSame(array_map(static fn ($travel): array => ['name' => $travel->name(), 'index' => $travel->part, 'kind' => $travel->kind->value], Travels::of($rig->rig)), $one['travels']);
            $this->assertCount(count($rig->layers($comparison->target)), $one['layers']);
        }
        $this->assertContains("Rail bellows draw 60\u{2009}mm", $told['rigs'][0]['settings']);
        $this->getJson("/api/comparison?rigs={$seed->id}&set=A:0.aperture:8")->assertStatus(422)->assertJsonPath('errors.0.pointer', '/set');
        $this->getJson("/api/comparison?rigs={$seed->id}&set=B:1.length:60")->assertOk();
    }

    public function test_a_sweep_begins_where_the_rig_was_brought_and_has_its_picture_in_every_row(): void
    {
        [$seed, $disc] = [$this->rigOf($this->user, 'Sedge seed, coat pattern'), $this->rigOf($this->user, 'Lichen disc')];
        $told = Columns::unpacked($this->getJson("/api/comparison/sweep?rigs={$disc->id},{$seed->id}&to=magnification&value=2&target=tooth&of={$seed->id}&travel=1.length")->assertOk()->json());
        $comparison = Comparison::of([$this->store->read($disc), $this->store->read($seed)], Bringing::asSet()->to(SolveTarget::Magnification, 2.0), TargetKind::Tooth);
        $rig = $comparison->rigs[1]->rig;
        $travel = Travels::named($rig, '1.length');
        $this->assertNotNull($travel);
        $sweep = Sweep::of($rig, $travel);
        $picture = PictureColumns::of($rig, $sweep, 3.0);
        $this->assertSame(['1.length', 1, $seed->revision], [$told['sweep']['travel'], $told['sweep']['index'], $told['sweep']['revision']]);
        $this->assertEqualsWithDelta($sweep->positions, $told['sweep']['positions'], 1e-4);
        $this->assertSame(['1.length', 'length'], [$told['travel']['name'], $told['travel']['kind']]);
        $this->assertEqualsWithDelta(Travels::setting($rig, $travel), $told['travel']['value'], 1e-4);
        foreach (['nearScale', 'nearDiscMm', 'farScale', 'farDiscMm', 'gaussianMm', 'resolvedDetailMm'] as $name) {
            foreach ($picture->{$name} as $row => $value) {
                $value === null ? $this->assertNull($told[$name][$row]) : $this->assertEqualsWithDelta($value, $told[$name][$row], 1e-6 * max(1.0, abs($value)), $name);
            }
        }
        $this->getJson("/api/comparison/sweep?rigs={$seed->id}&of={$disc->id}&travel=1.length")->assertStatus(422)->assertJsonValidationErrors('of');
        $this->getJson("/api/comparison/sweep?rigs={$seed->id}&of={$seed->id}&travel=9.length")->assertStatus(422)->assertJsonValidationErrors('travel');
    }

    public function test_what_find_or_a_ladder_has_is_set_up_on_no_list(): void
    {
        $kit = $this->user->kits()->with('parts')->firstOrFail();
        $part = fn (string $name): int => Part::query()->where('kit_id', $kit->id)->whereRaw("document->>'name' = ?", [$name])->firstOrFail()->id;
        $row = fn (string ...$names): array => ['camera' => $part('Body B'), 'parts' => array_map(static fn (string $name): array => ['part' => $part($name), 'aperture' => $name === 'Moor 50' ? 8.0 : null], $names)];
        $made = $this->postJson("/api/kits/{$kit->id}/comparison", ['rigs' => [$row('Tube 9', 'Moor 50') + ['name' => 'Short'], $row('Tube 31', 'Moor 50')], 'subjectDepthMm' => 1.5])->assertCreated()->json();
        $this->assertCount(2, $made['rigs']);
        $rigs = array_map(fn (int $id) => $this->store->read(Rig::query()->with('parts')->findOrFail($id)), $made['rigs']);
        $this->assertSame(['Short', null], [$rigs[0]->name, $rigs[1]->name]);
        $this->assertSame(['Tube 31', 'Moor 50'], array_map(static fn ($each): string => $each->label(), $rigs[1]->chain));
        $this->assertSame([8.0, 1.5, 'Body B'], [$rigs[1]->markedAperture(1), $rigs[1]->subject?->depthMm, $rigs[1]->camera->name]);
        $this->assertEmpty(array_intersect($made['rigs'], array_column($this->getJson('/api/rigs')->json(), 'id')));
        $this->getJson('/api/comparison?rigs='.implode(',', $made['rigs']))->assertOk()->assertJsonPath('rigs.0.name', 'Short')->assertJsonPath('rigs.1.depthMm', 1.5);
        foreach ([['rigs' => []], ['rigs' => array_fill(0, 65, $row('Moor 50'))], ['rigs' => [['camera' => $part('Moor 50'), 'parts' => []]]], ['rigs' => [$row('Moor 50', 'Moor 50')]], ['rigs' => [$row('Moor 50') + ['more' => 1]]]] as $bad) {
            $this->postJson("/api/kits/{$kit->id}/comparison", $bad)->assertStatus(422);
        }
        $this->assertSame(2, $this->user->rigs()->where('loose', true)->count());
    }

    public function test_loose_rigs_make_room_by_themselves_and_are_forgotten_but_where_a_comparison_keeps_them(): void
    {
        config(['zinc.most_loose_rigs' => 3]);
        $core = $this->store->read($this->rigOf($this->user, 'Lichen disc'));
        $loose = $this->app->make(LooseRigs::class);
        [$first] = $loose->add($this->user, null, [$core]);
        $this->postJson('/api/comparisons', ['name' => 'Kept', 'rigs' => (string) $first])->assertCreated();
        $this->travel(1)->seconds();
        $second = $loose->add($this->user, null, [$core, $core]);
        $this->travel(1)->seconds();
        $third = $loose->add($this->user, null, [$core, $core]);
        $left = $this->user->rigs()->where('loose', true)->oldest('id')->pluck('id')->all();
        $this->assertSame([$first, $second[1], ...$third], $left, 'the oldest that is kept nowhere goes, and no more than has to');
        $this->travel(31)->days();
        $new = $loose->add($this->user, null, [$core]);
        $this->artisan('rigs:sweep')->expectsOutputToContain('2 rigs forgotten.')->assertSuccessful();
        $this->assertSame([$first, ...$new], $this->user->rigs()->where('loose', true)->oldest('id')->pluck('id')->all());
        $this->assertSame(8, $this->user->rigs()->where('loose', false)->count(), 'what stands on the list stays');
    }

    public function test_what_comparisons_keep_is_held_to_a_number_over_http_and_out_of_an_archive(): void
    {
        config(['zinc.most_loose_rigs' => 4, 'zinc.most_kept_loose_rigs' => 5]);
        $core = $this->store->read($this->rigOf($this->user, 'Lichen disc'));
        $loose = $this->app->make(LooseRigs::class);
        $kept = $loose->add($this->user, null, [$core, $core, $core]);
        $this->postJson('/api/comparisons', ['name' => 'Kept', 'rigs' => implode(',', $kept)])->assertCreated();
        $loose->add($this->user, null, [$core, $core]);
        $text = RigFile::write($core);
        $this->postJson('/api/comparison/files', ['texts' => [$text, $text]])->assertCreated();
        $this->postJson('/api/comparison/files', ['texts' => [$text, $text, $text]])->assertStatus(422)->assertJsonValidationErrors('rigs');
        $this->assertSame(5, $this->user->rigs()->where('loose', true)->count());
        $path = $this->app->make(ArchiveWriter::class)->write($this->user);
        config(['zinc.most_kept_loose_rigs' => 2]);
        $other = User::query()->create(['name' => 'Other', 'guest_until' => now()->addDay()]);
        try {
            $this->app->make(ArchiveReader::class)->read($other, $path);
            $this->fail('took three');
        } catch (\Illuminate\Validation\ValidationException $fault) {
            $this->assertArrayHasKey('rigs', $fault->errors());
        }
        $this->assertSame(0, $other->rigs()->count(), 'all of it or nothing');
        config(['zinc.most_kept_loose_rigs' => 3]);
        $this->app->make(ArchiveReader::class)->read($other, $path);
        $this->assertSame(3, $other->rigs()->where('loose', true)->count());
        unlink($path);
    }

    public function test_a_rig_goes_to_the_bench_as_it_stood_in_the_comparison_and_one_undo_takes_it_back(): void
    {
        $rig = $this->rigOf($this->user, 'Sedge seed, coat pattern');
        $disc = $this->rigOf($this->user, 'Lichen disc');
        $before = $this->store->read($rig);
        $asked = ['to' => 'magnification', 'value' => 3.1, 'target' => 'tooth', 'set' => 'B:3.aperture:11'];
        $set = Comparison::of([$this->store->read($disc), $before], Bringing::asSet()->to(SolveTarget::Magnification, 3.1), TargetKind::Tooth, [1 => ['3.aperture' => 11.0]])->rigs[1]->rig;
        $told = $this->postJson("/api/rigs/{$rig->id}/brought", ['rigs' => "{$disc->id},{$rig->id}", 'asked' => $asked])->assertOk()->json();
        $this->assertSame('set as in Compare', $told['history']['undo']);
        $this->assertEqualsWithDelta(3.1, $told['readings']['magnification'], 1e-6);
        $now = $this->store->read($rig->refresh()->load('parts'));
        $this->assertEqualsWithDelta(RigFile::chain($set), RigFile::chain($now), 1e-9);
        $this->assertEquals($before->subject, $now->subject, 'what it stands before is its own');
        $this->postJson("/api/rigs/{$rig->id}/undo", ['revision' => $told['revision']])->assertOk();
        $this->assertEquals($before->setting, $this->store->read($rig->refresh()->load('parts'))->setting);
        // As it is set already, nothing is done.
        $revision = $rig->revision;
        $this->postJson("/api/rigs/{$rig->id}/brought", ['rigs' => (string) $rig->id])->assertOk()->assertJsonPath('revision', $revision);
        $this->postJson("/api/rigs/{$rig->id}/brought", ['rigs' => (string) $disc->id])->assertStatus(422);
        $this->postJson("/api/rigs/{$rig->id}/brought", ['rigs' => (string) $rig->id, 'asked' => ['to' => 'magnification']])->assertStatus(422)->assertJsonValidationErrors('value');
    }

    public function test_whoever_changed_it_meanwhile_is_not_written_over(): void
    {
        $rig = $this->rigOf($this->user, 'Sedge seed, coat pattern');
        $read = 0;
        // Another window takes a step between the comparison and the bench: after the rig of the address and that of the comparison were read.
        Rig::retrieved(function () use (&$read, $rig): void {
            if (++$read === 2) {
                DB::table('rigs')->where('id', $rig->id)->update(['revision' => 7]);
            }
        });
        try {
            $this->postJson("/api/rigs/{$rig->id}/brought", ['rigs' => (string) $rig->id, 'asked' => ['to' => 'magnification', 'value' => 3.1]])->assertStatus(409);
        } finally {
            Rig::flushEventListeners();
        }
        $this->assertSame(7, $rig->refresh()->revision);
        $this->assertSame(1, $rig->steps()->count());
    }

    public function test_a_loose_rig_that_goes_to_the_bench_stands_on_the_list_under_a_name_that_is_free(): void
    {
        $core = $this->store->read($this->rigOf($this->user, 'Lichen disc'));
        $kit = $this->user->kits()->firstOrFail();
        $ids = $this->app->make(LooseRigs::class)->add($this->user, $kit, [$core, $core, $core]);
        $this->postJson("/api/rigs/{$ids[0]}/brought", ['rigs' => implode(',', $ids)])->assertOk()->assertJsonPath('name', 'Lichen disc (2)');
        // Whoever works on one keeps it as well.
        $this->postJson("/api/rigs/{$ids[1]}/steps", ['revision' => 1, 'step' => ['action' => 'set', 'travel' => '2.aperture', 'value' => 11]])->assertOk()->assertJsonPath('name', 'Lichen disc (3)');
        $this->putJson("/api/rigs/{$ids[2]}/name", ['revision' => 1, 'name' => 'Third'])->assertOk()->assertJsonPath('name', 'Third');
        $this->assertSame([], array_diff($ids, array_column($this->getJson('/api/rigs')->json(), 'id')));
        config(['zinc.most_rigs_of_guest' => 11]);
        [$more] = $this->app->make(LooseRigs::class)->add($this->user, $kit, [$core]);
        $this->postJson("/api/rigs/{$more}/brought", ['rigs' => (string) $more])->assertStatus(422)->assertJsonValidationErrors('rigs');
        $this->assertTrue(Rig::query()->findOrFail($more)->loose);
    }

    public function test_schools_ask_with_ones_own_kit(): void
    {
        $kit = $this->user->kits()->firstOrFail();
        $told = $this->getJson("/api/kits/{$kit->id}/questions")->assertOk()->json();
        $this->assertSame(['tubes-or-glass', 'usual-or-turned', 'magnify-or-crop', 'stop-or-stop'], array_column($told, 'school'));
        $core = SchoolQuestions::of($this->app->make(\App\Search\KitSearch::class)->kit($kit->load('parts')), Conditions::from(new Values([])));
        foreach ($core as $n => $question) {
            $this->assertSame([$question->to->value, array_map(static fn ($rig): ?string => $rig->name, $question->rigs), array_map(AsEngraved::title(...), $question->rigs)], [$told[$n]['to'], $told[$n]['names'], $told[$n]['titles']]);
            $this->assertEqualsWithDelta($question->value, $told[$n]['value'], 1e-9);
            $ready = $this->postJson("/api/kits/{$kit->id}/questions/{$question->school->value}")->assertCreated()->json();
            $this->assertEquals(['to' => $question->to->value, 'value' => $question->value], $ready['asked']);
            foreach ($ready['rigs'] as $k => $id) {
                $row = Rig::query()->with('parts')->findOrFail($id);
                $made = $this->store->read($row);
                $this->assertSame([true, $question->rigs[$k]->name], [$row->loose, $row->name]);
                $this->assertEquals(RigFile::chain($question->rigs[$k]), RigFile::chain($made));
                $this->assertSame($row->kit_id, $kit->id);
                $this->assertNotNull($row->parts[0]->part_id, 'its parts are the kit’s');
            }
            $this->getJson('/api/comparison?'.http_build_query(['rigs' => implode(',', $ready['rigs'])] + $ready['asked']))->assertOk()->assertJsonPath('rigs.0.met', true);
        }
        $this->postJson("/api/kits/{$kit->id}/questions/none")->assertNotFound();
        $empty = $this->user->kits()->save(new Kit(['name' => 'Empty', 'extra' => new \stdClass]));
        $this->assertInstanceOf(Kit::class, $empty);
        $this->getJson("/api/kits/{$empty->id}/questions")->assertOk()->assertExactJson([]);
        $this->postJson("/api/kits/{$empty->id}/questions/stop-or-stop")->assertNotFound();
    }

    public function test_a_comparison_goes_out_as_one_open_file_and_comes_in_equal(): void
    {
        $rows = [$this->rigOf($this->user, 'Sedge seed, coat pattern'), $this->rigOf($this->user, 'Lichen disc')];
        $address = '/api/comparison?rigs='.implode(',', array_column($rows, 'id')).'&to=fieldWidthMm&value=9&target=seed&set=A:1.length:60';
        $text = (string) $this->get($address.'&as=file')->assertOk()->assertHeader('Content-Disposition', 'attachment; filename="comparison.json"')->getContent();
        $this->assertStringNotContainsString('kitPart', $text);
        $file = ComparisonFile::read(json_decode($text), 64);
        $this->assertEquals(['to' => 'fieldWidthMm', 'value' => '9', 'target' => 'seed', 'set' => 'A:1.length:60'], $file->asked);
        $this->actingAs($this->guest());
        $ready = $this->postJson('/api/comparison/files', ['texts' => [$text]])->assertCreated()->json();
        $this->assertEquals($file->asked, $ready['asked']);
        $other = $this->getJson('/api/comparison?'.http_build_query(['rigs' => implode(',', $ready['rigs'])] + $ready['asked']))->assertOk()->json();
        $this->actingAs($this->user);
        $mine = $this->getJson($address)->assertOk()->json();
        $ids = static fn (array $told): array => array_map(static fn (array $rig): array => array_diff_key($rig, ['id' => 0]), $told['rigs']);
        $this->assertEquals($ids($mine), $ids($other));
        $this->assertEquals([$mine['best'], $mine['beaten'], $mine['target']], [$other['best'], $other['beaten'], $other['target']]);
        // CSV is the core's.
        $csv = $this->get($address.'&as=csv')->assertOk()->assertHeader('Content-Type', 'text/csv; charset=UTF-8')->getContent();
        $this->assertSame(Comparison::of(array_map($this->store->read(...), $rows), Bringing::asSet()->to(SolveTarget::FieldWidth, 9.0), TargetKind::Seed, [0 => ['1.length' => 60.0]])->csv(), $csv);
    }

    public function test_rig_files_come_in_and_a_bad_one_is_said_with_its_place(): void
    {
        $good = RigFile::write($this->store->read($this->rigOf($this->user, 'Lichen disc')));
        $ready = $this->postJson('/api/comparison/files', ['texts' => [$good, $good]])->assertCreated()->json();
        $this->assertCount(2, $ready['rigs']);
        $this->assertSame([], $ready['asked']);
        // What a file names as a part of a kit is not believed.
        $this->assertSame(0, DB::table('rig_parts')->whereIn('rig_id', $ready['rigs'])->whereNotNull('part_id')->count());
        $named = json_decode($good);
        $named->chain[0]->kitPart = Part::query()->where('kit_id', $this->user->kits()->firstOrFail()->id)->where('kind', 'tube')->firstOrFail()->id;
        $both = $this->postJson('/api/comparison/files', ['texts' => [(string) json_encode($named), (string) json_encode(['format' => 'zinc-thimble/comparison', 'version' => 1, 'rigs' => [$named]])]])->assertCreated()->json('rigs');
        $this->assertSame(0, DB::table('rig_parts')->whereIn('rig_id', $both)->whereNotNull('part_id')->count());
        Rig::query()->whereKey($both)->delete();
        $this->postJson('/api/comparison/files', ['texts' => [$good, '{"format":"zinc-thimble/rig","version":1}']])->assertStatus(422)->assertJsonPath('errors.0.pointer', '/1/camera');
        $this->postJson('/api/comparison/files', ['texts' => ['{}']])->assertStatus(422);
        $this->postJson('/api/comparison/files', ['texts' => ['{"format":"zinc-thimble/comparison","version":1,"rigs":[{}]}']])->assertStatus(422)->assertJsonPath('errors.0.pointer', '/rigs/0/format');
        $this->postJson('/api/comparison/files', ['texts' => ['{"format":"zinc-thimble/comparison","version":2,"rigs":[]}']])->assertStatus(422)->assertJsonPath('errors.0.pointer', '/format');
        $this->postJson('/api/comparison/files', ['texts' => ['{"format":"zinc-thimble/comparison","version":1,"rigs":['.$good.'],"asked":{"to":"moon"}}']])->assertStatus(422)->assertJsonValidationErrors('to');
        $this->postJson('/api/comparison/files', ['texts' => array_fill(0, 33, '{"format":"zinc-thimble/comparison","version":1,"rigs":['.$good.','.$good.']}')])->assertStatus(422)->assertJsonValidationErrors('texts');
        $this->assertSame(2, $this->user->rigs()->where('loose', true)->count());
    }

    public function test_comparisons_are_kept_by_name_and_their_rigs_are_ones_own(): void
    {
        [$seed, $disc] = [$this->rigOf($this->user, 'Sedge seed, coat pattern')->id, $this->rigOf($this->user, 'Lichen disc')->id];
        $asked = ['to' => 'fieldWidthMm', 'value' => 9, 'target' => 'seed', 'set' => 'B:1.length:60'];
        $kept = $this->postJson('/api/comparisons', ['name' => ' Seeds ', 'rigs' => "{$disc},{$seed}", 'asked' => $asked])->assertCreated()->json();
        $this->assertEquals([['id' => $kept['id'], 'name' => 'Seeds', 'rigs' => [$disc, $seed], 'asked' => $asked, 'names' => ['Lichen disc', 'Sedge seed, coat pattern']]], $this->getJson('/api/comparisons')->assertOk()->json());
        $this->postJson('/api/comparisons', ['name' => 'Seeds', 'rigs' => (string) $seed])->assertStatus(422)->assertJsonPath('errors.name.0', 'You already keep a comparison of that name.');
        $theirs = $this->rigOf($this->guest(), 'Lichen disc');
        foreach ([['name' => 'A', 'rigs' => (string) $theirs->id], ['name' => 'A', 'rigs' => ''], ['name' => '  ', 'rigs' => (string) $seed], ['name' => 'A', 'rigs' => (string) $seed, 'asked' => ['to' => 'moon']], ['name' => 'A', 'rigs' => (string) $seed, 'asked' => ['set' => 'A:9.zoom:1']]] as $bad) {
            $this->postJson('/api/comparisons', $bad)->assertStatus(422);
        }
        // The database holds to it by itself.
        try {
            DB::transaction(fn () => DB::table('comparison_rigs')->insert(['comparison_id' => $kept['id'], 'rig_id' => $theirs->id, 'user_id' => $this->user->id, 'place' => 5]));
            $this->fail('somebody else’s rig in one’s own comparison');
        } catch (QueryException $fault) {
            $this->assertStringContainsString('foreign key', $fault->getMessage());
        }
        $this->deleteJson("/api/rigs/{$disc}")->assertNoContent();
        $this->assertSame([$seed], $this->getJson('/api/comparisons')->json('0.rigs'));
        $this->deleteJson("/api/comparisons/{$kept['id']}")->assertNoContent();
        $this->assertSame([], $this->getJson('/api/comparisons')->json());
        $this->assertDatabaseHas('rigs', ['id' => $seed]);
    }

    public function test_an_archive_takes_kept_comparisons_along_and_brings_them_back(): void
    {
        $kit = $this->user->kits()->firstOrFail();
        $ready = $this->postJson("/api/kits/{$kit->id}/questions/tubes-or-glass")->assertCreated()->json();
        $this->postJson("/api/kits/{$kit->id}/questions/stop-or-stop")->assertCreated();
        $disc = $this->rigOf($this->user, 'Lichen disc')->id;
        $this->postJson('/api/comparisons', ['name' => 'Tubes?', 'rigs' => implode(',', [$ready['rigs'][1], $disc, $ready['rigs'][0]]), 'asked' => $ready['asked']])->assertCreated();
        $path = $this->app->make(ArchiveWriter::class)->write($this->user);
        $other = User::query()->create(['name' => $this->user->name, 'guest_until' => now()->addDay()]);
        // What stands on no list is in nobody's way.
        $this->app->make(LooseRigs::class)->add($other, null, [$this->store->read(Rig::query()->with('parts')->findOrFail($disc))]);
        $this->app->make(ArchiveReader::class)->read($other, $path);
        $again = $this->app->make(ArchiveWriter::class)->write($other);
        $this->assertSame(hash_file('sha256', $path), hash_file('sha256', $again), 'the same data gives the same bytes');
        array_map(unlink(...), [$path, $again]);
        $this->actingAs($other);
        $kept = $this->getJson('/api/comparisons')->json();
        $this->assertSame(['Tubes?', ['With the close-up lens', 'Lichen disc', 'With tubes']], [$kept[0]['name'], $kept[0]['names']]);
        $this->assertEquals($ready['asked'], $kept[0]['asked']);
        $this->assertSame(2, $other->rigs()->where('loose', true)->count(), 'only what a comparison keeps');
        $this->assertSame(8, $other->rigs()->where('loose', false)->count());
    }
}
