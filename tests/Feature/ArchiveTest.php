<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Accounts\ArchiveFormat;
use App\Accounts\ArchiveWriter;
use App\Models\Kit;
use App\Models\User;
use App\Operations\Superseded;
use App\Operations\Turns;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Everything out and back in: every byte, date, link and order, through the same gate as any file, however much it is. */
final class ArchiveTest extends TestCase
{
    private const RIG = '{"format":"zinc-thimble/rig","version":1,"camera":{"registerMm":18,"sensor":{"widthMm":24,"heightMm":16}},"chain":[]}';

    public function test_a_date_that_there_never_was_is_now(): void
    {
        $this->travelTo('2026-11-28T10:00:00Z');
        $this->assertSame('2026-11-18T09:53:36Z', ArchiveFormat::date(ArchiveFormat::dated('2026-11-18T09:53:36Z')));
        foreach (['2026-11-48T09:53:36Z', '2026-02-30T00:00:00Z', '2026-01-01T25:00:00Z', '0000-01-01T00:00:00Z', '1969-12-31T23:59:59Z', "2026-11-18T09:53:36Z\n", '2026-11-18', 5, null] as $none) {
            $this->assertSame('2026-11-28T10:00:00Z', ArchiveFormat::date(ArchiveFormat::dated($none)), json_encode($none) ?: '');
        }
    }

    public function test_everything_comes_back_the_same_twice(): void
    {
        $guest = $this->guest();
        $this->actingAs($guest);
        $kit = $guest->kits()->firstOrFail();
        $this->travelTo('2026-03-04 05:06:07');
        $this->postJson('/api/joints', ['name' => 'plover', 'registerMm' => 41.2])->assertCreated();
        $this->postJson("/api/kits/{$kit->id}/parts", ['parts' => [['kind' => 'tube', 'name' => 'Tube 5', 'lengthMm' => 5, 'own' => ['key' => (object) []]]]])->assertCreated();
        $this->travelTo('2026-03-05 05:06:07');
        $this->deleteJson("/api/kits/{$kit->id}/parts/".$kit->parts()->where('name', 'Hood 52')->firstOrFail()->id)->assertNoContent();
        $lens = $kit->parts()->where('name', 'Process 62')->firstOrFail();
        $this->putJson("/api/kits/{$kit->id}/parts/{$lens->id}", ['version' => $lens->version, 'part' => ['kind' => 'lens', 'focalLengthMm' => 61] + get_object_vars($lens->document)])->assertOk();
        $rig = $this->rigOf($guest, 'Lichen disc');
        $this->travelTo('2026-03-06 05:06:07');
        $this->postJson("/api/rigs/{$rig->id}/steps", ['revision' => $rig->revision, 'step' => ['action' => 'remove', 'index' => 0]])->assertOk();
        $this->putJson("/api/rigs/{$rig->id}/tags", ['tags' => ['moss', 'autumn']])->assertNoContent();
        $token = basename((string) $this->postJson("/api/rigs/{$rig->id}/share")->assertCreated()->json('url'));
        $this->postJson("/api/kits/{$kit->id}/wishes", ['name' => 'Coat of a seed', 'wish' => ['fieldWidthMm' => 2.5, 'automatic' => false]])->assertCreated();
        // Practised: known, missed, not known; one waits on.
        $guest->forceFill(['guest_until' => now()->addDay()])->save();
        $asked = $this->postJson("/api/kits/{$kit->id}/practice")->assertOk()->json('questions');
        foreach ([1.0, 3.0, null] as $n => $times) {
            ['truth' => $truth, 'asked' => ['options' => $options]] = $asked[$n];
            $guess = $times === null ? null : ($options === [] ? $truth['truth'] * $times : $truth['truth']);
            $this->postJson("/api/practice/{$asked[$n]['id']}/answer", ['round' => 0, 'guess' => $guess, 'low' => $guess, 'high' => $guess])->assertOk();
        }
        DB::table('practice_tasks')->insert(['user_id' => $guest->id, 'task' => 'focus', 'tried' => 3, 'done' => 2, 'last_at' => now()]);
        $this->travelBack();
        $guest->forceFill(['guest_until' => now()->addDay()])->save();

        $first = $this->export($guest);
        $this->assertSame(bin2hex($first), bin2hex($this->export($guest)), 'the same data, the same bytes');
        $before = $first;
        $owner = $guest;
        for ($n = 0; $n < 2; $n++) {
            $owner->delete();
            $owner = $this->person('Guest');
            $this->actingAs($owner)->postJson('/api/me/archive', ['archive' => UploadedFile::fake()->createWithContent('all.zip', $before)])->assertNoContent();
            $after = $this->export($owner->refresh());
            $this->assertSame(self::texts($before), self::texts($after));
            $this->assertSame(bin2hex($first), bin2hex($after));
            $before = $after;
        }
        // What was missed comes back on its day, and what it is about is the kit's that came back.
        $practised = $owner->kits()->firstOrFail();
        $rows = DB::table('practice_questions')->where('kit_id', $practised->id)->orderBy('id')->get();
        $this->assertSame([10, 10], [count($asked), $rows->count()]);
        $this->assertSame([[false, '2026-03-07'], [true, null]], [[$rows[2]->is_open, $rows[2]->due_on], [$rows[3]->is_open, $rows[3]->due_on]]);
        $again = $this->postJson("/api/kits/{$practised->id}/practice")->assertOk()->json();
        $this->assertContains($rows[2]->id, array_column(array_filter($again['questions'], static fn (array $question): bool => $question['again']), 'id'));
        $this->assertContains($rows[3]->id, array_column($again['questions'], 'id'));
        $this->assertSame(['task' => 'focus', 'tried' => 3, 'done' => 2], $again['tasks'][0]);
        $this->assertSame(3, DB::table('practice_answers')->where('user_id', $owner->id)->whereNotNull('practice_question_id')->count());
        // Its history works: the hood comes back, and the rig's tube; the link leads where it led; dates are what they were.
        $own = $owner->kits()->firstOrFail();
        for ($n = 0; $n < 2; $n++) {
            $this->postJson("/api/kits/{$own->id}/undo", ['revision' => $own->refresh()->revision])->assertOk();
        }
        $this->assertTrue($own->parts()->where('name', 'Hood 52')->exists());
        $back = $this->rigOf($owner, 'Lichen disc');
        $this->assertSame('2026-03-06 05:06:07', $back->steps()->where('number', 1)->firstOrFail()->created_at?->format('Y-m-d H:i:s'));
        $this->assertSame('2026-03-04 05:06:07', $own->parts()->where('name', 'Tube 5')->firstOrFail()->created_at?->format('Y-m-d H:i:s'));
        $this->assertSame(['moss', 'autumn'], $back->tags);
        $this->assertCount(2, $back->parts);
        $this->postJson("/api/rigs/{$back->id}/undo", ['revision' => $back->revision])->assertOk();
        $this->assertSame($own->id, $back->refresh()->parts[0]->kit_id);
        $this->getJson('/api/shared/'.$token)->assertOk()->assertJsonPath('name', 'Lichen disc');
        // Only into an empty account.
        $this->postJson('/api/me/archive', ['archive' => UploadedFile::fake()->createWithContent('all.zip', $first)])->assertStatus(422)->assertJsonStructure(['errors' => ['archive']]);
    }

    public function test_several_kits_come_back_each_with_its_own_parts_wishes_and_rigs(): void
    {
        $guest = $this->guest();
        $this->actingAs($guest);
        $bag = $this->postJson('/api/kits', ['name' => 'Bag'])->assertCreated()->json('id');
        $this->postJson("/api/kits/{$bag}/parts", ['parts' => [['kind' => 'tube', 'name' => 'Tube 7', 'lengthMm' => 7, 'rear' => 'larch', 'front' => 'larch'], ['kind' => 'camera', 'name' => 'Body D', 'joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24]]]])->assertCreated();
        $studio = $guest->kits()->where('id', '!=', $bag)->firstOrFail();
        $needed = $studio->parts()->where('kind', '<>', 'camera')->firstOrFail();
        $this->postJson("/api/kits/{$studio->id}/wishes", ['name' => 'Coat of a seed', 'wish' => ['fieldWidthMm' => 2.5, 'with' => (string) $needed->id]])->assertCreated();
        $this->postJson("/api/kits/{$bag}/wishes", ['name' => 'Out in the fen', 'wish' => ['magnification' => 0.5]])->assertCreated();
        $camera = Kit::query()->findOrFail($bag)->parts()->where('kind', 'camera')->firstOrFail();
        $this->postJson('/api/rigs', ['kit' => $bag, 'camera' => $camera->id])->assertCreated();

        $archive = $this->export($guest);
        $guest->delete();
        $owner = $this->person('Guest');
        $this->actingAs($owner)->postJson('/api/me/archive', ['archive' => UploadedFile::fake()->createWithContent('all.zip', $archive)])->assertNoContent();
        [$first, $second] = $owner->kits()->with('wishes')->oldest('id')->get()->all();
        $this->assertSame([$studio->name, 'Bag'], [$first->name, $second->name]);
        $this->assertSame([41, 2], [$first->parts()->count(), $second->parts()->count()]);
        // A wish that names a part names the part that came back.
        $with = $first->parts()->findOrFail((int) $first->wishes->firstOrFail()->wish->with);
        $this->assertSame($needed->name, $with->name);
        $this->assertNotSame($needed->id, $with->id);
        $this->assertSame([['Coat of a seed'], ['Out in the fen']], [$first->wishes->pluck('name')->all(), $second->wishes->pluck('name')->all()]);
        $this->assertSame([8, 1], [$owner->rigs()->where('kit_id', $first->id)->count(), $owner->rigs()->where('kit_id', $second->id)->count()]);
    }

    public function test_a_link_that_leads_to_a_rig_still_stays_where_it_is(): void
    {
        $guest = $this->guest();
        $rig = $this->rigOf($guest, 'Lichen disc');
        $this->actingAs($guest)->postJson("/api/rigs/{$rig->id}/share")->assertCreated();
        $zip = $this->export($guest);
        $other = $this->person('Other');
        $this->actingAs($other)->postJson('/api/me/archive', ['archive' => UploadedFile::fake()->createWithContent('all.zip', $zip)])->assertNoContent();
        $this->assertNull($this->rigOf($other, 'Lichen disc')->share);
        $this->assertNotNull($rig->refresh()->share);
    }

    public function test_an_archive_of_version_1_is_read(): void
    {
        $kit = '{"format":"zinc-thimble/kit","version":1,"name":"Old kit","parts":[{"kind":"tube","id":"tube-9","name":"Tube 9","lengthMm":9}]}';
        $state = '{"kind":"tube","position":4,"fields":{"id":"tube-9","name":"Tube 9","lengthMm":9}}';
        $more = '{"step":1,"places":{"tube-9":4},"deleted":[],"history":[{"number":1,"label":"add Tube 9","changes":[{"part":"1/tube-9","before":null,"after":'.$state.'}]}],"wishes":[]}';
        $rig = str_replace('"chain":[]', '"chain":[{"kind":"tube","lengthMm":9,"kitPart":"1/tube-9"}]', self::RIG);
        $path = self::zip(['account.json' => '{"format":"zinc-thimble/archive","version":1,"name":"Old"}', 'kits/1.kit.json' => $kit, 'kits/1.more.json' => $more, 'rigs/1.rig.json' => $rig, 'rigs/1.more.json' => '{"kit":1,"name":"Old rig","step":0,"history":[{"number":0,"label":"Start","rig":'.$rig.'}]}']);
        $person = $this->person();
        $this->actingAs($person)->postJson('/api/me/archive', ['archive' => new UploadedFile($path, 'a.zip', test: true)])->assertNoContent();
        $own = $person->kits()->firstOrFail();
        $this->assertSame(4, $own->parts[0]->position);
        $this->assertSame('add Tube 9', $own->steps[0]->label);
        $old = $this->rigOf($person, 'Old rig');
        $this->assertSame($own->parts[0]->id, $old->parts[0]->part_id);
        $this->assertSame(1, $old->steps()->count());
    }

    public function test_what_can_not_be_read_lies_beside_the_rest_and_keeps_nothing_out(): void
    {
        $guest = $this->guest();
        $rig = $this->rigOf($guest, 'Lichen disc');
        DB::table('rig_parts')->where('rig_id', $rig->id)->where('place', 0)->update(['document' => '{"lengthMm":"long"}']);
        $tube = DB::table('parts')->where('kit_id', $rig->kit_id)->where('kind', 'tube')->value('id');
        DB::table('parts')->where('id', $tube)->update(['document' => '{"lengthMm":"long","id":"broken"}']);
        $zip = $this->export($guest);
        $texts = self::texts($zip);
        $this->assertCount(2, array_filter(array_keys($texts), static fn (string $name): bool => str_starts_with($name, 'broken/')));
        $person = $this->person();
        $this->actingAs($person)->postJson('/api/me/archive', ['archive' => UploadedFile::fake()->createWithContent('all.zip', $zip)])->assertNoContent();
        $this->assertSame(7, $person->rigs()->count());
        $this->assertSame(DB::table('parts')->where('kit_id', $rig->kit_id)->count() - 1, $person->kits()->firstOrFail()->parts()->count());
    }

    public function test_memory_does_not_grow_with_the_history(): void
    {
        $guest = $this->guest();
        $rig = $this->rigOf($guest, 'Lichen disc');
        $document = DB::table('rig_steps')->where('rig_id', $rig->id)->value('document');
        $rows = [];
        for ($n = 100; $n < 1300; $n++) {
            $rows[] = ['rig_id' => $rig->id, 'number' => $n, 'label' => 'step '.$n, 'document' => $document, 'created_at' => now()];
        }
        foreach (array_chunk($rows, 200) as $some) {
            DB::table('rig_steps')->insert($some);
        }
        unset($rows);
        memory_reset_peak_usage();
        $before = memory_get_usage();
        $zip = $this->export($guest);
        $this->assertLessThan(24e6, memory_get_peak_usage() - $before, 'written');
        $person = $this->person();
        memory_reset_peak_usage();
        $before = memory_get_usage();
        $this->actingAs($person)->postJson('/api/me/archive', ['archive' => UploadedFile::fake()->createWithContent('all.zip', $zip)])->assertNoContent();
        $this->assertLessThan(24e6, memory_get_peak_usage() - $before, 'read');
        $this->assertSame(1201, $this->rigOf($person, 'Lichen disc')->steps()->count());
    }

    public function test_rigs_and_bytes_of_one_person_are_bounded_and_told_so_plainly(): void
    {
        $guest = $this->guest();
        $this->actingAs($guest);
        config(['zinc.most_rigs_of_guest' => 9]);
        $this->postJson('/api/rigs')->assertCreated();
        $this->postJson('/api/rigs')->assertStatus(422)->assertJsonPath('errors.rigs.0', 'You keep 9 rigs already, and that is as many as there is room for. Delete some that you no longer need, or export them first.');
        $this->postJson('/api/rigs/import', ['text' => self::RIG])->assertStatus(422);
        $rig = $this->rigOf($guest, 'Lichen disc');
        $this->postJson("/api/rigs/{$rig->id}/copies")->assertStatus(422);
        $this->assertSame(9, $guest->rigs()->count());
        // The figure that is added up is what is stored.
        $stored = (int) DB::table('rig_steps')->whereIn('rig_id', $guest->rigs()->select('id'))->sum(DB::raw('octet_length(document::text)')) + (int) DB::table('parts')->where('kit_id', $rig->kit_id)->sum(DB::raw('octet_length(document::text)'))
            + (int) DB::table('outings')->where('user_id', $guest->id)->sum(DB::raw('octet_length(document::text)')) + (int) DB::table('entries')->where('user_id', $guest->id)->sum(DB::raw('octet_length(document::text)'));
        $this->assertSame($stored, \App\Operations\Quota::kept($guest->id));
        config(['zinc.most_bytes' => $stored + 100]);
        $this->postJson("/api/rigs/{$rig->id}/steps", ['revision' => $rig->revision, 'step' => ['action' => 'remove', 'index' => 0]])->assertStatus(422)->assertJsonStructure(['errors' => ['document']]);
        $this->assertSame($rig->revision, $rig->refresh()->revision);
        $kit = Kit::query()->findOrFail($rig->kit_id);
        $this->postJson("/api/kits/{$kit->id}/parts", ['parts' => [['kind' => 'tube', 'lengthMm' => 5, 'note' => str_repeat('x', 300)]]])->assertStatus(422);
        $this->assertSame($stored, \App\Operations\Quota::kept($guest->id));
    }

    public function test_long_work_is_one_at_a_time_and_a_newer_one_takes_the_place_of_an_older(): void
    {
        $user = $this->guest();
        $done = [];
        try {
            Turns::take($user, 'find', function (\Closure $waited) use ($user, &$done): void {
                $waited();
                // While it runs, the same person asks again: the row of the newest is what this one looks at.
                DB::table('turns')->where('user_id', $user->id)->update(['newest' => 99]);
                usleep(60_000);
                $waited();
                $done[] = 'the older went on';
            });
            $this->fail('The older one was not told.');
        } catch (Superseded $told) {
            $this->assertSame(409, $told->getStatusCode());
        }
        $this->assertSame([], $done);
        $this->assertSame(0, DB::table('running_turns')->count(), 'its place is free again');
        // One that never said it ended, since its worker was killed, is waited out.
        DB::table('running_turns')->insert(['user_id' => $user->id, 'kind' => 'map', 'number' => 1, 'until' => now()->subSecond()]);
        $this->assertSame('answer', Turns::take($user, 'find', static fn (): string => 'answer'));
        // Another person isn't held up by it.
        $other = $this->guest();
        DB::table('running_turns')->insert(['user_id' => $user->id, 'kind' => 'map', 'number' => 2, 'until' => now()->addMinute()]);
        $this->assertSame('answer', Turns::take($other, 'find', static fn (): string => 'answer'));
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
        yield 'a history with a line that is none' => [['account.json' => str_replace('1}', '2}', $account), 'kits/1.kit.json' => '{"format":"zinc-thimble/kit","version":1}', 'rigs/1.rig.json' => self::RIG, 'rigs/1.history.jsonl' => "[1]\n"]];
        yield 'a history with a rig that is none' => [['account.json' => str_replace('1}', '2}', $account), 'kits/1.kit.json' => '{"format":"zinc-thimble/kit","version":1}', 'rigs/1.rig.json' => self::RIG, 'rigs/1.history.jsonl' => '{"number":0,"label":"x","rig":{"format":"zinc-thimble/rig"}}'."\n"]];
        yield 'a number that is none' => [['account.json' => '{"format":"zinc-thimble/archive","version":2,"name":1e-320}']];
        yield 'a version to come' => [['account.json' => '{"format":"zinc-thimble/archive","version":3}']];
        $kit = ['account.json' => $account, 'kits/1.kit.json' => '{"format":"zinc-thimble/kit","version":1,"name":"K"}'];
        yield 'a question of no kit' => [$kit + ['practice.json' => '{"questions":[{"kit":2,"kind":"joins","name":"x","open":true}]}']];
        yield 'a question of no kind' => [$kit + ['practice.json' => '{"questions":[{"kit":1,"kind":"riddle","name":"x","open":true}]}']];
        yield 'a question in no box' => [$kit + ['practice.json' => '{"questions":[{"kit":1,"kind":"joins","name":"x","open":false,"box":4,"dueOn":"2026-03-01"}]}']];
        yield 'a question on no day' => [$kit + ['practice.json' => '{"questions":[{"kit":1,"kind":"joins","name":"x","open":false,"box":1,"dueOn":"2026-02-30"}]}']];
        yield 'an answer beside its width' => [$kit + ['practice.json' => '{"answers":[{"skill":"room","word":false,"guess":3,"low":4,"high":5,"known":false,"inside":false}]}']];
        yield 'an answer of no skill' => [$kit + ['practice.json' => '{"answers":[{"skill":"luck","word":false,"known":false,"inside":false}]}']];
        yield 'more done than tried' => [$kit + ['practice.json' => '{"tasks":[{"task":"focus","tried":1,"done":2}]}']];
        yield 'practice that is none' => [$kit + ['practice.json' => '{"questions":{"a":1}}']];
        yield 'a bad joint' => [['account.json' => '{"format":"zinc-thimble/archive","version":1,"joints":[{"name":"thread:42"}]}']];
    }

    /** @param  array<string, string>  $files */
    #[DataProvider('badArchives')]
    public function test_a_bad_archive_is_refused_and_changes_nothing(array $files): void
    {
        $path = self::zip($files);
        $person = $this->person();
        $this->actingAs($person)->postJson('/api/me/archive', ['archive' => new UploadedFile($path, 'a.zip', test: true)])->assertStatus(422);
        $this->assertSame(['My kit'], $person->kits()->pluck('name')->all());
        $this->assertSame(0, $person->rigs()->count());
        $this->assertSame(0, $person->joints()->count());
    }

    private function export(User $user): string
    {
        $path = $this->app->make(ArchiveWriter::class)->write($user);
        $zip = (string) file_get_contents($path);
        unlink($path);

        return $zip;
    }

    private function person(string $name = 'Person'): User
    {
        $user = User::query()->create(['name' => $name, 'email' => bin2hex(random_bytes(4)).'@example.org', 'password' => 'heron under a mossy gate'])->refresh();
        $user->kits()->save(new Kit(['name' => 'My kit', 'extra' => new \stdClass]));

        return $user;
    }

    /** @return array<string, string> text by name */
    private static function texts(string $bytes): array
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'zip');
        file_put_contents($path, $bytes);
        $zip = new \ZipArchive;
        $zip->open($path);
        $texts = [];
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $texts[(string) $zip->getNameIndex($i)] = (string) $zip->getFromIndex($i);
        }
        $zip->close();
        unlink($path);

        return $texts;
    }

    /** @param  array<string, string>  $files */
    private static function zip(array $files): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'zip');
        $zip = new \ZipArchive;
        $zip->open($path, \ZipArchive::OVERWRITE);
        foreach ($files as $name => $text) {
            $zip->addFromString($name, $text);
        }
        $zip->close();

        return $path;
    }
}
