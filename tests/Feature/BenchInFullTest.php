<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Part;
use App\Models\Rig;
use App\Models\User;
use Illuminate\Testing\TestResponse;
use Tests\TestCase;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Joint\Mating;

/** What the Bench does besides: ways through rings, swapping, describing, schools, advice, copies, tags, search, states, first rigs. */
final class BenchInFullTest extends TestCase
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

    public function test_a_part_that_needs_rings_brings_them_along(): void
    {
        $start = $this->postJson('/api/rigs', ['camera' => $this->part('Body A')])->assertCreated()->json();
        $tray = $this->getJson("/api/rigs/{$start['id']}/tray?index=0")->assertOk()->json('parts');
        $by = array_column(array_map(static fn (array $each): array => ['name' => $each['part']['name']] + $each, $tray), null, 'name');
        $this->assertSame(['Tern to Larch', 'Larch to 39 × 26 tpi'], $by['Process 62']['viaNames']);
        $this->assertSame('with Tern to Larch', $by['Rail bellows']['reason']);
        $this->assertFalse($by['Rail bellows']['fits']);
        $this->assertSame([], $by['Tern to Larch']['via']);
        foreach ($by as $name => $each) {
            if ($each['via'] === []) {
                continue;
            }
            // Whatever way is offered, all of it mates once it is put in.
            $made = $this->postJson('/api/rigs', ['camera' => $this->part('Body A'), 'parts' => [...$each['via'], $each['part']['id']]])->assertCreated()->json();
            $this->assertCount(count($each['via']) + 1, $made['chain'], $name);
            $this->assertSame(['mates'], array_values(array_unique(array_column($made['chain'], 'fit'))), $name);
        }
    }

    public function test_swapping_puts_another_part_in_the_place_and_can_be_undone(): void
    {
        $told = $this->step(['action' => 'swap', 'index' => 1, 'part' => $this->part('Tube 15')])->assertOk()->assertJsonPath('history.undo', 'swap Tube 31 for Tube 15')->json();
        $this->assertSame(['Tern to Larch', 'Tube 15', 'Larch to 39 × 26 tpi', 'Process 62'], array_column($told['chain'], 'name'));
        $this->assertEqualsWithDelta(16 / 62, $told['readings']['magnification'], 1e-9);
        // Bellows in the place of a tube, and the aperture of the lens behind it stays as it was.
        $told = $this->step(['action' => 'swap', 'index' => 1, 'part' => $this->part('Rail bellows')])->assertOk()->json();
        $this->assertSame('f/8', array_column($told['chain'], 'setting')[3]);
        $this->step(['action' => 'swap', 'index' => 1, 'part' => null])->assertStatus(422);
        $this->step(['action' => 'swap', 'index' => 9, 'part' => $this->part('Tube 9')])->assertStatus(422);
    }

    public function test_subject_and_conditions_are_described_as_files_have_them(): void
    {
        $told = $this->step(['action' => 'describe', 'document' => ['subject' => ['name' => 'Tooth', 'widthMm' => 30, 'depthMm' => 4, 'own' => 'kept']]])->assertOk()->assertJsonPath('history.undo', 'describe the subject')->json();
        $this->assertSame('kept', $told['subject']['document']['own']);
        $this->assertEqualsWithDelta(4.0, $told['advice']['depthMm'], 1e-9);
        $before = $told['readings'];
        $told = $this->step(['action' => 'describe', 'document' => ['conditions' => ['apertureModel' => 'simple', 'blurRule' => 'pixel', 'depthModel' => 'total']]])->assertOk()->json();
        $this->assertSame(['simple', 'total', 'pixel', 'format'], [$told['schools']['apertureModel'], $told['schools']['depthModel'], $told['schools']['blurRule'], $told['schools']['otherBlurRule']]);
        $this->assertEqualsWithDelta(8 * (1 + 32 / 62), $told['readings']['effectiveAperture'], 1e-9);
        $this->assertEqualsWithDelta($before['effectiveAperture'], $told['schools']['pupilAperture'], 1e-9);
        $this->assertLessThan($told['schools']['otherDepthMm'], $told['readings']['depthOfFieldMm']);
        $this->step(['action' => 'describe', 'document' => ['conditions' => ['blurRule' => 'by eye']]])->assertStatus(422)->assertJsonPath('errors.0.pointer', '/conditions/blurRule');
        $this->step(['action' => 'describe', 'document' => ['subject' => ['widthMm' => -1]]])->assertStatus(422);
        $this->step(['action' => 'describe', 'document' => ['camera' => []]])->assertStatus(422);
        $this->step(['action' => 'describe'])->assertStatus(422);
        $gone = $this->step(['action' => 'describe', 'document' => ['subject' => null]])->assertOk()->json();
        $this->assertNull($gone['subject']);
        $this->assertNull($gone['advice']);
    }

    public function test_a_part_has_its_own_scale(): void
    {
        $by = fn (string $name): array => array_column($this->getJson('/api/rigs/'.$this->rigOf($this->user, $name)->id)->json('travels'), null, 'kind');
        $bellows = $by('Sedge seed, coat pattern');
        $this->assertSame('mm', $bellows['length']['unit']);
        $ring = $by('Lichen disc')['focus'];
        $this->assertNull($ring['engraved'][0]);
        $this->assertCount(count($ring['positions']), $ring['engraved']);
        $this->assertGreaterThan(end($ring['engraved']), $ring['engraved'][1]);
    }

    public function test_copies_tags_and_search(): void
    {
        $copy = $this->putJson("/api/rigs/{$this->rig->id}/tags", ['tags' => ['clock', 'workshop table']])->assertNoContent();
        $copy = $this->postJson("/api/rigs/{$this->rig->id}/copies")->assertCreated()->assertJsonPath('name', null)->assertJsonPath('tags', ['clock', 'workshop table'])->assertJsonPath('history.undo', null)->json();
        $names = fn (string $search): array => array_column($this->getJson('/api/rigs?search='.urlencode($search))->assertOk()->json(), 'id');
        $this->assertEqualsCanonicalizing([$this->rig->id, $copy['id']], $names('CLOCK table'));
        $this->assertContains($this->rig->id, $names('process larch'));
        $this->assertSame([], $names('100%'));
        $this->assertSame([], $names("'; drop table rigs"));
        foreach ([['tags' => 'clock'], ['tags' => [str_repeat('x', 41)]], ['tags' => ['a', 'A']], ['tags' => range(1, 3)], ['tags' => array_map(strval(...), range(1, 21))], []] as $bad) {
            $this->putJson("/api/rigs/{$this->rig->id}/tags", $bad)->assertStatus(422);
        }
        $this->step(['action' => 'remove', 'index' => 1], Rig::query()->findOrFail($copy['id']))->assertOk();
        $this->assertCount(4, $this->rig->refresh()->parts);
    }

    public function test_states_are_shown_side_by_side_in_numbers(): void
    {
        $this->step(['action' => 'remove', 'index' => 1])->assertOk();
        $this->step(['action' => 'set', 'travel' => '2.aperture', 'value' => 16])->assertOk();
        $states = $this->getJson("/api/rigs/{$this->rig->id}/states")->assertOk()->json();
        $this->assertSame([[2, 'set Process 62 to f/16'], [1, 'take off Tube 31'], [0, 'Start']], array_map(static fn (array $state): array => [$state['number'], $state['label']], $states));
        $first = $this->getJson("/api/rigs/{$this->rig->id}/states/0")->assertOk()->json();
        $last = $this->getJson("/api/rigs/{$this->rig->id}/states/2")->assertOk()->json();
        $this->assertEqualsWithDelta(32 / 62, $first['readings']['magnification'], 1e-9);
        $this->assertEqualsWithDelta(1 / 62, $last['readings']['magnification'], 1e-9);
        $this->assertSame(['Body A', 'Tern to Larch', 'Larch to 39 × 26 tpi', 'Process 62 · f/16'], $last['parts']);
        $this->getJson("/api/rigs/{$this->rig->id}/states/9")->assertNotFound();
    }

    public function test_three_first_rigs_are_proposed_from_the_kit_and_all_their_joints_mate(): void
    {
        $proposals = $this->getJson('/api/rigs/proposals')->assertOk()->json();
        $this->assertSame(['A tube behind a lens', 'A lens turned round on bellows', 'A close-up lens in front'], array_column($proposals, 'title'));
        foreach ($proposals as $proposal) {
            $made = $this->postJson('/api/rigs', ['camera' => $proposal['camera'], 'parts' => $proposal['parts']])->assertCreated()->json();
            $this->assertSame($proposal['names'], [$made['camera']['name'], ...array_column($made['chain'], 'name')]);
            $core = RigFile::parse((string) $this->get("/api/rigs/{$made['id']}/file")->getContent());
            $behind = null;
            foreach ($core->chain as $part) {
                $this->assertTrue(Mating::of(Camera::from(new Values($core->camera->document->fields)), $behind, $part)->holds(), $proposal['title']);
                $behind = $part;
            }
            $this->assertEqualsWithDelta($proposal['greatestMagnification'], $made['range']['magnification']['greatest'], 1e-6);
        }
        $this->postJson('/api/rigs', ['camera' => 1])->assertStatus(422)->assertJsonStructure(['errors' => ['camera']]);
        $this->postJson('/api/rigs', ['parts' => [999999999]])->assertStatus(422);
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
