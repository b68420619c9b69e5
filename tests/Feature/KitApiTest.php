<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Kit\KitStore;
use App\Models\Kit;
use App\Models\Part;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;
use ZincThimble\Core\File\KitFile;

/** The kit over HTTP: parts, history, files, joints, measuring, and what is refused. */
final class KitApiTest extends TestCase
{
    private User $user;

    private Kit $kit;

    protected function setUp(): void
    {
        parent::setUp();
        $this->user = $this->guest();
        $this->kit = $this->user->kits()->firstOrFail();
        $this->actingAs($this->user);
    }

    public function test_a_part_is_added_changed_copied_taken_out_and_brought_back(): void
    {
        $added = $this->postJson($this->at('parts'), ['parts' => [['kind' => 'tube', 'name' => 'Tube 5', 'rear' => 'larch', 'front' => 'larch', 'lengthMm' => 5, 'engraved' => ['in' => 'red']]]])->assertCreated()->json('0');
        $this->assertSame('tube-5', $added['ref']);
        $this->assertSame(['in' => 'red'], $added['fields']['engraved']);

        $id = $added['part']['id'];
        $changed = $this->putJson($this->at('parts/'.$id), ['version' => $added['version'], 'part' => ['lengthMm' => 5.5, 'note' => 'Filed'] + $added['fields']])->assertOk()->json();
        $this->assertSame('Filed', $changed['note']);
        $this->assertSame('5.5 mm', str_replace("\u{2009}", ' ', $changed['part']['measure']));
        $this->assertSame(['in' => 'red'], $changed['fields']['engraved']);

        $copy = $this->postJson($this->at("parts/{$id}/copies"))->assertCreated()->assertJsonPath('part.name', 'Tube 5 (copy)')->json();
        $this->assertNotSame($changed['ref'], $copy['ref']);

        $this->deleteJson($this->at('parts/'.$id))->assertNoContent();
        $this->putJson($this->at('parts/'.$id), ['version' => 2, 'part' => $changed['fields']])->assertNotFound();
        $this->getJson($this->at('deleted'))->assertOk()->assertJsonPath('0.name', 'Tube 5');
        $this->postJson($this->at("parts/{$id}/back"))->assertOk()->assertJsonPath('part.name', 'Tube 5');
        $this->getJson($this->at('deleted'))->assertExactJson([]);
    }

    public function test_the_history_undoes_and_redoes_everything_and_survives(): void
    {
        $start = $this->export();
        $tube = $this->part('Tube 9');
        $this->postJson($this->at('parts'), ['parts' => [['kind' => 'tube', 'name' => 'Tube 5', 'lengthMm' => 5], ['kind' => 'tube', 'name' => 'Tube 6', 'lengthMm' => 6]]])->assertCreated();
        $this->putJson($this->at('parts/'.$tube->id), ['version' => $tube->version, 'part' => ['kind' => 'tube', 'name' => 'Tube nine', 'lengthMm' => 9.2]])->assertOk();
        $this->deleteJson($this->at('parts/'.$this->part('Hood 52')->id))->assertNoContent();
        $end = $this->export();
        $labels = [];
        for ($n = 0; $n < 3; $n++) {
            $now = $this->getJson($this->at(''))->json();
            $labels[] = $now['history']['undo'];
            $this->postJson($this->at('undo'), ['revision' => $now['revision']])->assertOk();
        }
        $this->assertSame(['remove Hood 52', 'change Tube nine', 'add Tube 5 and 1 more'], $labels);
        $this->assertSame($start, $this->export());
        for ($n = 0; $n < 3; $n++) {
            $this->postJson($this->at('redo'), ['revision' => $this->kit->refresh()->revision])->assertOk();
        }
        $this->assertSame($end, $this->export());
        $this->postJson($this->at('redo'), ['revision' => $this->kit->refresh()->revision])->assertOk()->assertJsonPath('history.redo', null);
    }

    public function test_two_hundred_steps_can_be_undone(): void
    {
        $tube = $this->part('Step ring 58 to 52');
        for ($n = 1; $n <= 205; $n++) {
            $this->putJson($this->at('parts/'.$tube->id), ['version' => $tube->refresh()->version, 'part' => ['kind' => 'step-ring', 'name' => 'Ring', 'lengthMm' => $n / 10]])->assertOk();
        }
        // All but the last by the store that the route uses: the route shows the whole shelf each time.
        $store = $this->app->make(KitStore::class);
        for ($n = 0; $n < 204; $n++) {
            $store->undo($this->kit, $this->kit->refresh()->revision);
        }
        $this->postJson($this->at('undo'), ['revision' => $this->kit->refresh()->revision])->assertOk()->assertJsonPath('history.undo', null);
        $this->assertSame('Step ring 58 to 52', $tube->refresh()->name);
    }

    public function test_two_windows_can_not_lose_each_others_work(): void
    {
        $tube = $this->part('Tube 9');
        $mine = ['version' => $tube->version, 'part' => ['kind' => 'tube', 'name' => 'Mine', 'lengthMm' => 9]];
        $this->putJson($this->at('parts/'.$tube->id), $mine)->assertOk();
        $this->putJson($this->at('parts/'.$tube->id), ['part' => ['kind' => 'tube', 'name' => 'Theirs', 'lengthMm' => 9]] + $mine)->assertStatus(409)->assertJsonPath('version', $tube->version + 1);
        $this->assertSame('Mine', $tube->refresh()->name);
        // Other parts are nobody's business.
        $other = $this->part('Tube 15');
        $this->putJson($this->at('parts/'.$other->id), ['version' => $other->version, 'part' => ['kind' => 'tube', 'name' => 'Tube fifteen', 'lengthMm' => 15]])->assertOk();
        $this->postJson($this->at('undo'), ['revision' => 1])->assertStatus(409);
    }

    public function test_taking_out_a_part_that_rigs_use_says_which_and_keeps_them_readable(): void
    {
        $tube = $this->part('Tube 9');
        $rig = $this->rigOf($this->user, 'Lichen disc');
        $before = $this->getJson("/api/rigs/{$rig->id}")->json('readings.magnification');
        $this->deleteJson($this->at('parts/'.$tube->id))->assertStatus(409)->assertJsonFragment(['rigs' => ['Lichen disc']]);
        $this->assertNull($tube->refresh()->deleted_at);
        $this->deleteJson($this->at('parts/'.$tube->id).'?anyway=1')->assertNoContent();
        $this->assertSame($before, $this->getJson("/api/rigs/{$rig->id}")->assertOk()->json('readings.magnification'));
        $this->assertNotContains('Tube 9', array_column(array_column($this->getJson("/api/rigs/{$rig->id}/tray?index=0")->json('parts'), 'part'), 'name'));
    }

    public function test_rigs_follow_a_correction_and_say_once_what_changed(): void
    {
        $rig = $this->rigOf($this->user, 'Tower clock tooth');
        $shared = $this->postJson("/api/rigs/{$rig->id}/share")->assertCreated()->json('url');
        $lens = $this->part('Process 62');
        $fields = ['kind' => 'lens', 'focalLengthMm' => 61] + get_object_vars($lens->document);
        $this->putJson($this->at('parts/'.$lens->id), ['version' => $lens->version, 'part' => $fields])->assertOk();
        $told = $this->getJson("/api/rigs/{$rig->id}")->assertOk()->json();
        $this->assertEqualsWithDelta(32 / 61, $told['readings']['magnification'], 1e-9);
        $this->assertSame([['part' => 'Process 62', 'followed' => true, 'reason' => null, 'changes' => [['label' => 'Focal length', 'unit' => 'mm', 'before' => 62, 'after' => 61]]]], $told['news']);
        $this->deleteJson("/api/rigs/{$rig->id}/news")->assertNoContent();
        $this->assertSame([], $this->getJson("/api/rigs/{$rig->id}")->json('news'));
        // The link holds the parts as they were.
        $this->assertEqualsWithDelta(32 / 62, $this->getJson('/api/shared/'.basename($shared))->assertOk()->json('readings.magnification'), 1e-9);
        // A step of the past comes back with the figures that are known now.
        $this->postJson("/api/rigs/{$rig->id}/steps", ['revision' => $rig->refresh()->revision, 'step' => ['action' => 'remove', 'index' => 1]])->assertOk();
        $undone = $this->postJson("/api/rigs/{$rig->id}/undo", ['revision' => $rig->refresh()->revision])->assertOk()->json();
        $this->assertEqualsWithDelta(32 / 61, $undone['readings']['magnification'], 1e-9);
        // Undoing the correction is a correction too.
        $this->postJson($this->at('undo'), ['revision' => $this->kit->refresh()->revision])->assertOk();
        $this->assertEqualsWithDelta(32 / 62, $this->getJson("/api/rigs/{$rig->id}")->json('readings.magnification'), 1e-9);
    }

    public function test_a_rig_that_can_not_follow_keeps_the_old_part_and_says_so(): void
    {
        $rig = $this->rigOf($this->user, 'Tower clock tooth');
        $this->postJson("/api/rigs/{$rig->id}/steps", ['revision' => $rig->revision, 'step' => ['action' => 'describe', 'document' => ['conditions' => ['mode' => 'video crop']]]])->assertOk();
        $camera = $this->part('Body A');
        $fields = ['kind' => 'camera'] + get_object_vars($camera->document);
        unset($fields['modes']);
        $this->putJson($this->at('parts/'.$camera->id), ['version' => $camera->version, 'part' => $fields])->assertOk();
        $told = $this->getJson("/api/rigs/{$rig->id}")->assertOk()->json();
        $this->assertFalse($told['news'][0]['followed']);
        $this->assertSame('the camera has no mode of that name', $told['news'][0]['reason']);
        $this->assertSame(['video crop'], $told['modes']);
        // Another rig on the same camera follows.
        $this->assertSame([], $this->getJson('/api/rigs/'.$this->rigOf($this->user, 'Sedge seed, coat pattern')->id)->json('modes'));
    }

    public function test_a_setting_that_the_corrected_part_can_not_reach_is_brought_within(): void
    {
        $rig = $this->rigOf($this->user, 'Sedge seed, coat pattern');
        $bellows = $this->part('Rail bellows');
        $set = $rig->parts->firstWhere('part_id', $bellows->id)->length_mm;
        $fields = ['kind' => 'bellows', 'maxMm' => $set - 10] + get_object_vars($bellows->document);
        $this->putJson($this->at('parts/'.$bellows->id), ['version' => $bellows->version, 'part' => $fields])->assertOk();
        $this->assertEqualsWithDelta($set - 10, $rig->refresh()->parts->firstWhere('part_id', $bellows->id)->length_mm, 1e-9);
    }

    public function test_json_and_csv_go_out_and_come_in_the_same(): void
    {
        foreach (['json', 'csv'] as $as) {
            $text = (string) $this->get($this->at('file').'?as='.$as)->assertOk()->getContent();
            $this->assertSame($text, $this->get($this->at('file').'?as='.$as)->getContent());
            $same = $this->postJson($this->at('import'), ['text' => $text, 'as' => $as])->assertOk()->json();
            $this->assertSame([0, 41, 0, 0], [$same['new'], $same['same'], $same['different'], $same['refused']], $as);
        }
    }

    public function test_an_import_shows_what_will_change_and_takes_all_of_it_in_one_step(): void
    {
        $csv = "kind,id,name,rear,front,lengthMm,colour\ntube,tube-9,Tube 9,larch,larch,9.5,red\ntube,,Tube 40,larch,larch,40,blue\nhood,hood-52,Hood 52,thread:52x0.75,thread:52x0.75,30,\n";
        $seen = $this->postJson($this->at('import'), ['text' => $csv, 'as' => 'csv'])->assertOk()->json();
        $this->assertSame(['different', 'new', 'different'], array_column($seen['rows'], 'what'));
        $this->assertStringContainsString('Length', $seen['rows'][0]['detail']);
        $this->assertSame(41, $this->kit->parts()->count());
        $taken = $this->putJson($this->at('import'), ['text' => $csv, 'as' => 'csv', 'revision' => $seen['revision']])->assertOk()->json();
        $this->assertCount(42, $taken['parts']);
        $this->assertSame('take in 3 parts from a file', $taken['history']['undo']);
        $this->assertSame('blue', $this->part('Tube 40')->document->colour);
        $this->putJson($this->at('import'), ['text' => $csv, 'as' => 'csv', 'revision' => $seen['revision']])->assertStatus(409);
        $undone = $this->postJson($this->at('undo'), ['revision' => $taken['revision']])->assertOk()->json();
        $this->assertCount(41, $undone['parts']);
    }

    public function test_five_hundred_parts_come_in_with_a_few_questions_each_under_a_name_of_its_own(): void
    {
        $this->deleteJson($this->at('parts/'.$this->part('Tube 9')->id.'?anyway=1'))->assertNoContent();
        $lines = ['kind,id,name,rear,front,lengthMm', 'tube,tube-9,Tube 9,larch,larch,9.5', 'tube,tube-15,Tube 15,larch,larch,99', 'tube,mine,Spacer,larch,larch,4', 'tube,mine-2,Spacer,larch,larch,5'];
        for ($n = 4; $n < 500; $n++) {
            $lines[] = 'tube,,'.($n % 2 === 0 ? 'Spacer' : 'Ring '.$n).',larch,larch,'.$n;
        }
        $text = implode("\n", $lines)."\n";
        $last = (int) Part::withTrashed()->where('kit_id', $this->kit->id)->max('position');
        $known = Part::withTrashed()->where('kit_id', $this->kit->id)->pluck('id')->all();
        $questions = 0;
        DB::listen(function () use (&$questions): void {
            $questions++;
        });
        $this->putJson($this->at('import'), ['text' => $text, 'as' => 'csv', 'revision' => $this->kit->refresh()->revision])->assertOk()->assertJsonPath('history.undo', 'take in 500 parts from a file');
        $this->assertLessThanOrEqual(30, $questions);
        $new = Part::query()->where('kit_id', $this->kit->id)->whereNotIn('id', $known)->orderBy('position')->get();
        // One replaces the tube of its short name; what was taken out keeps its own.
        $this->assertSame(99, $this->part('Tube 15')->document->lengthMm);
        $this->assertSame(range($last + 1, $last + 499), $new->pluck('position')->all());
        $this->assertSame(['tube-9-2', 'mine', 'mine-2', 'spacer', 'ring-5', 'spacer-2', 'ring-7', 'spacer-3'], $new->take(8)->pluck('ref')->all());
        $this->assertSame([9.5, 4, 5, 4, 5, 6, 7, 8], $new->take(8)->map(static fn (Part $part): mixed => $part->document->lengthMm)->all());
        $this->assertCount(499, $new->pluck('ref')->unique());
        $this->assertSame([1, 1, 499, 'ring-499', 499.0], [$new[498]?->version, $new[498]?->count, $new[498]?->document->lengthMm, $new[498]?->document->id, (float) $new[498]?->getAttribute('length_mm')]);
        $this->assertNotNull($new[498]?->created_at);
        $this->postJson($this->at('undo'), ['revision' => $this->kit->refresh()->revision])->assertOk()->assertJsonCount(40, 'parts');
    }

    public function test_a_file_with_one_fault_changes_nothing_and_names_line_and_column(): void
    {
        $before = $this->export();
        $csv = "kind,name,lengthMm\ntube,Good,10\ntube,Bad,ten\n";
        $seen = $this->postJson($this->at('import'), ['text' => $csv, 'as' => 'csv'])->assertOk()->json();
        $this->assertSame(1, $seen['refused']);
        $this->assertSame([3, 'lengthMm', 'should be a number'], [$seen['rows'][0]['line'], $seen['rows'][0]['column'], $seen['rows'][0]['detail']]);
        $this->putJson($this->at('import'), ['text' => $csv, 'as' => 'csv', 'revision' => $this->kit->refresh()->revision])->assertStatus(422)->assertJsonPath('errors.0.pointer', '/3/lengthMm');
        $this->assertSame($before, $this->export());
    }

    public function test_the_joint_map_and_ways_between_joints(): void
    {
        $map = $this->getJson($this->at('map'))->assertOk()->json();
        $this->assertNotEmpty($map['islands'][0]['cameras']);
        $this->assertContains('Clip-on +10', array_column($map['anywhere'], 'name'));
        $this->assertSame([], $map['islands'][0]['bridges']);
        foreach ([91, 92] as $mm) {
            $lone = ['kind' => 'tube', 'name' => "Lone {$mm}", 'lengthMm' => 10, 'rear' => "thread:{$mm}x1", 'front' => "thread:{$mm}x1"];
            $this->postJson($this->at('parts'), ['parts' => [$lone]])->assertCreated();
        }
        $apart = $this->getJson($this->at('map'))->assertOk()->json('islands');
        $this->assertSame([[2, 3], [1, 3], [1, 2]], array_map(fn (array $island): array => array_column($island['bridges'], 'to'), $apart));
        // Between the two lone tubes, as told from either, and not the way to the cameras.
        $this->assertSame('a step ring, male M91×1 to female M92×1', $apart[1]['bridges'][1]['part']);
        $this->assertSame($apart[1]['bridges'][1]['part'], $apart[2]['bridges'][1]['part']);
        $this->assertSame($apart[0]['bridges'][0]['part'], $apart[1]['bridges'][0]['part']);
        $way = $this->getJson($this->at('crossing').'?front=tern&rear='.urlencode('thread:39x26tpi'))->assertOk()->json();
        // Two ways of two rings; of the shorter one a ring has no shoulder.
        $this->assertSame(['Tern to Larch', 'Larch to 39 × 26 tpi'], $way['path']);
        $this->assertEqualsWithDelta(27.1, $way['lengthMm'], 1e-9);
        $this->assertContains('Tern to Larch', array_column(array_filter($way['parts'], fn (array $part): bool => $part['fits']), 'name'));
        $none = $this->getJson($this->at('crossing').'?front=larch&rear='.urlencode('thread:42x1'))->assertOk()->json();
        $this->assertSame([], $none['path']);
        $this->assertSame('an adapter, male larch to female M42×1', $none['bridge']);
        $alike = $this->getJson($this->at('crossing').'?front='.urlencode('thread:42x1').'&rear='.urlencode('thread:42x0.75'))->assertOk()->json();
        $this->assertSame('look-alike', $alike['fit']);
        $this->assertStringContainsString('ruined', $alike['reason']);
        $this->getJson($this->at('crossing').'?front='.urlencode('thread:42').'&rear=tern')->assertStatus(422)->assertJsonStructure(['errors' => ['front']]);
    }

    public function test_own_joints_are_added_and_dropped(): void
    {
        $shipped = count($this->getJson('/api/joints')->assertOk()->json());
        $joint = $this->postJson('/api/joints', ['name' => 'plover', 'registerMm' => 41.2, 'throatMm' => 47])->assertCreated()->assertJsonPath('type', 'bayonet')->json();
        $this->postJson('/api/joints', ['name' => 'plover'])->assertStatus(422)->assertJsonStructure(['errors' => ['name']]);
        $this->postJson('/api/joints', ['name' => 'thread:42'])->assertStatus(422);
        $this->postJson('/api/joints', ['name' => 'thread:61x0.75'])->assertCreated()->assertJsonPath('spoken', 'M61×0.75');
        $this->assertCount($shipped + 2, $this->getJson('/api/joints')->json());
        $this->deleteJson('/api/joints/'.$joint['id'])->assertNoContent();
    }

    public function test_patterns_are_parts_that_can_be_added(): void
    {
        $patterns = $this->getJson('/api/patterns')->assertOk()->json();
        $this->assertGreaterThanOrEqual(30, count($patterns));
        foreach ($patterns as $pattern) {
            $parts = array_column($pattern['parts'], 'fields');
            $this->postJson($this->at('parts'), ['parts' => $parts])->assertCreated();
        }
        $this->assertGreaterThan(100, $this->kit->parts()->count());
        $forms = array_column($this->getJson('/api/guide')->assertOk()->json(), null, 'kind');
        foreach ($patterns as $pattern) {
            foreach ($pattern['ask'] as $field) {
                $this->assertContains($field, array_merge(...array_map(fn (array $part): array => array_column($forms[$part['fields']['kind']]['fields'], 'name'), $pattern['parts'])), $pattern['id']);
            }
        }
    }

    public function test_unknown_keys_and_what_is_kept_on_what_survive(): void
    {
        $hood = $this->part('Hood 52');
        $this->putJson($this->at('parts/'.$hood->id), ['version' => $hood->version, 'part' => ['kind' => 'hood', 'name' => 'Hood 52', 'marriedTo' => 'moor-50', 'blank' => (object) [], 'lengthMm' => 20]])->assertOk()->assertJsonPath('keptOn', 'moor-50');
        $this->assertEquals(new \stdClass, $hood->refresh()->document->blank);
        $this->assertStringContainsString('"blank": {}', $this->export());
        $this->putJson($this->at('parts/'.$hood->id), ['version' => $hood->version, 'part' => ['kind' => 'hood', 'marriedTo' => 'hood-52']])->assertStatus(422);
        $this->putJson($this->at('parts/'.$hood->id), ['version' => $hood->version, 'part' => ['kind' => 'hood', 'marriedTo' => 'nothing']])->assertStatus(422)->assertJsonStructure(['errors' => ['part.marriedTo']]);
        $this->assertSame('moor-50', $hood->refresh()->document->marriedTo);
        KitFile::parse($this->export());
    }

    /** @return iterable<string, array{mixed, string}> */
    public static function badParts(): iterable
    {
        yield 'no parts' => [[], 'parts'];
        yield 'parts as text' => [['parts' => 'all'], 'parts'];
        yield 'no part in it' => [['parts' => []], 'parts'];
        yield 'a part as text' => [['parts' => ['tube']], '/parts/0'];
        yield 'too many' => [['parts' => array_fill(0, 201, ['kind' => 'tube', 'lengthMm' => 1])], 'parts'];
        yield 'no kind' => [['parts' => [['lengthMm' => 1]]], '/parts/0/kind'];
        yield 'unknown kind' => [['parts' => [['kind' => 'prism', 'lengthMm' => 1]]], '/parts/0/kind'];
        yield 'kind as list' => [['parts' => [['kind' => ['tube']]]], '/parts/0/kind'];
        yield 'missing length' => [['parts' => [['kind' => 'tube']]], '/parts/0/lengthMm'];
        yield 'length as text' => [['parts' => [['kind' => 'tube', 'lengthMm' => '10']]], '/parts/0/lengthMm'];
        yield 'length below 0' => [['parts' => [['kind' => 'tube', 'lengthMm' => -0.1]]], '/parts/0/lengthMm'];
        yield 'length over 3 m' => [['parts' => [['kind' => 'tube', 'lengthMm' => 3000.1]]], '/parts/0/lengthMm'];
        yield 'second part bad' => [['parts' => [['kind' => 'tube', 'lengthMm' => 1], ['kind' => 'tube', 'lengthMm' => 1e99]]], '/parts/1/lengthMm'];
        yield 'longest under shortest' => [['parts' => [['kind' => 'bellows', 'minMm' => 100, 'maxMm' => 50]]], '/parts/0'];
        yield 'a name too long' => [['parts' => [['kind' => 'tube', 'lengthMm' => 1, 'name' => str_repeat('n', 2001)]]], '/parts/0/name'];
        yield 'control characters' => [['parts' => [['kind' => 'tube', 'lengthMm' => 1, 'name' => "bell\x07"]]], '/parts/0/name'];
        yield 'a joint that is none' => [['parts' => [['kind' => 'tube', 'lengthMm' => 1, 'rear' => 'thread:M42']]], '/parts/0/rear'];
        yield 'married to a number' => [['parts' => [['kind' => 'tube', 'lengthMm' => 1, 'marriedTo' => 3]]], '/parts/0/marriedTo'];
        yield 'a power of 0' => [['parts' => [['kind' => 'close-up-lens', 'powerD' => 0]]], '/parts/0/powerD'];
        yield 'nested out of range' => [['parts' => [['kind' => 'lens', 'focalLengthMm' => 50, 'registerMm' => 44, 'frontRimMm' => 30, 'aperture' => ['widest' => 0.1]]]], '/parts/0/aperture/widest'];
        yield 'a lens that can not be' => [['parts' => [['kind' => 'lens', 'focalLengthMm' => 50, 'registerMm' => 44, 'frontRimMm' => 30, 'focusing' => 'internal', 'minFocusMm' => 1, 'maxMagnification' => 1, 'closePrincipalGapMm' => 60]]], '/parts/0/minFocusMm'];
        yield 'count below 0' => [['parts' => [['kind' => 'tube', 'lengthMm' => 1, 'count' => -1]]], '/parts/0/count'];
        yield 'measured as list' => [['parts' => [['kind' => 'lens', 'focalLengthMm' => 50, 'registerMm' => 44, 'frontRimMm' => 30, 'measured' => [1]]]], '/parts/0/measured'];
    }

    #[DataProvider('badParts')]
    public function test_a_bad_part_is_refused_with_the_field_named_and_nothing_written(mixed $body, string $field): void
    {
        $before = $this->export();
        $this->assertNames($this->postJson($this->at('parts'), $body), $field);
        $this->assertSame($before, $this->export());
    }

    /** @return iterable<string, array{string, string, mixed, string}> */
    public static function badBodies(): iterable
    {
        yield 'change without a version' => ['PUT', 'parts/PART', ['part' => ['kind' => 'tube', 'lengthMm' => 1]], 'version'];
        yield 'change with a version as text' => ['PUT', 'parts/PART', ['version' => '1', 'part' => ['kind' => 'tube', 'lengthMm' => 1]], 'version'];
        yield 'change without a part' => ['PUT', 'parts/PART', ['version' => 1], 'part'];
        yield 'change into another kind' => ['PUT', 'parts/PART', ['version' => 1, 'part' => ['kind' => 'hood', 'lengthMm' => 1]], 'part.kind'];
        yield 'change to another one’s id' => ['PUT', 'parts/PART', ['version' => 1, 'part' => ['kind' => 'tube', 'id' => 'moor-50', 'lengthMm' => 1]], 'part.id'];
        yield 'undo without a revision' => ['POST', 'undo', [], 'revision'];
        yield 'undo of a huge revision' => ['POST', 'undo', ['revision' => 99999999999], 'revision'];
        yield 'redo of a revision that is none' => ['POST', 'redo', ['revision' => [1]], 'revision'];
        yield 'a kit without a name' => ['PUT', '', ['name' => ''], 'name'];
        yield 'a kit’s name too long' => ['PUT', '', ['name' => str_repeat('x', 121)], 'name'];
        yield 'import of nothing' => ['POST', 'import', ['as' => 'csv'], 'text'];
        yield 'import as something else' => ['POST', 'import', ['text' => 'x', 'as' => 'xlsx'], 'as'];
        yield 'import as a list' => ['PUT', 'import', ['text' => ['x'], 'as' => 'csv', 'revision' => 1], 'text'];
        yield 'import of no JSON' => ['PUT', 'import', ['text' => '{', 'as' => 'json', 'revision' => 1], ''];
        yield 'import of a rig' => ['PUT', 'import', ['text' => '{"format":"zinc-thimble/rig","version":1}', 'as' => 'json', 'revision' => 1], '/format'];
        yield 'import of a deep nest' => ['PUT', 'import', ['text' => str_repeat('[', 100).str_repeat(']', 100), 'as' => 'json', 'revision' => 1], ''];
        yield 'measure a tube' => ['POST', 'parts/PART/measure', ['version' => 1, 'keep' => false], 'part'];
        yield 'measure by no camera' => ['POST', 'parts/LENS/measure', ['version' => 1, 'keep' => false, 'shots' => [['camera' => 1, 'reversed' => true, 'spacersMm' => 1, 'pixels' => 5, 'rulerMm' => 1]]], 'shots.0.camera'];
        yield 'measure with a negative ruler' => ['POST', 'parts/LENS/measure', ['version' => 1, 'keep' => false, 'shots' => [['camera' => 1, 'reversed' => true, 'spacersMm' => 1, 'pixels' => 5, 'rulerMm' => -1]]], 'shots.0.rulerMm'];
        yield 'pupils of nothing' => ['POST', 'parts/LENS/measure', ['version' => 1, 'keep' => false, 'pupils' => ['exitMm' => 4]], 'pupils.entranceMm'];
    }

    #[DataProvider('badBodies')]
    public function test_a_bad_request_is_refused_with_the_field_named_and_nothing_written(string $method, string $path, mixed $body, string $field): void
    {
        $before = $this->export();
        $revision = $this->kit->refresh()->revision;
        $path = strtr($path, ['PART' => (string) $this->part('Tube 9')->id, 'LENS' => (string) $this->part('Moor 50')->id]);
        $this->assertNames($this->json($method, $this->at($path), $body), $field);
        $this->assertSame($before, $this->export());
        $this->assertSame($revision, $this->kit->refresh()->revision);
    }

    public function test_a_body_that_is_no_json_is_refused(): void
    {
        $this->call('POST', $this->at('parts'), [], [], [], ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'], '{"parts": [')->assertStatus(422);
    }

    public function test_a_close_up_lens_is_typed_by_its_dioptres_or_by_its_focal_length(): void
    {
        foreach ([[4, 4.0], [50, 50.0], [51, 19.6078], [200, 5.0], [400, 2.5], [-250, -4.0], [-50, -50.0]] as [$typed, $power]) {
            $name = 'Glass '.$typed;
            $this->postJson($this->at('parts'), ['parts' => [['kind' => 'close-up-lens', 'name' => $name, 'powerD' => $typed]]])->assertCreated();
            $this->assertEqualsWithDelta($power, $this->part($name)->document->powerD ?? null, 1e-9, $name);
        }
        // A file means dioptres, and nothing else is within its bounds.
        $kit = ['format' => 'zinc-thimble/kit', 'version' => 1, 'name' => 'A kit', 'cameras' => [], 'parts' => [['kind' => 'close-up-lens', 'powerD' => 400]]];
        $this->assertSame([0, 1], array_map(fn (string $name): int => $this->postJson($this->at('import'), ['text' => json_encode($kit), 'as' => 'json'])->assertOk()->json($name), ['new', 'refused']));
    }

    private function assertNames(TestResponse $response, string $field): void
    {
        $response->assertStatus(422);
        $errors = $response->json('errors');
        $named = array_is_list($errors) ? array_column($errors, 'pointer') : array_keys($errors);
        $this->assertNotSame([], array_filter($named, static fn (string $each): bool => str_starts_with($each, $field)), json_encode($errors));
    }

    private function at(string $path): string
    {
        return "/api/kits/{$this->kit->id}".($path === '' ? '' : '/'.$path);
    }

    private function export(): string
    {
        return (string) $this->get($this->at('file'))->assertOk()->getContent();
    }

    private function part(string $name): Part
    {
        return Part::query()->where('kit_id', $this->kit->id)->where('name', $name)->firstOrFail();
    }
}
