<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Kit;
use App\Models\PracticeEvening;
use App\Models\PracticeSheet;
use App\Models\User;
use App\Practice\Evenings;
use Illuminate\Testing\TestResponse;
use Tests\TestCase;

/** A club's evening: ten questions under a link, nothing of the truth before an answer, results side by side. */
final class EveningApiTest extends TestCase
{
    private const ANNA = 'aaaaaaaa-bbbb-4ccc-8ddd-eeeeeeeeeeee';

    private const BORIS = 'bbbbbbbb-bbbb-4ccc-8ddd-eeeeeeeeeeee';

    private User $user;

    private Kit $kit;

    private string $token = '';

    protected function setUp(): void
    {
        parent::setUp();
        $this->user = $this->guest();
        $this->kit = $this->user->kits()->firstOrFail();
        $this->actingAs($this->user);
        $opened = $this->postJson("/api/kits/{$this->kit->id}/evenings", ['title' => ' Fen evening '])->assertCreated()->assertJson(['title' => 'Fen evening', 'sheets' => 0, 'until' => now()->addDays(30)->toDateString()])->json();
        $this->token = (string) preg_replace('#^.*/evening/#', '', $opened['link']);
        $this->assertSame(40, strlen($this->token));
        $this->app->make('auth')->forgetGuards();
    }

    /** @param  array<string, mixed>  $answer */
    private function give(string $key, int $place, array $answer, ?string $name = null): TestResponse
    {
        return $this->putJson("/api/evening/{$this->token}", ['key' => $key, 'place' => $place, 'name' => $name] + $answer, ['Referer' => config('app.url')]);
    }

    /** @return array<string, mixed> so many times the truth; of words the right one, or another */
    private function times(int $place, float $times): array
    {
        $question = Evenings::question(PracticeEvening::query()->firstOrFail(), $place);
        $this->assertNotNull($question);
        $guess = $question->isChoice() ? ($times === 1.0 ? $question->truth : $question->mistake) : $question->truth * $times;

        return ['guess' => $guess, 'low' => $question->isChoice() ? $guess : $guess * 0.9, 'high' => $question->isChoice() ? $guess : $guess * 1.1];
    }

    public function test_whoever_has_the_link_is_asked_and_told_nothing_before_they_answer(): void
    {
        $sheet = $this->getJson("/api/evening/{$this->token}")->assertOk()->assertJson(['title' => 'Fen evening', 'name' => null])->json();
        $this->assertCount(10, $sheet['questions']);
        $this->assertSame(array_fill(0, 10, null), $sheet['truths']);
        foreach ($sheet['questions'] as $question) {
            $this->assertSame([], array_intersect(['truth', 'mistake', 'reason', 'thumb', 'halfWidth', 'low', 'high'], array_keys($question)));
            if ($question['plane'] !== null) {
                $this->assertNull($question['drawing']['subjectDistanceMm']);
            }
        }
        $after = $this->give(self::ANNA, 3, $this->times(3, 1.0), 'Anna')->assertOk()->json();
        $this->assertSame('Anna', $after['name']);
        $told = array_keys(array_filter($after['truths'], static fn (?array $truth): bool => $truth !== null));
        $this->assertSame([3], $told);
        // Another key has another sheet; the same one goes on.
        $this->assertSame(array_fill(0, 10, null), $this->getJson("/api/evening/{$this->token}?key=".self::BORIS)->assertOk()->json('truths'));
        $this->assertNotNull($this->getJson("/api/evening/{$this->token}?key=".self::ANNA)->assertOk()->json('truths.3'));
    }

    public function test_the_first_answer_counts_and_results_wait_until_all_is_answered(): void
    {
        for ($n = 0; $n < 9; $n++) {
            $this->give(self::ANNA, $n, $this->times($n, 1.0), $n === 0 ? 'Anna' : null)->assertOk();
            $this->give(self::BORIS, $n, ['guess' => null])->assertOk();
        }
        $first = PracticeSheet::query()->oldest('id')->firstOrFail()->answers;
        $this->give(self::ANNA, 0, $this->times(0, 3.0))->assertOk();
        $this->assertEquals($first, PracticeSheet::query()->oldest('id')->firstOrFail()->answers);
        $this->getJson("/api/evening/{$this->token}/results?key=".self::ANNA)->assertUnprocessable();
        $this->getJson("/api/evening/{$this->token}/results")->assertUnprocessable();
        $this->give(self::ANNA, 9, $this->times(9, 4.0))->assertOk();
        $results = $this->getJson("/api/evening/{$this->token}/results?key=".self::ANNA)->assertOk()->assertJson(['title' => 'Fen evening', 'sheets' => 2])->json();
        $this->assertCount(10, $results['questions']);
        [$anna, $boris] = $results['questions'][0]['answers'];
        $this->assertSame(['Anna', true, true, true], [$anna['name'], $anna['own'], $anna['known'], $anna['inside']]);
        // Without a name, and without knowing.
        $this->assertSame([null, false, null, false, false], [$boris['name'], $boris['own'], $boris['guess'], $boris['known'], $boris['inside']]);
        $this->assertCount(1, $results['questions'][9]['answers']);
        $this->assertFalse($results['questions'][9]['answers'][0]['known']);
        // Whoever opened it sees all of them at any time, and whose is whose only by names.
        $this->actingAs($this->user);
        $id = PracticeEvening::query()->firstOrFail()->id;
        $own = $this->getJson("/api/evenings/{$id}")->assertOk()->json();
        $this->assertSame([2, false, 'Anna'], [$own['sheets'], $own['questions'][0]['answers'][0]['own'], $own['questions'][0]['answers'][0]['name']]);
        $this->assertStringNotContainsString(self::ANNA, (string) json_encode($own));
        $this->assertSame([2], array_column($this->getJson('/api/evenings')->assertOk()->json(), 'sheets'));
    }

    public function test_what_is_no_answer_is_refused(): void
    {
        $figure = $word = null;
        foreach (range(0, 9) as $n) {
            Evenings::question(PracticeEvening::query()->firstOrFail(), $n)?->isChoice() ? $word ??= $n : $figure ??= $n;
        }
        $this->assertNotNull($figure);
        foreach ([['place' => 10, 'guess' => 1, 'low' => 1, 'high' => 1], ['place' => -1], ['place' => '0'], ['key' => 'short'], ['key' => self::ANNA."\0"], ['name' => str_repeat('x', 61), 'guess' => null], ['guess' => 2, 'low' => 3, 'high' => 4], ['guess' => 0, 'low' => 0, 'high' => -1]] as $wrong) {
            $this->give(self::ANNA, $figure, [])->assertOk();
            PracticeSheet::query()->delete();
            $this->putJson("/api/evening/{$this->token}", $wrong + ['key' => self::ANNA, 'place' => $figure], ['Referer' => config('app.url')])->assertUnprocessable();
        }
        if ($word !== null) {
            $this->give(self::ANNA, $word, ['guess' => 0.5, 'low' => 0.5, 'high' => 0.5])->assertUnprocessable();
        }
        $this->assertSame(0, PracticeSheet::query()->count());
        $this->getJson("/api/evening/{$this->token}?key[]=1")->assertUnprocessable();
        $this->getJson('/api/evening/'.str_repeat('a', 40))->assertNotFound();
    }

    public function test_a_link_ends_after_thirty_days_or_when_it_is_taken_back(): void
    {
        $this->travelTo(now()->addDays(30)->subMinute());
        $this->getJson("/api/evening/{$this->token}")->assertOk();
        $this->travelTo(now()->addMinutes(2));
        $this->getJson("/api/evening/{$this->token}")->assertNotFound();
        $this->give(self::ANNA, 0, ['guess' => null])->assertNotFound();
        $this->travelBack();
        $this->getJson("/api/evening/{$this->token}")->assertOk();
        $this->actingAs($this->user);
        $id = PracticeEvening::query()->firstOrFail()->id;
        $this->deleteJson("/api/evenings/{$id}")->assertNoContent();
        $this->getJson("/api/evening/{$this->token}")->assertNotFound();
        $this->getJson("/api/evening/{$this->token}/results?key=".self::ANNA)->assertNotFound();
    }

    public function test_twenty_at_a_time_and_eighty_in_each(): void
    {
        for ($n = 0; $n < 80; $n++) {
            PracticeSheet::query()->create(['practice_evening_id' => PracticeEvening::query()->firstOrFail()->id, 'key_hash' => hash('sha256', (string) $n), 'answers' => array_fill(0, 10, null)]);
        }
        $this->give(self::ANNA, 0, ['guess' => null])->assertUnprocessable();
        $this->actingAs($this->user);
        for ($n = 1; $n < 20; $n++) {
            $this->postJson("/api/kits/{$this->kit->id}/evenings", ['title' => "Evening {$n}"])->assertCreated();
        }
        $this->postJson("/api/kits/{$this->kit->id}/evenings", ['title' => 'One more'])->assertUnprocessable();
        $empty = $this->postJson('/api/kits', ['name' => 'Empty'])->assertCreated()->json('id');
        $this->postJson("/api/kits/{$empty}/evenings", ['title' => 'Nothing'])->assertUnprocessable()->assertJsonValidationErrors('kit');
    }
}
