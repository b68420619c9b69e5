<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Http\BoundedRequest;
use App\Models\Kit;
use App\Models\Part;
use App\Models\Rig;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Request as HttpFoundationRequest;
use Tests\TestCase;

/** One gate for documents, whichever way they come in; and what is stored can be opened again. */
final class GateTest extends TestCase
{
    /** @return iterable<string, array{string, string}> part as JSON, pointer within it */
    public static function parts(): iterable
    {
        $lens = '"kind":"lens","focalLengthMm":50,"registerMm":44,"frontRimMm":30';
        yield 'a pupil ratio of next to nothing' => ['{'.$lens.',"pupilRatio":1e-300}', '/pupilRatio'];
        yield 'an NA below all numbers' => ['{"kind":"objective","nominal":4,"na":1e-320,"workingDistanceMm":10}', '/na'];
        yield 'a denormal under a key that nobody knows' => ['{"kind":"tube","lengthMm":9,"mine":{"deep":[1e-310]}}', '/mine/deep/0'];
        yield 'a number beyond numbers' => ['{"kind":"tube","lengthMm":9,"mine":1e400}', '/mine'];
        yield 'a length of next to nothing' => ['{"kind":"tube","lengthMm":1e-12}', '/lengthMm'];
        yield 'a NUL in a text that nobody knows' => ['{"kind":"tube","lengthMm":9,"mine":"a\u0000b"}', '/mine'];
        yield 'a NUL in a key' => ['{"kind":"tube","lengthMm":9,"a\u0000b":1}', ''];
        yield 'half-widths that are words, on a tube' => ['{"kind":"tube","lengthMm":9,"measured":"by me"}', '/measured'];
        yield 'a focal length that is none, on a tube' => ['{"kind":"tube","lengthMm":9,"focalLengthMm":-4}', '/focalLengthMm'];
        yield 'an aperture that is a list, on bellows' => ['{"kind":"bellows","minMm":40,"maxMm":100,"aperture":[1]}', '/aperture'];
        yield 'a short name that is too long' => ['{"kind":"tube","lengthMm":9,"id":"'.str_repeat('x', 121).'"}', '/id'];
        yield 'a name too long by one' => ['{"kind":"tube","lengthMm":9,"name":"'.str_repeat('é', 2001).'"}', '/name'];
    }

    #[DataProvider('parts')]
    public function test_what_no_part_can_have_is_refused_by_every_way_in(string $part, string $pointer): void
    {
        $this->actingAs($user = $this->guest());
        $kit = $user->kits()->firstOrFail();
        $before = $kit->parts()->count();
        $file = '{"format":"zinc-thimble/kit","version":1,"parts":['.$part.']}';
        $rig = '{"format":"zinc-thimble/rig","version":1,"camera":{"registerMm":18,"sensor":{"widthMm":24,"heightMm":16}},"chain":['.$part.']}';
        $ways = [
            '/parts/0' => $this->raw('POST', "/api/kits/{$kit->id}/parts", '{"parts":['.$part.']}'),
            '/part' => $this->raw('PUT', "/api/kits/{$kit->id}/parts/{$kit->parts[3]->id}", '{"version":1,"part":'.$part.'}'),
            '/parts/0 ' => $this->raw('PUT', "/api/kits/{$kit->id}/import", (string) json_encode(['revision' => $kit->revision, 'as' => 'json', 'text' => $file])),
        ];
        if (! str_contains($part, '"id"')) {
            $ways['/chain/0'] = $this->raw('POST', '/api/rigs/import', (string) json_encode(['text' => $rig]));
        }
        foreach ($ways as $at => $answer) {
            $answer->assertStatus(422);
            $told = array_column((array) $answer->json('errors'), 'pointer');
            $this->assertContains(trim($at).$pointer, $told, (string) $answer->getContent());
            $this->assertStringNotContainsString('App\\', (string) $answer->getContent());
        }
        $this->assertSame($before, $kit->parts()->count());
        $this->getJson("/api/kits/{$kit->id}")->assertOk();
    }

    public function test_names_are_bounded_by_code_points_and_kept_whole(): void
    {
        $this->actingAs($user = $this->guest());
        $kit = $user->kits()->firstOrFail();
        // Wide, combining and invisible letters count one each, in every column they come to stand in.
        foreach ([str_repeat('葉', 2000), str_repeat("e\u{0301}", 1000), str_repeat("\u{200D}", 2000)] as $n => $name) {
            $id = $this->postJson("/api/kits/{$kit->id}/parts", ['parts' => [['kind' => 'tube', 'lengthMm' => 9, 'rear' => 'larch', 'front' => 'larch', 'name' => $name]]])->assertCreated()->json('0.part.id');
            $this->assertSame($name, Part::query()->findOrFail($id)->name);
            $this->postJson("/api/kits/{$kit->id}/parts/{$id}/copies")->assertCreated();
            $this->assertGreaterThan($n, $kit->refresh()->steps()->count());
        }
        $this->postJson('/api/rigs/import', ['text' => json_encode(['format' => 'zinc-thimble/rig', 'version' => 1, 'name' => str_repeat("\u{0301}", 900), 'camera' => ['registerMm' => 18, 'sensor' => ['widthMm' => 24, 'heightMm' => 16]], 'chain' => []])])->assertCreated();
        $this->getJson("/api/kits/{$kit->id}")->assertOk();
    }

    public function test_a_joint_with_blanks_around_it_is_the_joint(): void
    {
        $this->actingAs($user = $this->guest());
        $kit = $user->kits()->firstOrFail();
        $part = $this->postJson("/api/kits/{$kit->id}/parts", ['parts' => [['kind' => 'tube', 'lengthMm' => 9, 'rear' => str_repeat(' ', 90).'larch', 'front' => "larch\t"]]])->assertCreated()->json('0');
        $this->assertSame(['larch', 'larch'], [$part['fields']['rear'], $part['fields']['front']]);
    }

    public function test_numbers_of_rows_beyond_any_row_are_not_found(): void
    {
        $this->actingAs($this->guest());
        foreach (['9223372036854775807', '9223372036854775808', '99999999999999999999', str_repeat('9', 300), '0', '-1', '1e3', '1%00'] as $id) {
            foreach (["/api/rigs/{$id}", "/api/rigs/{$id}/sweep?travel=x", "/api/kits/{$id}", "/api/kits/{$id}/find?magnification=1"] as $address) {
                $status = $this->getJson($address)->getStatusCode();
                $this->assertContains($status, [404, 422], $address);
            }
        }
        $rig = $this->rigOf($this->guest(), 'Lichen disc');
        $this->actingAs($rig->user)->getJson("/api/rigs/{$rig->id}/states/99999999999999999999")->assertNotFound();
    }

    public function test_not_yours_and_not_there_answer_alike_and_name_no_class(): void
    {
        $theirs = $this->rigOf($this->guest(), 'Lichen disc');
        $this->actingAs($this->guest());
        $this->assertSame($this->getJson('/api/rigs/999999999')->assertNotFound()->getContent(), $this->getJson("/api/rigs/{$theirs->id}")->assertNotFound()->getContent());
        $this->assertSame($this->getJson('/api/kits/999999999')->getContent(), $this->getJson("/api/kits/{$theirs->kit_id}")->assertNotFound()->getContent());
        foreach (['/api/rigs/999999999', '/api/nothing', '/api/kits/1/cards/none'] as $address) {
            $this->assertDoesNotMatchRegularExpression('/model|App|table|query/i', (string) $this->getJson($address)->getContent());
        }
    }

    public function test_a_header_that_signs_in_elsewhere_signs_in_nowhere_here(): void
    {
        $this->actingAs($this->guest());
        foreach (['Bearer abc', 'Bearer 1|abc', 'Basic YTpi', 'nonsense', ''] as $value) {
            $this->getJson('/api/me', ['Authorization' => $value])->assertStatus(401);
            $this->postJson('/api/guest', [], ['Authorization' => $value])->assertStatus(401);
        }
    }

    public function test_what_the_browser_calls_itself_can_not_break_the_session(): void
    {
        config(['session.driver' => 'database']);
        foreach (["\xFF\xFE broken", str_repeat('é', 400), "nul\0"] as $agent) {
            $this->withServerVariables(['HTTP_USER_AGENT' => $agent, 'HTTP_REFERER' => config('app.url')])->getJson('/api/me')->assertStatus(401);
        }
        $this->assertGreaterThan(0, DB::table('sessions')->count());
    }

    public function test_figures_that_can_not_be_shown_are_not_kept(): void
    {
        $this->actingAs($user = $this->guest());
        $rigs = $user->rigs()->count();
        // Each figure is within its range; together they overflow.
        $text = '{"format":"zinc-thimble/rig","version":1,"camera":{"registerMm":18,"sensor":{"widthMm":24,"heightMm":16}},"chain":[{"kind":"tube","lengthMm":9,"massG":1000000,"mine":1e308,"balanceMm":-3000}],"conditions":{"blurLimitMm":0.00001},"mine":1.7e308}';
        $answer = $this->postJson('/api/rigs/import', ['text' => $text]);
        $this->assertContains($answer->getStatusCode(), [201, 422]);
        $this->assertSame($rigs + ($answer->getStatusCode() === 201 ? 1 : 0), $user->rigs()->count());
        // A view that divides by nothing takes the change back with it.
        $before = Rig::query()->count();
        try {
            \App\Operations\Shown::first(function () use ($user): array {
                Rig::query()->where('user_id', $user->id)->first()?->delete();

                return ['figure' => INF];
            });
            $this->fail('A figure that is no number was shown.');
        } catch (\Illuminate\Validation\ValidationException $refused) {
            $this->assertStringContainsString('nothing was changed', $refused->getMessage());
        }
        $this->assertSame($before, Rig::query()->count());
    }

    public function test_a_rig_that_can_not_be_read_says_so_in_its_row_and_blocks_nothing(): void
    {
        $this->actingAs($user = $this->guest());
        $broken = $this->rigOf($user, 'Lichen disc');
        DB::table('rig_parts')->where('rig_id', $broken->id)->where('place', 0)->update(['document' => '{"lengthMm":"long","front":7}']);
        $rows = $this->getJson('/api/rigs')->assertOk()->json();
        $row = array_values(array_filter($rows, static fn (array $each): bool => $each['id'] === $broken->id))[0];
        $this->assertStringStartsWith('/chain/0/', $row['trouble']);
        $this->assertSame(count($rows) - 1, count(array_filter($rows, static fn (array $each): bool => $each['trouble'] === null)));
        $this->getJson("/api/rigs/{$broken->id}")->assertStatus(422)->assertJsonPath('errors.0.pointer', explode(':', $row['trouble'])[0]);
        $file = json_decode((string) $this->get("/api/rigs/{$broken->id}/file")->assertOk()->getContent());
        $this->assertSame('long', $file->chain[0]->lengthMm);
        $this->assertSame('Lichen disc', $file->name);
        $this->assertStringNotContainsString('kitPart', (string) json_encode($file));
    }

    public function test_a_part_that_can_not_be_read_blocks_neither_kit_nor_bench_nor_find(): void
    {
        $this->actingAs($user = $this->guest());
        $kit = $user->kits()->firstOrFail();
        foreach (['lens' => '{"name":"Broken lens","focalLengthMm":"long","measured":"by me","aperture":7}', 'camera' => '{"name":"Broken body","registerMm":[]}'] as $kind => $document) {
            $id = Part::query()->where('kit_id', $kit->id)->where('kind', $kind)->latest('id')->firstOrFail()->id;
            DB::table('parts')->where('id', $id)->update(['document' => $document]);
        }
        $rig = $this->rigOf($user, 'Lichen disc');
        $shown = $this->getJson("/api/kits/{$kit->id}")->assertOk()->json('parts');
        $this->assertCount(2, array_filter($shown, static fn (array $each): bool => str_contains($each['part']['measure'], 'can’t be read')));
        foreach (["/api/rigs/{$rig->id}/tray?index=0", "/api/rigs/{$rig->id}/mends", '/api/rigs/proposals', "/api/kits/{$kit->id}/find?magnification=0.5", "/api/kits/{$kit->id}/find/near?magnification=90", "/api/kits/{$kit->id}/overview", "/api/kits/{$kit->id}/map", "/api/kits/{$kit->id}/crossing?front=larch&rear=tern", "/api/kits/{$kit->id}/file"] as $address) {
            $this->getJson($address)->assertOk();
        }
    }

    public function test_a_small_text_that_is_huge_in_memory_is_refused_before_it_is_taken_apart(): void
    {
        $this->actingAs($user = $this->guest());
        $kit = $user->kits()->firstOrFail();
        $lists = '['.str_repeat('[0],', 400_000).'0]';
        $objects = '['.str_repeat('{"a":0},', 200_000).'0]';
        foreach ([
            ['POST', "/api/kits/{$kit->id}/parts", '{"parts":'.$lists.'}'],
            ['POST', '/api/rigs/import', '{"text":'.$objects.'}'],
            ['POST', '/api/rigs/import', (string) json_encode(['text' => $lists])],
            ['POST', "/api/kits/{$kit->id}/import", (string) json_encode(['text' => $objects, 'as' => 'json'])],
            ['PUT', "/api/kits/{$kit->id}/import", (string) json_encode(['text' => $lists, 'as' => 'json', 'revision' => $kit->revision])],
            ['PUT', "/api/kits/{$kit->id}/import", (string) json_encode(['text' => "kind\n".str_repeat(",\n", 900_000), 'as' => 'csv', 'revision' => $kit->revision])],
        ] as [$method, $address, $body]) {
            $answer = $this->raw($method, $address, $body);
            // A preview shows what is wrong instead of refusing.
            $this->assertTrue($answer->getStatusCode() === 422 || $answer->json('refused') > 0, $address);
        }
        // Before any gate the framework takes a body apart: the request itself must not.
        foreach ([$lists, $objects, '['.str_repeat('0,', 5_500_000).'0]'] as $body) {
            $asked = HttpFoundationRequest::create('/api/rigs/import', 'POST', server: ['CONTENT_TYPE' => 'application/json'], content: $body);
            memory_reset_peak_usage();
            $before = memory_get_usage();
            $request = BoundedRequest::createFromBase($asked);
            $this->assertSame([], $request->all());
            $this->assertLessThan(2e6 + strlen($body), memory_get_peak_usage() - $before);
        }
        $sound = HttpFoundationRequest::create('/api/rigs/import', 'POST', server: ['CONTENT_TYPE' => 'application/json'], content: '{"text":"{}"}');
        $this->assertSame(['text' => '{}'], BoundedRequest::createFromBase($sound)->all());
    }

    public function test_a_step_that_is_sent_twice_is_taken_once_and_answered_alike(): void
    {
        $this->actingAs($user = $this->guest());
        $rig = $this->rigOf($user, 'Lichen disc');
        $body = ['revision' => $rig->revision, 'id' => '0b1e6c2a-0000-4000-8000-00000000000A', 'step' => ['action' => 'remove', 'index' => 0]];
        $first = $this->postJson("/api/rigs/{$rig->id}/steps", $body)->assertOk()->json();
        $again = $this->postJson("/api/rigs/{$rig->id}/steps", $body)->assertOk()->json();
        $this->assertSame($first['revision'], $again['revision']);
        $this->assertSame($first['readings'], $again['readings']);
        $this->assertSame(2, $rig->steps()->count());
        // The same name on another rig is another step, and a name that is none is refused.
        $other = $this->rigOf($user, 'Sedge seed, coat pattern');
        $this->postJson("/api/rigs/{$other->id}/steps", ['revision' => $other->revision] + $body)->assertOk();
        $this->assertSame(2, $other->steps()->count());
        $this->postJson("/api/rigs/{$rig->id}/steps", ['id' => 'again'] + $body)->assertStatus(422);
        // Of two that come at the same time the later finds the revision gone, and its step taken.
        $third = ['revision' => $first['revision'], 'id' => '0b1e6c2a-0000-4000-8000-00000000000b', 'step' => ['action' => 'remove', 'index' => 0]];
        $between = false;
        DB::listen(function ($query) use (&$between, $rig, $third): void {
            if (! $between && str_contains($query->sql, 'select exists') && str_contains($query->sql, 'sent_as')) {
                $between = true;
                $this->postJson("/api/rigs/{$rig->id}/steps", $third)->assertOk();
            }
        });
        $this->postJson("/api/rigs/{$rig->id}/steps", $third)->assertOk();
        $this->assertTrue($between);
        $this->assertSame(3, $rig->steps()->count());
    }

    public function test_everything_stored_by_each_way_in_opens_again(): void
    {
        $this->actingAs($user = $this->guest());
        $kit = Kit::query()->where('user_id', $user->id)->firstOrFail();
        $this->postJson("/api/kits/{$kit->id}/parts", ['parts' => [['kind' => 'tube', 'lengthMm' => 9, 'measured' => ['lengthMm' => 0.1], 'minMm' => 2000, 'maxMm' => 5, 'stations' => [], 'set' => ['focus' => 1], 'joint' => 'larch']]])->assertCreated();
        $this->getJson("/api/kits/{$kit->id}")->assertOk();
        $this->getJson("/api/kits/{$kit->id}/find?magnification=0.5")->assertOk();
        $this->assertInstanceOf(User::class, $user);
    }

    private function raw(string $method, string $address, string $body): TestResponse
    {
        return $this->call($method, $address, [], [], [], ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'], $body);
    }
}
