<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Joint;
use App\Models\Rig;
use App\Models\User;
use App\Practice\Evenings;
use App\Practice\PracticeStore;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route as Routes;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Every route that writes takes a battery of bodies nobody should send: 4xx in JSON, and nothing half written. */
final class HostileInputTest extends TestCase
{
    /** Routes that need no body: whatever comes along is left unread, and they do what they are for. */
    private const NO_BODY = [
        'POST api/guest', 'POST api/sign-out', 'POST api/rigs', 'POST api/rigs/{rig}/copies', 'DELETE api/rigs/{rig}', 'DELETE api/rigs/{rig}/news', 'POST api/rigs/{rig}/share', 'DELETE api/rigs/{rig}/share',
        'DELETE api/kits/{kit}/parts/{part}', 'POST api/kits/{kit}/parts/{part}/copies', 'POST api/kits/{kit}/parts/{deleted}/back', 'DELETE api/joints/{joint}', 'DELETE api/kits/{kit}/wishes/{wish}', 'DELETE api/comparisons/{comparison}', 'DELETE api/outings/{outing}', 'POST api/kits/{kit}/questions/{school}', 'PUT storage/{path}', 'POST api/me/confirmation', 'POST api/outings/{outing}/entries/{entry}/shot', 'POST api/rigs/{rig}/look/runs', 'POST api/rigs/{rig}/look/live', 'DELETE api/rigs/{rig}/look/frames/{frame}', 'DELETE api/me/sessions/{session}', 'POST api/kits/{kit}/practice', 'POST api/rigs/{rig}/look/task', 'DELETE api/rigs/{rig}/look/task', 'DELETE api/evenings/{evening}',
        // Reads any words, says which it understands, and keeps nothing (KitWordsTest).
        'POST api/kits/{kit}/words',
    ];

    /** @return iterable<string, array{string}> */
    public static function bodies(): iterable
    {
        $fields = ['revision', 'version', 'step', 'name', 'text', 'as', 'parts', 'part', 'by', 'keep', 'shots', 'wish', 'email', 'password', 'current', 'token', 'archive', 'registerMm', 'currency', 'camera', 'tags', 'rigs', 'asked', 'texts', 'setting', 'frames', 'movedMm', 'outing', 'what', 'ticked', 'at', 'entry', 'today', 'target', 'hidden', 'closed', 'lost', 'exposureStops', 'railMm', 'width', 'height', 'key', 'x', 'y', 'do', 'stops', 'box', 'divisionMm', 'leanDeg', 'divisions', 'task', 'round', 'guess', 'low', 'high', 'place'];
        $all = static fn (mixed $value): string => json_encode(array_fill_keys($fields, $value), JSON_THROW_ON_ERROR | JSON_PARTIAL_OUTPUT_ON_ERROR);
        yield 'nothing' => [''];
        yield 'no JSON' => ['{"revision": 1, '];
        yield 'a number' => ['1'];
        yield 'a list' => ['[1, 2, 3]'];
        yield 'an empty object' => ['{}'];
        yield 'nulls' => [$all(null)];
        yield 'words' => [$all("'; drop table rigs; --")];
        yield 'markup' => [$all('<script>alert(1)</script>')];
        yield 'lists' => [$all([[], [1], ['x' => ['y']]])];
        yield 'objects' => [$all(['a' => 1, 'constructor' => null, '__proto__' => []])];
        yield 'flags' => [$all(true)];
        yield 'minus one' => [$all(-1)];
        yield 'a huge number' => [$all(1e300)];
        yield 'a number beyond integers' => ['{"revision": 99999999999999999999, "version": 99999999999999999999, "step": {"action": "remove", "place": 99999999999999999999}}'];
        yield 'a megabyte of text' => [$all(str_repeat('x', 60_000))];
        yield 'null bytes and odd directions' => ['{"name": "a\\u0000b\\u202e", "text": "\\u0000", "as": "json\\u0000", "revision": 0, "version": 0, "part": {"kind": "tube\\u0000"}, "parts": [{"kind": "tube", "lengthMm": 1, "name": "\\u0000"}], "email": "a\\u0000@example.org", "password": "\\u0000", "current": "\\u0000", "token": "\\u0000", "keep": false, "by": "ruler\\u0000"}'];
        yield 'deep nesting' => ['{"parts": '.str_repeat('[', 400).str_repeat(']', 400).', "part": '.str_repeat('{"a":', 400).'1'.str_repeat('}', 400).'}'];
        yield 'broken letters' => ["{\"name\": \"\xC3\x28\", \"text\": \"\xFF\"}"];
    }

    private int $question = 0;

    private string $evening = '';

    #[DataProvider('bodies')]
    public function test_it_is_refused_everywhere_and_nothing_is_written(string $body): void
    {
        $user = $this->guest();
        $rig = $this->rigOf($user, 'Lichen disc');
        $user->joints()->save(new Joint(['name' => 'plover']));
        $user->kits()->firstOrFail()->wishes()->create(['name' => 'Kept', 'wish' => (object) ['magnification' => 1]]);
        $kit = $user->kits()->firstOrFail();
        $this->question = $this->app->make(PracticeStore::class)->handOut($kit)[0]->id;
        $this->evening = $this->app->make(Evenings::class)->open($user, $kit, 'Kept')->token;
        $walked = 0;
        foreach ($this->writing() as [$method, $route]) {
            // A guest for what guests do; a person with an account for accounts.
            $this->actingAs($user);
            $before = $this->everything($user);
            $response = $this->call($method, $this->address($route, $rig), [], [], [], [
                'CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json', 'HTTP_REFERER' => config('app.url'), 'REMOTE_ADDR' => '127.0.1.'.($walked % 250),
            ], $body);
            $status = $response->getStatusCode();
            $this->assertTrue($status >= 400 && $status < 500, $method.' '.$route->uri().' answered '.$status.': '.mb_substr((string) $response->getContent(), 0, 300));
            $this->assertIsString($response->json('message'), $route->uri());
            $this->assertSame($before, $this->everything($user), $method.' '.$route->uri());
            $walked++;
        }
        $this->assertGreaterThan(18, $walked);
    }

    /** @return list<array{string, Route}> */
    private function writing(): array
    {
        $writing = [];
        foreach (Routes::getRoutes() as $route) {
            foreach (array_diff($route->methods(), ['GET', 'HEAD']) as $method) {
                if (! in_array($method.' '.$route->uri(), self::NO_BODY, true)) {
                    $writing[] = [$method, $route];
                }
            }
        }

        return $writing;
    }

    private function address(Route $route, Rig $rig): string
    {
        $part = DB::table('parts')->where('kit_id', $rig->kit_id)->where('kind', 'lens')->value('id');

        return '/'.strtr($route->uri(), ['{question}' => (string) $this->question, '{token}' => $this->evening, '{entry}' => '0b9f3e1c-5a54-4d3e-9c39-2f6a1c7f0001', '{outing}' => (string) DB::table('outings')->where('user_id', $rig->user_id)->value('id'), '{rig}' => (string) $rig->id, '{kit}' => (string) $rig->kit_id, '{part}' => (string) $part]);
    }

    /** @return array<string, string> */
    private function everything(User $user): array
    {
        $all = ['user' => (string) json_encode(DB::table('users')->where('id', $user->id)->get())];
        foreach (['kits', 'rigs', 'joints', 'outings', 'entries', 'practice_answers', 'practice_evenings'] as $table) {
            $all[$table] = (string) json_encode(DB::table($table)->where('user_id', $user->id)->orderBy('id')->get());
        }
        foreach (['parts' => 'kit', 'practice_questions' => 'kit', 'kit_steps' => 'kit', 'wishes' => 'kit', 'rig_parts' => 'rig', 'rig_steps' => 'rig'] as $table => $of) {
            $all[$table] = (string) json_encode(DB::table($table)->whereIn($of.'_id', DB::table($of.'s')->where('user_id', $user->id)->select('id'))->orderBy('id')->get());
        }

        return $all;
    }
}
