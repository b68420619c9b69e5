<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Accounts\ArchiveReader;
use App\Accounts\ArchiveWriter;
use App\Models\Entry;
use App\Models\Outing;
use App\Models\User;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Tests\TestCase;
use ZincThimble\Core\File\OutingFile;

/** The log of an outing over HTTP: entries come from devices, more than once and in any order, and none is ever changed. */
final class EntryApiTest extends TestCase
{
    private const FIRST = '0b9f3e1c-5a54-4d3e-9c39-2f6a1c7f0001';

    private const SECOND = '0b9f3e1c-5a54-4d3e-9c39-2f6a1c7f0002';

    private User $me;

    private Outing $outing;

    protected function setUp(): void
    {
        parent::setUp();
        config(['zinc.outing_seconds' => 120.0]);
        $this->me = $this->guest();
        $this->actingAs($this->me);
        $this->outing = $this->me->outings()->where('name', 'Fen edge, first frost')->firstOrFail();
    }

    public function test_an_entry_that_is_sent_twice_is_kept_once_as_it_was_first(): void
    {
        $entry = self::entry(self::FIRST);
        $this->send($entry)->assertOk()->assertJsonPath('id', self::FIRST)->assertJsonPath('at', '2026-12-04T10:20:00+01:00')->assertJsonPath('entry.note', 'Wind.');
        $this->send(['note' => 'Another story.'] + $entry)->assertOk()->assertJsonPath('entry.note', 'Wind.');
        $this->assertSame(1, Entry::query()->where('outing_id', $this->outing->id)->count());
        $row = Entry::query()->where('user_id', $this->me->id)->where('id', self::FIRST)->firstOrFail();
        $this->assertSame(['Lichen disc on bark', 0.98, 4], [$row->subject, $row->magnification, $row->result]);
    }

    public function test_a_correction_is_another_entry_and_both_are_there_in_the_order_in_which_they_were_written(): void
    {
        // The later one gets through first.
        $this->send(['at' => '2026-12-04T10:30:00+01:00', 'replaces' => [self::FIRST], 'note' => 'Still air.'] + self::entry(self::SECOND))->assertOk();
        $this->send(self::entry(self::FIRST))->assertOk();
        $all = $this->getJson("/api/outings/{$this->outing->id}/entries")->assertOk()->json();
        $this->assertSame([self::FIRST, self::SECOND], array_column($all, 'id'));
        $this->assertSame([self::FIRST], $all[1]['entry']['replaces']);
    }

    public function test_the_database_lets_nobody_change_an_entry(): void
    {
        $this->send(self::entry(self::FIRST))->assertOk();
        $this->expectException(QueryException::class);
        $this->expectExceptionMessage('an entry is never changed');
        DB::table('entries')->where('id', self::FIRST)->update(['document' => json_encode(['id' => self::FIRST, 'note' => 'x'])]);
    }

    public function test_what_is_no_entry_is_refused_at_its_place(): void
    {
        $this->send(['result' => 6] + self::entry(self::FIRST))->assertStatus(422)->assertJsonPath('errors.0.pointer', '/result');
        $this->putJson("/api/outings/{$this->outing->id}/entries/".self::SECOND, ['entry' => self::entry(self::FIRST)])->assertStatus(422)->assertJsonPath('errors.0.pointer', '/id');
        $this->putJson("/api/outings/{$this->outing->id}/entries/x", ['entry' => self::entry(self::FIRST)])->assertNotFound();
        $other = $this->me->outings()->save(new Outing(['name' => 'Other', 'document' => (object) ['subjects' => []]]));
        $this->send(self::entry(self::FIRST))->assertOk();
        $this->assertInstanceOf(Outing::class, $other);
        $this->putJson("/api/outings/{$other->id}/entries/".self::FIRST, ['entry' => self::entry(self::FIRST)])->assertStatus(422)->assertJsonPath('errors.entry.0', 'This is an entry of another outing.');
    }

    /** Two people whose devices made the same id don't get in each other's way, and don't learn of each other. */
    public function test_anothers_entry_of_the_same_id_is_anothers(): void
    {
        $this->send(self::entry(self::FIRST))->assertOk();
        $mine = $this->outing;
        $other = $this->guest();
        $this->actingAs($other);
        $this->outing = $other->outings()->where('name', 'Fen edge, first frost')->firstOrFail();
        $this->send(['note' => 'Theirs.'] + self::entry(self::FIRST))->assertOk()->assertJsonPath('entry.note', 'Theirs.');
        $this->getJson("/api/outings/{$mine->id}/entries")->assertNotFound();
        $this->assertSame(2, Entry::query()->where('id', self::FIRST)->count());
    }

    public function test_file_and_archive_bring_the_log_along_and_back(): void
    {
        $this->send(self::entry(self::FIRST))->assertOk();
        $this->send(['replaces' => [self::FIRST], 'at' => '2026-12-04T11:00:00+01:00'] + self::entry(self::SECOND))->assertOk();
        $text = (string) $this->get("/api/outings/{$this->outing->id}/file")->assertOk()->getContent();
        $this->assertCount(2, OutingFile::parse($text)->entries);
        $archive = $this->app->make(ArchiveWriter::class)->write($this->me);
        $other = User::query()->create(['name' => 'Ilse', 'email' => 'ilse@example.org', 'password' => 'a long password of mine'])->refresh();
        $this->app->make(ArchiveReader::class)->read($other, $archive);
        unlink($archive);
        $back = $other->outings()->where('name', $this->outing->name)->firstOrFail();
        $this->assertSame([self::FIRST, self::SECOND], Entry::query()->where('outing_id', $back->id)->oldest('at')->pluck('id')->all());
        $this->assertEquals(
            Entry::query()->where('outing_id', $this->outing->id)->oldest('at')->get()->map(static fn (Entry $each): \stdClass => $each->document)->all(),
            Entry::query()->where('outing_id', $back->id)->oldest('at')->get()->map(static fn (Entry $each): \stdClass => $each->document)->all(),
        );
    }

    /**
     * @param  array<string, mixed>  $entry
     * @return \Illuminate\Testing\TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function send(array $entry): \Illuminate\Testing\TestResponse
    {
        return $this->putJson("/api/outings/{$this->outing->id}/entries/".$entry['id'], ['entry' => $entry]);
    }

    /** @return array<string, mixed> */
    private static function entry(string $id): array
    {
        $rig = json_decode((string) preg_replace('/,\s*"kitPart": "[^"]*"/', '', (string) file_get_contents(database_path('demo/1-tower-clock-tooth.rig.json'))), true, flags: JSON_THROW_ON_ERROR);

        return [
            'id' => $id, 'at' => '2026-12-04T10:20:00+01:00', 'subject' => 'Lichen disc on bark', 'rig' => $rig,
            'scales' => [['part' => 'Process 62', 'reads' => 'f/9']], 'predicted' => ['magnification' => 1.0], 'measured' => ['magnification' => 0.98, 'magnificationHalfWidth' => 0.01], 'result' => 4, 'note' => 'Wind.',
        ];
    }
}
