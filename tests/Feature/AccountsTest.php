<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Kits\Archive;
use App\Mail\Letter;
use App\Models\User;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Mail;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Accounts, passwords, shared links, and everything out and in again. */
final class AccountsTest extends TestCase
{
    private const WORD = 'a long enough word';

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
        Mail::assertSent(Letter::class, function (Letter $letter) use (&$address): bool {
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

    public function test_everything_goes_out_as_one_archive_and_back_into_an_empty_account_with_nothing_lost(): void
    {
        $guest = $this->guest();
        $this->actingAs($guest);
        $kit = $guest->kits()->firstOrFail();
        $this->postJson('/api/joints', ['name' => 'plover', 'registerMm' => 41.2])->assertCreated();
        $this->postJson("/api/kits/{$kit->id}/parts", ['parts' => [['kind' => 'tube', 'name' => 'Tube 5', 'lengthMm' => 5, 'own' => ['key' => (object) []]]]])->assertCreated();
        $this->deleteJson("/api/kits/{$kit->id}/parts/".$kit->parts()->where('name', 'Hood 52')->firstOrFail()->id)->assertNoContent();
        $lens = $kit->parts()->where('name', 'Process 62')->firstOrFail();
        $this->putJson("/api/kits/{$kit->id}/parts/{$lens->id}", ['version' => $lens->version, 'part' => ['kind' => 'lens', 'focalLengthMm' => 61] + get_object_vars($lens->document)])->assertOk();
        $rig = $this->rigOf($guest, 'Lichen disc');
        $this->postJson("/api/rigs/{$rig->id}/steps", ['revision' => $rig->revision, 'step' => ['action' => 'remove', 'place' => 0]])->assertOk();
        $this->postJson("/api/kits/{$kit->id}/wishes", ['name' => 'Coat of a seed', 'wish' => ['fieldWidthMm' => 2.5, 'automatic' => false]])->assertCreated();
        $archive = $this->app->make(Archive::class);
        $zip = (string) $this->get('/api/me/archive')->assertOk()->assertHeader('Content-Type', 'application/zip')->getContent();
        $this->assertSame(bin2hex($zip), bin2hex((string) $this->get('/api/me/archive')->getContent()));

        $empty = $this->person('new@example.org');
        $this->actingAs($empty);
        $this->postJson('/api/me/archive', ['archive' => UploadedFile::fake()->createWithContent('all.zip', $zip)])->assertNoContent();
        $was = $archive->files($guest->refresh());
        $is = $archive->files($empty->refresh());
        $was['account.json'] = str_replace('"Guest"', '"Person"', $was['account.json']);
        $this->assertSame($was, $is);
        // Its history works: the hood comes back, and the rig's tube.
        $own = $empty->kits()->firstOrFail();
        $this->assertNotSame($kit->id, $own->id);
        for ($n = 0; $n < 2; $n++) {
            $this->postJson("/api/kits/{$own->id}/undo", ['revision' => $own->refresh()->revision])->assertOk();
        }
        $this->assertTrue($own->parts()->where('name', 'Hood 52')->exists());
        $back = $this->rigOf($empty, 'Lichen disc');
        $this->assertCount(2, $back->parts);
        $this->postJson("/api/rigs/{$back->id}/undo", ['revision' => $back->revision])->assertOk();
        $this->assertSame($own->id, $back->refresh()->parts[0]?->part_id === null ? null : $own->parts()->whereKey($back->parts[0]->part_id)->firstOrFail()->kit_id);
        // Only into an empty account.
        $this->postJson('/api/me/archive', ['archive' => UploadedFile::fake()->createWithContent('all.zip', $zip)])->assertStatus(422)->assertJsonStructure(['errors' => ['archive']]);
    }

    /** @return iterable<string, array{array<string, string>}> */
    public static function badArchives(): iterable
    {
        $account = '{"format":"zinc-thimble/archive","version":1}';
        yield 'no account' => [['kits/1.kit.json' => '{}']];
        yield 'another format' => [['account.json' => '{"format":"other","version":1}']];
        yield 'no JSON' => [['account.json' => $account, 'kits/1.kit.json' => '{']];
        yield 'a bad kit' => [['account.json' => $account, 'kits/1.kit.json' => '{"format":"zinc-thimble/kit","version":1,"parts":[{"kind":"tube","lengthMm":-1}]}']];
        yield 'a bad rig after a good kit' => [['account.json' => $account, 'kits/1.kit.json' => '{"format":"zinc-thimble/kit","version":1,"name":"K"}', 'rigs/1.rig.json' => '{"format":"zinc-thimble/rig","version":1}']];
        yield 'a history of no part' => [['account.json' => $account, 'kits/1.kit.json' => '{"format":"zinc-thimble/kit","version":1,"name":"K"}', 'kits/1.more.json' => '{"history":[{"number":1,"label":"x","changes":[{"part":"1/none","before":null,"after":null}]}]}']];
        yield 'a bad wish' => [['account.json' => $account, 'kits/1.kit.json' => '{"format":"zinc-thimble/kit","version":1}', 'kits/1.more.json' => '{"wishes":[{"name":"x","wish":{"magnification":"big"}}]}']];
        yield 'a wish that is none' => [['account.json' => $account, 'kits/1.kit.json' => '{"format":"zinc-thimble/kit","version":1}', 'kits/1.more.json' => '{"wishes":[3]}']];
        yield 'a bad joint' => [['account.json' => '{"format":"zinc-thimble/archive","version":1,"joints":[{"name":"thread:42"}]}']];
    }

    /** @param  array<string, string>  $files */
    #[DataProvider('badArchives')]
    public function test_a_bad_archive_is_refused_and_changes_nothing(array $files): void
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'zip');
        $zip = new \ZipArchive;
        $zip->open($path, \ZipArchive::OVERWRITE);
        foreach ($files as $name => $text) {
            $zip->addFromString($name, $text);
        }
        $zip->close();
        $person = $this->person('ilse@example.org');
        $this->actingAs($person)->postJson('/api/me/archive', ['archive' => new UploadedFile($path, 'a.zip', test: true)])->assertStatus(422);
        $this->assertSame(['My kit'], $person->kits()->pluck('name')->all());
        $this->assertSame(0, $person->rigs()->count());
        $this->assertSame(0, $person->joints()->count());
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
