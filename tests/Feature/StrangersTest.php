<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Compare\KeptComparisons;
use App\Models\Joint;
use App\Models\KeptComparison;
use App\Models\Kit;
use App\Models\Outing;
use App\Models\Part;
use App\Models\Rig;
use App\Models\SavedSearch;
use App\Models\User;
use App\Practice\Evenings;
use App\Practice\PracticeStore;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route as Routes;
use Tests\TestCase;

/** Every route, walked by somebody who may not: a stranger, and another guest. */
final class StrangersTest extends TestCase
{
    /** What anybody may reach: the page (OpeningTest walks the bench's), its health, the cookie, the way in. */
    private const OPEN = ['{place?}', 'bench/{rig?}', 'up', 'sanctum/csrf-cookie', 'api/guest', 'api/first', 'api/sign-up', 'api/sign-in', 'api/forgotten', 'api/reset', 'api/confirm', 'api/shared/{token}', 'api/shared/{token}/file', 'api/evening/{token}', 'api/evening/{token}/results', 'storage/{path}'];

    public function test_a_stranger_gets_nothing_from_any_route(): void
    {
        $rig = $this->rigOf($this->guest(), 'Lichen disc');
        $walked = 0;
        foreach ($this->guarded() as [$method, $route]) {
            $this->json($method, $this->address($route, $rig))->assertStatus(401);
            $walked++;
        }
        $this->assertGreaterThan(40, $walked);
    }

    public function test_another_guest_gets_nothing_of_anyone_elses(): void
    {
        $owner = $this->guest();
        $rig = $this->rigOf($owner, 'Lichen disc');
        $before = $rig->load('parts')->toArray();
        $kit = $owner->kits()->with('parts')->firstOrFail()->toArray();
        $owner->joints()->save(new Joint(['name' => 'plover']));
        $owner->kits()->firstOrFail()->wishes()->create(['name' => 'Theirs', 'wish' => (object) ['magnification' => 1]]);
        $this->app->make(KeptComparisons::class)->keep($owner, 'Theirs', [$rig], []);
        $this->app->make(PracticeStore::class)->handOut($owner->kits()->firstOrFail());
        $this->app->make(Evenings::class)->open($owner, $owner->kits()->firstOrFail(), 'Theirs');
        $practice = DB::table('practice_questions')->where('kit_id', $rig->kit_id)->orderBy('id')->get()->toArray();
        $outings = $owner->outings()->get()->toArray();
        $ticks = $owner->outings()->firstOrFail()->ticks()->orderBy('what')->get()->toArray();
        $entries = DB::table('entries')->where('user_id', $owner->id)->orderBy('number')->get()->toArray();
        $this->actingAs($this->guest());
        $walked = 0;
        foreach ($this->guarded() as [$method, $route]) {
            if (str_contains($route->uri(), '{')) {
                $this->json($method, $this->address($route, $rig), [
                    'revision' => $rig->revision, 'version' => 1, 'name' => 'Mine now', 'step' => ['action' => 'remove', 'index' => 0], 'text' => '{}', 'as' => 'json', 'part' => ['kind' => 'tube', 'lengthMm' => 1], 'parts' => [['kind' => 'tube', 'lengthMm' => 1]], 'task' => 'focus', 'round' => 0, 'title' => 'Mine now',
                ])->assertNotFound();
                $walked++;
            }
        }
        $this->assertGreaterThan(28, $walked);
        $this->assertEquals($before, Rig::query()->with('parts')->findOrFail($rig->id)->toArray());
        $this->assertEquals($kit, $owner->kits()->with('parts')->firstOrFail()->toArray());
        $this->assertSame(1, $owner->joints()->count());
        $this->assertSame(1, SavedSearch::query()->where('kit_id', $rig->kit_id)->count());
        $this->assertSame(1, $owner->comparisons()->count());
        $this->assertEquals($practice, DB::table('practice_questions')->where('kit_id', $rig->kit_id)->orderBy('id')->get()->toArray());
        $this->assertSame([1, 0, 0], [DB::table('practice_evenings')->where('user_id', $owner->id)->count(), DB::table('practice_answers')->count(), DB::table('practice_tasks')->count()]);
        $this->assertEquals($entries, DB::table('entries')->where('user_id', $owner->id)->orderBy('number')->get()->toArray());
        $this->assertEquals($outings, $owner->outings()->get()->toArray());
        $this->assertEquals($ticks, $owner->outings()->firstOrFail()->ticks()->orderBy('what')->get()->toArray());
        $mine = array_column($this->getJson('/api/rigs')->json(), 'id');
        $this->assertNotContains($rig->id, $mine);
        $this->assertNotContains($rig->kit_id, array_column($this->getJson('/api/kits')->json(), 'id'));
    }

    public function test_the_demonstration_opens_with_one_press_and_is_a_copy_of_ones_own(): void
    {
        $first = $this->postJson('/api/guest', [], ['Referer' => config('app.url')])->assertCreated()->assertJsonPath('guest', true)->json('id');
        $this->assertAuthenticated();
        $guest = User::query()->findOrFail($first);
        $this->assertCount(8, $guest->rigs);
        $this->assertGreaterThanOrEqual(25, $guest->kits()->firstOrFail()->parts()->count());
        $this->guest();
        $this->assertSame(2, Kit::query()->where('name', 'Fen herbarium kit')->count());
    }

    public function test_guests_are_swept_after_their_day_with_everything_of_theirs(): void
    {
        $old = $this->guest();
        $old->forceFill(['guest_until' => now()->subMinute()])->save();
        $new = $this->guest();
        $this->artisan('guests:sweep')->assertSuccessful();
        $this->assertDatabaseMissing('users', ['id' => $old->id]);
        $this->assertDatabaseMissing('rigs', ['user_id' => $old->id]);
        $this->assertDatabaseMissing('kits', ['user_id' => $old->id]);
        $this->assertDatabaseHas('users', ['id' => $new->id]);
    }

    public function test_every_answer_carries_the_security_headers(): void
    {
        foreach (['/', '/api/me', '/up'] as $address) {
            $headers = $this->get($address)->headers;
            $policy = (string) $headers->get('Content-Security-Policy');
            $this->assertStringContainsString("default-src 'none'", $policy);
            $this->assertStringContainsString("script-src 'self';", $policy);
            $this->assertStringNotContainsString('unsafe-eval', $policy);
            $this->assertSame('nosniff', $headers->get('X-Content-Type-Options'));
            $this->assertSame('DENY', $headers->get('X-Frame-Options'));
        }
        $this->assertStringNotContainsString('<script>', (string) $this->get('/')->getContent());
    }

    /** @return list<array{string, Route}> */
    private function guarded(): array
    {
        $guarded = [];
        foreach (Routes::getRoutes() as $route) {
            if (! in_array($route->uri(), self::OPEN, true)) {
                foreach (array_diff($route->methods(), ['HEAD']) as $method) {
                    $guarded[] = [$method, $route];
                }
            }
        }

        return $guarded;
    }

    private function address(Route $route, Rig $rig): string
    {
        $part = (string) Part::query()->where('kit_id', $rig->kit_id)->value('id');
        $joint = (string) (Joint::query()->where('user_id', $rig->user_id)->value('id') ?? 1);

        $wish = (string) (SavedSearch::query()->where('kit_id', $rig->kit_id)->value('id') ?? 1);

        $comparison = (string) (KeptComparison::query()->where('user_id', $rig->user_id)->value('id') ?? 1);

        $question = (string) (DB::table('practice_questions')->where('kit_id', $rig->kit_id)->value('id') ?? 1);

        $evening = (string) (DB::table('practice_evenings')->where('user_id', $rig->user_id)->value('id') ?? 1);

        // The one with a log.
        $outing = (string) Outing::query()->where('user_id', $rig->user_id)->where('name', 'Seeds, moss and clock teeth')->value('id');

        $entry = (string) DB::table('entries')->where('outing_id', $outing)->oldest('at')->value('id');

        return '/'.str_replace(['{question}', '{evening}', '{frame}', '{run}', '{entry}', '{outing}', '{reading}', '{comparison}', '{school}', '{rig}', '{kit}', '{part}', '{deleted}', '{joint}', '{number}', '{wish}', '{card}', '{session}'], [$question, $evening, '1', '1', $entry, $outing, 'magnification', $comparison, 'stop-or-stop', (string) $rig->id, (string) $rig->kit_id, $part, $part, $joint, '0', $wish, 'ladder', str_repeat('a', 16)], $route->uri()).'?travel=2.focus&index=0&front=larch&rear=tern&magnification=1&camera='.$part.'&lens='.$part;
    }
}
