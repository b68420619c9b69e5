<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Rig;
use App\Models\User;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Exceptions;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Testing\TestResponse;
use Tests\TestCase;

/** The bench's page brings the first answers along: to whom they belong, and to nobody else. */
final class OpeningTest extends TestCase
{
    /** @var array<string, string> of a browser that has the demonstration open */
    private array $cookies = [];

    private User $user;

    protected function setUp(): void
    {
        parent::setUp();
        config(['session.driver' => 'database']);
        $this->withoutVite();
        $opened = $this->fresh()->postJson('/api/guest', [], ['Referer' => config('app.url')])->assertCreated();
        $this->cookies = $this->cookiesOf($opened);
        $this->user = User::query()->findOrFail($opened->json('id'));
    }

    public function test_what_the_bench_asks_first_comes_in_its_page_as_the_api_answers_it(): void
    {
        $rig = $this->rigOf($this->user, 'Lichen disc');
        $page = $this->open("/bench/{$rig->id}?work=light&page=2");
        $asked = ['/api/me', '/api/rigs', "/api/rigs/{$rig->id}"];
        $answers = $this->answersIn($page);
        $this->assertSame($asked, array_keys($answers));
        foreach ($asked as $address) {
            $this->assertSame($this->browser()->getJson($address)->assertOk()->json(), $answers[$address], $address);
        }
        $this->assertCount(8, $answers['/api/rigs']);
        $this->assertSame('Lichen disc', $answers["/api/rigs/{$rig->id}"]['name']);
        $this->assertStringContainsString('no-store', (string) $page->headers->get('Cache-Control'));
        $this->assertSame('text/html; charset=utf-8', $page->headers->get('Content-Type'));
        $this->assertStringContainsString("script-src 'self';", (string) $page->headers->get('Content-Security-Policy'));
        // Who opens a page is told of the session anew, as who asks /api/me.
        $this->assertNotNull($page->getCookie('zinc_thimble', false));
        $this->assertNotNull($page->getCookie('XSRF-TOKEN', false));
        // The page is whole on both sides of them.
        $this->assertMatchesRegularExpression('#^<!DOCTYPE html>.*<div id="application"></div>.*id="answers">.*</script>.*</html>\s*$#s', $page->streamedContent());
    }

    public function test_without_a_rig_in_its_address_the_bench_brings_the_last_one_changed(): void
    {
        $rig = $this->rigOf($this->user, 'Herbarium label');
        $rig->forceFill(['updated_at' => now()->addMinute()])->save();
        $answers = $this->answersIn($this->open('/bench'));
        $this->assertSame(['/api/me', '/api/rigs', "/api/rigs/{$rig->id}"], array_keys($answers));
        $this->assertSame($rig->id, $answers['/api/rigs'][0]['id']);
        $this->user->rigs()->get()->each(fn (Rig $each) => $each->delete());
        $this->assertSame(['/api/me', '/api/rigs'], array_keys($this->answersIn($this->open('/bench'))));
    }

    public function test_strangers_and_who_is_over_get_the_page_and_nothing_more(): void
    {
        $rig = $this->rigOf($this->user, 'Lichen disc');
        $before = DB::table('sessions')->count();
        $this->assertPlain($this->fresh()->get("/bench/{$rig->id}"));
        $this->assertSame($before, DB::table('sessions')->count());
        $this->assertPlain($this->fresh()->withUnencryptedCookies(['zinc_thimble' => 'of nobody'])->get("/bench/{$rig->id}"));
        $this->user->forceFill(['guest_until' => now()->subSecond()])->save();
        $this->assertPlain($this->open("/bench/{$rig->id}"));
        $this->user->forceFill(['guest_until' => now()->addHour()])->save();
        $this->assertNotSame([], $this->answersIn($this->open("/bench/{$rig->id}")));
        DB::table('sessions')->delete();
        $this->assertPlain($this->open("/bench/{$rig->id}"));
    }

    public function test_another_ones_rig_isnt_in_ones_page(): void
    {
        $theirs = $this->rigOf($this->guest(), 'Lichen disc');
        $theirs->forceFill(['name' => 'Theirs alone'])->save();
        $page = $this->open("/bench/{$theirs->id}");
        $this->assertSame(['/api/me', '/api/rigs'], array_keys($this->answersIn($page)));
        $this->assertStringNotContainsString('Theirs alone', $page->streamedContent());
        $this->assertSame(['/api/me', '/api/rigs'], array_keys($this->answersIn($this->open('/bench/999999999999999'))));
        // What is no number of a rig is a place like any other.
        $this->assertPlain($this->open('/bench/9999999999999999'));
    }

    public function test_a_session_from_before_the_password_was_changed_opens_nothing(): void
    {
        $user = User::query()->create(['name' => 'Ilse', 'email' => 'ilse@example.org', 'password' => 'seven moss capsules']);
        $this->cookies = $this->cookiesOf($this->fresh()->postJson('/api/sign-in', ['email' => 'ilse@example.org', 'password' => 'seven moss capsules'], ['Referer' => config('app.url')])->assertOk());
        $this->assertSame('Ilse', $this->answersIn($this->open('/bench'))['/api/me']['name']);
        $user->refresh()->forceFill(['password' => 'quite another sentence'])->save();
        $this->assertPlain($this->open('/bench'));
    }

    public function test_no_other_place_brings_anything_along(): void
    {
        $outing = $this->user->outings()->firstOrFail()->id;
        foreach (['/', '/kit', '/find', '/compare', '/practice', "/outings/$outing/outside"] as $place) {
            $this->assertPlain($this->open($place));
        }
    }

    public function test_nothing_that_is_kept_ends_the_element_it_comes_in(): void
    {
        $rig = $this->rigOf($this->user, 'Lichen disc');
        $name = '</script><script>alert(1)</script><!-- & “é”';
        $rig->forceFill(['name' => $name])->save();
        $page = $this->open("/bench/{$rig->id}");
        $this->assertSame($name, $this->answersIn($page)["/api/rigs/{$rig->id}"]['name']);
        $this->assertStringNotContainsString('</script><script>', $page->streamedContent());
        $this->assertSame(1, substr_count($page->streamedContent(), '<script type="application/json" id="answers">'));
    }

    public function test_a_rig_that_cant_be_read_is_left_to_be_asked_for(): void
    {
        $rig = $this->rigOf($this->user, 'Lichen disc');
        DB::table('rig_parts')->where('rig_id', $rig->id)->where('place', 0)->update(['document' => json_encode(['kind' => 'tube', 'name' => 'Tube'])]);
        $answers = $this->answersIn($this->open("/bench/{$rig->id}"));
        $this->assertSame(['/api/me', '/api/rigs'], array_keys($answers));
        $this->browser()->getJson("/api/rigs/{$rig->id}")->assertStatus(422);
    }

    public function test_pages_asked_for_in_a_loop_come_without(): void
    {
        $rig = $this->rigOf($this->user, 'Lichen disc');
        for ($n = 0; $n < 599; $n++) {
            RateLimiter::hit("page {$this->user->id}");
        }
        $this->assertNotSame([], $this->answersIn($this->open("/bench/{$rig->id}")));
        $this->assertPlain($this->open("/bench/{$rig->id}"));
    }

    public function test_the_page_comes_while_the_store_is_away_and_when_an_answer_fails(): void
    {
        Exceptions::fake();
        $rig = $this->rigOf($this->user, 'Lichen disc');
        $failing = 'rig_parts';
        DB::listen(static function (QueryExecuted $query) use (&$failing): void {
            if ($failing !== null && str_contains($query->sql, $failing)) {
                throw new QueryException('pgsql', $query->sql, [], new \PDOException('SQLSTATE[08006] [7] connection to server failed', 7));
            }
        });
        $page = $this->open("/bench/{$rig->id}");
        $this->assertStringContainsString('</html>', $page->streamedContent());
        $this->assertStringNotContainsString('id="answers"', $page->streamedContent());
        Exceptions::assertReportedCount(1);
        $failing = 'sessions';
        $this->assertPlain($this->open("/bench/{$rig->id}"));
        $failing = null;
        $this->assertCount(3, $this->answersIn($this->open("/bench/{$rig->id}")));
    }

    public function test_a_guest_without_a_password_is_let_in_without_a_word_in_the_log(): void
    {
        // Told as a fault where it would be logged, at every question, by the framework's own check of the session.
        $this->withoutDeprecationHandling();
        $this->browser()->getJson('/api/me')->assertOk();
        $this->assertNotSame([], $this->answersIn($this->open('/bench')));
        $this->assertSame('', $this->user->refresh()->getAuthPassword());
        $this->assertNotNull($this->user->guest_until);
        $this->assertSame($this->user->guest_until->toIso8601String(), $this->answersIn($this->open('/bench'))['/api/me']['guestUntil']);
    }

    private function browser(): self
    {
        return $this->asBrowser($this->cookies)->withHeader('Referer', (string) config('app.url'));
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function open(string $address): TestResponse
    {
        return $this->browser()->get($address)->assertOk();
    }

    /** @return array<string, mixed> */
    private function answersIn(TestResponse $page): array
    {
        $this->assertSame(1, preg_match('#<script type="application/json" id="answers">(.*?)</script>#s', $page->streamedContent(), $found));

        return json_decode($found[1], true, 64, JSON_THROW_ON_ERROR);
    }

    private function assertPlain(TestResponse $page): void
    {
        $page->assertOk();
        $this->assertStringContainsString('<div id="application"></div>', (string) $page->getContent());
        $this->assertStringNotContainsString('id="answers"', (string) $page->getContent());
    }
}
