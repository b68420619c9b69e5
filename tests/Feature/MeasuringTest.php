<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Bench\RigStore;
use App\Kit\CarryOver;
use App\Models\Kit;
use App\Models\Part;
use App\Models\Rig;
use App\Models\User;
use Tests\TestCase;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Report\RigReport;

/** Lenses settled from what was measured with them: shots kept, figures derived, taken back, carried over. */
final class MeasuringTest extends TestCase
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

    public function test_a_shot_the_usual_way_leaves_the_register_and_moves_the_focal_length(): void
    {
        $lens = $this->part('Moor 50');
        // It is one of 51.6 mm, of a principal gap of -6 mm.
        $true = ['focalLengthMm' => 51.6, 'principalGapMm' => -6, 'focusing' => 'fixed'] + get_object_vars($lens->document);
        $m = $this->read($true, 31)->reading->magnification;
        $pixels = $m * 20 / (36 / 7360);
        $seen = $this->measure($lens, ['keep' => false, 'shots' => [$this->shot(['spacersMm' => 31, 'pixels' => $pixels, 'rulerMm' => 20])]]);
        $this->assertFalse($seen['kept']);
        $this->assertSame($lens->version, $lens->refresh()->version);
        $kept = $this->measure($lens, ['keep' => true, 'shots' => [$this->shot(['spacersMm' => 31, 'pixels' => $pixels, 'rulerMm' => 20])]]);
        $this->assertSame($seen['figures'], $kept['figures']);
        $document = get_object_vars($lens->refresh()->document);
        $this->assertSame([50, 44.5], [$document['focalLengthMm'], $document['registerMm']], 'nothing is overwritten');
        $figures = array_column($kept['figures'], null, 'field');
        $this->assertEqualsWithDelta(44.5, $figures['registerMm']['new'], 0.05);
        $this->assertEqualsWithDelta(51.6, $figures['focalLengthMm']['new'], 0.3);
        $this->assertLessThan(0.5 * $figures['focalLengthMm']['oldHalfWidth'], $figures['focalLengthMm']['newHalfWidth']);

        // On its own camera it reaches infinity as ever.
        $bare = $this->read($document, 0);
        $this->assertTrue($bare->infinity->reached);
        $this->assertNull($bare->infinity->furthestSubjectMm);
        // The rig that was just measured is sure to what the ruler was.
        $there = $this->read($document, 31);
        $this->assertEqualsWithDelta($m, $there->reading->magnification, 0.002 * $m);
        $this->assertLessThan(0.01 * $m, $there->halfWidths['magnification']);
        // Elsewhere, and the other way round, the truth lies within what is said.
        $other = $this->read($document, 12);
        $this->assertEqualsWithDelta($this->read($true, 12)->reading->magnification, $other->reading->magnification, 0.005 * $m);
        $turned = $this->read($document, 4, true);
        $truth = $this->read($true, 4, true)->reading->magnification;
        $this->assertEqualsWithDelta($truth, $turned->reading->magnification, $turned->halfWidths['magnification']);
        $this->assertLessThan(0.15 * $truth, abs($turned->reading->magnification - $truth));
    }

    public function test_a_shot_turned_round_tells_the_other_way_and_not_the_register(): void
    {
        $lens = $this->part('Moor 50');
        $true = ['focalLengthMm' => 51.6, 'principalGapMm' => -6, 'focusing' => 'fixed'] + get_object_vars($lens->document);
        $there = $this->read($true, 60, true)->reading;
        $ring = $this->part('Reversing ring 52');
        $kept = $this->measure($lens, ['keep' => true, 'shots' => [$this->shot([
            'reversed' => true, 'between' => [['part' => $ring->id]], 'spacersMm' => 56, 'magnification' => $there->magnification, 'workingDistanceMm' => $there->workingDistanceMm,
        ])]]);
        $this->assertSame(['magnification', 'workingDistanceMm'], array_column($kept['shots'][0]['readings'], 'reading'));
        $document = get_object_vars($lens->refresh()->document);
        $this->assertSame(44.5, $document['registerMm']);
        $this->assertTrue($this->read($document, 0)->infinity->reached);
        $told = $this->read($document, 60, true);
        $this->assertEqualsWithDelta($there->magnification, $told->reading->magnification, 0.01 * $there->magnification);
        $this->assertEqualsWithDelta($there->workingDistanceMm, $told->reading->workingDistanceMm, 1.0);
        $other = $this->read($document, 20, true);
        $this->assertEqualsWithDelta($this->read($true, 20, true)->reading->magnification, $other->reading->magnification, 0.02);
        $usual = $this->read($document, 31);
        $this->assertEqualsWithDelta($this->read($true, 31)->reading->magnification, $usual->reading->magnification, $usual->halfWidths['magnification']);
    }

    public function test_a_closest_focus_alone_keeps_the_ring(): void
    {
        $lens = $this->part('Moor 50');
        $fields = array_diff_key(get_object_vars($lens->document), ['maxMagnification' => 0]);
        $this->putJson($this->at("parts/{$lens->id}"), ['version' => $lens->version, 'part' => ['kind' => 'lens'] + $fields])->assertOk();
        $rig = $this->postJson('/api/rigs', ['kit' => $this->kit->id, 'camera' => $this->part('Body B')->id, 'parts' => [$lens->id]])->assertSuccessful()->json();
        $this->assertContains('focus', array_column($rig['travels'], 'kind'));
        $filled = array_values(array_filter($rig['takenAs'], static fn (array $each): bool => $each['field'] === 'maxMagnification'));
        $this->assertNull($filled[0]['given']);
        $this->assertEqualsWithDelta(0.141, $filled[0]['taken'], 0.01);
        // At its closest every reading that rests on it says so.
        $focus = array_values(array_filter($rig['travels'], static fn (array $each): bool => $each['kind'] === 'focus'))[0];
        $near = $this->postJson("/api/rigs/{$rig['id']}/steps", ['revision' => $rig['revision'], 'id' => fake()->uuid(), 'step' => ['action' => 'set', 'travel' => $focus['name'], 'value' => 1]])->assertOk()->json();
        $doubts = array_column($near['doubts'], null, 'reading');
        $this->assertSame(['a greatest magnification worked out from the closest focus'], $doubts['magnification']['rests']);
        $this->assertNotNull($doubts['magnification']['settle']);
        $this->assertLessThanOrEqual(0.5 * $doubts['magnification']['halfWidth'], $doubts['magnification']['after']);
    }

    public function test_shots_are_shown_with_what_is_left_over_and_go_with_one_press(): void
    {
        $lens = $this->part('Moor 50');
        $bellows = $this->part('Rail bellows');
        $zero = (float) ($bellows->document->scaleZeroMm ?? 0.0);
        $kept = $this->measure($lens, ['keep' => true, 'shots' => [
            $this->shot(['spacersMm' => 31, 'magnification' => 0.6055, 'note' => 'the window sill']),
            $this->shot(['between' => [['part' => $bellows->id, 'reads' => 50]], 'magnification' => (50 + $zero) / 51.2, 'workingDistanceMm' => 80]),
        ]]);
        $this->assertCount(2, $kept['shots']);
        $this->assertSame(['the window sill', 'Body B · Rail bellows at 50'], array_column($kept['shots'], 'note'));
        $this->assertSame(now()->toDateString(), $kept['shots'][0]['at']);
        $this->assertEqualsWithDelta(50 + $zero, $kept['shots'][1]['spacersMm'], 1e-9);
        foreach ($kept['shots'] as $shot) {
            foreach ($shot['readings'] as $reading) {
                $this->assertFalse($reading['odd']);
                $this->assertEqualsWithDelta($reading['measured'], $reading['settled'], 3.0 * $reading['halfWidth']);
            }
        }
        // Rigs have the measures, and nobody's notes.
        $this->assertStringNotContainsString('window sill', (string) json_encode(RigStore::inRig($lens->refresh())));
        $this->assertStringContainsString('0.6055', (string) json_encode(RigStore::inRig($lens)));
        $after = $this->measure($lens, ['keep' => true, 'takeBack' => [0]]);
        $this->assertSame(['Body B · Rail bellows at 50'], array_column($after['shots'], 'note'));
        $none = $this->measure($lens->refresh(), ['keep' => true, 'takeBack' => [0]]);
        $this->assertSame([], $none['shots']);
        $this->assertFalse(isset($lens->refresh()->document->shots), 'and all is as it was');
        $this->postJson($this->at('undo'), ['revision' => $this->kit->refresh()->revision])->assertOk();
        $this->assertCount(1, $lens->refresh()->document->shots);
    }

    public function test_what_changes_in_kept_rigs_stands_beside_it(): void
    {
        $lens = $this->part('Moor 50');
        $named = Rig::query()->where('user_id', $this->user->id)->whereNotNull('name')->whereHas('parts', fn ($parts) => $parts->where('part_id', $lens->id))->pluck('name')->sort()->values()->all();
        $this->assertNotSame([], $named);
        $shot = $this->shot(['spacersMm' => 31, 'magnification' => 0.6055, 'workingDistanceMm' => 97]);
        $seen = $this->measure($lens, ['keep' => false, 'shots' => [$shot]]);
        $this->assertSame($named, collect($seen['rigs'])->pluck('name')->sort()->values()->all());
        foreach ($seen['rigs'] as $rig) {
            $now = $this->getJson('/api/rigs/'.$rig['id'])->assertOk()->json();
            $this->assertEqualsWithDelta($now['readings']['magnification'], $rig['oldMagnification'], 1e-12);
            $this->assertLessThan($rig['oldWorkingDistanceHalfWidth'] * 1.001, $rig['newWorkingDistanceHalfWidth']);
        }
        $this->measure($lens, ['keep' => true, 'shots' => [$shot]]);
        foreach ($seen['rigs'] as $rig) {
            $now = $this->getJson('/api/rigs/'.$rig['id'])->assertOk()->json();
            $this->assertEqualsWithDelta($now['readings']['magnification'], $rig['newMagnification'], 1e-12, 'as was shown');
            $this->assertEqualsWithDelta($now['readings']['workingDistanceMm'], $rig['newWorkingDistanceMm'], 1e-9);
        }
        $this->assertSame([], $this->measure($lens->refresh(), ['keep' => false])['rigs'], 'nothing changes, nothing is shown');
    }

    public function test_a_window_pupils_and_the_station_of_a_zoom(): void
    {
        $lens = $this->part('Process 62');
        $window = $this->measure($lens, ['keep' => true, 'window' => ['flangeToPictureMm' => 45.1]]);
        $figures = array_column($window['figures'], null, 'field');
        $this->assertTrue($window['shots'][0]['window']);
        $this->assertGreaterThan($figures['registerMm']['old'], $figures['registerMm']['new']);
        $this->assertLessThan($figures['registerMm']['oldHalfWidth'], $figures['registerMm']['newHalfWidth']);
        $pupils = $this->measure($lens->refresh(), ['keep' => true, 'pupils' => ['exitMm' => 20, 'entranceMm' => 12.5]]);
        $this->assertTrue($pupils['pupils']);
        $this->assertEqualsWithDelta(1.6, array_column($pupils['figures'], null, 'field')['pupilRatio']['new'], 1e-9);
        $this->assertSame(['shots', 'pupils'], array_slice($this->kitPart('Process 62')['measured'], -2));

        $zoom = $this->part('Sedge 24–70');
        $this->postJson($this->at("parts/{$zoom->id}/measure"), ['version' => $zoom->version, 'keep' => false, 'zoomMm' => 40, 'shots' => [$this->shot(['spacersMm' => 9, 'magnification' => 0.38])]])->assertUnprocessable()->assertJsonValidationErrors(['zoomMm']);
        $this->measure($zoom, ['keep' => true, 'zoomMm' => 24, 'shots' => [$this->shot(['spacersMm' => 9, 'magnification' => 0.38])]]);
        $stations = $zoom->refresh()->document->stations;
        $this->assertCount(1, $stations[0]->shots);
        $this->assertFalse(isset($stations[1]->shots));
        $this->assertSame(40, $stations[0]->principalGapMm, 'the rest of the station is as it was');
        $this->assertSame([], $this->measure($zoom, ['keep' => false, 'zoomMm' => 70])['shots']);
    }

    public function test_somebody_else_s_version_is_refused(): void
    {
        $lens = $this->part('Moor 50');
        $this->postJson($this->at("parts/{$lens->id}/measure"), ['version' => $lens->version + 1, 'keep' => true, 'window' => ['flangeToPictureMm' => 45]])->assertConflict();
        $this->assertFalse(isset($lens->refresh()->document->shots));
        $stranger = $this->guest();
        $this->actingAs($stranger);
        $this->postJson($this->at("parts/{$lens->id}/measure"), ['version' => $lens->version, 'keep' => true, 'window' => ['flangeToPictureMm' => 45]])->assertNotFound();
        $this->postJson($this->at('lens'), ['part' => ['kind' => 'lens', 'focalLengthMm' => 50, 'frontRimMm' => 40]])->assertNotFound();
    }

    public function test_after_each_answer_it_is_said_how_sure_the_lens_has_become(): void
    {
        $ask = fn (array $fields): array => $this->postJson($this->at('lens'), ['part' => ['kind' => 'lens', 'focalLengthMm' => 50, 'frontRimMm' => 40] + $fields])->assertOk()->json();
        $little = $ask([]);
        $this->assertSame(20.0, (float) $little['spacersMm']);
        $this->assertSame(['registerMm'], array_column($little['takenAs'], 'field'));
        $halves = [];
        foreach ([[], ['registerMm' => 44.5], ['registerMm' => 44.5, 'design' => 'symmetrical'], ['registerMm' => 44.5, 'design' => 'symmetrical', 'minFocusMm' => 432, 'maxMagnification' => 0.15, 'focusing' => 'unit']] as $fields) {
            $halves[] = $ask($fields)['workingDistanceHalfWidth'];
        }
        $this->assertSame($halves, collect($halves)->sortDesc()->values()->all(), 'every answer helps');
        $macro = $ask(['registerMm' => 44.5, 'minFocusMm' => 195, 'maxMagnification' => 1, 'focusing' => 'unit']);
        $this->assertSame([0.0, 1.0], [(float) $macro['spacersMm'], round($macro['magnification'], 1)], 'used by its own ring');
        $this->assertSame($this->kit->revision, $this->kit->refresh()->revision, 'nothing is kept');
    }

    public function test_lenses_that_a_ruler_rewrote_are_carried_over_as_their_shot_where_it_can_be_told(): void
    {
        // As one picture of 0.6 on 31 mm, good to 0.4 %, with 97 mm of working distance, left it: R' = z0 - M f, g' = WD + rim - f (2 + 1/M) + R'.
        [$f, $rim, $m, $h, $z0, $working] = [50.0, 38.0, 0.6, 0.0024, 75.5, 97.0];
        $register = $z0 - $m * $f;
        $gap = $working + $rim - $f * (2.0 + 1.0 / $m) + $register;
        $usual = $this->rewrite('Moor 50', $register, $gap, $h * $f, hypot(hypot(0.5, $h * $f), $f * $h / ($m * $m)));
        // Turned round at 2.4 on 80 mm, with 61 mm: R' = protrusion + WD - f/M, g' = rim + R' - (M + 2) f + z0.
        [$m, $h, $z0, $working, $f, $rim] = [2.4, 0.012, 124.5, 61.0, 35.0, 47.0];
        $protrusion = (float) ($this->part('Fell 35')->document->rearProtrusionMm ?? 0.0);
        $register = $protrusion + $working - $f / $m;
        $half = hypot(0.5, $f * $h / ($m * $m));
        $turned = $this->rewrite('Fell 35', $register, $rim + $register - ($m + 2.0) * $f + $z0, $half, hypot($half, $h * $f));
        // Without a working distance nothing tells how large the picture was.
        $bare = $this->rewrite('Brae 180', 46.2, null, 0.9, null);
        $before = clone $bare->document;

        $this->assertSame([2, 1], app(CarryOver::class)->all());
        foreach ([[$usual, 0.6, 31.0, 97.0, false], [$turned, 2.4, 80.0, 61.0, true]] as [$part, $m, $spacers, $working, $reversed]) {
            $document = $part->refresh()->document;
            $this->assertSame(44.5, (float) $document->registerMm, $part->name);
            $this->assertFalse(isset($document->principalGapMm), 'what was rewritten is worked out again');
            [$shot] = $document->shots;
            $this->assertEqualsWithDelta($m, $shot->magnification, 1e-4);
            $this->assertEqualsWithDelta($spacers, $shot->spacersMm, 1e-2);
            $this->assertEqualsWithDelta($working, $shot->workingDistanceMm, 1e-2);
            $this->assertSame($reversed, $shot->reversed ?? false);
        }
        $this->assertEquals($before, $bare->refresh()->document);
        $this->assertTrue($this->measure($bare, ['keep' => false])['rewritten'], 'and says so');
        $this->assertFalse($this->measure($usual, ['keep' => false])['rewritten']);
        $this->assertSame([0, 1], app(CarryOver::class)->all(), 'once is enough');
    }

    /** A lens as it stood after it was measured before shots were kept. */
    private function rewrite(string $name, float $register, ?float $gap, float $half, ?float $halfGap): Part
    {
        $part = $this->part($name);
        $document = (object) array_diff_key(get_object_vars($part->document), ['principalGapMm' => 0, 'measured' => 0, 'pupilRatio' => 0]);
        $document->registerMm = round($register, 6);
        $document->measured = (object) array_filter(['registerMm' => round($half, 6), 'principalGapMm' => $halfGap === null ? null : round($halfGap, 6)]);
        if ($gap !== null) {
            $document->principalGapMm = round($gap, 6);
        }
        $part->document = $document;
        $part->save();

        return $part->refresh();
    }

    /** @param  array<string, mixed>  $fields */
    private function read(array $fields, float $spacersMm, bool $reversed = false): RigReport
    {
        $rig = ['format' => RigFile::FORMAT, 'version' => 1, 'camera' => ['registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24]], 'chain' => [
            ['kind' => 'tube', 'lengthMm' => $spacersMm], ['kind' => 'lens', 'reversed' => $reversed, 'set' => ['focus' => 0]] + $fields,
        ]];

        return RigReport::of(RigFile::read(json_decode((string) json_encode($rig))));
    }

    public function test_a_ruler_of_nothing_measures_nothing(): void
    {
        $lens = $this->part('Moor 50');
        foreach (['rulerMm' => [0, -1, 3001], 'magnification' => [0, -1, 101]] as $name => $bad) {
            foreach ($bad as $value) {
                $this->postJson($this->at("parts/{$lens->id}/measure"), ['version' => $lens->version, 'keep' => false, 'shots' => [$this->shot(['spacersMm' => 31, 'pixels' => 900, $name => $value])]])
                    ->assertStatus(422)->assertJsonValidationErrors("shots.0.{$name}");
            }
        }
    }

    /**
     * @param  array<string, mixed>  $fields
     * @return array<string, mixed>
     */
    private function shot(array $fields): array
    {
        return $fields + ['camera' => $this->part('Body B')->id, 'reversed' => false];
    }

    /**
     * @param  array<string, mixed>  $body
     * @return array<string, mixed>
     */
    private function measure(Part $lens, array $body): array
    {
        return $this->postJson($this->at("parts/{$lens->id}/measure"), $body + ['version' => $lens->refresh()->version])->assertOk()->json();
    }

    private function at(string $address): string
    {
        return "/api/kits/{$this->kit->id}/{$address}";
    }

    private function part(string $name): Part
    {
        return $this->kit->parts()->where('name', $name)->firstOrFail();
    }

    /** @return array<string, mixed> */
    private function kitPart(string $name): array
    {
        $parts = $this->getJson("/api/kits/{$this->kit->id}")->assertOk()->json('parts');

        return array_values(array_filter($parts, static fn (array $each): bool => $each['part']['name'] === $name))[0];
    }
}
