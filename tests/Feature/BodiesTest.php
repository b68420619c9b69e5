<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Kit;
use App\Models\Part;
use App\Models\Rig;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Tests\TestCase;

/** Every field of every body that is sent: what it takes at its bounds, and that it is named where it is beyond them. Nothing refused changes anything. */
final class BodiesTest extends TestCase
{
    private User $user;

    private Rig $rig;

    private Kit $kit;

    protected function setUp(): void
    {
        parent::setUp();
        $this->user = $this->guest();
        $this->actingAs($this->user);
        $this->rig = $this->rigOf($this->user, 'Tower clock tooth');
        $this->kit = Kit::query()->findOrFail($this->rig->kit_id);
    }

    public function test_a_step(): void
    {
        $steps = fn (array $step): array => ['revision' => $this->rig->refresh()->revision, 'step' => $step];
        $address = "/api/rigs/{$this->rig->id}/steps";
        $tube = $this->part('Tube 9')->id;
        $set = ['action' => 'set', 'travel' => '3.aperture', 'value' => 8];
        $mend = ['action' => 'mend', 'code' => 'infinity-lost', 'index' => null, 'choice' => 0];
        $this->refuses('POST', $address, [
            'no revision' => [['step' => $set], 'revision'],
            'a revision of 0' => [['revision' => 0, 'step' => $set], 'revision'],
            'a revision in quotes' => [['revision' => '1', 'step' => $set], 'revision'],
            'a revision beyond any' => [['revision' => 2_000_000_001, 'step' => $set], 'revision'],
            'no step' => [['revision' => 1], 'step'],
            'a step that is a word' => [['revision' => 1, 'step' => 'set'], 'step'],
            'a number that is no number of a step' => [['id' => 'first', ...$steps($set)], 'id'],
            'nothing to do' => [$steps(['value' => 8]), 'step.action'],
            'something that is no step' => [$steps(['action' => 'polish'] + $set), 'step.action'],
            'a field of another step' => [$steps($set + ['index' => 1]), 'step'],
            'no control' => [$steps(['action' => 'set', 'value' => 8]), 'step.travel'],
            'the name of a control too long by one' => [$steps(['travel' => str_repeat('x', 41)] + $set), 'step.travel'],
            'no value' => [$steps(['action' => 'set', 'travel' => '3.aperture']), 'step.value'],
            'a value in quotes' => [$steps(['value' => '8'] + $set), 'step.value'],
            'a value below any' => [$steps(['value' => -100_001] + $set), 'step.value'],
            'a value above any' => [$steps(['value' => 100_001] + $set), 'step.value'],
            'a control that is on another rig' => [$steps(['travel' => '9.length'] + $set), 'travel'],
            'an opening wider than the widest' => [$steps(['value' => 3.9] + $set), 'value'],
            'an opening smaller than the smallest' => [$steps(['value' => 32.1] + $set), 'value'],
            'no joint to put it in' => [$steps(['action' => 'insert', 'parts' => [$tube]]), 'step.index'],
            'a joint before the camera' => [$steps(['action' => 'insert', 'index' => -1, 'parts' => [$tube]]), 'step.index'],
            'a joint beyond the front' => [$steps(['action' => 'insert', 'index' => 5, 'parts' => [$tube]]), 'index'],
            'a joint beyond any' => [$steps(['action' => 'insert', 'index' => 101, 'parts' => [$tube]]), 'step.index'],
            'nothing to put in' => [$steps(['action' => 'insert', 'index' => 1]), 'step.parts'],
            'an empty handful' => [$steps(['action' => 'insert', 'index' => 1, 'parts' => []]), 'step.parts'],
            'more than a handful' => [$steps(['action' => 'insert', 'index' => 1, 'parts' => array_fill(0, 13, $tube)]), 'step.parts'],
            'a part that is a name' => [$steps(['action' => 'insert', 'index' => 1, 'parts' => ['Tube 9']]), 'step.parts.0'],
            'a part that is nobody’s' => [$steps(['action' => 'insert', 'index' => 1, 'parts' => [$tube, 9_000_000_000_000]]), 'parts'],
            'a camera in the chain' => [$steps(['action' => 'insert', 'index' => 1, 'parts' => [$this->part('Body B')->id]]), 'parts'],
            'a part beyond any' => [$steps(['action' => 'insert', 'index' => 1, 'parts' => [9_000_000_000_001]]), 'step.parts.0'],
            'no part to take off' => [$steps(['action' => 'remove']), 'step.index'],
            'the part before the first' => [$steps(['action' => 'remove', 'index' => -1]), 'step.index'],
            'the part after the last' => [$steps(['action' => 'remove', 'index' => 4]), 'index'],
            'nothing to turn' => [$steps(['action' => 'turn']), 'step.index'],
            'a ring turned round' => [$steps(['action' => 'turn', 'index' => 2]), 'index'],
            'nowhere to move it' => [$steps(['action' => 'move', 'index' => 1]), 'step.to'],
            'moved past the last' => [$steps(['action' => 'move', 'index' => 1, 'to' => 4]), 'to'],
            'moved from past the last' => [$steps(['action' => 'move', 'index' => 4, 'to' => 1]), 'index'],
            'nothing to swap it for' => [$steps(['action' => 'swap', 'index' => 1]), 'step.part'],
            'swapped at no place' => [$steps(['action' => 'swap', 'index' => 4, 'part' => $tube]), 'index'],
            'swapped for a camera' => [$steps(['action' => 'swap', 'index' => 1, 'part' => $this->part('Body B')->id]), 'part'],
            'no camera' => [$steps(['action' => 'camera']), 'step.part'],
            'a tube for a camera' => [$steps(['action' => 'camera', 'part' => $tube]), 'part'],
            'no reading' => [$steps(['action' => 'solve', 'value' => 1]), 'step.reading'],
            'a reading there isn’t' => [$steps(['action' => 'solve', 'reading' => 'sharpness', 'value' => 1]), 'step.reading'],
            'a reading below nothing' => [$steps(['action' => 'solve', 'reading' => 'magnification', 'value' => -0.001]), 'step.value'],
            'a reading beyond any' => [$steps(['action' => 'solve', 'reading' => 'magnification', 'value' => 100_001]), 'step.value'],
            'nothing that moves focus' => [$steps(['action' => 'solve', 'reading' => 'magnification', 'value' => 0.6]), 'reading'],
            'nothing to describe' => [$steps(['action' => 'describe']), 'step.document'],
            'a chain described' => [$steps(['action' => 'describe', 'document' => ['chain' => []]]), 'step.document'],
            'a mend of nothing' => [$steps(['code' => 'rust'] + $mend), 'step.code'],
            'a mend about no place' => [$steps(['index' => -2] + $mend), 'step.index'],
            'a mend without a place' => [$steps(array_diff_key($mend, ['index' => 0])), 'step.index'],
            'a mend of no choice' => [$steps(array_diff_key($mend, ['choice' => 0])), 'step.choice'],
            'a choice before the first' => [$steps(['choice' => -1] + $mend), 'step.choice'],
            'a choice there isn’t' => [$steps(['choice' => 100] + $mend), 'code'],
        ]);
        // And at the bounds it is taken.
        foreach ([4, 32] as $widest) {
            $this->postJson($address, $steps(['value' => $widest] + $set))->assertOk()->assertJsonPath('travels.0.value', $widest);
        }
        $this->postJson($address, $steps(['action' => 'insert', 'index' => 4, 'parts' => [$this->part('Clip-on +10')->id]]))->assertOk();
        $this->postJson($address, $steps(['action' => 'remove', 'index' => 4]))->assertOk();
    }

    public function test_a_rigs_name_tags_and_copies(): void
    {
        $now = $this->rig->revision;
        $this->refuses('PUT', "/api/rigs/{$this->rig->id}/name", [
            'no name' => [['revision' => $now], 'name'],
            'a name too long by one' => [['revision' => $now, 'name' => str_repeat('é', 121)], 'name'],
            'a name over two lines' => [['revision' => $now, 'name' => "one\ntwo"], 'name'],
            'a number' => [['revision' => $now, 'name' => 7], 'name'],
            'no revision' => [['name' => 'Tooth'], 'revision'],
        ]);
        $this->refuses('PUT', "/api/rigs/{$this->rig->id}/tags", [
            'no tags' => [[], 'tags'],
            'one word' => [['tags' => 'clock'], 'tags'],
            'named tags' => [['tags' => ['a' => 'clock']], 'tags'],
            'too many by one' => [['tags' => array_map('strval', range(1, 21))], 'tags'],
            'an empty one' => [['tags' => ['clock', '']], 'tags.1'],
            'one too long by one' => [['tags' => [str_repeat('é', 41)]], 'tags.0'],
            'one with a bell in it' => [['tags' => ["bell\x07"]], 'tags.0'],
            'a number' => [['tags' => [7]], 'tags.0'],
        ]);
        $this->putJson("/api/rigs/{$this->rig->id}/name", ['revision' => $now, 'name' => str_repeat('é', 120)])->assertOk()->assertJsonPath('name', str_repeat('é', 120));
        $tags = array_map(static fn (int $n): string => $n.str_repeat('é', 38), range(10, 29));
        $this->putJson("/api/rigs/{$this->rig->id}/tags", ['tags' => $tags])->assertNoContent();
        $this->assertCount(20, (array) $this->rig->refresh()->tags);
    }

    public function test_a_rig_that_is_started_or_taken_in(): void
    {
        $this->refuses('POST', '/api/rigs', [
            'a kit that is a name' => [['kit' => 'bag'], 'kit'],
            'a kit of number 0' => [['kit' => 0], 'kit'],
            'a camera in quotes' => [['camera' => '4'], 'camera'],
            'parts that are one' => [['parts' => 4], 'parts'],
            'named parts' => [['parts' => ['first' => 4]], 'parts'],
            'too many by one' => [['parts' => range(1, 13)], 'parts'],
            'a part of number 0' => [['parts' => [0]], 'parts.0'],
        ]);
        $this->refuses('POST', '/api/rigs/import', [
            'nothing' => [[], 'text'],
            'a list' => [['text' => []], 'text'],
            'a kit in quotes' => [['text' => '{}', 'kit' => '1'], 'kit'],
            'a kit of number 0' => [['text' => '{}', 'kit' => 0], 'kit'],
        ]);
    }

    public function test_a_rig_that_was_found(): void
    {
        $camera = $this->part('Body B')->id;
        $lens = $this->part('Moor 50')->id;
        $body = static fn (array $part, array $more = []): array => ['camera' => $camera, 'parts' => [$part + ['part' => $lens]]] + $more;
        $this->refuses('POST', "/api/kits/{$this->kit->id}/rigs", [
            'no camera' => [['parts' => []], 'camera'],
            'a camera in quotes' => [['camera' => (string) $camera, 'parts' => []], 'camera'],
            'no parts' => [['camera' => $camera], 'parts'],
            'named parts' => [['camera' => $camera, 'parts' => ['a' => ['part' => $lens]]], 'parts'],
            'too many by one' => [['camera' => $camera, 'parts' => array_fill(0, 41, ['part' => $lens])], 'parts'],
            'a part without its number' => [['camera' => $camera, 'parts' => [['reversed' => true]]], 'parts.0.part'],
            'a part of number 0' => [['camera' => $camera, 'parts' => [['part' => 0]]], 'parts.0.part'],
            'a field that no part has' => [$body(['swing' => 3]), 'parts.0'],
            'turned round in words' => [$body(['reversed' => 'yes']), 'parts.0.reversed'],
            'a length in quotes' => [$body(['lengthMm' => '12']), 'parts.0.lengthMm'],
            'a ring in quotes' => [$body(['focus' => '0.5']), 'parts.0.focus'],
            'an opening in words' => [$body(['aperture' => 'open']), 'parts.0.aperture'],
            'a zoom in a list' => [$body(['zoomMm' => [50]]), 'parts.0.zoomMm'],
            'held by the teeth' => [$body([], ['support' => 'teeth']), 'support'],
            'a subject in quotes' => [$body([], ['subjectWidthMm' => '18']), 'subjectWidthMm'],
            'a depth in quotes' => [$body([], ['subjectDepthMm' => '2']), 'subjectDepthMm'],
        ]);
        $told = $this->postJson("/api/kits/{$this->kit->id}/rigs", $body(['focus' => 0.5, 'aperture' => 5.6], ['support' => 'braced', 'subjectWidthMm' => 18, 'subjectDepthMm' => 2]))->assertSuccessful()->json();
        $made = Rig::query()->findOrFail($told['id']);
        $this->assertSame([$this->user->id, $this->kit->id], [$made->user_id, $made->kit_id]);
    }

    public function test_a_kit_and_its_parts(): void
    {
        $kit = "/api/kits/{$this->kit->id}";
        $this->refuses('POST', '/api/kits', [
            'no name' => [[], 'name'],
            'an empty one' => [['name' => ''], 'name'],
            'too long by one' => [['name' => str_repeat('é', 121)], 'name'],
            'over two lines' => [['name' => "one\ntwo"], 'name'],
            'the same again' => [['name' => $this->kit->name], 'name'],
            'a currency too long by one' => [['name' => 'Bag', 'currency' => str_repeat('x', 13)], 'currency'],
            'a currency that is a number' => [['name' => 'Bag', 'currency' => 978], 'currency'],
        ]);
        $tube = $this->part('Tube 9');
        $this->refuses('POST', $kit.'/parts', [
            'nothing' => [[], 'parts'],
            'one by itself' => [['parts' => ['kind' => 'tube', 'lengthMm' => 9]], 'parts'],
            'none' => [['parts' => []], 'parts'],
            'too many by one' => [['parts' => array_fill(0, 201, ['kind' => 'tube', 'lengthMm' => 9])], 'parts'],
        ]);
        $this->refuses('PUT', "{$kit}/parts/{$tube->id}", [
            'no version' => [['part' => ['kind' => 'tube', 'lengthMm' => 9]], 'version'],
            'a version in quotes' => [['version' => '1', 'part' => ['kind' => 'tube', 'lengthMm' => 9]], 'version'],
            'a version of 0' => [['version' => 0, 'part' => ['kind' => 'tube', 'lengthMm' => 9]], 'version'],
            'nothing' => [['version' => 1], 'part'],
            'a word' => [['version' => 1, 'part' => 'tube'], 'part'],
        ]);
        $this->refuses('PUT', $kit.'/import', [
            'nothing' => [['as' => 'json', 'revision' => 1], 'text'],
            'another form' => [['text' => '{}', 'as' => 'xml', 'revision' => 1], 'as'],
            'no form' => [['text' => '{}', 'revision' => 1], 'as'],
            'no revision' => [['text' => '{}', 'as' => 'json'], 'revision'],
            'a revision in quotes' => [['text' => '{}', 'as' => 'json', 'revision' => '1'], 'revision'],
        ]);
        $this->refuses('POST', '/api/joints', [
            'no name' => [[], 'name'],
            'a name that is no joint' => [['name' => 'thread:fifty'], 'name'],
            'too long by one' => [['name' => str_repeat('x', 61)], 'name'],
            'a use too long by one' => [['name' => 'rowan', 'use' => str_repeat('x', 201)], 'use'],
            'a register below 0' => [['name' => 'rowan', 'registerMm' => -0.001], 'registerMm'],
            'a register over 3 m' => [['name' => 'rowan', 'registerMm' => 3000.001], 'registerMm'],
            'a register in quotes' => [['name' => 'rowan', 'registerMm' => '44.5'], 'registerMm'],
            'a throat of 0' => [['name' => 'rowan', 'throatMm' => 0], 'throatMm'],
            'a throat over 3 m' => [['name' => 'rowan', 'throatMm' => 3000.001], 'throatMm'],
        ]);
        foreach ([[0, 0.001], [3000, 3000]] as $n => [$register, $throat]) {
            $this->postJson('/api/joints', ['name' => 'rowan '.$n, 'registerMm' => $register, 'throatMm' => $throat, 'use' => str_repeat('x', 200)])->assertCreated();
        }
        $this->postJson('/api/kits', ['name' => str_repeat('é', 120), 'currency' => str_repeat('x', 12)])->assertCreated()->assertJsonPath('name', str_repeat('é', 120));
    }

    public function test_a_measurement_of_a_lens(): void
    {
        $lens = $this->part('Moor 50');
        $address = "/api/kits/{$this->kit->id}/parts/{$lens->id}/measure";
        $shot = ['camera' => $this->part('Body B')->id, 'reversed' => false, 'spacersMm' => 20, 'onSensorMm' => 24, 'rulerMm' => 40];
        $bare = ['version' => $lens->version, 'keep' => false];
        $ruler = $bare + ['shots' => [$shot]];
        $pupils = static fn (array $changed): array => $bare + ['pupils' => $changed + ['exitMm' => 20, 'entranceMm' => 21]];
        $shots = static fn (array $changed): array => $bare + ['shots' => [$shot, $changed + $shot]];
        $this->refuses('POST', $address, [
            'no version' => [array_diff_key($ruler, ['version' => 0]), 'version'],
            'kept or not' => [array_diff_key($ruler, ['keep' => 0]), 'keep'],
            'kept in words' => [['keep' => 'yes'] + $ruler, 'keep'],
            'a zoom under 1 mm' => [['zoomMm' => 0.999] + $ruler, 'zoomMm'],
            'a zoom over 2 m' => [['zoomMm' => 2000.001] + $ruler, 'zoomMm'],
            'a shot taken back that never was' => [['takeBack' => [0]] + $bare, 'takeBack'],
            'one taken back twice' => [['takeBack' => [0, 0]] + $bare, 'takeBack.0'],
            'one taken back in words' => [['takeBack' => ['first']] + $bare, 'takeBack.0'],
            'pupils without the one' => [$bare + ['pupils' => ['entranceMm' => 21]], 'pupils.exitMm'],
            'pupils without the other' => [$bare + ['pupils' => ['exitMm' => 21]], 'pupils.entranceMm'],
            'a pupil of what it may be off' => [$pupils(['exitMm' => 0.3]), 'pupils.exitMm'],
            'a pupil over half a metre' => [$pupils(['entranceMm' => 500.001]), 'pupils.entranceMm'],
            'a window nowhere' => [$bare + ['window' => ['sharp' => true]], 'window'],
            'a window behind the flange' => [$bare + ['window' => ['flangeToPictureMm' => -0.001]], 'window.flangeToPictureMm'],
            'a window further than 3 m' => [$bare + ['window' => ['flangeToPictureMm' => 3000.001]], 'window.flangeToPictureMm'],
            'no camera' => [$bare + ['shots' => [array_diff_key($shot, ['camera' => 0])]], 'shots.0.camera'],
            'a camera in quotes' => [$shots(['camera' => '3']), 'shots.1.camera'],
            'a tube for a camera' => [$shots(['camera' => $this->part('Tube 9')->id]), 'shots.1.camera'],
            'which way round' => [$bare + ['shots' => [array_diff_key($shot, ['reversed' => 0])]], 'shots.0.reversed'],
            'too many by one' => [$bare + ['shots' => array_fill(0, 101, $shot)], 'shots'],
            'a field that no shot has' => [$shots(['iso' => 100]), 'shots.1'],
            'spacers below 0' => [$shots(['spacersMm' => -0.001]), 'shots.1.spacersMm'],
            'spacers over 3 m' => [$shots(['spacersMm' => 3000.001]), 'shots.1.spacersMm'],
            'spacers in quotes' => [$shots(['spacersMm' => '20']), 'shots.1.spacersMm'],
            'a lens between' => [$shots(['between' => [['part' => $this->part('Reed 28')->id]]]), 'shots.1.between'],
            'a part of nobody between' => [$shots(['between' => [['part' => 0]]]), 'shots.1.between'],
            'bellows beyond their end' => [$shots(['between' => [['part' => $this->part('Rail bellows')->id, 'reads' => 999]]]), 'shots.1.between'],
            'a ring beyond its end' => [$shots(['focus' => 1.001]), 'shots.1.focus'],
            'a ring before its beginning' => [$shots(['focus' => -0.001]), 'shots.1.focus'],
            'no ruler' => [$bare + ['shots' => [array_diff_key($shot, ['rulerMm' => 0])]], 'shots.0.rulerMm'],
            'a ruler of 0' => [$shots(['rulerMm' => 0]), 'shots.1.rulerMm'],
            'a ruler over 3 m' => [$shots(['rulerMm' => 3000.001]), 'shots.1.rulerMm'],
            'a ruler no longer than its fault' => [$shots(['rulerMm' => 0.05]), 'shots.1.rulerMm'],
            'nothing at all' => [$bare + ['shots' => [['camera' => $shot['camera'], 'reversed' => false, 'spacersMm' => 20]]], 'shots.0.pixels'],
            'no pixels' => [$shots(['pixels' => 0]), 'shots.1.pixels'],
            'too many pixels' => [$shots(['pixels' => 100_001]), 'shots.1.pixels'],
            'nothing on the sensor' => [$shots(['onSensorMm' => 0]), 'shots.1.onSensorMm'],
            'more than any sensor' => [$shots(['onSensorMm' => 300.001]), 'shots.1.onSensorMm'],
            'a magnification of 0' => [$shots(['magnification' => 0]), 'shots.1.magnification'],
            'a magnification over 100' => [$shots(['magnification' => 100.001]), 'shots.1.magnification'],
            'a working distance below 0' => [$shots(['workingDistanceMm' => -0.001]), 'shots.1.workingDistanceMm'],
            'a working distance over 3 m' => [$shots(['workingDistanceMm' => 3000.001]), 'shots.1.workingDistanceMm'],
            'a distance of 0' => [$shots(['subjectDistanceMm' => 0]), 'shots.1.subjectDistanceMm'],
            'a distance over a kilometre' => [$shots(['subjectDistanceMm' => 1_000_001]), 'shots.1.subjectDistanceMm'],
            'a note too long by one' => [$shots(['note' => str_repeat('é', 301)]), 'shots.1.note'],
        ]);
        $this->postJson("/api/kits/{$this->kit->id}/parts/{$this->part('Tube 9')->id}/measure", $ruler)->assertUnprocessable()->assertJsonValidationErrors(['part']);
        $this->postJson($address, $pupils([]))->assertOk();
        $this->postJson($address, $ruler)->assertOk();
        $this->postJson($address, $bare)->assertOk();
        $this->refuses('POST', "/api/kits/{$this->kit->id}/lens", [
            'no part' => [[], 'part'],
        ]);
        foreach (['/part/kind' => ['kind' => 'tube', 'lengthMm' => 9], '/part/focalLengthMm' => ['kind' => 'lens', 'frontRimMm' => 38], '/part/registerMm' => ['kind' => 'lens', 'focalLengthMm' => 50, 'frontRimMm' => 38, 'design' => 'wide']] as $pointer => $part) {
            $this->postJson("/api/kits/{$this->kit->id}/lens", ['part' => $part])->assertUnprocessable()->assertJsonPath('errors.0.pointer', $pointer);
        }
        $this->assertSame($lens->version, $lens->refresh()->version, 'looked at, not kept');
    }

    public function test_a_wish_that_is_asked_or_kept(): void
    {
        $find = "/api/kits/{$this->kit->id}/find";
        foreach (['fieldWidthMm', 'magnification', 'workingDistanceMm', 'leastRoomMm', 'mostStopsLost', 'mostMassG', 'mostPrice', 'leastCorner', 'depthMm'] as $blank) {
            $this->getJson($find.'?'.$blank.'=wide')->assertUnprocessable()->assertJsonValidationErrors([$blank]);
        }
        foreach (['infinity=perhaps' => 'infinity', 'automatic=7' => 'automatic', 'support=teeth' => 'support', 'ranking=beauty' => 'ranking', 'page=0' => 'page', 'page=1001' => 'page', 'page=1.5' => 'page'] as $query => $blank) {
            $this->getJson($find.'?magnification=1&'.$query)->assertUnprocessable()->assertJsonValidationErrors([$blank]);
        }
        $this->refuses('POST', "/api/kits/{$this->kit->id}/wishes", [
            'no name' => [['wish' => ['magnification' => 1]], 'name'],
            'a name too long by one' => [['name' => str_repeat('é', 121), 'wish' => ['magnification' => 1]], 'name'],
            'a bell in it' => [['name' => "bell\x07", 'wish' => ['magnification' => 1]], 'name'],
            'no wish' => [['name' => 'Tooth'], 'wish'],
            'a wish in words' => [['name' => 'Tooth', 'wish' => 'large'], 'wish'],
        ]);
        $this->postJson("/api/kits/{$this->kit->id}/wishes", ['name' => str_repeat('é', 120), 'wish' => ['magnification' => 1]])->assertSuccessful();
    }

    /** @param  array<string, array{array<string, mixed>, string}>  $bodies  what is sent, and the field that is named, by what is wrong with it */
    private function refuses(string $method, string $address, array $bodies): void
    {
        $before = $this->all();
        foreach ($bodies as $what => [$body, $field]) {
            $answer = $this->json($method, $address, $body);
            $this->assertSame(422, $answer->getStatusCode(), $what.': '.$answer->getContent());
            $this->assertContains($field, self::named($answer), $what.': '.$answer->getContent());
        }
        $this->assertSame($before, $this->all());
    }

    /** @return list<string> */
    private static function named(TestResponse $answer): array
    {
        return array_map('strval', array_keys((array) $answer->json('errors')));
    }

    /** @return array<string, mixed> what a refusal could have changed */
    private function all(): array
    {
        return [
            'rigs' => Rig::query()->orderBy('id')->get(['id', 'name', 'revision', 'tags', 'updated_at'])->toJson(),
            'kits' => Kit::query()->orderBy('id')->get(['id', 'name', 'revision'])->toJson(),
            'parts' => Part::query()->orderBy('id')->get(['id', 'version'])->toJson(),
            'wishes' => DB::table('wishes')->count(),
            'joints' => DB::table('joints')->count(),
        ];
    }

    private function part(string $name): Part
    {
        return $this->kit->parts()->where('name', $name)->firstOrFail();
    }
}
