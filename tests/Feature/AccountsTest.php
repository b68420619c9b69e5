<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Accounts\AccountMail;
use App\Models\User;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Mail;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Accounts, passwords and shared links. */
final class AccountsTest extends TestCase
{
    private const WORD = 'heron under a mossy gate';

    protected function setUp(): void
    {
        parent::setUp();
        $this->withHeader('Referer', (string) config('app.url'));
    }

    public function test_signing_up_in_and_out(): void
    {
        $this->postJson('/api/sign-up', ['name' => 'Ilse', 'email' => ' Ilse@Example.org ', 'password' => self::WORD])->assertCreated()->assertJsonPath('guest', false)->assertJsonPath('email', 'ilse@example.org');
        $this->getJson('/api/kits')->assertOk()->assertJsonPath('0.parts', 0);
        $this->postJson('/api/rigs')->assertStatus(422);
        $this->postJson('/api/sign-out')->assertNoContent();
        $this->assertGuest('web');
        $this->assertDatabaseHas('users', ['email' => 'ilse@example.org']);
        $this->app['auth']->forgetGuards();
        $this->postJson('/api/sign-in', ['email' => 'ILSE@example.org', 'password' => self::WORD])->assertOk()->assertJsonPath('name', 'Ilse');
        $this->assertAuthenticated();
        $this->assertTrue(Hash::check(self::WORD, (string) User::query()->where('email', 'ilse@example.org')->firstOrFail()->password));
    }

    public function test_a_guest_who_signs_up_keeps_everything(): void
    {
        $guest = $this->guest();
        $this->actingAs($guest)->postJson('/api/sign-up', ['name' => 'Moss', 'email' => 'moss@example.org', 'password' => self::WORD])->assertCreated()->assertJsonPath('id', $guest->id);
        $this->assertFalse($guest->refresh()->isGuest());
        $this->assertSame(8, $guest->rigs()->count());
        $this->postJson('/api/sign-out')->assertNoContent();
        $this->assertDatabaseHas('users', ['id' => $guest->id]);
    }

    public function test_tries_at_a_password_are_few(): void
    {
        $this->person('ilse@example.org');
        for ($n = 0; $n < 6; $n++) {
            $this->postJson('/api/sign-in', ['email' => 'ilse@example.org', 'password' => 'wrong'])->assertStatus(422)->assertJsonPath('errors.email.0', 'No account has this address and password.');
        }
        $this->postJson('/api/sign-in', ['email' => 'ilse@example.org', 'password' => self::WORD])->assertStatus(429);
        // An address nobody has is answered just the same.
        $this->postJson('/api/sign-in', ['email' => 'nobody@example.org', 'password' => 'wrong'])->assertStatus(422)->assertJsonPath('errors.email.0', 'No account has this address and password.');
    }

    public function test_a_forgotten_password_is_set_anew_by_letter_once(): void
    {
        $user = $this->person('ilse@example.org');
        Mail::fake();
        $this->postJson('/api/forgotten', ['email' => 'nobody@example.org'])->assertNoContent();
        Mail::assertNothingSent();
        $this->postJson('/api/forgotten', ['email' => 'ilse@example.org'])->assertNoContent();
        $address = '';
        Mail::assertSent(AccountMail::class, function (AccountMail $letter) use (&$address): bool {
            $address = $letter->address;
            $this->assertStringContainsString($address, $letter->render());

            return $letter->hasTo('ilse@example.org');
        });
        parse_str((string) parse_url($address, PHP_URL_QUERY), $query);
        $new = ['password' => 'quite another word'] + $query;
        $this->postJson('/api/reset', ['token' => 'wrong'] + $new)->assertStatus(422)->assertJsonStructure(['errors' => ['token']]);
        $this->postJson('/api/reset', ['password' => 'short'] + $new)->assertStatus(422)->assertJsonStructure(['errors' => ['password']]);
        $this->postJson('/api/reset', $new)->assertNoContent();
        $this->assertTrue(Hash::check('quite another word', (string) $user->refresh()->password));
        $this->postJson('/api/reset', $new)->assertStatus(422);
    }

    public function test_changing_name_and_password_and_deleting_the_account(): void
    {
        $user = $this->person('ilse@example.org');
        $this->actingAs($user);
        $this->putJson('/api/me', ['name' => 'Ilse Fen'])->assertOk()->assertJsonPath('name', 'Ilse Fen');
        $this->putJson('/api/me/password', ['current' => 'wrong', 'password' => 'quite another word'])->assertStatus(422)->assertJsonStructure(['errors' => ['current']]);
        $this->putJson('/api/me/password', ['current' => self::WORD, 'password' => 'quite another word'])->assertNoContent();
        $this->deleteJson('/api/me', ['password' => self::WORD])->assertStatus(422);
        $this->deleteJson('/api/me', ['password' => 'quite another word'])->assertNoContent();
        foreach (['users' => 'id', 'kits' => 'user_id', 'rigs' => 'user_id', 'joints' => 'user_id'] as $table => $column) {
            $this->assertDatabaseMissing($table, [$column => $user->id]);
        }
    }

    public function test_a_guest_has_no_account_to_change(): void
    {
        $this->actingAs($this->guest());
        $this->putJson('/api/me', ['name' => 'Somebody'])->assertStatus(422);
        $this->putJson('/api/me/password', ['current' => 'x', 'password' => 'quite another word'])->assertStatus(422);
        $this->deleteJson('/api/me', ['password' => 'x'])->assertStatus(422);
    }

    public function test_a_shared_link_shows_the_rig_to_anybody_until_it_is_withdrawn(): void
    {
        $owner = $this->guest();
        $rig = $this->rigOf($owner, 'Lichen disc');
        $this->actingAs($owner);
        $url = $this->postJson("/api/rigs/{$rig->id}/share")->assertCreated()->json('url');
        $token = basename($url);
        $this->assertSame($url, $this->getJson("/api/rigs/{$rig->id}")->json('share.url'));
        $mine = $this->getJson("/api/rigs/{$rig->id}")->json('readings');
        $this->app['auth']->forgetGuards();
        $shared = $this->getJson("/api/shared/{$token}")->assertOk()->assertJsonPath('name', 'Lichen disc')->assertJsonPath('kitId', null)->json();
        $this->assertEquals($mine, $shared['readings']);
        $this->assertSame([null], array_unique(array_column($shared['chain'], 'partId')));
        $this->get("/api/shared/{$token}/file")->assertOk();
        $this->assertStringNotContainsString($token, (string) json_encode($this->app['db']->table('rig_shares')->get()), 'the link is not kept readable');
        $this->getJson('/api/shared/'.str_repeat('x', 40))->assertNotFound();
        $this->actingAs($owner)->deleteJson("/api/rigs/{$rig->id}/share")->assertNoContent();
        $this->app['auth']->forgetGuards();
        $this->getJson("/api/shared/{$token}")->assertNotFound();
        $this->get("/api/shared/{$token}/file")->assertNotFound();
    }

    /** @return iterable<string, array{string, array<string, mixed>, string}> */
    public static function badBodies(): iterable
    {
        $good = ['name' => 'Ilse', 'email' => 'x@example.org', 'password' => self::WORD];
        yield 'no name' => ['sign-up', ['name' => ''] + $good, 'name'];
        yield 'name as list' => ['sign-up', ['name' => ['x']] + $good, 'name'];
        yield 'name too long' => ['sign-up', ['name' => str_repeat('x', 121)] + $good, 'name'];
        yield 'no address' => ['sign-up', ['email' => 'nowhere'] + $good, 'email'];
        yield 'address as list' => ['sign-up', ['email' => ['x']] + $good, 'email'];
        yield 'a short password' => ['sign-up', ['password' => 'short'] + $good, 'password'];
        yield 'a password of a megabyte' => ['sign-up', ['password' => str_repeat('p', 1000000)] + $good, 'password'];
        yield 'sign-in without anything' => ['sign-in', [], 'email'];
        yield 'sign-in with a list' => ['sign-in', ['email' => 'ilse@example.org', 'password' => ['x']], 'password'];
        yield 'forgotten without address' => ['forgotten', [], 'email'];
        yield 'reset without token' => ['reset', ['email' => 'ilse@example.org', 'password' => self::WORD], 'token'];
    }

    /** @param  array<string, mixed>  $body */
    #[DataProvider('badBodies')]
    public function test_a_bad_request_is_refused_with_the_field_named(string $path, array $body, string $field): void
    {
        $this->person('ilse@example.org');
        $this->postJson('/api/'.$path, $body)->assertStatus(422)->assertJsonStructure(['message', 'errors' => [$field]]);
        $this->assertSame(1, User::query()->count());
    }

    private function person(string $email): User
    {
        // Somebody new, not the guest who was here: that one would keep everything.
        $this->app['auth']->forgetGuards();
        $this->postJson('/api/sign-up', ['name' => 'Person', 'email' => $email, 'password' => self::WORD])->assertCreated();
        $this->postJson('/api/sign-out')->assertNoContent();
        $this->app['auth']->forgetGuards();

        return User::query()->where('email', $email)->firstOrFail();
    }
}
