<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Kit;
use App\Models\Part;
use App\Models\User;
use Illuminate\Support\Facades\Cache;
use Tests\TestCase;

/** Find over HTTP: wishes asked and kept, what is found set up on the bench, the map, the cards. */
final class FindApiTest extends TestCase
{
    private User $user;

    private Kit $kit;

    protected function setUp(): void
    {
        parent::setUp();
        $this->user = $this->guest();
        $this->kit = $this->user->kits()->firstOrFail();
        $this->actingAs($this->user);
        $this->giveSearchesTime();
    }

    public function test_what_there_was_no_time_for_is_told_as_left_out(): void
    {
        $wish = ['fieldWidthMm' => 18, 'leastRoomMm' => 60];
        $whole = $this->getJson($this->at('find', $wish))->assertOk()->json();
        $this->assertSame([true, []], [$whole['whole'], $whole['leftOut']]);
        config(['zinc.find_seconds.whole' => 0.0]);
        $cut = $this->getJson($this->at('find', $wish))->assertOk()->json();
        $this->assertNotSame([], $cut['leftOut']);
        $this->assertLessThan($whole['fulfil'], $cut['fulfil']);
        $this->assertTrue($this->getJson($this->at('find/first', $wish))->assertOk()->json('fulfil') > 0, 'the other answers have their own time');
    }

    public function test_what_is_found_is_set_up_on_the_bench_with_the_same_figures_and_can_be_undone(): void
    {
        $found = $this->getJson($this->at('find', ['fieldWidthMm' => 18, 'leastRoomMm' => 60, 'mostStopsLost' => 3, 'support' => 'table']))->assertOk()->json();
        $this->assertTrue($found['whole']);
        $this->assertSame([], $found['leftOut']);
        $this->assertGreaterThan(1000, $found['rigs']);
        $this->assertGreaterThan(5, $found['count']);
        foreach (array_slice($found['rows'], 0, 8) as $row) {
            $this->assertEqualsWithDelta(18.0, $row['fieldWidthMm'], 1e-6);
            $this->assertGreaterThanOrEqual(60.0, $row['workingDistanceMm']);
            $rig = $this->postJson($this->at('rigs'), ['camera' => $row['camera'], 'parts' => $row['parts'], 'support' => 'table', 'subjectWidthMm' => 18])->assertCreated()->json();
            foreach (['magnification', 'fieldWidthMm', 'workingDistanceMm', 'effectiveAperture', 'stopsLost', 'depthOfFieldMm', 'cornerBrightness', 'massG'] as $name) {
                $this->assertEqualsWithDelta($row[$name], $rig['readings'][$name], 1e-6 * max(1.0, abs($row[$name] ?? 0.0)), $row['title'].' '.$name);
            }
            $this->assertSame($row['joints'], $rig['readings']['joints']);
            $warnings = array_filter($rig['findings'], static fn (array $finding): bool => $finding['severity'] === 'warn');
            $this->assertSame($row['warnings'], array_values(array_column($warnings, 'message')));
            $this->assertSame('set up what was found', $rig['history']['undo']);
        }
        $back = $this->postJson('/api/rigs/'.$rig['id'].'/undo', ['revision' => $rig['revision']])->assertOk()->json();
        $this->assertSame([], $back['chain']);
    }

    public function test_a_first_answer_is_part_of_the_whole_and_pages_follow_each_other(): void
    {
        $first = $this->getJson($this->at('find/first', ['magnification' => 1]))->assertOk()->json();
        $this->assertFalse($first['whole']);
        $whole = $this->getJson($this->at('find', ['magnification' => 1]))->assertOk()->json();
        $this->assertLessThan($whole['rigs'], $first['rigs']);
        $this->assertSame($first['rows'][0]['title'], $whole['rows'][0]['title']);
        $this->assertCount(50, $whole['rows']);
        $second = $this->getJson($this->at('find', ['magnification' => 1, 'page' => 2]))->assertOk()->json();
        $this->assertCount(min(50, $whole['count'] - 50), $second['rows']);
        $this->assertNotSame($whole['rows'][0]['title'], $second['rows'][0]['title']);
        $this->assertSame([], $this->getJson($this->at('find', ['magnification' => 1, 'page' => 900]))->assertOk()->json('rows'));
    }

    public function test_rows_are_put_in_the_order_that_was_asked_for(): void
    {
        foreach (['room' => ['workingDistanceMm', -1], 'light' => ['stopsLost', 1], 'mass' => ['massG', 1], 'price' => ['price', 1]] as $ranking => [$name, $sense]) {
            $values = array_column($this->getJson($this->at('find', ['magnification' => 0.8, 'ranking' => $ranking]))->assertOk()->json('rows'), $name);
            $sorted = array_filter($values, static fn (?float $value): bool => $value !== null);
            usort($sorted, static fn (float $a, float $b): int => $sense * ($a <=> $b));
            $this->assertSame($sorted, array_values(array_filter($values, static fn (?float $value): bool => $value !== null)), $ranking);
        }
    }

    public function test_what_can_not_be_done_tells_how_near_and_which_part_would_do_it(): void
    {
        $wish = ['fieldWidthMm' => 18, 'leastRoomMm' => 400];
        $this->getJson($this->at('find', $wish))->assertOk()->assertJsonPath('fulfil', 0)->assertJsonPath('rows', []);
        $near = $this->getJson($this->at('find/near', $wish))->assertOk()->json();
        $this->assertNotSame([], $near['nearest']);
        $this->assertSame('a lens of 200 mm, larch', $near['missing'][0]['name']);
        $this->assertGreaterThanOrEqual(400.0, $near['missing'][0]['rig']['workingDistanceMm']);
    }

    public function test_what_must_be_in_it_what_must_not_and_on_which_cameras(): void
    {
        $fell = $this->part('Fell 35');
        $bellows = $this->part('Rail bellows');
        $body = $this->kit->parts()->where('kind', 'camera')->get()->firstWhere('name', 'Body B');
        $this->assertNotNull($body);
        $told = $this->getJson($this->at('find', ['magnification' => 1, 'with' => $fell.','.$this->part('Tube 31'), 'without' => $bellows, 'cameras' => $body->id]))->assertOk()->json();
        $this->assertNotSame([], $told['rows']);
        foreach ($told['rows'] as $row) {
            $parts = array_column($row['parts'], 'part');
            $this->assertContains($fell, $parts);
            $this->assertContains($this->part('Tube 31'), $parts);
            $this->assertNotContains($bellows, $parts);
            $this->assertSame('Body B', $row['cameraName']);
        }
        foreach (['with' => $body->id, 'without' => 999_999_999, 'cameras' => $fell] as $blank => $id) {
            $this->getJson($this->at('find', ['magnification' => 1, $blank => $id]))->assertStatus(422)->assertJsonValidationErrors($blank);
        }
        $this->getJson($this->at('find', ['magnification' => 1, 'with' => '1;drop']))->assertStatus(422)->assertJsonValidationErrors('with');
        $other = $this->guest()->kits()->firstOrFail()->parts()->where('name', 'Fell 35')->firstOrFail();
        $this->getJson($this->at('find', ['magnification' => 1, 'with' => $other->id]))->assertStatus(422)->assertJsonValidationErrors('with');
    }

    public function test_it_governs_what_to_buy_too(): void
    {
        $long = $this->part('Brae 180');
        $near = $this->getJson($this->at('find/near', ['fieldWidthMm' => 18, 'leastRoomMm' => 400, 'with' => $long]))->assertOk()->json();
        foreach ($near['missing'] as $each) {
            $this->assertStringStartsNotWith('a lens', $each['name'], 'a lens is in the hand already');
            $this->assertContains('Brae 180', array_map(static fn (string $title): string => str_replace(' turned round', '', $title), explode(' + ', $each['rig']['title'])));
        }
    }

    public function test_what_just_misses_says_by_how_much(): void
    {
        $missed = $this->getJson($this->at('find/missed', ['fieldWidthMm' => 18, 'leastRoomMm' => 100]))->assertOk()->json();
        $this->assertNotSame([], $missed);
        foreach ($missed as $row) {
            $this->assertNotSame([], $row['misses'], $row['title']);
            $this->assertTrue($row['workingDistanceMm'] < 100 || abs($row['fieldWidthMm'] - 18) > 0.01);
        }
        $room = array_values(array_filter($missed, static fn (array $row): bool => str_contains($row['misses'][0], 'less room')))[0] ?? null;
        if ($room !== null) {
            $this->assertSame(\ZincThimble\Core\Finding\Phrase::figure(100 - $room['workingDistanceMm'], 'mm').' less room than asked', $room['misses'][0]);
        }
        foreach ($this->getJson($this->at('find', ['fieldWidthMm' => 18]))->assertOk()->json('rows') as $row) {
            $this->assertSame([], $row['misses']);
        }
    }

    public function test_rows_say_settings_as_they_stand_engraved(): void
    {
        $said = implode(' ', array_column($this->getJson($this->at('find', ['magnification' => 0.4]))->assertOk()->json('rows'), 'setting'));
        $this->assertStringNotContainsString('ring 0', $said);
        $this->assertMatchesRegularExpression('/ring at (∞|[\d.]+\x{2009}?\s?m{1,2})/u', $said);
        $this->assertMatchesRegularExpression('/draw [\d.]+/', $said);
        $this->assertMatchesRegularExpression('/zoom [\d.]+/', $said);
    }

    public function test_blanks_that_can_not_be_so_are_refused_by_name(): void
    {
        $this->getJson($this->at('find', []))->assertStatus(422)->assertJsonPath('errors.0.pointer', '/fieldWidthMm');
        $this->getJson($this->at('find', ['fieldWidthMm' => 0]))->assertStatus(422)->assertJsonPath('errors.0.pointer', '/fieldWidthMm');
        $this->getJson($this->at('find', ['fieldWidthMm' => 'wide']))->assertStatus(422)->assertJsonValidationErrors('fieldWidthMm');
        $this->getJson($this->at('find', ['magnification' => 1, 'support' => 'sky']))->assertStatus(422)->assertJsonValidationErrors('support');
        $this->getJson($this->at('find', ['magnification' => 1, 'ranking' => 'luck']))->assertStatus(422)->assertJsonValidationErrors('ranking');
        $this->getJson($this->at('find').'?magnification[]=1')->assertStatus(422);
        $this->getJson($this->at('find', ['magnification' => '1e309']))->assertStatus(422);
    }

    public function test_only_parts_of_the_kit_as_often_as_owned_and_as_far_as_they_go_are_set_up(): void
    {
        $camera = $this->kit->parts()->where('kind', 'camera')->firstOrFail();
        $bellows = $this->part('Rail bellows');
        $set = fn (array $parts, ?int $body = null) => $this->postJson($this->at('rigs'), ['camera' => $body ?? $camera->id, 'parts' => $parts]);
        $set([['part' => $bellows, 'lengthMm' => 500]])->assertStatus(422)->assertJsonValidationErrors('parts.0.lengthMm');
        $set([['part' => $bellows], ['part' => $bellows]])->assertStatus(422)->assertJsonValidationErrors('parts.1.part');
        $set([['part' => 999_999_999]])->assertStatus(422)->assertJsonValidationErrors('parts.0.part');
        $set([['part' => $this->part('Low tripod')]])->assertStatus(422)->assertJsonValidationErrors('parts.0.part');
        $set([], $bellows)->assertStatus(422)->assertJsonValidationErrors('camera');
        $other = $this->guest()->kits()->firstOrFail()->parts()->where('kind', 'camera')->firstOrFail();
        $set([['part' => $bellows]], $other->id)->assertStatus(422)->assertJsonValidationErrors('camera');
        $set([['part' => $bellows, 'lengthMm' => 100]])->assertCreated()->assertJsonPath('travels.0.value', 100);
    }

    public function test_a_wish_is_kept_under_a_name_and_dropped(): void
    {
        $kept = $this->postJson($this->at('wishes'), ['name' => ' Coat of a seed ', 'wish' => ['fieldWidthMm' => 2.5, 'leastRoomMm' => null, 'infinity' => false, 'other' => 'x']])->assertCreated()->json();
        $this->assertSame('Coat of a seed', $kept['name']);
        $this->assertSame(['fieldWidthMm' => 2.5, 'infinity' => false], $kept['wish']);
        $this->postJson($this->at('wishes'), ['name' => 'Coat of a seed', 'wish' => ['magnification' => 2]])->assertStatus(422)->assertJsonValidationErrors('name');
        $this->postJson($this->at('wishes'), ['name' => 'Nothing exact', 'wish' => ['leastRoomMm' => 2]])->assertStatus(422);
        $this->getJson($this->at('wishes'))->assertOk()->assertJsonCount(1)->assertJsonPath('0.wish.fieldWidthMm', 2.5);
        $this->deleteJson($this->at('wishes/'.$kept['id']))->assertNoContent();
        $this->getJson($this->at('wishes'))->assertOk()->assertExactJson([]);
        $this->deleteJson($this->at('wishes/'.$kept['id']))->assertNotFound();
    }

    public function test_what_is_not_owned_yet_is_used_only_for_money_and_said(): void
    {
        $wish = ['fieldWidthMm' => 18, 'leastRoomMm' => 400];
        $long = ['kind' => 'lens', 'name' => 'Tarn 200', 'rear' => 'larch', 'front' => 'thread:67x0.75', 'focalLengthMm' => 200, 'registerMm' => 44.5, 'frontRimMm' => 120, 'focusing' => 'fixed', 'aperture' => ['widest' => 4, 'smallest' => 22], 'count' => 0];
        $this->postJson($this->at('parts'), ['parts' => [$long + ['price' => 240]]])->assertCreated();
        $this->getJson($this->at('find', $wish))->assertOk()->assertJsonPath('fulfil', 0);
        $this->getJson($this->at('find', $wish + ['mostMissingPrice' => 239]))->assertOk()->assertJsonPath('fulfil', 0);
        $found = $this->getJson($this->at('find', $wish + ['mostMissingPrice' => 240]))->assertOk()->json();
        $this->assertGreaterThan(0, $found['fulfil']);
        $this->assertSame(['Tarn 200'], $found['rows'][0]['toBuy']);
        $this->postJson($this->at('rigs'), ['camera' => $found['rows'][0]['camera'], 'parts' => $found['rows'][0]['parts']])->assertCreated();
        // Without a price nobody can say what it would cost.
        $this->postJson($this->at('parts'), ['parts' => [['name' => 'Tarn 400', 'focalLengthMm' => 400] + $long]])->assertCreated();
        $found = $this->getJson($this->at('find', $wish + ['mostMissingPrice' => 1000]))->assertOk()->json();
        $this->assertSame(['1 part that you don’t own, for want of a price'], $found['leftOut']);
        // On the bench it lies in the tray, and says why it doesn't go on.
        $rig = $this->postJson('/api/rigs')->assertCreated()->json('id');
        $tray = $this->getJson('/api/rigs/'.$rig.'/tray?index=0')->assertOk()->json('parts');
        $this->assertContains('not yours yet', array_column(array_filter($tray, static fn (array $each): bool => $each['part']['name'] === 'Tarn 200'), 'reason'));
    }

    public function test_the_map_is_of_the_kit_as_it_is(): void
    {
        $map = $this->getJson($this->at('overview'))->assertOk()->json();
        $this->assertSame($map['rigs'], array_sum(array_column($map['routes'], 'rigs')));
        $this->assertLessThanOrEqual(5000, count($map['dots']));
        $this->assertNotSame([], $map['edge']);
        $this->deleteJson($this->at('parts/'.$this->part('Rail bellows').'?anyway=1'))->assertNoContent();
        $this->assertLessThan($map['rigs'], $this->getJson($this->at('overview'))->assertOk()->json('rigs'));
    }

    public function test_a_map_that_other_code_drew_is_drawn_anew(): void
    {
        $map = $this->getJson($this->at('overview'))->assertOk()->json();
        $key = 'overview '.$this->kit->id;
        $held = Cache::get($key);
        // Kept as it is, it is what is answered: the next question would tell what was put here.
        Cache::put($key, ['json' => '{"rigs":-1}'] + $held);
        $this->getJson($this->at('overview'))->assertOk()->assertExactJson(['rigs' => -1]);
        [$kit, $code] = $held['state'];
        foreach (['other code' => [$kit, strrev($code)], 'of before code was looked at' => $kit] as $whose => $state) {
            Cache::put($key, ['state' => $state, 'json' => '{"rigs":-1}']);
            $this->assertSame($map, $this->getJson($this->at('overview'))->assertOk()->json(), $whose);
            $this->assertSame($held, Cache::get($key), $whose);
        }
    }

    public function test_an_empty_kit_finds_nothing_and_says_so(): void
    {
        $empty = new Kit(['name' => 'Empty', 'extra' => new \stdClass]);
        $this->user->kits()->save($empty);
        $this->getJson('/api/kits/'.$empty->id.'/find?magnification=1')->assertOk()->assertJsonPath('rigs', 0)->assertJsonPath('rows', []);
        $this->getJson('/api/kits/'.$empty->id.'/find/near?magnification=1')->assertOk()->assertExactJson(['nearest' => [], 'missing' => [], 'leftOut' => []]);
        $this->getJson('/api/kits/'.$empty->id.'/overview')->assertOk()->assertJsonPath('rigs', 0)->assertJsonPath('magnification', null);
    }

    public function test_what_was_worked_out_for_a_kit_is_never_told_of_another_that_has_its_number(): void
    {
        // A database that was brought back to an older state gives numbers out once more; what is kept beside it doesn't go back.
        $this->assertGreaterThan(0, $this->getJson($this->at('overview'))->assertOk()->json('rigs'));
        $kit = $this->user->kits()->firstOrFail();
        $old = ['id' => $kit->id, 'revision' => $kit->revision];
        $kit->delete();
        $this->travel(1)->hours();
        $again = (new Kit)->forceFill($old + ['user_id' => $this->user->id, 'name' => 'Bag', 'extra' => new \stdClass, 'step' => 0]);
        $again->save();
        $this->getJson($this->at('overview'))->assertOk()->assertJsonPath('rigs', 0);
    }

    public function test_cards_come_as_tables_and_as_csv(): void
    {
        $of = ['camera' => $this->part('Body A'), 'lens' => $this->part('Moor 50')];
        $ladder = $this->getJson($this->at('cards/ladder', $of + ['closeUp' => $this->part('Close-up +4')]))->assertOk()->json();
        $this->assertCount(16, $ladder['rows']);
        $this->assertSame('∞', $ladder['rows'][0]['values'][1]);
        $this->getJson($this->at('cards/close-ups', $of))->assertOk()->assertJsonPath('rows.0.label', 'none');
        $this->getJson($this->at('cards/draws', $of + ['spacer' => $this->part('Rail bellows'), 'reversed' => 1]))->assertOk()->assertJsonPath('title', 'Moor 50, reversed, on Rail bellows');
        $csv = $this->get($this->at('cards/ladder', $of + ['as' => 'csv']))->assertOk()->assertHeader('Content-Disposition', 'attachment; filename="ladder-of-moor-50.csv"');
        $this->assertCount(9, explode("\r\n", trim((string) $csv->getContent())));
        $this->getJson($this->at('cards/draws', $of))->assertStatus(422)->assertJsonValidationErrors('spacer');
        $this->getJson($this->at('cards/ladder', ['lens' => $of['camera']] + $of))->assertStatus(422)->assertJsonValidationErrors('lens');
        $this->getJson($this->at('cards/ladder', ['camera' => $of['lens']] + $of))->assertStatus(422)->assertJsonValidationErrors('camera');
        $this->getJson($this->at('cards/tarot', $of))->assertNotFound();
    }

    /** @param  array<string, mixed>  $query */
    private function at(string $path, array $query = []): string
    {
        return '/api/kits/'.$this->kit->id.'/'.$path.($query === [] ? '' : '?'.http_build_query($query));
    }

    private function part(string $name): int
    {
        return Part::query()->where('kit_id', $this->kit->id)->where('name', $name)->firstOrFail()->id;
    }
}
