<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Kit;
use App\Models\User;
use App\Search\KeptKits;
use Illuminate\Cache\Events\KeyWritten;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Event;
use Tests\TestCase;

/** What is kept of a kit between two questions: used where it is the same kit as it is now, and nowhere else. */
final class KeptKitsTest extends TestCase
{
    private User $user;

    private Kit $kit;

    /** @var list<string> places that were written to */
    private array $written = [];

    protected function setUp(): void
    {
        parent::setUp();
        $this->user = $this->guest();
        $this->kit = $this->user->kits()->firstOrFail();
        $this->actingAs($this->user);
        $this->giveSearchesTime();
        Event::listen(KeyWritten::class, function (KeyWritten $event): void {
            if (str_starts_with($event->key, 'kept kit ')) {
                $this->written[] = $event->key;
            }
        });
    }

    public function test_a_kit_is_worked_out_once_and_answers_the_same(): void
    {
        $this->ask('find/first');
        $this->assertSame([], $this->written, 'a first answer knows only part of it');
        $made = $this->ask('find');
        $this->assertCount(1, $this->written);
        $kept = $this->ask('find');
        $this->assertSame($made, $kept);
        $this->assertGreaterThan(50, count($kept['dots']));
        foreach (['find/near', 'find/missed', 'find/first'] as $what) {
            $before = $this->ask($what);
            Cache::flush();
            $this->assertSame($before, $this->ask($what), $what);
            $this->ask('find');
        }
    }

    public function test_a_kit_that_has_changed_is_worked_out_anew(): void
    {
        $before = $this->ask('find');
        $part = $this->kit->parts()->where('kind', 'close-up-lens')->firstOrFail();
        $this->deleteJson("/api/kits/{$this->kit->id}/parts/{$part->id}?anyway=1")->assertNoContent();
        $after = $this->ask('find');
        $this->assertCount(2, $this->written);
        $this->assertLessThan($before['rigs'], $after['rigs']);
        Cache::flush();
        $this->assertSame($after, $this->ask('find'));
    }

    public function test_what_was_kept_of_another_kit_or_by_other_code_is_not_taken(): void
    {
        $made = $this->ask('find');
        $place = $this->written[0];
        $held = Cache::get($place);
        [$kit, $figures, $code] = $held['state'];
        $this->assertSame([$this->kit->id, $this->kit->refresh()->revision, $this->user->id, $this->kit->created_at?->getTimestamp()], $kit);
        // The very bytes that are right, under each state that isn't this one.
        $others = [
            'another kit' => [[$kit[0] + 1, $kit[1], $kit[2], $kit[3]], $figures, $code], 'another state of it' => [[$kit[0], $kit[1] + 1, $kit[2], $kit[3]], $figures, $code],
            'somebody else’s' => [[$kit[0], $kit[1], $kit[2] + 1, $kit[3]], $figures, $code], 'of before a restore' => [[$kit[0], $kit[1], $kit[2], 0], $figures, $code],
            'other figures' => [$kit, strrev($figures), $code], 'other code' => [$kit, $figures, strrev($code)],
        ];
        foreach ($others as $whose => $state) {
            Cache::put($place, ['state' => $state, 'bytes' => $held['bytes']]);
            $this->written = [];
            $this->assertSame($made, $this->ask('find'), $whose);
            $this->assertSame([$place], $this->written, $whose);
            $this->assertSame($held['state'], Cache::get($place)['state'], $whose);
        }
    }

    public function test_what_was_damaged_is_worked_out_anew(): void
    {
        $made = $this->ask('find');
        $place = $this->written[0];
        $held = Cache::get($place);
        foreach (['cut short' => substr($held['bytes'], 0, -5), 'nothing' => '', 'something else' => null] as $what => $bytes) {
            Cache::put($place, ['state' => $held['state'], 'bytes' => $bytes]);
            $this->written = [];
            $this->assertSame($made, $this->ask('find'), $what);
            $this->assertSame([$place], $this->written, $what);
            $this->assertSame($held, Cache::get($place), $what);
        }
        Cache::put($place, 'no such thing');
        $this->assertSame($made, $this->ask('find'));
    }

    public function test_some_of_its_parts_are_another_kit(): void
    {
        $lens = $this->kit->parts()->where('kind', 'lens')->firstOrFail();
        $all = $this->ask('find');
        $some = $this->ask('find', ['without' => $lens->id]);
        $this->assertLessThan($all['rigs'], $some['rigs']);
        $with = $this->ask('find', ['with' => $lens->id]);
        $this->assertLessThan($all['fulfil'], $with['fulfil']);
        foreach (range(1, 2) as $time) {
            $this->assertSame($some, $this->ask('find', ['without' => $lens->id]), "time $time");
            $this->assertSame($all, $this->ask('find'), "time $time");
            $this->assertSame($with, $this->ask('find', ['with' => $lens->id]), "time $time");
        }
    }

    public function test_nothing_is_kept_of_what_there_was_no_time_for(): void
    {
        config(['zinc.find_seconds.whole' => 0.0]);
        $this->ask('find');
        $this->assertSame([], $this->written);
    }

    public function test_there_are_so_many_places_and_no_more(): void
    {
        for ($n = 0; $n < 3; $n++) {
            $this->actingAs($this->user = $this->guest());
            $this->kit = $this->user->kits()->firstOrFail();
            $this->ask('find');
        }
        $this->assertCount(3, $this->written);
        foreach ($this->written as $place) {
            $this->assertMatchesRegularExpression('/^kept kit [0-9]+$/', $place);
            $this->assertLessThan(KeptKits::PLACES, (int) substr($place, 9));
        }
        $this->assertLessThanOrEqual(64, KeptKits::PLACES, 'docs/operating.md says how much that is');
    }

    /**
     * @param  array<string, mixed>  $more
     * @return array<string, mixed>
     */
    private function ask(string $what, array $more = []): array
    {
        $told = $this->getJson('/api/kits/'.$this->kit->id.'/'.$what.'?'.http_build_query(['magnification' => 1, 'leastRoomMm' => 40] + $more))->assertOk()->json();
        $this->assertIsArray($told);

        return array_diff_key($told, ['seconds' => 0]);
    }
}
