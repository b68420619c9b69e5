<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Accounts\ArchiveReader;
use App\Accounts\ArchiveWriter;
use App\Models\Outing;
use App\Models\User;
use App\Outings\OutingStore;
use App\Outings\ShiftedDay;
use Illuminate\Support\Facades\DB;
use Sabre\VObject\Reader;
use Tests\TestCase;
use ZincThimble\Core\File\OutingFile;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\Uncertainty;

/** Outings over HTTP: kept, planned, ticked off, taken out and in again. */
final class OutingApiTest extends TestCase
{
    private User $me;

    protected function setUp(): void
    {
        parent::setUp();
        config(['zinc.outing_seconds' => 120.0]);
        $this->me = $this->guest();
        $this->actingAs($this->me);
    }

    public function test_an_outing_is_kept_shown_changed_and_deleted(): void
    {
        $kit = $this->me->kits()->firstOrFail()->id;
        $body = ['kit' => $kit, 'outing' => self::day()];
        $made = $this->postJson('/api/outings', $body)->assertCreated();
        $made->assertJson(['revision' => 1, 'kit' => $kit, 'name' => 'Dyke in May', 'date' => '2027-05-04', 'place' => 'East dyke', 'startsAt' => '2027-05-04T06:50:00+01:00', 'by' => 'parts', 'checks' => ['Card empty'], 'packed' => []]);
        $made->assertJsonPath('conditions', ['iso' => 200, 'surroundings' => ['sun']]);
        $made->assertJsonPath('subjects.1', ['name' => 'Moss', 'wish' => ['magnification' => 2, 'support' => 'table'], 'subject' => ['depthMm' => 0.5], 'at' => '2027-05-04T08:00:00+01:00', 'without' => [], 'pinned' => null]);
        $made->assertJsonPath('preparations.0', ['what' => 'Charge', 'leadS' => 39_000, 'for' => null, 'due' => '2027-05-03T20:00:00+01:00', 'late' => false]);
        $made->assertJsonPath('preparations.1', ['what' => 'Plate out', 'leadS' => 7200, 'for' => 'Moss', 'due' => '2027-05-04T06:00:00+01:00', 'late' => false]);
        $id = $made->json('id');
        $this->getJson('/api/outings/'.$id)->assertOk()->assertExactJson($made->json());
        $this->assertSame(['id' => $id, 'name' => 'Dyke in May', 'date' => '2027-05-04', 'place' => 'East dyke', 'subjects' => 2, 'entries' => 0, 'when' => 'planned'], $this->getJson('/api/outings')->assertOk()->json()[0]);

        $this->putJson('/api/outings/'.$id, ['revision' => 1] + array_replace_recursive($body, ['outing' => ['name' => 'Dyke in June', 'date' => '2026-01-02']]))->assertOk()->assertJson(['revision' => 2, 'name' => 'Dyke in June']);
        $this->putJson('/api/outings/'.$id, ['revision' => 1] + $body)->assertStatus(409)->assertJsonPath('revision', 2)->assertJsonPath('message', 'This outing was changed in another window. It is shown as it is now; repeat the last step.');
        $this->assertSame('done', collect($this->getJson('/api/outings')->json())->firstWhere('id', $id)['when']);
        $this->postJson('/api/outings', array_replace_recursive($body, ['outing' => ['name' => 'Dyke in June']]))->assertStatus(422)->assertJsonPath('errors.name.0', 'You have an outing of that name already.');
        $this->deleteJson('/api/outings/'.$id)->assertNoContent();
        $this->getJson('/api/outings/'.$id)->assertNotFound();
    }

    public function test_what_is_wrong_is_said_at_its_place_and_nothing_is_kept(): void
    {
        $before = $this->me->outings()->count();
        $kit = $this->me->kits()->firstOrFail()->id;
        $this->postJson('/api/outings', ['kit' => $kit, 'outing' => array_replace_recursive(self::day(), ['subjects' => [['wish' => ['fieldWidthMm' => 0]]]])])->assertStatus(422)->assertJsonPath('errors.0.pointer', '/subjects/0/wish/fieldWidthMm');
        $this->postJson('/api/outings', ['kit' => $kit, 'outing' => ['name' => '  '] + self::day()])->assertStatus(422)->assertJsonPath('errors.name.0', 'An outing needs a name.');
        $this->postJson('/api/outings', ['outing' => 'all'])->assertStatus(422);
        $theirs = $this->guest()->kits()->firstOrFail()->id;
        $this->postJson('/api/outings', ['kit' => $theirs, 'outing' => self::day()])->assertStatus(422)->assertJsonPath('errors.kit.0', 'You have no such kit.');
        $this->postJson('/api/outings/import', ['kit' => $theirs, 'text' => '{}'])->assertStatus(422)->assertJsonPath('errors.kit.0', 'You have no such kit.');
        $this->assertSame($before, $this->me->outings()->count());
    }

    public function test_the_plan_says_each_figure_of_its_rigs_by_its_name(): void
    {
        $outing = $this->demonstration();
        $plan = $this->getJson('/api/outings/'.$outing->id.'/plan')->assertOk();
        $kit = $outing->kit?->parts()->pluck('name', 'id') ?? collect();
        foreach ($plan->json('assignments') as $n => $each) {
            $rig = RigFile::read(json_decode(json_encode($each['rig'], JSON_THROW_ON_ERROR)));
            $reading = Reading::of($rig);
            $this->assertSame($outing->document->subjects[$n]->name, $each['subject']);
            foreach (['magnification', 'fieldWidthMm', 'workingDistanceMm', 'subjectDistanceMm', 'effectiveAperture', 'depthOfFieldMm'] as $name) {
                $this->assertEqualsWithDelta($reading->{$name}, $each[$name], 1e-9, $name);
            }
            $this->assertEqualsWithDelta(Uncertainty::of($rig)->halfWidth('workingDistanceMm'), $each['workingDistanceHalfWidth'], 1e-9);
            $this->assertCount(count($rig->chain), $each['drawn']);
            $this->assertSame($rig->camera->name, $kit[$each['rig']['camera']['kitPart']]);
        }
        $this->assertMatchesRegularExpression('~^Small flash, \d+\x{2009}mm from the subject: 1/\d+( \+ [⅓⅔])?$~u', $plan->json('assignments.2.light'));
        $this->assertNull($plan->json('assignments.2.frames'));
        $this->assertGreaterThan(1, $plan->json('assignments.3.frames'));
        $this->assertEqualsWithDelta($plan->json('massG'), collect($plan->json('bag'))->sum(fn (array $item): float => $item['count'] * $item['massG']), 1e-9);
        foreach ($plan->json('bag') as $item) {
            $this->assertSame($kit[$item['part']], $item['name']);
        }
        $this->assertEqualsCanonicalizing([0, 1, 2, 3, 4], array_merge(...array_column($plan->json('visits'), 'subjects')));
        $this->assertContains('Cover fingers and face and come in to warm up. Bring gear back in a closed bag against dew; batteries fade.', $plan->json('assignments.0.cautions'));
    }

    public function test_a_part_that_is_to_stay_at_home_and_one_that_is_sold_are_in_no_plan(): void
    {
        $outing = $this->demonstration();
        $plan = $this->getJson('/api/outings/'.$outing->id.'/plan')->json();
        $tripod = collect($plan['bag'])->firstWhere('name', 'Low tripod');
        $shown = $this->getJson('/api/outings/'.$outing->id)->json();
        foreach ($shown['subjects'] as $n => $subject) {
            $shown['subjects'][$n]['without'] = [(string) $tripod['part']];
        }
        $fields = ['preparations' => []] + self::sent($shown);
        $this->putJson('/api/outings/'.$outing->id, ['revision' => 1, 'kit' => $shown['kit'], 'outing' => $fields])->assertOk()->assertJsonPath('subjects.0.without', [(string) $tripod['part']]);
        $without = $this->getJson('/api/outings/'.$outing->id.'/plan')->assertOk()->json();
        $this->assertNotContains('Low tripod', array_column($without['bag'], 'name'));

        // A kit that has changed is planned with anew.
        $lens = collect($without['bag'])->firstWhere('name', 'Fell 105 macro');
        $this->assertNotNull($lens);
        $kit = $outing->kit;
        $this->assertNotNull($kit);
        $this->deleteJson("/api/kits/{$kit->id}/parts/{$lens['part']}?anyway=1")->assertNoContent();
        $this->assertNotContains('Fell 105 macro', array_column($this->getJson('/api/outings/'.$outing->id.'/plan')->json('bag'), 'name'));
    }

    public function test_of_each_line_the_last_word_counts_by_the_clock_of_who_said_it(): void
    {
        $id = $this->demonstration()->id;
        $tick = fn (string $what, bool $ticked, string $at) => $this->putJson("/api/outings/{$id}/ticks", ['what' => $what, 'ticked' => $ticked, 'at' => $at])->assertOk()->json();
        $this->assertSame(['Body B', 'Focusing rail', 'Tube 9'], $tick('Tube 9', true, '2026-11-01T10:00:00Z'));
        $this->assertSame(['Body B', 'Focusing rail'], $tick('Tube 9', false, '2026-11-01T10:00:05Z'));
        // Comes late from a device that had no network.
        $this->assertSame(['Body B', 'Focusing rail'], $tick('Tube 9', true, '2026-11-01T10:00:04Z'));
        $this->assertSame(['Body B', 'Focusing rail', 'Tube 9'], $tick('Tube 9', true, '2026-11-01T12:00:06+02:00'));
        // A clock that runs a year ahead doesn't have the last word for ever.
        $tick('Tube 9', false, now()->addYear()->toIso8601String());
        $this->travel(2)->minutes();
        $this->assertContains('Tube 9', $tick('Tube 9', true, now()->toIso8601String()));
        $this->putJson("/api/outings/{$id}/ticks", ['what' => 'x', 'ticked' => true, 'at' => 'now'])->assertStatus(422);
        $this->assertSame(3, DB::table('outing_ticks')->where('outing_id', $id)->count());
    }

    public function test_there_is_an_end_to_what_can_be_ticked_off(): void
    {
        $outing = $this->demonstration();
        DB::table('outing_ticks')->insert(array_map(static fn (int $n): array => ['outing_id' => $outing->id, 'what' => 'line '.$n, 'ticked' => true, 'said_at' => now()], range(1, OutingStore::MOST_TICKS - 2)));
        $this->putJson("/api/outings/{$outing->id}/ticks", ['what' => 'one more', 'ticked' => true, 'at' => now()->toIso8601String()])->assertStatus(422);
        $this->putJson("/api/outings/{$outing->id}/ticks", ['what' => 'line 1', 'ticked' => false, 'at' => now()->addSecond()->toIso8601String()])->assertOk();
    }

    public function test_the_calendar_has_what_must_be_ready_and_when_it_begins(): void
    {
        $id = $this->postJson('/api/outings', ['outing' => self::day()])->json('id');
        $answer = $this->get("/api/outings/{$id}/calendar")->assertOk();
        $this->assertSame('text/calendar; charset=UTF-8', $answer->headers->get('Content-Type'));
        $this->assertStringContainsString('dyke-in-may.ics', (string) $answer->headers->get('Content-Disposition'));
        $level = error_reporting(error_reporting() & ~E_DEPRECATED);
        $calendar = Reader::read((string) $answer->getContent());
        $this->assertSame([], $calendar->validate());
        $events = [];
        foreach ($calendar->select('VEVENT') as $event) {
            $events[(string) $event->SUMMARY] = $event->DTSTART->getDateTime()->format('Y-m-d\TH:i:sP');
            $this->assertSame('PT0S', (string) $event->VALARM->TRIGGER);
        }
        error_reporting($level);
        $this->assertSame(['Charge' => '2027-05-03T19:00:00+00:00', 'Plate out' => '2027-05-04T05:00:00+00:00', 'Dyke in May' => '2027-05-04T05:50:00+00:00'], $events);
    }

    public function test_its_file_goes_out_with_the_plan_and_comes_in_again_equal(): void
    {
        $outing = $this->demonstration();
        $shown = $this->getJson('/api/outings/'.$outing->id)->json();
        $tube = $outing->kit?->parts()->where('name', 'Tube 9')->firstOrFail();
        $plan = $this->getJson('/api/outings/'.$outing->id.'/plan')->json();
        $shown['subjects'][0]['without'] = [(string) $tube?->id];
        $shown['subjects'][1]['pinned'] = $plan['assignments'][1]['rig'];
        $fields = self::sent($shown);
        $this->putJson('/api/outings/'.$outing->id, ['revision' => 1, 'kit' => $shown['kit'], 'outing' => $fields])->assertOk();
        $text = (string) $this->get('/api/outings/'.$outing->id.'/file')->assertOk()->getContent();
        $this->assertStringNotContainsString('kitPart', $text);
        $file = OutingFile::parse($text);
        $this->assertSame([$tube?->ref], $file->subjects[0]->strings('without'));
        $this->assertNotNull($file->plan);
        $this->assertSame(['Body B', 'Focusing rail'], $file->fields->strings('packed'));
        $again = $this->postJson('/api/outings/import', ['text' => $text])->assertCreated()->json();
        $this->assertSame('Fen edge, first frost (2)', $again['name']);
        $now = $this->getJson('/api/outings/'.$outing->id)->json();
        unset($now['subjects'][1]['pinned'], $again['subjects'][1]['pinned']);
        $this->assertSame(array_diff_key($now, array_flip(['id', 'revision', 'name'])), array_diff_key($again, array_flip(['id', 'revision', 'name'])));
    }

    /** It stands in a header: plain letters, whatever the name is. */
    public function test_a_file_is_called_by_plain_letters(): void
    {
        foreach (['Überschwemmung am Deich' => 'uberschwemmung-am-deich.ics', '…' => 'outing.ics'] as $name => $file) {
            $id = $this->postJson('/api/outings', ['outing' => ['name' => $name] + self::day()])->assertCreated()->json('id');
            $this->assertSame('attachment; filename="'.$file.'"', $this->get("/api/outings/{$id}/calendar")->assertOk()->headers->get('Content-Disposition'));
        }
    }

    public function test_all_sheets_are_told_in_the_order_of_the_day(): void
    {
        $outing = $this->demonstration();
        $plan = $this->getJson('/api/outings/'.$outing->id.'/plan')->json();
        $sheets = $this->getJson('/api/outings/'.$outing->id.'/sheets')->assertOk()->json();
        $names = array_map(static fn (int $s): string => $plan['assignments'][$s]['subject'], array_merge(...array_column($plan['visits'], 'subjects')));
        $this->assertCount(5, $sheets);
        foreach ($sheets as $n => $sheet) {
            $this->assertStringContainsString($names[$n], $sheet['title']);
        }
    }

    public function test_an_archive_holds_outings_and_gives_them_back(): void
    {
        $outing = $this->demonstration();
        $tube = $outing->kit?->parts()->where('name', 'Tube 9')->firstOrFail();
        $outing->document = (object) (['subjects' => [(object) ['name' => 'Seed', 'wish' => (object) ['magnification' => 1], 'without' => [(string) $tube?->id]]]] + get_object_vars($outing->document));
        $outing->save();
        $path = $this->app->make(ArchiveWriter::class)->write($this->me);
        $other = User::query()->create(['name' => 'Ilse', 'email' => 'ilse@example.org', 'password' => 'a long password of mine'])->refresh();
        $this->app->make(ArchiveReader::class)->read($other, $path);
        unlink($path);
        $back = $other->outings()->where('name', $outing->name)->firstOrFail();
        $there = $other->kits()->firstOrFail()->parts()->where('name', 'Tube 9')->firstOrFail();
        $this->assertSame($other->kits()->firstOrFail()->id, $back->kit_id);
        $this->assertSame([(string) $there->id], $back->document->subjects[0]->without);
        $this->assertSame(['Body B', 'Focusing rail'], $back->ticks()->where('ticked', true)->orderBy('what')->pluck('what')->all());
        $this->assertSame($outing->held_on, $back->held_on);
        $this->assertEquals($outing->updated_at, $back->updated_at);
        $this->assertSame($this->me->outings()->count(), $other->outings()->count());
    }

    /** The made-up days of the demonstration lie about today, whenever somebody opens it. */
    public function test_a_made_up_day_is_brought_to_another(): void
    {
        $day = json_decode('{"date": "2026-12-11", "startsAt": "2026-12-11T06:50:00+01:00", "name": "2026-12-11 is a Friday", "subjects": [{"at": "2026-12-12T00:10:00+01:00"}]}');
        $moved = ShiftedDay::to($day, new \DateTimeImmutable('2027-03-01'));
        $this->assertSame('{"date":"2027-03-01","startsAt":"2027-03-01T06:50:00+01:00","name":"2026-12-11 is a Friday","subjects":[{"at":"2027-03-02T00:10:00+01:00"}]}', json_encode($moved));
        $this->assertSame(now()->addDays(6)->toDateString(), $this->demonstration()->held_on);
    }

    /**
     * What a screen sends of what it was shown.
     *
     * @param  array<string, mixed>  $shown
     * @return array<string, mixed>
     */
    private static function sent(array $shown): array
    {
        $subjects = array_map(static fn (array $subject): array => ['subject' => (object) $subject['subject']] + $subject, $shown['subjects']);

        return ['subjects' => $subjects, 'preparations' => array_map(static fn (array $each): array => array_intersect_key($each, array_flip(['what', 'leadS', 'for'])), $shown['preparations'])]
            + array_intersect_key($shown, array_flip(['name', 'date', 'place', 'startsAt', 'by', 'conditions', 'checks']));
    }

    private function demonstration(): Outing
    {
        return $this->me->outings()->where('name', 'Fen edge, first frost')->firstOrFail();
    }

    /** @return array<string, mixed> */
    private static function day(): array
    {
        return [
            'name' => 'Dyke in May', 'date' => '2027-05-04', 'place' => 'East dyke', 'startsAt' => '2027-05-04T06:50:00+01:00', 'by' => 'parts', 'conditions' => ['surroundings' => ['sun'], 'iso' => 200],
            'preparations' => [['what' => 'Plate out', 'leadS' => 7200, 'for' => 'Moss'], ['what' => 'Charge', 'leadS' => 39_000]], 'checks' => ['Card empty'],
            'subjects' => [
                ['name' => 'Lichen', 'wish' => ['fieldWidthMm' => 24]],
                ['name' => 'Moss', 'wish' => ['magnification' => 2, 'support' => 'table'], 'subject' => ['depthMm' => 0.5], 'at' => '2027-05-04T08:00:00+01:00'],
            ],
        ];
    }
}
