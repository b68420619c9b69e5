<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Entry;
use App\Models\Outing;
use App\Models\Part;
use App\Models\Rig;
use App\Models\User;
use App\Outings\Log;
use App\Outings\LogCsv;
use App\Outings\NoShot;
use App\Outings\Sidecars;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Response;
use Tests\TestCase;
use ZincThimble\Core\File\EntryDocument;
use ZincThimble\Core\File\OutingFile;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Outing\Prediction;

/** The log after the outing: found again, set up again, told to the lens it points at, and taken out as CSV, XMP and one file. */
final class LogApiTest extends TestCase
{
    private User $me;

    private Outing $done;

    protected function setUp(): void
    {
        parent::setUp();
        config(['zinc.outing_seconds' => 120.0]);
        $this->me = $this->guest();
        $this->actingAs($this->me);
        $this->done = $this->me->outings()->where('name', 'Seeds, moss and clock teeth')->firstOrFail();
    }

    public function test_the_demonstration_has_one_outing_done_one_under_way_and_one_planned(): void
    {
        $when = [];
        foreach ($this->getJson('/api/outings')->assertOk()->json() as $each) {
            $when[$each['when']] = $each['name'];
        }
        $this->assertSame(['planned' => 'Fen edge, first frost', 'today' => 'In the clock room', 'done' => 'Seeds, moss and clock teeth'], $when);
        // What was replaced isn't counted.
        $this->assertSame([0, 2, 10], array_column($this->getJson('/api/outings')->json(), 'entries'));
        $log = $this->getJson('/api/log?outing='.$this->done->id)->assertOk()->json();
        $this->assertGreaterThanOrEqual(8, $log['total']);
        $this->assertSame([4, 5.6, 8, 11, 16, 22], array_column(array_merge(...array_column($log['entries'], 'trial')), 'aperture'));
        $this->assertSame([8], array_values(array_filter(array_column($log['entries'], 'sharpest'))));
    }

    public function test_an_entry_on_the_list_has_everything_by_name(): void
    {
        $entry = $this->named('Sedge seed, coat', 4.81);
        $this->assertSame('Body A · Tern to Larch + Rail bellows + Reversing ring 52 + Fell 35 turned round', $entry['title']);
        $this->assertSame([['part' => 'Rail bellows', 'reads' => "draw 110\u{2009}mm"], ['part' => 'Fell 35', 'reads' => 'f/5.6, ring at ∞']], $entry['scales']);
        $this->assertSame([], $entry['unread']);
        $this->assertSame([4.81, 4.81, 0.03, 47.9, 0.5, null], [$entry['magnification'], $entry['measured']['magnification'], $entry['measured']['magnificationHalfWidth'], $entry['measured']['workingDistanceMm'], $entry['measured']['workingDistanceMmHalfWidth'], $entry['measured']['sliceMm']]);
        $this->assertSame([4.5816, 0.132145, 48.0948, 0.376353], [$entry['predicted']['magnification'], $entry['predicted']['magnificationHalfWidth'], $entry['predicted']['workingDistanceMm'], $entry['predicted']['workingDistanceMmHalfWidth']]);
        // 0.228 off where 0.136 was said, and 0.195 where 0.626 was.
        $this->assertSame(['magnification' => false, 'workingDistanceMm' => true, 'sliceMm' => null], $entry['inside']);
        $this->assertSame([5.6, 0.005, 100, 58, 4, 'One row of cells fills the frame.'], [$entry['aperture'], $entry['exposureS'], $entry['iso'], $entry['frames'], $entry['result'], $entry['note']]);
        $this->assertSame("Small flash, at 1/16, 120\u{2009}mm away, 35°", $entry['light']);
        $this->assertSame([true, 'fen-0466.jpg'], [$entry['pictures'][0]['small'], $entry['pictures'][0]['name']]);
        $this->assertSame('Seeds, moss and clock teeth', $entry['outingName']);
    }

    /** @return array<string, array{string, int}> */
    public static function searches(): array
    {
        return [
            'everything' => ['', 12], 'one outing' => ['outing=DONE', 10], 'a subject' => ['subject='.urlencode('Lichen disc on a twig'), 3], 'a part' => ['part='.urlencode('Rail bellows'), 4],
            'part of a part’s name is no part' => ['part=bellows', 0], 'from' => ['from=4.03', 3], 'from just above' => ['from=4.031', 2], 'up to' => ['to=0.347', 2], 'between' => ['from=0.5&to=0.56', 5],
            'a word of a note' => ['words=burr', 1], 'a word of a part' => ['words=BELLOWS', 4], 'a picture’s name' => ['words=fen-0524', 1], 'both words' => ['words=tube+borrowed', 1], 'one word that is nowhere' => ['words=tube+xyzzy', 0],
            'a wild card is a sign like others' => ['words=%25', 0], 'how it turned out' => ['result=5', 4], 'since today' => ['since=TODAY', 2], 'until yesterday' => ['until=YESTERDAY', 10], 'several' => ['part='.urlencode('Fell 35').'&from=4.5&result=4', 1],
        ];
    }

    #[DataProvider('searches')]
    public function test_each_blank_narrows_the_log(string $asked, int $total): void
    {
        $asked = strtr($asked, ['DONE' => (string) $this->done->id, 'TODAY' => now()->toDateString(), 'YESTERDAY' => now()->subDay()->toDateString()]);
        $log = $this->getJson('/api/log?'.$asked)->assertOk()->json();
        $this->assertSame($total, $log['total']);
        $this->assertCount($total, $log['entries']);
        $at = array_map(static fn (string $at): int => (int) strtotime($at), array_column($log['entries'], 'at'));
        rsort($at);
        $this->assertSame($at, array_map(static fn (string $each): int => (int) strtotime($each), array_column($log['entries'], 'at')), 'The newest first.');
        // The strip shows what lies beyond too.
        $beyond = $this->getJson('/api/log?'.preg_replace('/(^|&)(from|to)=[\d.]+/', '', $asked))->json('entries');
        $this->assertSame(array_column($beyond, 'id'), array_column($log['marks'], 'id'));
        $this->assertSame(array_column($beyond, 'magnification'), array_column($log['marks'], 'magnification'));
    }

    public function test_blanks_that_cant_be_are_refused_and_others_log_is_not_searched(): void
    {
        foreach (['from=0', 'to=x', 'since=2026-13-01', 'since=tomorrow', 'result=6', 'result=0', 'outing=-1', 'page=0', 'words[]=x', 'part[]=x'] as $asked) {
            $this->getJson('/api/log?'.$asked)->assertStatus(422);
        }
        $mine = $this->done->id;
        $this->actingAs($this->guest());
        $this->assertSame(0, $this->getJson('/api/log?outing='.$mine)->assertOk()->json('total'));
        $this->assertSame(12, $this->getJson('/api/log')->json('total'));
        $this->assertNotContains($mine, array_column($this->getJson('/api/log')->json('entries'), 'outing'));
    }

    public function test_the_log_pages_at_fifty_and_what_is_replaced_or_withdrawn_is_not_on_it(): void
    {
        for ($n = 1; $n <= 45; $n++) {
            $this->send(sprintf('0b9f3e1c-5a54-4d3e-9c39-2f6a1c7f%04d', $n), ['note' => 'number '.$n])->assertOk();
        }
        $first = $this->getJson('/api/log')->assertOk()->json();
        $this->assertSame([57, 1, 2, Log::PAGE], [$first['total'], $first['page'], $first['pages'], count($first['entries'])]);
        $second = $this->getJson('/api/log?page=2')->json();
        $this->assertSame([57, 2, 7], [$second['total'], $second['page'], count($second['entries'])]);
        $this->assertSame([], array_intersect(array_column($first['entries'], 'id'), array_column($second['entries'], 'id')));
        $this->assertSame(2, $this->getJson('/api/log?page=9')->json('page'));
        $this->send('0b9f3e1c-5a54-4d3e-9c39-2f6a1c7f1001', ['replaces' => [sprintf('0b9f3e1c-5a54-4d3e-9c39-2f6a1c7f%04d', 1)], 'note' => 'once more, xyz'])->assertOk();
        $this->send('0b9f3e1c-5a54-4d3e-9c39-2f6a1c7f1002', ['replaces' => [sprintf('0b9f3e1c-5a54-4d3e-9c39-2f6a1c7f%04d', 2)], 'withdrawn' => true])->assertOk();
        $this->assertSame(56, $this->getJson('/api/log')->json('total'));
        $this->assertSame(1, $this->getJson('/api/log?words=xyz')->json('total'));
        $this->assertSame(0, $this->getJson('/api/log?words=number+1+fen-nothing')->json('total'));
        // A correction that gets through before what it corrects.
        $this->send('0b9f3e1c-5a54-4d3e-9c39-2f6a1c7f1004', ['replaces' => ['0b9f3e1c-5a54-4d3e-9c39-2f6a1c7f1003'], 'note' => 'late'])->assertOk();
        $this->send('0b9f3e1c-5a54-4d3e-9c39-2f6a1c7f1003', ['note' => 'late'])->assertOk();
        $this->assertSame(['0b9f3e1c-5a54-4d3e-9c39-2f6a1c7f1004'], array_column($this->getJson('/api/log?words=late')->json('entries'), 'id'));
    }

    /** Outside, where nothing can be worked out, the scales are written down as they stand; at home they are read. */
    public function test_what_stood_otherwise_than_planned_is_worked_out_from_its_scales(): void
    {
        $rig = $this->document('Sedge seed, coat', 4.81)->rig;
        $set = $this->predictedOf('draw 100 mm', $rig);
        $core = EntryDocument::read((object) ['id' => '0b9f3e1c-5a54-4d3e-9c39-2f6a1c7f2001', 'at' => '2026-12-04T10:20:00+01:00', 'rig' => $rig])->rig;
        $expected = Prediction::of($core->with(\ZincThimble\Core\Rig\TravelKind::Length, 1, 100.0))->fields;
        $this->assertEqualsWithDelta($expected['magnification'], $set['predicted']['magnification'], 1e-9);
        $this->assertEqualsWithDelta($expected['workingDistanceMmHalfWidth'], $set['predicted']['workingDistanceMmHalfWidth'], 1e-9);
        $this->assertEqualsWithDelta($set['predicted']['magnification'], $set['magnification'], 1e-9);
        $unread = $this->predictedOf('out as far as it goes', $rig);
        $this->assertSame([null, null, ['Rail bellows']], [$unread['predicted']['magnification'], $unread['magnification'], $unread['unread']]);
    }

    public function test_a_ruler_across_the_frame_is_a_measured_magnification_everywhere(): void
    {
        $id = '0b9f3e1c-5a54-4d3e-9c39-2f6a1c7f6001';
        // Body A's sensor is 23.6 mm wide.
        $this->send($id, ['measured' => ['fieldWidthMm' => 47.2, 'fieldWidthMmHalfWidth' => 0.2], 'subject' => 'Ruler', 'pictures' => [['name' => 'ruler.jpg']]])->assertOk();
        $entry = $this->getJson('/api/log?subject=Ruler&from=0.49999&to=0.50001')->assertOk()->json('entries.0');
        $this->assertEqualsWithDelta([0.5, 0.5 * 0.2 / 47.2], [$entry['measured']['magnification'], $entry['measured']['magnificationHalfWidth']], 1e-9);
        $this->assertContains($id, array_column($this->getJson('/api/ledger')->json('points'), 'entry'));
        $this->assertEqualsWithDelta(0.5, (float) self::sidecar((string) $this->get("/api/outings/{$this->done->id}/entries/{$id}/pictures/0/xmp")->getContent())['Magnification'], 1e-9);
        $this->assertSame(['fieldWidthMm' => 47.2, 'fieldWidthMmHalfWidth' => 0.2], (array) Entry::query()->where('user_id', $this->me->id)->where('id', $id)->firstOrFail()->document->measured, 'What was written down stays as it was written.');
        $this->postJson("/api/outings/{$this->done->id}/entries/{$id}/shot")->assertOk();
        $shot = Part::query()->where('kit_id', $this->done->kit_id)->where('name', 'Process 62')->firstOrFail()->document->shots[0];
        $this->assertEqualsWithDelta([0.5, 0.5 * 0.2 / 47.2], [$shot->magnification, $shot->magnificationHalfWidth], 1e-9);
    }

    public function test_pictures_are_handed_out_to_their_owner_alone_and_only_as_pictures(): void
    {
        $entry = $this->named('Moss capsule, teeth', 4.11);
        $address = "/api/outings/{$entry['outing']}/entries/{$entry['id']}/pictures/0";
        $answer = $this->get($address)->assertOk()->assertHeader('Content-Type', 'image/jpeg');
        $this->assertStringStartsWith("\xFF\xD8\xFF", (string) $answer->getContent());
        $this->assertStringContainsString('private', (string) $answer->headers->get('Cache-Control'));
        $this->get(str_replace('pictures/0', 'pictures/1', $address))->assertNotFound();
        foreach (['data:text/html;base64,'.base64_encode('<script>'), 'data:image/jpeg;base64,'.base64_encode('<script>'), 'data:image/svg+xml;base64,'.base64_encode('<svg/>'), 'https://example.org/x.jpg'] as $n => $small) {
            $id = '0b9f3e1c-5a54-4d3e-9c39-2f6a1c7f300'.$n;
            $this->send($id, ['pictures' => [['name' => 'x.jpg', 'small' => $small]]])->assertOk();
            $this->get("/api/outings/{$this->done->id}/entries/{$id}/pictures/0")->assertNotFound();
        }
        $this->actingAs($this->guest());
        $this->get($address)->assertNotFound();
    }

    public function test_sidecars_are_valid_and_say_what_was_written_down(): void
    {
        $entry = $this->named('Label of the herbarium sheet', 0.347);
        $xmp = (string) $this->get("/api/outings/{$entry['outing']}/entries/{$entry['id']}/pictures/0/xmp")->assertOk()->assertHeader('Content-Disposition', 'attachment; filename="fen-0590.xmp"')->getContent();
        $said = self::sidecar($xmp);
        $this->assertSame(['Body B · Fell 105 macro', "Fell 105 macro: f/5.6, ring at 477\u{2009}mm", 'Label of the herbarium sheet', 'Seeds, moss and clock teeth', $entry['id'], 'fen-0590.jpg'], [$said['Rig'], $said['Scales'], $said['Subject'], $said['Outing'], $said['Entry'], $said['Picture']]);
        $this->assertSame([0.347, 328.0, 5.0], [(float) $said['Magnification'], (float) $said['WorkingDistanceMm'], (float) $said['Result']]);
        $this->assertEqualsWithDelta(36.0 / 0.347, (float) $said['FieldWidthMm'], 1e-9);
        $this->assertEqualsWithDelta(\ZincThimble\Core\Reading\Reading::of(EntryDocument::read($this->document('Label of the herbarium sheet', 0.347))->rig)->effectiveAperture, (float) $said['EffectiveAperture'], 1e-9);
        // Whatever somebody writes stays a text.
        $this->send('0b9f3e1c-5a54-4d3e-9c39-2f6a1c7f4001', ['note' => '</rdf:li><x>&"\' ☂', 'subject' => '<b>Fen</b>', 'pictures' => [['name' => '../../<evil>/päße.JPG'], ['name' => 'C:\\pictures\\passe.jpg']]])->assertOk();
        $hostile = (string) $this->get("/api/outings/{$this->done->id}/entries/0b9f3e1c-5a54-4d3e-9c39-2f6a1c7f4001/pictures/0/xmp")->assertOk()->assertHeader('Content-Disposition', 'attachment; filename="passe.xmp"')->getContent();
        $this->assertSame('<b>Fen</b>', self::sidecar($hostile)['Subject']);
        $this->assertSame('</rdf:li><x>&"\' ☂', self::sidecar($hostile)['description']);

        $path = (string) tempnam(sys_get_temp_dir(), 'xmp');
        file_put_contents($path, (string) $this->get("/api/outings/{$this->done->id}/xmp")->assertOk()->assertHeader('Content-Type', 'application/zip')->getContent());
        $zip = new \ZipArchive;
        $zip->open($path);
        $names = [];
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $names[] = (string) $zip->getNameIndex($i);
            self::sidecar((string) $zip->getFromIndex($i));
        }
        $zip->close();
        unlink($path);
        $this->assertSame(['fen-0398.xmp', 'fen-0406.xmp', 'fen-0411.xmp', 'fen-0420.xmp', 'fen-0466.xmp', 'fen-0524.xmp', 'fen-0590.xmp', 'passe.xmp', 'passe-2.xmp'], $names);
        $planned = $this->me->outings()->where('name', 'Fen edge, first frost')->firstOrFail();
        $this->get("/api/outings/{$planned->id}/xmp")->assertNotFound();
        $this->assertSame('picture.xmp', Sidecars::name(new Values(['name' => '…']), []));
    }

    public function test_the_csv_has_a_row_for_each_entry_that_stands(): void
    {
        $this->send('0b9f3e1c-5a54-4d3e-9c39-2f6a1c7f5001', ['note' => '=1+1, "quoted"'])->assertOk();
        $file = fopen('php://memory', 'r+');
        $this->assertIsResource($file);
        fwrite($file, (string) $this->get("/api/outings/{$this->done->id}/csv")->assertOk()->assertHeader('Content-Disposition', 'attachment; filename="seeds-moss-and-clock-teeth.log.csv"')->getContent());
        rewind($file);
        $rows = [];
        $columns = fgetcsv($file, escape: '');
        $this->assertSame(LogCsv::COLUMNS, $columns);
        while (($row = fgetcsv($file, escape: '')) !== false) {
            $rows[] = array_combine(LogCsv::COLUMNS, $row);
        }
        $this->assertCount(11, $rows);
        $seed = array_values(array_filter($rows, static fn (array $row): bool => $row['magnification'] === '4.81'))[0];
        $this->assertSame(['Sedge seed, coat', "Rail bellows: draw 110\u{2009}mm; Fell 35: f/5.6, ring at ∞", '0.03', '47.9', '4.5816', '0.376353', '58', 'fen-0466.jpg', '4'], [$seed['subject'], $seed['scales'], $seed['magnificationHalfWidth'], $seed['workingDistanceMm'], $seed['predictedMagnification'], $seed['predictedWorkingDistanceMmHalfWidth'], $seed['frames'], $seed['pictures'], $seed['result']]);
        $this->assertSame("'=1+1, \"quoted\"", array_values(array_filter($rows, static fn (array $row): bool => $row['id'] === '0b9f3e1c-5a54-4d3e-9c39-2f6a1c7f5001'))[0]['note']);
        $this->assertStringStartsWith('f/4: 0.21 ± 0.012; f/5.6: 0.27 ± 0.01', array_values(array_filter($rows, static fn (array $row): bool => $row['trial'] !== ''))[0]['trial']);
    }

    public function test_one_file_holds_it_all_and_comes_back_equal(): void
    {
        $text = (string) $this->get("/api/outings/{$this->done->id}/file")->assertOk()->getContent();
        $this->done->delete();
        $back = $this->postJson('/api/outings/import', ['text' => $text])->assertCreated()->json('id');
        $again = (string) $this->get("/api/outings/{$back}/file")->assertOk()->getContent();
        $this->assertSame($text, $again);
        $this->assertStringContainsString('data:image', $text);
        $this->assertCount(11, OutingFile::parse($text)->entries);
        $this->assertSame(10, $this->getJson("/api/log?outing={$back}")->json('total'));
    }

    public function test_what_has_changed_since_is_named_with_what_that_changes(): void
    {
        // The focal length was 63 then, and is 62 by now.
        $since = $this->since('Tower clock tooth', 0.512);
        $this->assertSame([['Process 62', 'corrected']], array_map(static fn (array $each): array => [$each['part'], $each['what']], $since['parts']));
        $this->assertContains(['label' => 'Focal length', 'unit' => 'mm', 'before' => 63, 'after' => 62], $since['parts'][0]['changes']);
        $this->assertEqualsWithDelta(32.0 / 63.0, $since['then']['magnification'], 1e-9);
        $this->assertEqualsWithDelta(32.0 / 62.0, $since['now']['magnification'], 1e-9);
        $this->assertNull($since['trouble']);
        // What was borrowed is gone.
        $this->assertSame([['Tube 20, borrowed', 'gone']], array_map(static fn (array $each): array => [$each['part'], $each['what']], $this->since('Lichen disc on a twig', 0.652)['parts']));
        // What is as it was isn't named.
        $this->assertSame([], $this->since('Sedge seed, coat', 4.03)['parts']);
        $this->assertSame([], $this->since('Label of the herbarium sheet', 0.347)['parts']);
        // What is sold is gone, what is settled is settled, and what can't be set so any more says why.
        Part::query()->where('kit_id', $this->done->kit_id)->where('name', 'Reversing ring 52')->firstOrFail()->delete();
        $bellows = Part::query()->where('kit_id', $this->done->kit_id)->where('name', 'Rail bellows')->firstOrFail();
        $bellows->document = (object) (['minMm' => 90, 'price' => 1] + get_object_vars($bellows->document));
        $bellows->save();
        $entry = $this->named('Sedge seed, coat', 4.81);
        $this->postJson("/api/outings/{$this->done->id}/entries/{$entry['id']}/shot")->assertOk();
        $this->assertSame([['Rail bellows', 'corrected'], ['Reversing ring 52', 'gone'], ['Fell 35', 'settled']], array_map(static fn (array $each): array => [$each['part'], $each['what']], $this->since('Sedge seed, coat', 4.03)['parts']));
    }

    public function test_it_is_set_up_again_with_what_is_known_today_or_as_it_stood(): void
    {
        $entry = $this->named('Tower clock tooth', 0.512);
        $address = "/api/outings/{$this->done->id}/entries/{$entry['id']}";
        $today = $this->postJson($address.'/rig', ['today' => true])->assertCreated()->json();
        $this->assertEqualsWithDelta(32.0 / 62.0, $today['readings']['magnification'], 1e-9);
        $this->assertSame('Tower clock tooth, Seeds, moss and clock teeth', $today['name']);
        $row = Rig::query()->with('parts')->findOrFail($today['id']);
        $this->assertSame($this->done->kit_id, $row->kit_id);
        $this->assertSame([], $row->parts->whereNull('part_id')->all(), 'Every part is the kit’s own, so that corrections follow.');
        $then = $this->postJson($address.'/rig', ['today' => false])->assertCreated()->json();
        $this->assertEqualsWithDelta(32.0 / 63.0, $then['readings']['magnification'], 1e-9);
        $this->assertSame('Tower clock tooth, Seeds, moss and clock teeth (2)', $then['name']);
        $this->assertNull(Rig::query()->findOrFail($then['id'])->kit_id);
        $this->postJson($address.'/rig', ['today' => 1])->assertStatus(422);
        $sheet = $this->getJson($address.'/sheet')->assertOk()->json();
        // By what is known today.
        $this->assertSame('0.52×', $sheet['sections'][0]['lines'][0]['figure']);
        // What was borrowed comes along as it was.
        $lent = $this->named('Lichen disc on a twig', 0.652);
        $rig = $this->postJson("/api/outings/{$this->done->id}/entries/{$lent['id']}/rig", ['today' => true])->assertCreated()->json();
        $this->assertSame('Tube 20, borrowed', Rig::query()->with('parts')->findOrFail($rig['id'])->parts->whereNull('part_id')->sole()->document->name);
    }

    public function test_a_ruler_in_an_entry_becomes_a_shot_in_one_press_and_settles_its_lens(): void
    {
        $lens = Part::query()->where('kit_id', $this->done->kit_id)->where('name', 'Fell 35')->firstOrFail();
        $hints = $this->getJson('/api/ledger')->assertOk()->json('hints');
        $this->assertSame(['Fell 35'], array_column($hints, 'lens'));
        // Of its two the one that says it most clearly.
        $this->assertSame([4.81, 4.5816], [$hints[0]['measured'], $hints[0]['predicted']]);
        $this->assertEqualsWithDelta(hypot(0.03, 0.132145), $hints[0]['halfWidth'], 1e-9);
        $before = $this->since('Sedge seed, coat', 4.03);
        $this->assertSame([$lens->id, $lens->kit_id, false], [$before['lens'], $before['lensKit'], $before['settled']]);
        $kept = $this->postJson("/api/outings/{$hints[0]['outing']}/entries/{$hints[0]['entry']}/shot")->assertOk()->json();
        $this->assertTrue($kept['kept']);
        $shot = $lens->refresh()->document->shots[0];
        $this->assertSame([18.4, true, 4.81, 0.03, 47.9, 0.5], [(float) $shot->cameraRegisterMm, $shot->reversed, $shot->magnification, $shot->magnificationHalfWidth, $shot->workingDistanceMm, $shot->workingDistanceMmHalfWidth]);
        // Tern to Larch, the bellows and the ring between camera and lens.
        $rig = EntryDocument::read($this->document('Sedge seed, coat', 4.81))->rig;
        $this->assertEqualsWithDelta($rig->lengthMm(0) + 110.0 + $rig->lengthMm(2), $shot->spacersMm, 1e-6);
        $this->assertSame('Sedge seed, coat · Seeds, moss and clock teeth', $shot->note);
        // The other draw, which this shot knows nothing of, is nearer to what was measured there.
        $after = $this->since('Sedge seed, coat', 4.03);
        $this->assertLessThan(abs($before['now']['magnification'] - 4.03) / 2.0, abs($after['now']['magnification'] - 4.03));
        $this->assertTrue($this->since('Sedge seed, coat', 4.81)['settled']);
        $this->assertFalse($after['settled']);
        $this->postJson("/api/outings/{$hints[0]['outing']}/entries/{$hints[0]['entry']}/shot")->assertStatus(422)->assertJsonPath('errors.entry.0', 'This lens has that shot already.');
        // The other entry points at it still: by then the lens was what it was.
        $this->assertNotContains($hints[0]['entry'], array_column($this->getJson('/api/ledger')->json('hints'), 'entry'));
        // Where other glass stands, nothing was measured, the scales can't be read or the lens is sold, there is no shot, and it says why.
        $none = function (array $entry, string $why): void {
            $this->postJson("/api/outings/{$entry['outing']}/entries/{$entry['id']}/shot")->assertStatus(422)->assertJsonPath('errors.entry.0', $why);
        };
        $none($this->named('Moss capsule, teeth', 4.11), NoShot::NotAlone->value);
        $none($this->trial(), NoShot::NothingMeasured->value);
        $other = $this->named('Sedge seed, coat', 4.03);
        $unread = '0b9f3e1c-5a54-4d3e-9c39-2f6a1c7f0001';
        $this->send($unread, ['rig' => $this->document('Sedge seed, coat', 4.03)->rig, 'scales' => [['part' => 'Rail bellows', 'reads' => 'as far as it goes']], 'measured' => ['magnification' => 4.5]])->assertOk();
        $none(['outing' => $this->done->id, 'id' => $unread], NoShot::Unread->value);
        $lens->delete();
        $none($other, NoShot::NotInKit->value);
    }

    public function test_the_ledger_tells_how_right_the_tool_was(): void
    {
        $ledger = $this->getJson('/api/ledger')->assertOk()->json();
        $this->assertSame([11, 0], [$ledger['entries'], $ledger['more']]);
        $line = array_values(array_filter($ledger['lines'], static fn (array $each): bool => $each['figure'] === 'magnification'))[0];
        $errors = $inside = [];
        foreach ($ledger['points'] as $point) {
            if ($point['figure'] === 'magnification') {
                $errors[] = abs($point['predicted'] / $point['measured'] - 1.0);
                $inside[] = $point['inside'];
                $this->assertSame(abs($point['predicted'] - $point['measured']) <= $point['halfWidth'], $point['inside']);
            }
        }
        sort($errors);
        $this->assertSame([10, 10, count(array_filter($inside))], [$line['count'], $line['stated'], $line['inside']]);
        $this->assertEqualsWithDelta(($errors[4] + $errors[5]) / 2.0, $line['medianError'], 1e-12);
        $this->assertSame('Fell 35', array_values(array_filter($ledger['byLens'], static fn (array $each): bool => $each['figure'] === 'magnification'))[0]['lens']);
        $days = array_column($ledger['points'], 'day');
        $sorted = $days;
        rsort($sorted);
        $this->assertSame($sorted, $days);
        $this->actingAs(User::query()->create(['name' => 'New', 'email' => 'new@example.org', 'password' => 'a long password of mine'])->refresh());
        $this->assertSame(['entries' => 0, 'more' => 0, 'points' => [], 'lines' => [], 'byLens' => [], 'hints' => []], $this->getJson('/api/ledger')->assertOk()->json());
    }

    /** @return array<string, string> what a sidecar says, by name; one that isn't XMP fails */
    private static function sidecar(string $xmp): array
    {
        $document = new \DOMDocument;
        self::assertTrue($document->loadXML($xmp));
        self::assertTrue($document->relaxNGValidate(base_path('tests/Feature/xmp.rng')), $xmp);
        $said = [];
        foreach ($document->getElementsByTagNameNS('http://www.w3.org/1999/02/22-rdf-syntax-ns#', 'Description')->item(0)->childNodes ?? [] as $node) {
            if ($node instanceof \DOMElement) {
                $said[(string) $node->localName] = trim($node->textContent);
            }
        }

        return $said;
    }

    /** @return array<string, mixed> */
    private function named(string $subject, float $measured): array
    {
        foreach ($this->getJson('/api/log?subject='.urlencode($subject))->assertOk()->json('entries') as $entry) {
            if ($entry['measured']['magnification'] === $measured) {
                return $entry;
            }
        }
        $this->fail('No such entry.');
    }

    /** @return array<string, mixed> */
    private function trial(): array
    {
        return array_values(array_filter($this->getJson('/api/log')->json('entries'), static fn (array $each): bool => $each['trial'] !== []))[0];
    }

    private function document(string $subject, float $measured): \stdClass
    {
        return Entry::query()->where('user_id', $this->me->id)->where('id', $this->named($subject, $measured)['id'])->firstOrFail()->document;
    }

    /** @return array<string, mixed> */
    private function since(string $subject, float $measured): array
    {
        $entry = $this->named($subject, $measured);

        return $this->getJson("/api/outings/{$entry['outing']}/entries/{$entry['id']}/since")->assertOk()->json();
    }

    /** @return array<string, mixed> the entry on the list, whose bellows stand so */
    private function predictedOf(string $reads, mixed $rig): array
    {
        $id = '0b9f3e1c-5a54-4d3e-9c39-2f6a1c7f'.substr(md5($reads), 0, 4);
        $this->send($id, ['rig' => $rig, 'scales' => [['part' => 'Rail bellows', 'reads' => $reads], ['part' => 'Fell 35', 'reads' => 'f/5.6, ring at ∞']], 'note' => $reads])->assertOk();

        return array_values(array_filter($this->getJson('/api/log')->json('entries'), static fn (array $each): bool => $each['id'] === $id))[0];
    }

    /**
     * @param  array<string, mixed>  $fields
     * @return TestResponse<Response>
     */
    private function send(string $id, array $fields): TestResponse
    {
        $rig = $fields['rig'] ?? json_decode((string) preg_replace('/,\s*"kitPart": "[^"]*"/', '', (string) file_get_contents(database_path('demo/1-tower-clock-tooth.rig.json'))), false, flags: JSON_THROW_ON_ERROR);

        return $this->putJson("/api/outings/{$this->done->id}/entries/{$id}", ['entry' => ['id' => $id, 'at' => '2026-12-04T10:20:00+01:00', 'rig' => $rig] + $fields]);
    }
}
