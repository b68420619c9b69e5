<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Bench\RigStore;
use App\Models\Part;
use App\Models\Rig;
use App\Models\User;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Report\RigReport;
use ZincThimble\Core\Tests\Columns;

/** Rigs over HTTP: reading, steps, history, sweeps, tray, export, and what is refused. */
final class BenchApiTest extends TestCase
{
    private User $user;

    private Rig $rig;

    protected function setUp(): void
    {
        parent::setUp();
        $this->user = $this->guest();
        $this->rig = $this->rigOf($this->user, 'Tower clock tooth');
        $this->actingAs($this->user);
    }

    public function test_a_rig_is_shown_with_what_the_core_reads(): void
    {
        $told = $this->getJson("/api/rigs/{$this->rig->id}")->assertOk()->json();
        $core = RigReport::of(RigFile::parse((string) file_get_contents(database_path('demo/1-tower-clock-tooth.rig.json'))));
        $this->assertEqualsWithDelta($core->reading->magnification, $told['readings']['magnification'], 1e-12);
        $this->assertEqualsWithDelta($core->reading->workingDistanceMm, $told['readings']['workingDistanceMm'], 1e-9);
        $this->assertSame(['Tern to Larch', 'Tube 31', 'Larch to 39 × 26 tpi', 'Process 62'], array_column($told['chain'], 'name'));
        $this->assertSame(['3.aperture'], array_column($told['travels'], 'name'));
    }

    public function test_rigs_come_fifty_a_page_the_last_changed_first(): void
    {
        $all = [];
        for ($n = 0; $n < 45; $n++) {
            $copy = $this->rig->replicate()->fill(['name' => "Rig $n"]);
            $copy->forceFill(['updated_at' => now()->addMinutes($n + 1)])->save();
            array_unshift($all, $copy->id);
        }
        $first = array_column($this->getJson('/api/rigs')->assertOk()->json(), 'id');
        $second = array_column($this->getJson('/api/rigs?page=2')->assertOk()->json(), 'id');
        $this->assertSame($all, array_slice($first, 0, 45));
        $this->assertSame([50, 3], [count($first), count($second)]);
        $this->assertSame([], array_intersect($first, $second));
        $this->assertSame($first, array_column($this->getJson('/api/rigs?page=1')->json(), 'id'));
        $this->getJson('/api/rigs?page=3')->assertOk()->assertExactJson([]);
        $this->getJson('/api/rigs?page=0')->assertStatus(422);
        $this->getJson('/api/rigs?page=100001')->assertStatus(422);
    }

    public function test_putting_in_and_taking_off_can_be_undone_and_redone(): void
    {
        $tube = $this->part('Tube 9');
        $before = $this->getJson("/api/rigs/{$this->rig->id}")->json('readings.magnification');
        $longer = $this->step(['action' => 'insert', 'index' => 1, 'parts' => [$tube]])->assertOk()
            ->assertJsonPath('history.undo', 'put in Tube 9')->json();
        $this->assertEqualsWithDelta($before + 9 / 62, $longer['readings']['magnification'], 1e-9);

        $undone = $this->postJson("/api/rigs/{$this->rig->id}/undo", ['revision' => $longer['revision']])->assertOk()
            ->assertJsonPath('history.redo', 'put in Tube 9')->assertJsonPath('history.undo', null)->json();
        $this->assertEqualsWithDelta($before, $undone['readings']['magnification'], 1e-12);

        $redone = $this->postJson("/api/rigs/{$this->rig->id}/redo", ['revision' => $undone['revision']])->assertOk()->json();
        $this->assertEqualsWithDelta($longer['readings']['magnification'], $redone['readings']['magnification'], 1e-12);

        $this->step(['action' => 'remove', 'index' => 1])->assertOk()->assertJsonPath('history.undo', 'take off Tube 9');
        $this->assertDatabaseMissing('rig_parts', ['rig_id' => $this->rig->id, 'part_id' => $tube]);
    }

    public function test_a_step_after_undo_forgets_what_was_undone(): void
    {
        $this->step(['action' => 'set', 'travel' => '3.aperture', 'value' => 16])->assertOk();
        $this->postJson("/api/rigs/{$this->rig->id}/undo", ['revision' => $this->rig->refresh()->revision])->assertOk();
        $this->step(['action' => 'set', 'travel' => '3.aperture', 'value' => 11])->assertOk()->assertJsonPath('history.redo', null);
    }

    public function test_the_history_goes_back_two_hundred_steps(): void
    {
        // All but the first and the last by the store that the routes use: the routes read the whole rig each time.
        $store = $this->app->make(RigStore::class);
        $this->step(['action' => 'set', 'travel' => '3.aperture', 'value' => 16])->assertOk();
        $rig = $this->rig->refresh();
        for ($n = 1; $n < 210; $n++) {
            $rig = $store->keep($rig, $rig->revision, $store->read($rig)->with(\ZincThimble\Core\Rig\TravelKind::Aperture, 3, $n % 2 === 0 ? 16.0 : 11.0), 'set it');
        }
        for ($n = 0; $n < 209; $n++) {
            $this->assertNotNull($store->history($rig)['undo'], 'step '.$n);
            $rig = $store->undo($rig, $rig->revision);
        }
        $this->postJson("/api/rigs/{$this->rig->id}/undo", ['revision' => $this->rig->refresh()->revision])->assertOk()->assertJsonPath('history.undo', null);
        $this->assertEqualsWithDelta(8.0, $this->rig->refresh()->parts[3]->aperture, 1e-9);
    }

    public function test_turning_moving_and_changing_the_camera(): void
    {
        $rig = $this->rigOf($this->user, 'Lichen disc');
        $turned = $this->step(['action' => 'turn', 'index' => 2], $rig)->assertOk()->json();
        $this->assertTrue($turned['chain'][2]['reversed']);
        $this->assertContains('joint-mismatch', array_column($turned['findings'], 'code'));
        $moved = $this->step(['action' => 'move', 'index' => 0, 'to' => 1], $rig)->assertOk()->json();
        $this->assertSame(['Tube 9', 'Tube 15', 'Moor 50'], array_column($moved['chain'], 'name'));
        $this->step(['action' => 'camera', 'part' => $this->part('Body C')], $rig)->assertOk()->assertJsonPath('camera.name', 'Body C');
    }

    public function test_a_lens_that_goes_on_only_reversed_is_put_in_reversed(): void
    {
        $rig = $this->rigOf($this->user, 'Sedge seed, coat pattern');
        $this->step(['action' => 'remove', 'index' => 3], $rig)->assertOk();
        $told = $this->step(['action' => 'insert', 'index' => 3, 'parts' => [$this->part('Moor 50')]], $rig)->assertOk()->json();
        $this->assertTrue($told['chain'][3]['reversed']);
        $this->assertSame('mates', $told['chain'][3]['fit']);
    }

    public function test_a_sweep_is_small_on_the_way(): void
    {
        $rig = $this->rigOf($this->user, 'Sedge seed, coat pattern');
        $answer = $this->get("/api/rigs/{$rig->id}/sweep?travel=1.length")->assertOk();
        $this->assertGreaterThan(200, count(Columns::unpacked($answer->json())['positions']));
        $this->assertLessThan(15_000, strlen((string) gzencode((string) $answer->getContent(), 1)));
    }

    public function test_a_sweep_gives_at_every_place_what_a_rig_set_there_reads(): void
    {
        $rig = $this->rigOf($this->user, 'Sedge seed, coat pattern');
        $core = $this->app->make(RigStore::class)->read($rig);
        $sweep = Columns::unpacked($this->getJson("/api/rigs/{$rig->id}/sweep?travel=1.length")->assertOk()->json());
        $this->assertContains(84.0, $sweep['positions']);
        foreach ([0, 40, 100, count($sweep['positions']) - 1] as $row) {
            $answer = RigReport::of($core->with(\ZincThimble\Core\Rig\TravelKind::Length, 1, (float) $sweep['positions'][$row]));
            foreach (['magnification', 'workingDistanceMm', 'effectiveAperture', 'depthOfFieldMm', 'detailMm'] as $name) {
                $this->assertEqualsWithDelta($answer->reading->{$name}, $sweep['readings'][$name][$row], 1e-6 * abs($answer->reading->{$name}), $name);
                $this->assertEqualsWithDelta($answer->halfWidths[$name], $sweep['halfWidths'][$name][$row], 1e-5 * $answer->halfWidths[$name], 'half-width of '.$name);
            }
            $told = [];
            foreach ($sweep['findings'] as $finding) {
                if ($row >= $finding['from'] && $row <= $finding['to']) {
                    $told[] = $finding['code'];
                }
            }
            $known = array_map(static fn ($finding): string => $finding->code->value, $answer->findings);
            sort($told);
            sort($known);
            $this->assertSame($known, $told);
        }
    }

    public function test_the_tray_tells_what_fits_and_why_the_rest_does_not(): void
    {
        $tray = $this->getJson("/api/rigs/{$this->rig->id}/tray?index=1")->assertOk()->json();
        $by = array_column(array_map(static fn (array $each): array => ['name' => $each['part']['name']] + $each, $tray['parts']), null, 'name');
        $this->assertTrue($by['Tube 9']['fits']);
        $this->assertTrue($by['Rail bellows']['fits']);
        $this->assertFalse($by['Tube 31']['fits']);
        $this->assertSame('already in this rig', $by['Tube 31']['reason']);
        $this->assertFalse($by['Close-up +2']['fits']);
        $this->assertFalse($by['Small flash']['fits']);
    }

    public function test_an_exported_file_reads_the_same_and_names_no_row_of_the_database(): void
    {
        $text = $this->get("/api/rigs/{$this->rig->id}/file")->assertOk()->assertHeader('Content-Disposition', 'attachment; filename="tower-clock-tooth.rig.json"')->getContent();
        $this->assertStringNotContainsString('kitPart', (string) $text);
        $rig = RigFile::parse((string) $text);
        $this->assertSame('Tower clock tooth', $rig->name);
        $this->assertEqualsWithDelta(32.0 / 62.0, RigReport::of($rig)->reading->magnification, 1e-12);
        $this->assertSame($text, $this->get("/api/rigs/{$this->rig->id}/file")->getContent());
    }

    public function test_a_step_meant_for_an_older_revision_is_refused_and_changes_nothing(): void
    {
        $revision = $this->rig->revision;
        $this->step(['action' => 'remove', 'index' => 1])->assertOk();
        $this->postJson("/api/rigs/{$this->rig->id}/steps", ['revision' => $revision, 'step' => ['action' => 'remove', 'index' => 0]])->assertStatus(409);
        $this->assertCount(3, $this->rig->refresh()->parts);
    }

    public function test_names_of_kept_rigs_are_unique_to_their_owner(): void
    {
        $this->putJson("/api/rigs/{$this->rig->id}/name", ['revision' => $this->rig->revision, 'name' => 'Lichen disc'])->assertStatus(422)->assertJsonPath('errors.name.0', 'You already keep a rig of that name.');
        $this->putJson("/api/rigs/{$this->rig->id}/name", ['revision' => $this->rig->revision, 'name' => '  Broken tooth '])->assertOk()->assertJsonPath('name', 'Broken tooth');
        $other = $this->rigOf($this->guest(), 'Lichen disc');
        $this->assertSame('Lichen disc', $other->name);
    }

    public function test_a_new_rig_starts_with_a_camera_and_nothing_on_it(): void
    {
        $told = $this->postJson('/api/rigs')->assertCreated()->json();
        $this->assertSame([], $told['chain']);
        $this->assertSame('no-image', $told['findings'][0]['code']);
        $this->deleteJson('/api/rigs/'.$told['id'])->assertNoContent();
        $this->getJson('/api/rigs/'.$told['id'])->assertNotFound();
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function badSteps(): iterable
    {
        yield 'no step' => [['revision' => 1], 'step'];
        yield 'no revision' => [['step' => ['action' => 'remove', 'index' => 0]], 'revision'];
        yield 'revision as text' => [['revision' => 'x', 'step' => ['action' => 'remove', 'index' => 0]], 'revision'];
        yield 'unknown action' => [['revision' => 1, 'step' => ['action' => 'explode']], 'step.action'];
        yield 'action as list' => [['revision' => 1, 'step' => ['action' => ['set']]], 'step.action'];
        yield 'unknown key' => [['revision' => 1, 'step' => ['action' => 'remove', 'index' => 0, 'sql' => "'; drop table rigs"]], 'step'];
        yield 'place beyond the chain' => [['revision' => 1, 'step' => ['action' => 'remove', 'index' => 9]], 'index'];
        yield 'place below 0' => [['revision' => 1, 'step' => ['action' => 'remove', 'index' => -1]], 'step.index'];
        yield 'a place as text' => [['revision' => 1, 'step' => ['action' => 'remove', 'index' => 'first']], 'step.index'];
        yield 'no place' => [['revision' => 1, 'step' => ['action' => 'turn']], 'step.index'];
        yield 'a field of another step' => [['revision' => 1, 'step' => ['action' => 'remove', 'index' => 0, 'to' => 1]], 'step'];
        yield 'moved beyond the chain' => [['revision' => 1, 'step' => ['action' => 'move', 'index' => 0, 'to' => 9]], 'to'];
        yield 'moved nowhere' => [['revision' => 1, 'step' => ['action' => 'move', 'index' => 0]], 'step.to'];
        yield 'swapped for nothing' => [['revision' => 1, 'step' => ['action' => 'swap', 'index' => 0]], 'step.part'];
        yield 'on no camera' => [['revision' => 1, 'step' => ['action' => 'camera', 'part' => 999999999]], 'part'];
        yield 'a finding of no code' => [['revision' => 1, 'step' => ['action' => 'mend', 'code' => 'dust', 'index' => 0, 'choice' => 0]], 'step.code'];
        yield 'a finding that is not there' => [['revision' => 1, 'step' => ['action' => 'mend', 'code' => 'grip-fouls', 'index' => 0, 'choice' => 0]], 'code'];
        yield 'set to a reading of no name' => [['revision' => 1, 'step' => ['action' => 'solve', 'reading' => 'stopsLost', 'value' => 1]], 'step.reading'];
        yield 'set to no frame at all' => [['revision' => 1, 'step' => ['action' => 'solve', 'reading' => 'fieldWidthMm', 'value' => 0]], 'value'];
        yield 'nothing described' => [['revision' => 1, 'step' => ['action' => 'describe', 'document' => []]], 'step.document'];
        yield 'unknown travel' => [['revision' => 1, 'step' => ['action' => 'set', 'travel' => '9.focus', 'value' => 1]], 'travel'];
        yield 'value beyond the travel' => [['revision' => 1, 'step' => ['action' => 'set', 'travel' => '3.aperture', 'value' => 900]], 'value'];
        yield 'value as text' => [['revision' => 1, 'step' => ['action' => 'set', 'travel' => '3.aperture', 'value' => 'wide']], 'step.value'];
        yield 'no value' => [['revision' => 1, 'step' => ['action' => 'set', 'travel' => '3.aperture']], 'step.value'];
        yield 'nothing to put in' => [['revision' => 1, 'step' => ['action' => 'insert', 'index' => 0, 'parts' => []]], 'step.parts'];
        yield 'a part of nobody' => [['revision' => 1, 'step' => ['action' => 'insert', 'index' => 0, 'parts' => [999999999]]], 'parts'];
        yield 'parts as text' => [['revision' => 1, 'step' => ['action' => 'insert', 'index' => 0, 'parts' => 'all']], 'step.parts'];
        yield 'too many parts' => [['revision' => 1, 'step' => ['action' => 'insert', 'index' => 0, 'parts' => range(1, 50)]], 'step.parts'];
        yield 'turning a tube' => [['revision' => 1, 'step' => ['action' => 'turn', 'index' => 1]], 'index'];
    }

    /** @param  array<string, mixed>  $body */
    #[DataProvider('badSteps')]
    public function test_a_bad_step_is_refused_with_the_field_named_and_nothing_written(array $body, string $field): void
    {
        $before = $this->rig->refresh()->toArray();
        $this->postJson("/api/rigs/{$this->rig->id}/steps", $body)->assertStatus(422)->assertJsonStructure(['message', 'errors' => [$field]]);
        $this->assertEquals($before, $this->rig->refresh()->toArray());
        $this->assertSame(1, $this->rig->steps()->count());
    }

    public function test_somebody_elses_part_can_not_be_put_in(): void
    {
        $theirs = $this->guest()->kits()->firstOrFail()->parts()->where('name', 'Tube 9')->firstOrFail();
        $this->step(['action' => 'insert', 'index' => 0, 'parts' => [$theirs->id]])->assertStatus(422);
    }

    private function part(string $name): int
    {
        return Part::query()->where('kit_id', $this->rig->kit_id)->where('name', $name)->firstOrFail()->id;
    }

    /** @param  array<string, mixed>  $step */
    private function step(array $step, ?Rig $rig = null): TestResponse
    {
        $rig ??= $this->rig;

        return $this->postJson("/api/rigs/{$rig->id}/steps", ['revision' => $rig->refresh()->revision, 'step' => $step]);
    }
}
