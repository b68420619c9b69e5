<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Accounts\Belongings;
use App\Compare\KeptComparisons;
use App\Models\Kit;
use App\Models\User;
use App\Start\Body;
use App\Start\FirstVisit;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;
use ZincThimble\Core\Start\FirstAnswers;

/** Three questions: answered to anybody, kept for thirty days, and theirs when they sign up or in. */
final class FirstVisitTest extends TestCase
{
    private const WORD = 'heron under a mossy gate';

    private const TUBES = ['body' => 'mirrorless-23', 'focalMm' => 50, 'widest' => 1.8, 'closestMm' => 450, 'tubes' => '20,10'];

    protected function setUp(): void
    {
        parent::setUp();
        $this->withHeader('Referer', (string) config('app.url'));
    }

    public function test_a_stranger_gets_the_four_figures_and_leaves_nothing_behind(): void
    {
        $answer = $this->getJson('/api/first?'.http_build_query(self::TUBES))->assertOk();
        $rig = $answer->json('rig');
        // 30 mm of tube behind 50 mm, its own ring turned in.
        $this->assertGreaterThan(0.6, $rig['readings']['magnification']);
        $this->assertLessThan(0.95, $rig['readings']['magnification']);
        $this->assertSame(['Tube 20', 'Tube 10', '50 mm f/1.8'], array_column($rig['chain'], 'name'));
        $this->assertNotNull($rig['readings']['workingDistanceMm']);
        $this->assertGreaterThan($rig['range']['workingDistanceMm']['least'], $rig['range']['workingDistanceMm']['greatest']);
        $this->assertGreaterThan(1.0, $rig['readings']['stopsLost']);
        $this->assertStringEndsWith('in front.', $answer->json('sentence'));
        $this->assertSame(['rim', 'workingDistanceMm'], [$answer->json('next.question'), $answer->json('next.reading')]);
        $this->assertLessThan($answer->json('next.before'), $answer->json('next.after'));
        $this->assertContains('frontRimMm', array_column($rig['takenAs'], 'field'));
        $this->assertNotNull($answer->json('lens.frontRimMm'));
        $this->assertSame(0, User::query()->count());
        // What is known by then is asked no more, and the figure is as sure as was promised.
        $known = $this->getJson('/api/first?'.http_build_query(self::TUBES + ['rimMm' => $answer->json('lens.frontRimMm')]))->assertOk();
        $this->assertNull($known->json('next'));
        $this->assertEqualsWithDelta($answer->json('next.after'), $known->json('rig.readings.workingDistanceMm') === null ? -1 : $this->half($known->json('rig'), 'workingDistanceMm'), 1e-6);
    }

    public function test_another_sensor_and_register_are_the_cameras(): void
    {
        $rig = $this->getJson('/api/first?'.http_build_query(['sensorMm' => 30, 'registerMm' => 26.7] + self::TUBES))->assertOk()->json('rig');
        $this->assertEqualsWithDelta(30.0 / $rig['readings']['magnification'], $rig['readings']['fieldWidthMm'], 1e-6);
        $near = $this->getJson('/api/first?'.http_build_query(['registerMm' => 18.2] + self::TUBES))->assertOk()->json('rig');
        $this->assertSame('short 18', $near['camera']['joint'] ?? 'short 18');
    }

    public function test_keeping_it_makes_a_guest_of_thirty_days_with_a_kit_and_a_rig_of_those_figures(): void
    {
        $told = $this->getJson('/api/first?'.http_build_query(self::TUBES))->json('rig.readings');
        $kept = $this->postJson('/api/first', self::TUBES)->assertCreated()->assertJsonPath('person.guest', true)->assertJsonPath('person.own', true);
        $this->assertAuthenticated();
        $user = User::query()->sole();
        $this->assertEqualsWithDelta(30.0, now()->diffInDays($user->guest_until), 0.01);
        $this->assertGreaterThan(30 * 24 * 60, config('session.lifetime'));
        $rig = $this->getJson('/api/rigs/'.$kept->json('rig'))->assertOk();
        $this->assertSame($told, $rig->json('readings'));
        $kit = $user->kits()->sole();
        $this->assertSame('My kit', $kit->name);
        $this->assertSame(['Mirrorless, 23.5 × 15.6', 'Tube 20', 'Tube 10', '50 mm f/1.8'], $kit->parts()->orderBy('position')->pluck('name')->all());
        // Its parts are the kit's: what is corrected there follows.
        $this->assertSame($kit->parts()->orderBy('position')->pluck('id')->slice(1)->values()->all(), $user->rigs()->sole()->parts()->orderBy('place')->pluck('part_id')->all());
    }

    public function test_signing_up_keeps_it_all(): void
    {
        $rig = $this->postJson('/api/first', self::TUBES)->json('rig');
        $guest = User::query()->sole();
        $this->postJson('/api/sign-up', ['name' => 'Ilse', 'email' => 'ilse@example.org', 'password' => self::WORD])->assertCreated()->assertJsonPath('id', $guest->id)->assertJsonPath('guest', false);
        $this->getJson('/api/rigs/'.$rig)->assertOk();
        $this->assertFalse($guest->refresh()->guest_own);
        $this->travel(40)->days();
        $this->artisan('guests:sweep');
        $this->assertModelExists($guest);
    }

    public function test_signing_in_brings_it_along_and_nothing_of_the_demonstration(): void
    {
        $ilse = User::query()->create(['name' => 'Ilse', 'email' => 'ilse@example.org', 'password' => self::WORD])->refresh();
        $ilse->kits()->save(new Kit(['name' => 'My kit', 'extra' => new \stdClass]));
        $rig = $this->postJson('/api/first', self::TUBES)->json('rig');
        $guest = User::query()->where('guest_own', true)->sole();
        $this->putJson('/api/rigs/'.$rig.'/name', ['revision' => 1, 'name' => 'Moss'])->assertOk();
        $this->postJson('/api/comparisons', ['name' => 'Both', 'rigs' => (string) $rig, 'asked' => new \stdClass])->assertCreated();
        $this->postJson('/api/joints', ['name' => 'rowan'])->assertCreated();
        $kit = $guest->kits()->firstOrFail()->id;
        $outing = $this->postJson('/api/outings', ['kit' => $kit, 'outing' => ['name' => 'Dyke', 'subjects' => [['name' => 'Moss', 'wish' => ['magnification' => 1]]]]])->assertCreated()->json('id');
        $entry = ['id' => '0b9f3e1c-5a54-4d3e-9c39-2f6a1c7f0001', 'at' => '2026-12-04T10:20:00+01:00', 'rig' => json_decode((string) $this->get('/api/rigs/'.$rig.'/file')->getContent(), true)];
        $this->putJson("/api/outings/{$outing}/entries/{$entry['id']}", ['entry' => $entry])->assertOk();
        $this->putJson("/api/outings/{$outing}/ticks", ['what' => 'Card empty', 'ticked' => true, 'at' => '2026-12-04T10:20:00+01:00'])->assertOk();

        $this->postJson('/api/sign-in', ['email' => 'ilse@example.org', 'password' => self::WORD])->assertOk()->assertJsonPath('id', $ilse->id);
        $this->assertModelMissing($guest);
        $this->assertSame(['My kit', 'My kit (2)'], $ilse->kits()->orderBy('name')->pluck('name')->all());
        $this->app['auth']->forgetGuards();
        $this->actingAs($ilse)->getJson('/api/rigs/'.$rig)->assertOk()->assertJsonPath('name', 'Moss')->assertJsonPath('chain.0.name', 'Tube 20');
        $this->assertSame(['Both'], $ilse->comparisons()->pluck('name')->all());
        $this->assertSame(['rowan'], $ilse->joints()->pluck('name')->all());
        $this->getJson('/api/outings/'.$outing)->assertOk()->assertJsonPath('kit', $kit)->assertJsonPath('packed', ['Card empty']);
        $this->assertSame([$entry['id']], array_column($this->getJson("/api/outings/{$outing}/entries")->assertOk()->json(), 'id'));
        $this->postJson('/api/sign-out');
        $this->app['auth']->forgetGuards();

        $this->postJson('/api/guest')->assertCreated();
        $this->app['auth']->forgetGuards();
        $this->postJson('/api/sign-in', ['email' => 'ilse@example.org', 'password' => self::WORD])->assertOk();
        $this->assertSame(2, $ilse->kits()->count());
        $this->assertSame(1, $ilse->rigs()->count());
    }

    public function test_what_was_practised_comes_along(): void
    {
        $ilse = User::query()->create(['name' => 'Ilse', 'email' => 'ilse@example.org', 'password' => self::WORD])->refresh();
        $guest = FirstVisit::guest(30, null);
        foreach ([[$ilse, 1, 1], [$guest, 3, 2]] as [$user, $tried, $done]) {
            DB::table('practice_answers')->insert(['user_id' => $user->id, 'skill' => 'room', 'is_word' => false, 'round' => 0, 'known' => false, 'inside' => false, 'answered_at' => now()]);
            DB::table('practice_tasks')->insert(['user_id' => $user->id, 'task' => 'focus', 'tried' => $tried, 'done' => $done, 'last_at' => now()]);
        }
        DB::table('practice_tasks')->insert(['user_id' => $guest->id, 'task' => 'stack', 'tried' => 1, 'done' => 0, 'last_at' => now()]);
        DB::table('practice_evenings')->insert(['user_id' => $guest->id, 'title' => 'Fen', 'token' => 'x', 'token_hash' => hash('sha256', 'x'), 'questions' => '[{}]', 'created_at' => now()]);
        Belongings::bring($guest, $ilse);
        $this->assertSame([2, 1], [DB::table('practice_answers')->where('user_id', $ilse->id)->count(), DB::table('practice_evenings')->where('user_id', $ilse->id)->count()]);
        $this->assertEquals([['focus', 4, 3], ['stack', 1, 0]], DB::table('practice_tasks')->where('user_id', $ilse->id)->orderBy('task')->get()->map(static fn (\stdClass $row): array => [$row->task, $row->tried, $row->done])->all());
    }

    public function test_a_name_that_is_taken_gets_a_number(): void
    {
        $ilse = User::query()->create(['name' => 'Ilse', 'email' => 'ilse@example.org', 'password' => self::WORD])->refresh();
        $this->rigOf($this->named($ilse, 'Moss'), 'Moss');
        $guest = FirstVisit::guest(30, null);
        $this->rigOf($this->named($guest, 'Moss'), 'Moss');
        Belongings::bring($guest, $ilse);
        $this->assertSame(['Moss', 'Moss (2)'], $ilse->rigs()->orderBy('name')->pluck('name')->all());
    }

    /** A name that is free in the account may be taken by the guest's own other things, and a comparison is lost by no name. */
    public function test_names_that_collide_twice_and_comparisons_of_one_name_all_come_along(): void
    {
        $ilse = User::query()->create(['name' => 'Ilse', 'email' => 'ilse@example.org', 'password' => self::WORD])->refresh();
        $guest = FirstVisit::guest(30, null);
        foreach ([[$ilse, 'Moss'], [$guest, 'Moss'], [$guest, 'Moss (2)']] as [$user, $name]) {
            $rig = $this->rigOf($this->named($user, $name), $name);
            $this->app->make(KeptComparisons::class)->keep($user, $name, [$rig], []);
        }
        Belongings::bring($guest, $ilse);
        $this->assertModelMissing($guest);
        foreach ([$ilse->rigs(), $ilse->comparisons()] as $things) {
            $names = $things->pluck('name')->all();
            $this->assertEqualsCanonicalizing(['Moss', 'Moss (2)', 'Moss (2) (2)'], $names);
        }
        $this->assertSame(3, $ilse->kits()->count());
        $this->assertSame(3, $ilse->comparisons()->withCount('rigs')->get()->sum('rigs_count'));
    }

    public function test_who_is_signed_in_gets_the_parts_into_an_empty_kit_or_a_new_one(): void
    {
        $ilse = User::query()->create(['name' => 'Ilse', 'email' => 'ilse@example.org', 'password' => self::WORD])->refresh();
        $ilse->kits()->save(new Kit(['name' => 'Bag', 'extra' => new \stdClass]));
        $this->actingAs($ilse)->postJson('/api/first', self::TUBES)->assertCreated()->assertJsonPath('person.id', $ilse->id);
        $this->actingAs($ilse)->postJson('/api/first', self::TUBES)->assertCreated();
        $this->actingAs($ilse)->postJson('/api/first', self::TUBES)->assertCreated();
        $this->assertSame(['Bag' => 4, 'My kit' => 4, 'My kit (2)' => 4], $ilse->kits()->withCount('parts')->orderBy('name')->pluck('parts_count', 'name')->all());
    }

    public function test_a_guest_whose_days_are_over_is_swept_with_everything(): void
    {
        $this->postJson('/api/first', self::TUBES)->assertCreated();
        $this->travel(29)->days();
        $this->artisan('guests:sweep');
        $this->assertSame(1, User::query()->count());
        $this->travel(2)->days();
        $this->artisan('guests:sweep');
        $this->assertSame(0, User::query()->count() + Kit::query()->count());
    }

    public function test_many_guests_of_one_day_are_refused_and_those_of_last_week_are_in_nobodys_way(): void
    {
        config(['zinc.guests_per_address' => 1]);
        $this->postJson('/api/first', self::TUBES)->assertCreated();
        $this->app['auth']->guard('web')->logout();
        $this->app['auth']->forgetGuards();
        $this->postJson('/api/first', self::TUBES)->assertStatus(422);
        $this->travel(2)->days();
        $this->postJson('/api/first', self::TUBES)->assertCreated();
    }

    /** @param  array<string, mixed>  $answers */
    #[DataProvider('refused')]
    public function test_what_can_not_be_is_refused_by_name_and_keeps_nothing(array $answers, string $field): void
    {
        $answers += ['body' => 'mirrorless-23'];
        $this->getJson('/api/first?'.http_build_query($answers))->assertStatus(422)->assertJsonValidationErrorFor($field);
        $this->postJson('/api/first', $answers)->assertStatus(422)->assertJsonValidationErrorFor($field);
        $this->assertSame(0, User::query()->count());
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function refused(): iterable
    {
        yield 'no body' => [['body' => ''], 'body'];
        yield 'no such body' => [['body' => 'mirror-17'], 'body'];
        yield 'no such lens' => [['lens' => 'fisheye'], 'lens'];
        yield 'no such mount' => [['mount' => 'moon'], 'mount'];
        foreach (['sensorMm' => [0.9, 200.1], 'registerMm' => [0.9, 200.1], 'focalMm' => [0.9, 2000.1], 'longestMm' => [0.9, 2000.1], 'widest' => [0.4, 64.1], 'closestMm' => [4.9, 20_000.1], 'greatest' => [0.009, 10.1], 'rimMm' => [0.9, 600.1], 'otherMm' => [0.9, 2000.1]] as $name => [$low, $high]) {
            yield $name.' below' => [[$name => $low], $name];
            yield $name.' above' => [[$name => $high], $name];
        }
        yield 'tubes in words' => [['tubes' => 'ten'], 'tubes'];
        yield 'seven tubes' => [['tubes' => '1,2,3,4,5,6,7'], 'tubes'];
        yield 'a tube of nothing' => [['tubes' => '10,0'], 'tubes'];
        yield 'a tube of a metre and more' => [['tubes' => '1000.1'], 'tubes'];
        yield 'a tube that is not there' => [['tubes' => '10', 'tube' => 1], 'tube'];
        yield 'bellows with one end' => [['bellows' => '35'], 'bellows'];
        yield 'bellows of nothing' => [['bellows' => '0,10'], 'bellows'];
        yield 'a helicoid with three ends' => [['helicoid' => '1,2,3'], 'helicoid'];
        yield 'a glass beyond glasses' => [['closeUps' => '51'], 'closeUps'];
        yield 'a glass that is not there' => [['closeUps' => '4', 'closeUp' => 1], 'closeUp'];
        yield 'from nowhere' => [['from' => 'here'], 'from'];
    }

    public function test_bounds_are_in(): void
    {
        foreach ([['sensorMm' => 1], ['sensorMm' => 200], ['focalMm' => 2000, 'lens' => 'long'], ['widest' => 64], ['closestMm' => 20_000], ['greatest' => 10], ['rimMm' => 600], ['tubes' => '0.1,1000'], ['closeUps' => '50'], ['bellows' => '135,35'], ['tubes' => '10', 'tube' => 0], ['otherMm' => 2000], ['turned' => 1]] as $answers) {
            $this->getJson('/api/first?'.http_build_query($answers + ['body' => 'mirror-36']))->assertOk();
        }
        foreach (['mirrorless-36', 'mirrorless-23', 'mirrorless-17', 'mirror-36', 'mirror-23', 'built-in'] as $body) {
            $this->getJson('/api/first?body='.$body)->assertOk()->assertJsonPath('rig.camera.name', static fn (string $name): bool => $name !== '');
        }
    }

    /** The same person, with a first visit's rig under that name. */
    private function named(User $user, string $name): User
    {
        $rig = $this->app->make(FirstVisit::class)->keep($user, new FirstAnswers(camera: Body::Mirror36->camera(null, null)));
        $rig->update(['name' => $name]);

        return $user;
    }

    /** @param  array<string, mixed>  $rig */
    private function half(array $rig, string $reading): float
    {
        return (float) (array_column($rig['doubts'], 'halfWidth', 'reading')[$reading] ?? 0.0);
    }
}
