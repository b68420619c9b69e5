<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Kit;
use App\Models\Part;
use App\Models\User;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** A list of parts in words: understood line by line beside the kit, kept only when it is taken in, and a guess ends where somebody knows. */
final class KitWordsTest extends TestCase
{
    private User $user;

    private Kit $kit;

    protected function setUp(): void
    {
        parent::setUp();
        $this->user = $this->guest();
        $this->kit = $this->user->kits()->firstOrFail();
    }

    public function test_a_list_is_understood_beside_the_kit_and_taken_in_in_one_step(): void
    {
        $before = $this->kit->parts()->count();
        $lines = $this->actingAs($this->user)->postJson($this->at('words'), ['text' => "tube 10, tube 21, 58 mm f/2 M42\nsomething nice\n2x close-up +4 52 mm"])->assertOk()->json();
        $this->assertSame([[1, 'tube', 'Tube 10', ''], [1, 'tube', 'Tube 21', ''], [1, 'lens', '58 mm f/2 M42', ''], [2, null, '', $lines[3]['trouble']], [3, 'close-up-lens', 'Close-up +4 52 mm', '']],
            array_map(static fn (array $each): array => [$each['line'], $each['kind'], $each['name'], $each['trouble']], $lines));
        $this->assertNotSame('', $lines[3]['trouble']);
        $this->assertNull($lines[3]['part']);
        // The camera of the kit says what a tube ends in.
        $camera = $this->kit->parts()->where('kind', 'camera')->orderBy('id')->firstOrFail();
        $this->assertSame($camera->document->joint, $lines[0]['part']['rear']);
        $this->assertNull($lines[0]['roomHalfWidthMm']);
        $this->assertGreaterThan(5.0, $lines[2]['roomHalfWidthMm']);
        $this->assertNotSame([], $lines[2]['taken']);
        $this->assertSame($before, $this->kit->parts()->count());

        $parts = array_values(array_filter(array_column($lines, 'part')));
        $this->postJson($this->at('parts'), ['parts' => $parts])->assertCreated()->assertJsonCount(4);
        $this->assertSame($before + 4, $this->kit->parts()->count());
        $glass = $this->kit->parts()->where('name', 'Close-up +4 52 mm')->firstOrFail();
        $this->assertSame(2, $glass->count);
        $this->postJson($this->at('undo'), ['revision' => $this->kit->refresh()->revision])->assertOk();
        $this->assertSame($before, $this->kit->parts()->count());
    }

    public function test_joints_of_ones_own_are_words_too_and_bounds_of_the_files_hold(): void
    {
        $this->user->joints()->create(['name' => 'plover', 'register_mm' => 40.0]);
        $lines = $this->actingAs($this->user)->postJson($this->at('words'), ['text' => "tube 12 plover\ntube 9000\n50 mm f/1000"])->assertOk()->json();
        $this->assertSame('plover', $lines[0]['part']['rear']);
        $this->assertSame([null, null], [$lines[1]['part'], $lines[2]['part']]);
        $this->assertStringStartsWith('Length ', $lines[1]['trouble']);
        $this->assertNotSame('', $lines[2]['trouble']);
    }

    public function test_sixty_parts_come_in_at_once(): void
    {
        $text = implode("\n", array_map(static fn (int $n): string => 'tube '.$n, range(1, 60)));
        $lines = $this->actingAs($this->user)->postJson($this->at('words'), ['text' => $text])->assertOk()->assertJsonCount(60)->json();
        $this->postJson($this->at('parts'), ['parts' => array_column($lines, 'part')])->assertCreated()->assertJsonCount(60);
    }

    /** What was guessed and is changed, somebody knows; what else was guessed is guessed still. */
    public function test_a_guess_ends_where_its_figure_is_changed(): void
    {
        $part = $this->actingAs($this->user)->postJson($this->at('words'), ['text' => '58 mm M42 lens'])->json('0.part');
        $id = $this->postJson($this->at('parts'), ['parts' => [$part]])->assertCreated()->json('0.part.id');
        $this->assertSame(['frontRimMm', 'aperture.widest', 'minFocusMm'], array_keys($part['guessed']));
        $fields = ['frontRimMm' => 33.5] + $part;
        $this->putJson($this->at('parts/'.$id), ['version' => 1, 'part' => $fields])->assertOk();
        $this->assertSame(['aperture.widest', 'minFocusMm'], array_keys(get_object_vars(Part::query()->findOrFail($id)->document->guessed)));
        $fields['aperture']['widest'] = 2.0;
        $this->putJson($this->at('parts/'.$id), ['version' => 2, 'part' => $fields])->assertOk();
        $fields['minFocusMm'] = 500;
        $this->putJson($this->at('parts/'.$id), ['version' => 3, 'part' => $fields])->assertOk();
        $this->assertFalse(isset(Part::query()->findOrFail($id)->document->guessed));
    }

    #[DataProvider('texts')]
    public function test_any_words_are_answered_and_nothing_is_kept(mixed $text, int $status): void
    {
        $before = $this->kit->parts()->count();
        $this->actingAs($this->user)->postJson($this->at('words'), ['text' => $text])->assertStatus($status);
        $this->assertSame($before, $this->kit->parts()->count());
    }

    /** @return iterable<string, array{mixed, int}> */
    public static function texts(): iterable
    {
        yield 'none' => [null, 422];
        yield 'a list' => [['tube 10'], 422];
        yield 'a number' => [10, 422];
        yield 'markup' => ['<script>tube 10</script>', 200];
        yield 'as long as may be' => [str_repeat('tube 10 ', 5000), 200];
        yield 'longer' => [str_repeat('tube 10 ', 5001), 422];
        yield 'odd letters' => ["\u{202E}tube 10 \u{0007}", 200];
        yield 'nested patterns' => [str_repeat('1-', 15000), 200];
        yield 'many commas' => [str_repeat(',', 20000), 200];
    }

    private function at(string $what): string
    {
        return '/api/kits/'.$this->kit->id.'/'.$what;
    }
}
