<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Accounts\AccountMail;
use App\Accounts\CommonPasswords;
use App\Accounts\Confirmation;
use App\Accounts\SessionRows;
use App\Models\User;
use App\Start\FirstVisit;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Mail;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Accounts after OWASP ASVS 4, level 2: docs/security.md names each item that is held by a test here. */
final class AccountSecurityTest extends TestCase
{
    private const WORD = 'heron under a mossy gate';

    protected function setUp(): void
    {
        parent::setUp();
        config(['session.driver' => 'database']);
        $this->withHeader('Referer', (string) config('app.url'));
        $this->fresh();
    }

    /** @return iterable<string, array{string}> */
    public static function guessable(): iterable
    {
        foreach (['eleven lett', 'password1234', 'PASSWORD12345!', 'p4ssw0rd!!!!', 'qwertyuiop123', 'asdfghjklzxcvbnm', 'abcdefghijkl', '123456789012', 'aaaaaaaaaaaaaa', 'monkeymonkey', 'abcabcabcabc', '1q2w3e4r5t6z', 'Zinc Thimble!', 'ilse@example1', 'Ilse Ilse Ilse'] as $password) {
            yield $password => [$password];
        }
    }

    #[DataProvider('guessable')]
    public function test_a_password_that_guessing_begins_with_is_refused(string $password): void
    {
        $this->postJson('/api/sign-up', ['name' => 'Ilse', 'email' => 'ilse@example.org', 'password' => $password])->assertStatus(422)->assertJsonStructure(['errors' => ['password']]);
        $user = $this->person();
        $this->actingAs($user)->putJson('/api/me/password', ['current' => self::WORD, 'password' => $password])->assertStatus(422)->assertJsonStructure(['errors' => ['password']]);
    }

    public function test_a_password_may_be_long_have_blanks_and_any_letter_and_is_kept_whole(): void
    {
        foreach (['twelve chars', ' blanks at both ends ', 'Wollgras und Sonnentau', '湿地の苔と時計塔のかけた歯車', str_repeat('sedge and bog oak, ', 10)] as $n => $password) {
            $this->assertFalse(CommonPasswords::contain($password), $password);
            $email = "p{$n}@example.org";
            $this->fresh()->postJson('/api/sign-up', ['name' => 'Ilse', 'email' => $email, 'password' => $password])->assertCreated();
            $this->assertTrue(Hash::check($password, (string) User::query()->where('email', $email)->firstOrFail()->password), $password);
            if (trim($password) !== $password) {
                $this->fresh()->postJson('/api/sign-in', ['email' => $email, 'password' => trim($password)])->assertStatus(422);
                $user = User::query()->where('email', $email)->firstOrFail();
                $this->actingAs($user)->putJson('/api/me/password', ['current' => trim($password), 'password' => self::WORD])->assertStatus(422);
                $this->putJson('/api/me/password', ['current' => $password, 'password' => self::WORD])->assertNoContent();
            }
        }
        $this->fresh()->postJson('/api/sign-up', ['name' => 'Ilse', 'email' => 'x@example.org', 'password' => str_repeat('é', 201)])->assertStatus(422);
    }

    public function test_a_password_that_was_kept_the_old_way_is_taken_and_kept_the_new_way_from_then_on(): void
    {
        $user = $this->person();
        DB::table('users')->where('id', $user->id)->update(['password' => password_hash(self::WORD, PASSWORD_BCRYPT, ['cost' => 4])]);
        $this->fresh()->postJson('/api/sign-in', ['email' => 'ilse@example.org', 'password' => self::WORD])->assertOk();
        $this->assertStringStartsWith('$argon2id$', (string) $user->refresh()->password);
        $this->fresh()->postJson('/api/sign-in', ['email' => 'ilse@example.org', 'password' => self::WORD])->assertOk();
    }

    public function test_signing_up_tells_nobody_whether_there_is_an_account(): void
    {
        Mail::fake();
        $owner = $this->person();
        $new = $this->fresh()->postJson('/api/sign-up', ['name' => 'Somebody', 'email' => 'new@example.org', 'password' => self::WORD])->assertCreated();
        $taken = $this->fresh()->postJson('/api/sign-up', ['name' => 'Somebody', 'email' => 'ilse@example.org', 'password' => 'quite another sentence'])->assertCreated();
        $this->assertSame(array_diff_key($new->json(), ['id' => 0, 'email' => 0]), array_diff_key($taken->json(), ['id' => 0, 'email' => 0]));
        $this->assertNotSame($owner->id, $taken->json('id'));
        $this->assertSame(0, User::query()->findOrFail($taken->json('id'))->rigs()->count());
        // The letters differ: only who reads them learns of it.
        Mail::assertSent(AccountMail::class, fn (AccountMail $letter): bool => $letter->hasTo('new@example.org') && str_contains($letter->render(), '/confirm?'));
        Mail::assertSent(AccountMail::class, fn (AccountMail $letter): bool => $letter->hasTo('ilse@example.org') && ! str_contains($letter->render(), '/confirm') && str_contains($letter->render(), 'nobody has got into your account'));
        // Each signs in to their own by their own password; a claim can't be confirmed over the owner's head.
        $this->assertSame($owner->id, $this->fresh()->postJson('/api/sign-in', ['email' => 'ilse@example.org', 'password' => self::WORD])->assertOk()->json('id'));
        $this->assertSame($taken->json('id'), $this->fresh()->postJson('/api/sign-in', ['email' => 'ilse@example.org', 'password' => 'quite another sentence'])->assertOk()->json('id'));
        parse_str((string) parse_url(Confirmation::link(User::query()->findOrFail($taken->json('id'))), PHP_URL_QUERY), $query);
        $this->confirm($query)->assertStatus(422);
        $this->assertNull(User::query()->findOrFail($taken->json('id'))->email_confirmed_at);
        // A forgotten password is the owner's.
        $this->fresh()->postJson('/api/forgotten', ['email' => 'ilse@example.org'])->assertNoContent();
        $address = '';
        Mail::assertSent(AccountMail::class, function (AccountMail $letter) use (&$address): bool {
            $address = str_contains($letter->address, '/reset?') ? $letter->address : $address;

            return str_contains($letter->address, '/reset?');
        });
        parse_str((string) parse_url($address, PHP_URL_QUERY), $reset);
        $this->fresh()->postJson('/api/reset', ['password' => 'a third sentence of words'] + $reset)->assertNoContent();
        $this->assertTrue(Hash::check('a third sentence of words', (string) $owner->refresh()->password));
    }

    public function test_an_address_is_confirmed_by_its_letter_alone(): void
    {
        Mail::fake();
        $id = $this->fresh()->postJson('/api/sign-up', ['name' => 'Moss', 'email' => 'moss@example.org', 'password' => self::WORD])->assertCreated()->assertJsonPath('confirmed', false)->json('id');
        $user = User::query()->findOrFail($id);
        parse_str((string) parse_url(Confirmation::link($user), PHP_URL_QUERY), $query);
        $this->confirm(['signature' => str_repeat('0', 64)] + $query)->assertStatus(422);
        $this->confirm(['user' => $user->id + 1] + $query)->assertStatus(422);
        $this->confirm(['until' => (int) $query['until'] + 1] + $query)->assertStatus(422);
        $this->travel(8)->days();
        $this->confirm($query)->assertStatus(422);
        $this->travelBack();
        $this->confirm($query)->assertNoContent();
        $this->assertNotNull($user->refresh()->email_confirmed_at);
        $this->actingAs($user)->getJson('/api/me')->assertJsonPath('confirmed', true);
    }

    public function test_a_session_is_renewed_at_signing_in(): void
    {
        $this->person();
        $before = $this->fresh()->getJson('/api/me')->assertStatus(401)->getCookie('zinc_thimble', false)?->getValue();
        $this->assertNotNull($before);
        $old = DB::table('sessions')->value('id');
        $this->withCredentials()->withUnencryptedCookie('zinc_thimble', (string) $before)->postJson('/api/sign-in', ['email' => 'ilse@example.org', 'password' => self::WORD])->assertOk();
        $this->assertSame(0, DB::table('sessions')->where('id', $old)->whereNotNull('user_id')->count(), 'who knew the session before knows the one after');
        $this->assertSame(1, DB::table('sessions')->whereNotNull('user_id')->count());
    }

    /** What was asked before somebody signed in, and is answered after it, must not put the old session back into the browser: it is over. */
    public function test_an_answer_that_comes_late_takes_nobodys_new_session_away(): void
    {
        $this->person();
        $signedIn = $this->fresh()->postJson('/api/sign-in', ['email' => 'ilse@example.org', 'password' => self::WORD])->assertOk();
        $cookies = $this->cookiesOf($signedIn);
        foreach (['/api/rigs', '/api/kits', '/api/joints'] as $address) {
            $answer = $this->asBrowser($cookies)->getJson($address)->assertOk();
            $this->assertSame([], array_map(static fn ($cookie): string => $cookie->getName(), $answer->headers->getCookies()), $address);
        }
        // Who opens a page asks who is here: that lengthens it. One that is new is said.
        $this->assertNotNull($this->asBrowser($cookies)->getJson('/api/me')->assertOk()->getCookie('zinc_thimble', false));
        $this->assertNotNull($this->fresh()->getJson('/api/rigs')->assertStatus(401)->getCookie('zinc_thimble', false));
        $again = $this->asBrowser($cookies)->postJson('/api/sign-in', ['email' => 'ilse@example.org', 'password' => self::WORD])->assertOk();
        $this->assertNotSame($cookies['zinc_thimble'], (string) $again->getCookie('zinc_thimble', false)?->getValue());
        $this->assertNotNull($again->getCookie('XSRF-TOKEN', false));
        // What was asked under the old session and is begun after it is over gets no other: that would take the place of the new one, too.
        $before = DB::table('sessions')->count();
        foreach ([['GET', '/api/rigs', 401], ['POST', '/api/kits', 401], ['GET', '/api/first?body=mirrorless-36', 200]] as [$method, $address, $status]) {
            $answer = $this->asBrowser($cookies)->json($method, $address)->assertStatus($status);
            $this->assertSame([], array_map(static fn ($cookie): string => $cookie->getName(), $answer->headers->getCookies()), $address);
        }
        $this->assertSame($before, DB::table('sessions')->count());
        $this->assertNotNull($this->asBrowser($cookies)->getJson('/api/me')->assertStatus(401)->getCookie('zinc_thimble', false));
    }

    public function test_looking_writes_no_session_but_for_when_it_was_last_seen(): void
    {
        $this->freezeSecond();
        $this->person();
        $signedIn = $this->fresh()->postJson('/api/sign-in', ['email' => 'ilse@example.org', 'password' => self::WORD])->assertOk();
        $cookies = $this->cookiesOf($signedIn);
        $ask = fn (string $method, string $address): int => $this->asBrowser($cookies)->json($method, $address)->getStatusCode();
        $written = 0;
        DB::listen(function (QueryExecuted $query) use (&$written): void {
            $written += (int) preg_match('/^(insert into|update) "sessions"/', $query->sql);
        });
        $row = DB::table('sessions')->whereNotNull('user_id')->first();
        foreach (['/api/me', '/api/rigs', '/api/kits', '/api/rigs/999999'] as $address) {
            $ask('GET', $address);
        }
        $this->assertSame(0, $written);
        $this->travel(59)->seconds();
        $this->assertSame(200, $ask('GET', '/api/me'));
        $this->assertSame(0, $written);
        $this->travel(1)->seconds();
        $this->assertSame(200, $ask('GET', '/api/me'));
        $this->assertSame(1, $written);
        $this->assertSame((int) $row?->last_activity + 60, DB::table('sessions')->where('id', $row?->id)->value('last_activity'));
        $this->assertSame(200, $ask('GET', '/api/rigs'));
        $this->assertSame(1, $written);
        // What changes something writes, and who had no session gets one.
        $ask('POST', '/api/sign-out');
        $this->assertSame(401, $this->fresh()->getJson('/api/rigs')->getStatusCode());
        $this->assertGreaterThan(1, $written);
    }

    public function test_a_session_that_has_ended_never_comes_back(): void
    {
        $this->person();
        $signedIn = $this->fresh()->postJson('/api/sign-in', ['email' => 'ilse@example.org', 'password' => self::WORD])->assertOk();
        $cookie = (string) $signedIn->getCookie('zinc_thimble', false)?->getValue();
        $row = DB::table('sessions')->whereNotNull('user_id')->first();
        $this->assertNotNull($row);
        $this->asBrowser(['zinc_thimble' => $cookie])->getJson('/api/me')->assertOk();
        $this->asBrowser(['zinc_thimble' => $cookie])->postJson('/api/sign-out')->assertNoContent();
        $this->assertDatabaseMissing('sessions', ['id' => $row->id]);
        // Another request with the old cookie made its row again, and one that was under way since before wrote itself into it: signed in.
        $this->asBrowser(['zinc_thimble' => $cookie])->getJson('/api/me')->assertStatus(401);
        $this->assertDatabaseMissing('sessions', ['id' => $row->id]);
        $late = new SessionRows(DB::connection(), 'sessions', 60);
        DB::table('sessions')->insert((array) $row);
        $late->read($row->id);
        DB::table('sessions')->where('id', $row->id)->delete();
        $late->write($row->id, (string) base64_decode((string) $row->payload, true));
        $this->assertDatabaseMissing('sessions', ['id' => $row->id]);
        $this->asBrowser(['zinc_thimble' => $cookie])->getJson('/api/me')->assertStatus(401);
    }

    public function test_other_sessions_are_ended_when_a_password_changes_and_a_letter_says_so(): void
    {
        Mail::fake();
        $user = $this->person();
        $this->stored('theirs', $user->id);
        $this->stored('somebody elses', null);
        $this->fresh()->postJson('/api/sign-in', ['email' => 'ilse@example.org', 'password' => self::WORD])->assertOk();
        $mine = DB::table('sessions')->where('user_id', $user->id)->where('id', '<>', 'theirs')->value('id');
        $this->putJson('/api/me/password', ['current' => self::WORD, 'password' => 'another sentence of mine'])->assertNoContent();
        $this->assertDatabaseMissing('sessions', ['id' => 'theirs']);
        $this->assertDatabaseMissing('sessions', ['id' => $mine]);
        $this->assertDatabaseHas('sessions', ['id' => 'somebody elses']);
        $this->getJson('/api/me')->assertOk();
        Mail::assertSent(AccountMail::class, fn (AccountMail $letter): bool => $letter->hasTo('ilse@example.org') && str_contains($letter->render(), 'has just been changed'));
        $this->assertContains('password changed', array_column($this->getJson('/api/me/sign-ins')->json(), 'what'));
    }

    public function test_ones_sessions_are_listed_and_ended_and_nobody_elses(): void
    {
        $user = $this->person();
        $other = $this->person('other@example.org');
        $this->stored('a', $user->id, 'Somewhere');
        $this->stored('b', $other->id);
        $list = $this->actingAs($user)->getJson('/api/me/sessions')->assertOk()->json();
        $this->assertContains('Somewhere', array_column($list, 'browser'));
        $this->assertStringNotContainsString('"a"', (string) json_encode(array_column($list, 'id')));
        $theirs = \App\Accounts\Sessions::fingerprint('b');
        $this->deleteJson('/api/me/sessions/'.$theirs)->assertNotFound();
        $this->assertDatabaseHas('sessions', ['id' => 'b']);
        $this->deleteJson('/api/me/sessions/'.\App\Accounts\Sessions::fingerprint('a'))->assertNoContent();
        $this->assertDatabaseMissing('sessions', ['id' => 'a']);
    }

    public function test_tries_at_one_account_are_few_from_wherever_they_come(): void
    {
        $this->person();
        $refused = 0;
        for ($n = 0; $n < 21; $n++) {
            $status = $this->fresh()->withServerVariables(['REMOTE_ADDR' => '10.1.'.$n.'.7'])->postJson('/api/sign-in', ['email' => 'ilse@example.org', 'password' => 'wrong'])->getStatusCode();
            $refused += $status === 429 ? 1 : 0;
        }
        $this->assertSame(1, $refused, 'the twenty-first is refused for the account');
        $this->fresh()->withServerVariables(['REMOTE_ADDR' => '10.9.9.9'])->postJson('/api/sign-in', ['email' => 'ilse@example.org', 'password' => self::WORD])->assertStatus(429);
        $this->fresh()->withServerVariables(['REMOTE_ADDR' => '10.9.9.9'])->postJson('/api/sign-in', ['email' => 'somebody@example.org', 'password' => 'wrong'])->assertStatus(422);
        $user = User::query()->where('email', 'ilse@example.org')->firstOrFail();
        $log = $this->actingAs($user)->getJson('/api/me/sign-ins')->json();
        $this->assertSame(['refused'], array_values(array_unique(array_column($log, 'what'))));
        $this->assertStringStartsWith('10.1.', $log[0]['address']);
    }

    public function test_links_in_letters_name_the_one_address_whatever_the_request_called_it(): void
    {
        $folder = sys_get_temp_dir().'/letters-'.bin2hex(random_bytes(4));
        config(['mail.default' => 'letters', 'mail.mailers.letters.path' => $folder]);
        $this->app['mail.manager']->forgetMailers();
        $this->person();
        $this->fresh()->withServerVariables(['HTTP_HOST' => 'elsewhere.example', 'HTTP_X_FORWARDED_HOST' => 'elsewhere.example'])->postJson('/api/forgotten', ['email' => 'ilse@example.org'], ['Host' => 'elsewhere.example', 'X-Forwarded-Host' => 'elsewhere.example'])->assertNoContent();
        $files = glob($folder.'/*.eml') ?: [];
        $this->assertCount(1, $files);
        $letter = quoted_printable_decode((string) file_get_contents($files[0]));
        $this->assertStringContainsString(config('app.url').'/reset?token=', $letter);
        $this->assertStringNotContainsString('elsewhere', $letter);
        $this->assertStringContainsString('To: ilse@example.org', $letter);
        $this->assertSame('0600', substr(sprintf('%o', fileperms($files[0])), -4));
        array_map(unlink(...), $files);
        rmdir($folder);
    }

    public function test_a_guest_whose_day_is_over_can_do_nothing_any_more(): void
    {
        $guest = $this->guest();
        $this->actingAs($guest)->getJson('/api/me')->assertOk();
        $guest->forceFill(['guest_until' => now()->subSecond()])->save();
        $this->actingAs($guest->refresh())->getJson('/api/rigs')->assertStatus(401);
        $this->fresh()->getJson('/api/me')->assertStatus(401);
    }

    public function test_guests_of_one_address_are_bounded_and_told_so_plainly(): void
    {
        config(['zinc.guests_per_address' => 2]);
        for ($n = 0; $n < 2; $n++) {
            $this->fresh()->postJson('/api/guest')->assertCreated();
        }
        $this->fresh()->postJson('/api/guest')->assertStatus(422)->assertJsonPath('errors.guest.0', 'Very many guests are open from your network already. Make an account, or come back tomorrow.');
        $this->fresh()->withServerVariables(['REMOTE_ADDR' => '10.0.0.9'])->postJson('/api/guest')->assertCreated();
        User::query()->update(['guest_until' => now()->subMinute()]);
        $this->fresh()->withServerVariables(['REMOTE_ADDR' => '127.0.0.1'])->postJson('/api/guest')->assertCreated();
    }

    public function test_passers_by_leave_no_sessions_and_what_is_left_is_swept(): void
    {
        // The page is looked at, not what is built into it.
        $this->withoutVite();
        $this->fresh()->get('/')->assertOk()->assertCookieMissing('zinc_thimble');
        $this->get('/bench')->assertOk();
        $this->get('/up')->assertOk();
        $this->assertSame(0, DB::table('sessions')->count());
        $user = $this->person();
        $this->stored('old stranger', null, at: now()->subHours(3)->getTimestamp());
        $this->stored('new stranger', null, at: now()->subHour()->getTimestamp());
        $this->stored('hers', $user->id, at: now()->subDays(3)->getTimestamp());
        $this->stored('over', $user->id, at: now()->subDays(15)->getTimestamp());
        $guest = FirstVisit::guest(30, null);
        $this->stored('guest of a first visit', $guest->id, at: now()->subDays(29)->getTimestamp());
        $this->stored('guest who is over', $guest->id, at: now()->subDays(32)->getTimestamp());
        $this->stored('nobodys', 999_999_999);
        $this->artisan('sessions:sweep')->assertSuccessful();
        $this->assertEqualsCanonicalizing(['new stranger', 'hers', 'guest of a first visit'], DB::table('sessions')->pluck('id')->all());
    }

    public function test_the_scheduler_sweeps_guests_and_sessions_within_the_hour(): void
    {
        $this->artisan('schedule:list')->assertSuccessful()->expectsOutputToContain('guests:sweep');
        $events = collect($this->app->make(\Illuminate\Console\Scheduling\Schedule::class)->events());
        foreach (['guests:sweep', 'sessions:sweep'] as $command) {
            $event = $events->first(fn ($each): bool => str_contains((string) $each->command, $command));
            $this->assertSame('*/10 * * * *', $event?->expression);
        }
    }

    private function person(string $email = 'ilse@example.org'): User
    {
        $user = User::query()->create(['name' => 'Ilse', 'email' => $email, 'password' => self::WORD]);
        $user->forceFill(['email_confirmed_at' => now()])->save();

        return $user->refresh();
    }

    private function stored(string $id, ?int $user, string $agent = 'A browser', ?int $at = null): void
    {
        DB::table('sessions')->insert(['id' => $id, 'user_id' => $user, 'ip_address' => '10.0.0.1', 'user_agent' => $agent, 'payload' => '', 'last_activity' => $at ?? now()->getTimestamp()]);
    }

    /** @param  array<mixed>  $query */
    private function confirm(array $query): TestResponse
    {
        return $this->fresh()->postJson('/api/confirm', ['user' => (int) $query['user'], 'until' => (int) $query['until'], 'signature' => $query['signature']]);
    }
}
