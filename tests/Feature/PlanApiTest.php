<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Bench\RigStore;
use App\Models\Part;
use App\Models\Rig;
use App\Models\User;
use App\Plan\GearAtHand;
use Tests\TestCase;
use ZincThimble\Core\Plan\AsEngraved;
use ZincThimble\Core\Plan\Bracketing;
use ZincThimble\Core\Plan\FlashPlan;
use ZincThimble\Core\Plan\LightFigures;
use ZincThimble\Core\Plan\LightTable;
use ZincThimble\Core\Plan\RailProgram;
use ZincThimble\Core\Plan\Shots;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\Rig as CoreRig;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Rig\Travels;
use ZincThimble\Core\Tests\Columns;

/** Light and shots over HTTP: the core's figures by name, the kit's gear, the plan in the rig's history, a step measured once. */
final class PlanApiTest extends TestCase
{
    private User $user;

    private Rig $rig;

    protected function setUp(): void
    {
        parent::setUp();
        $this->user = $this->guest();
        $this->actingAs($this->user);
        $this->rig = $this->rigOf($this->user, 'Tower clock tooth');
    }

    /** @param  array<string, mixed>  $document */
    private function describe(array $document): void
    {
        $this->postJson("/api/rigs/{$this->rig->id}/steps", ['revision' => $this->rig->refresh()->revision, 'step' => ['action' => 'describe', 'document' => $document]])->assertOk();
        $this->rig->refresh();
    }

    /** @param  array<string, mixed>  $plan */
    private function plan(array $plan): void
    {
        $this->describe(['conditions' => ['plan' => (object) $plan] + (array) $this->rig->refresh()->conditions]);
    }

    /** The rig as the plan is worked out for: with the kit's own flash, lamp and rail. */
    private function core(): CoreRig
    {
        $core = $this->app->make(RigStore::class)->read($this->rig->refresh()->load('parts'));
        $plan = GearAtHand::completed($core->conditions->document->object('plan')->fields, $this->app->make(GearAtHand::class)->of($this->rig));

        if (isset($plan['flash']) && ! isset($plan['flash']['distanceMm'])) {
            $plan['flash']['distanceMm'] = round(FlashPlan::usualMm(Reading::of($core)->workingDistanceMm));
        }

        return $core->withConditions($core->conditions->with(['plan' => $plan]));
    }

    public function test_figures_of_light_are_the_cores_as_it_stands_and_at_every_place(): void
    {
        $this->describe(['conditions' => ['ev' => 8, 'iso' => 200, 'support' => 'braced'], 'subject' => ['widthMm' => 40, 'depthMm' => 2.5, 'acrossMmS' => 3]]);
        $told = $this->getJson("/api/rigs/{$this->rig->id}/light")->assertOk()->json();
        $core = $this->core();
        $this->assertSame($this->rig->revision, $told['revision']);
        $this->assertSame(['Small flash', 'Desk lamp', 'Focusing rail'], [$told['flashes'][0]['name'], $told['lamps'][0]['name'], $told['rails'][0]['name']]);
        $this->assertEquals(['name' => 'Small flash', 'guideNumber' => 20, 'recycleS' => 4, 'distanceMm' => 180], $told['plan']['flash']);
        $this->assertEquals(['name' => 'Focusing rail', 'pitchMm' => 1.25, 'travelMm' => 90], $told['plan']['rail']);
        $this->assertArrayNotHasKey('light', $told['plan'], 'what the kit has is no decision');
        $figures = LightFigures::of($core)->toArray();
        $this->assertSame(array_keys($figures), array_keys($told['figures']));
        foreach ($figures as $name => $figure) {
            $figure === null ? $this->assertNull($told['figures'][$name], $name) : $this->assertEqualsWithDelta($figure, $told['figures'][$name], 1e-9 * max(1.0, abs($figure)), $name);
        }
        $this->assertGreaterThan(0.0, $told['figures']['gapStops']);
        foreach (Travels::of($core) as $travel) {
            $sweep = Columns::unpacked($this->getJson("/api/rigs/{$this->rig->id}/light/sweep?travel={$travel->name()}")->assertOk()->json());
            $table = LightTable::along($core, $travel);
            $this->assertSame([$travel->name(), $this->rig->revision, count($table->positions)], [$sweep['travel'], $sweep['revision'], count($sweep['positions'])]);
            foreach ($table->columns as $name => $column) {
                foreach ($column as $row => $figure) {
                    $figure === null ? $this->assertNull($sweep['columns'][$name][$row]) : $this->assertEqualsWithDelta($figure, $sweep['columns'][$name][$row], 1e-6 * max(1.0, abs($figure)), $name);
                }
            }
        }
        $this->getJson("/api/rigs/{$this->rig->id}/light/sweep?travel=9.focus")->assertStatus(422)->assertJsonPath('errors.travel.0', 'This rig has no such control.');
    }

    public function test_only_what_lies_in_the_rigs_own_kit_is_offered(): void
    {
        $others = $this->guest();
        foreach ([$others, $this->user] as $n => $owner) {
            // Of the same person too: another kit is another bag.
            $kit = $owner->kits()->create(['name' => 'Another bag', 'currency' => null, 'extra' => new \stdClass]);
            foreach (['flash' => ['guideNumber' => 58], 'lamp' => ['watts' => 100], 'rail' => ['pitchMm' => 2, 'travelMm' => 100]] as $kind => $fields) {
                $this->actingAs($owner)->postJson("/api/kits/{$kit->id}/parts", ['parts' => [['kind' => $kind, 'name' => "Other {$kind} {$n}"] + $fields]])->assertCreated();
            }
        }
        $this->actingAs($this->user);
        Part::query()->where('kit_id', $this->rig->kit_id)->where('kind', 'lamp')->update(['count' => 0]);
        $told = $this->getJson("/api/rigs/{$this->rig->id}/light")->assertOk()->json();
        $this->assertSame([['Small flash'], [], ['Focusing rail']], [array_column($told['flashes'], 'name'), $told['lamps'], array_column($told['rails'], 'name')]);
        $this->assertArrayNotHasKey('lamp', $told['plan']);
    }

    public function test_a_flash_stands_beside_the_front_where_that_is_further_off(): void
    {
        $this->rig = $this->rigOf($this->user, 'Dragonfly from the dyke path');
        $told = $this->getJson("/api/rigs/{$this->rig->id}/light")->assertOk()->json();
        $room = (float) Reading::of($this->app->make(RigStore::class)->read($this->rig->load('parts')))->workingDistanceMm;
        $this->assertGreaterThan(300.0, $room);
        $this->assertEquals(round($room), $told['plan']['flash']['distanceMm']);
    }

    public function test_what_is_planned_is_a_step_and_stands_on_the_sheet_and_in_the_file(): void
    {
        $this->describe(['conditions' => ['ev' => 8, 'iso' => 200, 'support' => 'braced'], 'subject' => ['widthMm' => 40, 'depthMm' => 2.5]]);
        $flash = ['name' => 'Small flash', 'guideNumber' => 20, 'recycleS' => 4, 'distanceMm' => 220];
        $this->plan(['light' => 'flash', 'flash' => $flash]);
        $this->assertSame('plan with a flash', $this->getJson("/api/rigs/{$this->rig->id}")->json('history.undo'));
        $this->plan(['light' => 'flash', 'flash' => $flash, 'by' => 'rail', 'rail' => ['name' => 'Focusing rail', 'pitchMm' => 1.25]]);
        $this->assertSame('plan a stack by the rail', $this->getJson("/api/rigs/{$this->rig->id}")->json('history.undo'));
        $this->plan(['light' => 'flash', 'flash' => ['distanceMm' => 200] + $flash, 'by' => 'rail', 'rail' => ['name' => 'Focusing rail', 'pitchMm' => 1.25]]);
        $this->assertSame('change the plan', $this->getJson("/api/rigs/{$this->rig->id}")->json('history.undo'));
        $file = json_decode((string) $this->get("/api/rigs/{$this->rig->id}/file")->getContent(), true);
        $this->assertEquals(200, $file['conditions']['plan']['flash']['distanceMm']);
        $shots = Shots::planned($this->core());
        $sheet = (string) $this->get("/api/rigs/{$this->rig->id}/sheet?as=text")->getContent();
        foreach (['Small flash', (string) $shots->flash?->powerSaid(), 'Focusing rail: its way', $shots->frames().' frames'] as $words) {
            $this->assertStringContainsString($words, $sheet);
        }
        $this->postJson("/api/rigs/{$this->rig->id}/undo", ['revision' => $this->rig->revision])->assertOk()->assertJsonPath('conditions.plan.flash.distanceMm', 220);
        $this->postJson("/api/rigs/{$this->rig->id}/steps", ['revision' => $this->rig->refresh()->revision, 'step' => ['action' => 'describe', 'document' => ['conditions' => ['plan' => ['light' => 'candle', 'flash' => ['guideNumber' => -1]]]]]])
            ->assertStatus(422)->assertJsonPath('errors.*.pointer', ['/conditions/plan/light', '/conditions/plan/flash/guideNumber']);
    }

    public function test_only_what_is_said_changes_so_that_quick_hands_lose_nothing(): void
    {
        $this->describe(['conditions' => ['ev' => 8, 'iso' => 200, 'plan' => ['light' => 'flash', 'flash' => ['guideNumber' => 20, 'distanceMm' => 180]]], 'subject' => ['name' => 'Tooth', 'depthMm' => 2]]);
        $merge = function (array $document): array {
            return $this->postJson("/api/rigs/{$this->rig->id}/steps", ['revision' => $this->rig->refresh()->revision, 'step' => ['action' => 'describe', 'merge' => true, 'document' => $document]])->assertOk()->json();
        };
        $merge(['conditions' => ['iso' => 400, 'plan' => ['flash' => ['distanceMm' => 150]]]]);
        $told = $merge(['conditions' => ['plan' => ['flash' => ['diffuserStops' => 1], 'overlap' => 0.3]], 'subject' => ['depthMm' => 3]]);
        $this->assertEquals(['ev' => 8, 'iso' => 400, 'plan' => ['light' => 'flash', 'flash' => ['guideNumber' => 20, 'distanceMm' => 150, 'diffuserStops' => 1], 'overlap' => 0.3]], $told['conditions']);
        $this->assertEquals(['name' => 'Tooth', 'depthMm' => 3], $told['subject']['document']);
        $told = $merge(['conditions' => ['ev' => null, 'plan' => ['overlap' => null, 'flash' => null]]]);
        $this->assertEquals(['iso' => 400, 'plan' => ['light' => 'flash']], $told['conditions']);
        $this->assertNull($merge(['subject' => null])['subject']);
        $this->assertEquals(['depthMm' => 1], $merge(['subject' => ['depthMm' => 1]])['subject']['document']);
        // Without it, each is replaced whole.
        $this->describe(['conditions' => ['iso' => 100]]);
        $this->assertEquals(['iso' => 100], (array) $this->rig->conditions);
        $this->postJson("/api/rigs/{$this->rig->id}/steps", ['revision' => $this->rig->revision, 'step' => ['action' => 'describe', 'merge' => 'yes', 'document' => ['conditions' => ['iso' => 1]]]])->assertStatus(422);
    }

    public function test_shots_by_every_way_are_the_cores_by_name(): void
    {
        $this->plan(['overlap' => 0.3, 'settleS' => 3, 'betweenS' => 1, 'batteryFrames' => 5]);
        $told = $this->getJson("/api/rigs/{$this->rig->id}/shots")->assertOk()->json();
        $shots = Shots::planned($this->core());
        $rail = $shots->rail;
        $this->assertNotNull($rail);
        $this->assertNotNull($shots->best);
        $near = fn (?float $figure, string $name, mixed $in = null) => $this->assertEqualsWithDelta($figure, data_get($in ?? $told, $name), 1e-9, $name);
        foreach (['depthMm' => $shots->fall?->depthMm, 'sagMm' => $shots->fall?->sagMm, 'focusedAt' => $shots->fall?->focusedAt, 'singleAperture' => $shots->best->single, 'singleBlurMm' => $shots->blurMm, 'singleBlurPixels' => (float) $shots->blurMm / (float) $shots->rig->frame->pitchMm(), 'stackAperture' => $shots->best->stacking,
            'sliceMm' => $shots->sliceMm, 'overlap' => 0.3, 'seconds' => $shots->seconds(), 'scaleChange' => $shots->scaleChange, 'settleS' => 3.0, 'betweenS' => 1.0,
            'rail.wayMm' => $rail->railMm()[$rail->frames() - 1], 'rail.stepMm' => $rail->stepMm, 'rail.turnsAFrame' => $rail->turnsAFrame(), 'rail.seconds' => $shots->secondsOf($rail->frames())] as $name => $figure) {
            $near($figure, $name);
        }
        $this->assertSame([$this->rig->revision, null, $shots->frames(), 5, $rail->frames(), 100, null, null], [$told['revision'], $told['by'], $told['frames'], $told['batteryFrames'], $told['rail']['frames'], $told['rail']['lines'], $told['railTrouble'], $told['ringTrouble']]);
        foreach ($rail->dial() as $n => $dial) {
            $this->assertEqualsWithDelta($rail->railMm()[$n], $told['rail']['at'][$n]['mm'], 1e-9);
            $this->assertSame($dial, ['turns' => $told['rail']['at'][$n]['turns'], 'line' => $told['rail']['at'][$n]['line']]);
        }
        $this->assertNull($told['ring'], 'its lens has no ring');
        $this->assertSame([null, null, false], [$told['bracketLens'], $told['bracketPart'], $told['bracketMeasured']]);
        $this->assertSame(RailProgram::of($rail, 'Tower clock tooth', settleS: 3.0)->text(), $this->get("/api/rigs/{$this->rig->id}/rail-program")->assertOk()->assertHeader('Content-Disposition', 'attachment; filename="tower-clock-tooth.nc"')->getContent());

        $this->plan(['rail' => ['pitchMm' => 1000, 'steps' => 1]]);
        $this->assertStringContainsString('one step of this rail', $this->getJson("/api/rigs/{$this->rig->id}/shots")->assertOk()->json('railTrouble'));
        $this->getJson("/api/rigs/{$this->rig->id}/rail-program")->assertStatus(422);
    }

    public function test_a_focus_step_is_measured_once_and_kept_with_the_lens(): void
    {
        $lens = Part::query()->where('kit_id', $this->rig->kit_id)->where('name', 'Fell 105 macro')->firstOrFail();
        $camera = Part::query()->where('kit_id', $this->rig->kit_id)->where('kind', 'camera')->oldest('position')->firstOrFail();
        $adapter = Part::query()->where('kit_id', $this->rig->kit_id)->where('name', 'Tern to Larch')->firstOrFail();
        $this->rig = Rig::query()->findOrFail($this->postJson('/api/rigs', ['kit' => $this->rig->kit_id, 'camera' => $camera->id, 'parts' => [$adapter->id, $lens->id]])->assertCreated()->json('id'));
        $this->postJson("/api/rigs/{$this->rig->id}/steps", ['revision' => $this->rig->refresh()->revision, 'step' => ['action' => 'set', 'travel' => '1.focus', 'value' => 0.6]])->assertOk();
        $this->describe(['subject' => ['depthMm' => 3]]);
        $told = $this->getJson("/api/rigs/{$this->rig->id}/shots")->json();
        $this->assertSame(['Fell 105 macro', $lens->id, false, null], [$told['bracketLens'], $told['bracketPart'], $told['bracketMeasured'], $told['bracketing']]);
        $core = $this->core();
        $ring = Shots::planned($core)->ring;
        $this->assertNotNull($ring);
        $this->assertSame(count($ring->frames), count($told['ring']['frames']));
        foreach ($ring->frames as $n => $frame) {
            foreach (['focus', 'planeMm', 'fieldMm', 'sliceMm'] as $name) {
                $this->assertEqualsWithDelta($frame->{$name}, $told['ring']['frames'][$n][$name], 1e-9);
            }
        }
        $stacked = Shots::planned($core)->stacked;
        $this->assertNotNull($stacked);
        $this->assertSame(AsEngraved::finely($stacked, 1, $ring->frames[1]->focus), $told['ring']['frames'][1]['said']);

        // Every frame is told apart from its neighbour.
        $this->assertCount(count($ring->frames), array_unique(array_column($told['ring']['frames'], 'said')));

        $moved = (float) Reading::of($core->with(TravelKind::Focus, 1, 0.6 - 4 * 3 * 0.0015))->subjectDistanceMm - (float) Reading::of($core)->subjectDistanceMm;
        $this->postJson("/api/rigs/{$this->rig->id}/bracketing", ['revision' => $this->rig->revision + 1, 'setting' => 3, 'frames' => 5, 'movedMm' => $moved])->assertStatus(409);
        foreach ([['setting' => 11], ['setting' => 0], ['frames' => 1], ['frames' => 1000], ['movedMm' => 0]] as $wrong) {
            $this->postJson("/api/rigs/{$this->rig->id}/bracketing", $wrong + ['revision' => $this->rig->revision, 'setting' => 3, 'frames' => 5, 'movedMm' => $moved])->assertStatus(422)->assertJsonStructure(['errors' => [array_key_first($wrong)]]);
        }
        $told = $this->postJson("/api/rigs/{$this->rig->id}/bracketing", ['revision' => $this->rig->revision, 'setting' => 3, 'frames' => 5, 'movedMm' => $moved])->assertOk()->json();
        $this->assertTrue($told['bracketMeasured']);
        $this->assertEqualsWithDelta(0.0015, $lens->refresh()->document->bracketStep, 1e-7);
        $found = Bracketing::through(Shots::planned($this->core())->stacked ?? $core, 3.0);
        $this->assertNotNull($found);
        $this->assertSame([$found->setting, $found->frames, $found->leavesGap], [$told['bracketing']['setting'], $told['bracketing']['frames'], $told['bracketing']['leavesGap']]);
        foreach (['widestMm', 'firstFieldMm', 'lastFieldMm'] as $name) {
            $this->assertEqualsWithDelta($found->{$name}, $told['bracketing'][$name], 1e-9);
        }
        $this->assertCount($found->frames, $told['bracketing']['planesMm']);
        // The rig follows its lens, as after every correction of the kit.
        $this->assertEqualsWithDelta(0.0015, $this->rig->refresh()->load('parts')->parts[1]->document->bracketStep, 1e-7);
    }

    public function test_a_lens_of_no_kit_keeps_no_step(): void
    {
        $document = ['format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => ['joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24]], 'chain' => [
            ['kind' => 'lens', 'name' => 'Lent 100', 'rear' => 'larch', 'focalLengthMm' => 100, 'registerMm' => 44.5, 'frontRimMm' => 80, 'focusing' => 'unit', 'design' => 'symmetrical', 'maxMagnification' => 1, 'set' => ['focus' => 0.5]],
        ]];
        $id = $this->postJson('/api/rigs/import', ['text' => json_encode($document)])->assertCreated()->json('id');
        $this->postJson("/api/rigs/{$id}/bracketing", ['revision' => 1, 'setting' => 1, 'frames' => 2, 'movedMm' => 0.5])->assertStatus(422)->assertJsonStructure(['errors' => ['rig']]);
        $this->assertNull($this->getJson("/api/rigs/{$id}/shots")->assertOk()->json('depthMm'));
    }
}
