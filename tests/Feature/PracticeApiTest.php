<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Kit;
use App\Models\Part;
use App\Models\PracticeAnswer;
use App\Models\PracticeQuestion;
use App\Models\User;
use App\Practice\PracticeStore;
use App\Practice\QuestionDocument;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;
use ZincThimble\Core\Practice\QuestionKind;

/** Practice over HTTP: questions that wait, are answered once, come back on their day, and are of the kit as it is. */
final class PracticeApiTest extends TestCase
{
    private User $user;

    private Kit $kit;

    protected function setUp(): void
    {
        parent::setUp();
        $this->user = $this->guest();
        // Weeks go by in here.
        $this->user->forceFill(['guest_until' => now()->addYears(2)])->save();
        $this->actingAs($this->user);
        $this->kit = $this->user->kits()->firstOrFail();
    }

    /** @return array<string, mixed> */
    private function day(): array
    {
        return $this->postJson("/api/kits/{$this->kit->id}/practice")->assertOk()->json();
    }

    /**
     * @param  array<string, mixed>  $question
     * @param  array<string, mixed>  $more
     * @return array<string, mixed>
     */
    private function answer(array $question, float $times, array $more = []): array
    {
        $truth = $question['truth']['truth'];
        $isWord = $question['asked']['options'] !== [];
        $guess = $isWord ? ($times === 1.0 ? $truth : ($truth === 0 ? 1 : 0)) : $truth * $times;

        return $this->postJson("/api/practice/{$question['id']}/answer", $more + ['round' => $question['round'], 'guess' => $guess, 'low' => $isWord ? $guess : $guess * 0.95, 'high' => $isWord ? $guess : $guess * 1.05])->assertOk()->json();
    }

    public function test_ten_are_handed_out_and_stay_the_same_until_they_are_answered(): void
    {
        $day = $this->day();
        $this->assertCount(10, $day['questions']);
        $this->assertSame(array_column($day['questions'], 'id'), array_column($this->day()['questions'], 'id'));
        $this->assertSame([0, null], [$day['waiting'], $day['nextOn']]);
        $this->assertSame(\App\Models\Rig::query()->where('kit_id', $this->kit->id)->where('loose', false)->max('id'), $day['rig']);
        $kinds = array_map(static fn (array $question): string => $question['asked']['kind'], $day['questions']);
        $this->assertCount(10, array_unique($kinds));
        foreach ($day['questions'] as $question) {
            ['asked' => $asked, 'truth' => $truth] = $question;
            $this->assertFalse($question['again']);
            $kind = QuestionKind::from($asked['kind']);
            $this->assertSame([$kind->skill()->value, ...array_map(floatval(...), $kind->scale())], [$asked['skill'], (float) $asked['least'], (float) $asked['greatest']]);
            if ($asked['options'] === []) {
                $this->assertGreaterThan($truth['low'], $truth['truth']);
                $this->assertLessThan($truth['high'], $truth['truth']);
            }
            if ($asked['plane'] !== null) {
                $this->assertNull($asked['drawing']['subjectDistanceMm']);
            }
        }
        // One answered, another takes its place.
        $this->answer($day['questions'][0], 1.0);
        $ids = array_column($this->day()['questions'], 'id');
        $this->assertCount(10, $ids);
        $this->assertNotContains($day['questions'][0]['id'], $ids);
    }

    public function test_the_first_answer_counts_and_what_is_known_comes_back_no_more(): void
    {
        $question = $this->figure();
        // A round that is to come can’t be answered.
        $this->postJson("/api/practice/{$question['id']}/answer", ['round' => 1, 'guess' => 1, 'low' => 1, 'high' => 1])->assertStatus(410);
        $answered = $this->answer($question, 1.04);
        $this->assertSame([true, true, null], [$answered['known'], $answered['inside'], $answered['dueOn']]);
        $this->assertEqualsWithDelta(0.04, $answered['off'], 1e-9);
        // From 0.988 to 1.092 of the truth.
        $this->assertEqualsWithDelta(log(1.05 / 0.95), $answered['score'], 1e-9);
        $again = $this->answer($question, 3.0);
        $this->assertSame([$answered['known'], $answered['off'], $answered['score']], [$again['known'], $again['off'], $again['score']]);
        $this->assertSame(1, PracticeAnswer::query()->count());
        $this->postJson("/api/practice/{$question['id']}/answer", ['round' => 1, 'guess' => 1, 'low' => 1, 'high' => 1])->assertStatus(410);
    }

    public function test_what_is_missed_comes_back_after_one_three_seven_and_twenty_one_days(): void
    {
        $this->travelTo('2026-12-01 10:00:00');
        $question = $this->figure();
        $answered = $this->answer($question, 2.0);
        $this->assertSame([false, false, '2026-12-02'], [$answered['known'], $answered['inside'], $answered['dueOn']]);
        $this->assertEqualsWithDelta(1.0, $answered['off'], 1e-9);
        $day = $this->day();
        $this->assertSame([1, '2026-12-02'], [$day['waiting'], $day['nextOn']]);
        $this->assertNotContains($question['id'], array_column($day['questions'], 'id'));
        $round = 0;
        foreach (['2026-12-02' => '2026-12-05', '2026-12-05' => '2026-12-12', '2026-12-12' => '2027-01-02', '2027-01-02' => null] as $on => $next) {
            $this->travelTo(now()->parse($on)->subMinute());
            $this->assertNotContains($question['id'], array_column($this->day()['questions'], 'id'), $on);
            $this->travelTo($on.' 00:00:01');
            $first = $this->day()['questions'][0];
            $this->assertSame([$question['id'], true, ++$round], [$first['id'], $first['again'], $first['round']]);
            $this->assertSame($next, $this->answer($first, 1.0)['dueOn']);
        }
        // Missed in between, it begins again.
        $other = $this->figure();
        $this->answer($other, 0.5);
        $this->travelTo(now()->addDay());
        $back = $this->day()['questions'][0];
        $this->assertSame($other['id'], $back['id']);
        $this->answer($back, 0.5);
        $this->assertSame(0, PracticeQuestion::query()->findOrFail($other['id'])->box);
    }

    public function test_nothing_is_asked_twice_within_a_week(): void
    {
        $names = [];
        for ($day = 0; $day < 5; $day++) {
            $this->travelTo(now()->addDay());
            foreach ($this->day()['questions'] as $question) {
                $row = PracticeQuestion::query()->findOrFail($question['id']);
                $this->assertArrayNotHasKey($row->name, $names);
                $names[$row->name] = true;
                $this->answer($question, 1.0);
            }
        }
        $this->assertCount(50, $names);
    }

    public function test_what_waits_follows_the_kit_and_what_it_was_about_when_gone_is_asked_no_more(): void
    {
        $about = fn (string $kind): PracticeQuestion => PracticeQuestion::query()->where('kit_id', $this->kit->id)->where('kind', $kind)->where('is_open', true)->firstOrFail();
        $this->until('tube-magnifies');
        $row = $about('tube-magnifies');
        $this->assertNotNull($row->document);
        $before = QuestionDocument::question($row->kind, $row->name, $row->document);
        // The lens is corrected: 4 % longer.
        $label = (string) $before->numbers['lens'];
        $lens = Part::query()->where('kit_id', $this->kit->id)->where('kind', 'lens')->get()->firstOrFail(static fn (Part $part): bool => ($part->document->name ?? '') === $label);
        $document = $lens->document;
        $document->focalLengthMm = $document->focalLengthMm * 1.04;
        $this->putJson("/api/kits/{$this->kit->id}/parts/{$lens->id}", ['version' => $lens->version, 'part' => ['kind' => 'lens'] + (array) json_decode((string) json_encode($document), true)])->assertOk();
        $this->day();
        $row = $row->refresh();
        $this->assertSame([0, true], [$row->round, $row->is_open]);
        $this->assertNotNull($row->document);
        $after = QuestionDocument::question($row->kind, $row->name, $row->document);
        // What is filled in beside it holds some of it back.
        $this->assertLessThan(0.985, $after->truth / $before->truth);
        $this->assertGreaterThan(0.955, $after->truth / $before->truth);
        // And gone.
        $this->deleteJson("/api/kits/{$this->kit->id}/parts/{$lens->id}?anyway=1")->assertNoContent();
        $day = $this->day();
        $this->assertNotContains($row->id, array_column($day['questions'], 'id'));
        $this->assertFalse($row->refresh()->is_open);
        $this->postJson("/api/practice/{$row->id}/answer", ['round' => 0, 'guess' => 1, 'low' => 1, 'high' => 1])->assertStatus(410);
        foreach ($day['questions'] as $question) {
            $this->assertNotContains($label, $question['asked']['numbers']);
        }
    }

    public function test_not_known_is_missed_and_counts_in_no_median(): void
    {
        $question = $this->figure();
        $answered = $this->postJson("/api/practice/{$question['id']}/answer", ['round' => 0, 'guess' => null])->assertOk()->json();
        $this->assertSame([false, false, null, null, now()->addDay()->toDateString()], [$answered['known'], $answered['inside'], $answered['off'], $answered['score'], $answered['dueOn']]);
        $this->assertSame(0, array_sum(array_column($answered['skills'], 'figures')));
    }

    public function test_an_answer_of_a_device_that_was_away_counts_from_its_day(): void
    {
        $this->travelTo('2026-12-01 10:00:00');
        $question = $this->figure();
        $this->travelTo('2026-12-04 10:00:00');
        $this->assertSame('2026-12-03', $this->answer($question, 3.0, ['at' => '2026-12-02T23:30:00+00:00'])['dueOn']);
        // Before it was handed out, or in days to come: now.
        $this->assertSame('2026-12-05', $this->answer($this->figure(), 3.0, ['at' => '2026-11-02T10:00:00+00:00'])['dueOn']);
        $this->assertSame('2026-12-05', $this->answer($this->figure(), 3.0, ['at' => '2027-12-04T10:00:00+00:00'])['dueOn']);
    }

    public function test_skills_are_told_each_by_itself_by_figures_and_words(): void
    {
        $store = $this->app->make(PracticeStore::class);
        foreach ([0.1, 0.2, 0.3, 0.4, 0.5] as $n => $error) {
            PracticeAnswer::query()->create(['user_id' => $this->user->id, 'skill' => 'room', 'is_word' => false, 'round' => 0, 'guess' => 1, 'low' => 1, 'high' => 1, 'known' => false, 'inside' => $n < 4, 'error' => $error, 'score' => 1, 'answered_at' => now()]);
            PracticeAnswer::query()->create(['user_id' => $this->user->id, 'skill' => 'joins', 'is_word' => true, 'round' => 0, 'guess' => 1, 'low' => 1, 'high' => 1, 'known' => $n > 0, 'inside' => $n > 0, 'error' => $n > 0 ? 0 : 1, 'score' => null, 'answered_at' => now()]);
            PracticeAnswer::query()->create(['user_id' => $this->user->id, 'skill' => 'light', 'is_word' => false, 'round' => 0, 'guess' => 1, 'low' => 1, 'high' => 1, 'known' => true, 'inside' => true, 'error' => $error, 'score' => 1, 'answered_at' => now()]);
        }
        $skills = array_column($this->day()['skills'], null, 'skill');
        $this->assertCount(7, $skills);
        $this->assertEqualsWithDelta([5, 0, exp(0.3) - 1.0, 0.8, 1.0 - 1.5 * (exp(0.3) - 1.0)], [$skills['room']['figures'], $skills['room']['words'], $skills['room']['within'], $skills['room']['coverage'], $skills['room']['bar']], 1e-9);
        $this->assertSame([0, 5, 4, null, 0.8], [$skills['joins']['figures'], $skills['joins']['words'], $skills['joins']['right'], $skills['joins']['within'], $skills['joins']['bar']]);
        $this->assertEqualsWithDelta([true, 0.3, 1.0], [$skills['light']['inStops'], $skills['light']['within'], $skills['light']['coverage']], 1e-9);
        $this->assertNull($skills['tube']['bar']);
        // Of each the newest twenty-five count.
        for ($n = 0; $n < 25; $n++) {
            PracticeAnswer::query()->create(['user_id' => $this->user->id, 'skill' => 'room', 'is_word' => false, 'round' => 0, 'guess' => 1, 'low' => 1, 'high' => 1, 'known' => true, 'inside' => true, 'error' => 0.01, 'score' => 1, 'answered_at' => now()]);
        }
        $room = array_values(array_filter($store->standings($this->user->id), static fn ($of): bool => $of->skill->value === 'room'))[0];
        $this->assertSame([25, 0.01, 1.0], [$room->figures, $room->error, $room->coverage]);
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function wrongAnswers(): iterable
    {
        yield 'no round' => [['guess' => 1, 'low' => 1, 'high' => 1]];
        yield 'a round before the first' => [['round' => -1, 'guess' => 1, 'low' => 1, 'high' => 1]];
        yield 'no width' => [['round' => 0, 'guess' => 1]];
        yield 'a width beside the guess' => [['round' => 0, 'guess' => 1, 'low' => 1.01, 'high' => 2]];
        yield 'a width that ends before it' => [['round' => 0, 'guess' => 1, 'low' => 0.5, 'high' => 0.99]];
        yield 'nothing at all' => [['round' => 0, 'guess' => 0, 'low' => 0, 'high' => 0]];
        yield 'less than nothing' => [['round' => 0, 'guess' => -1, 'low' => -1, 'high' => -1]];
        yield 'beyond every scale' => [['round' => 0, 'guess' => 1000000.1, 'low' => 1, 'high' => 1000000.1]];
        yield 'a word' => [['round' => 0, 'guess' => '1', 'low' => '1', 'high' => '1']];
        yield 'no time' => [['round' => 0, 'guess' => 1, 'low' => 1, 'high' => 1, 'at' => 'yesterday']];
    }

    /** @param  array<string, mixed>  $body */
    #[DataProvider('wrongAnswers')]
    public function test_what_is_no_answer_is_refused_and_the_question_waits_on(array $body): void
    {
        $this->postJson("/api/practice/{$this->figure('mm')['id']}/answer", $body)->assertUnprocessable();
        $this->assertSame(0, PracticeAnswer::query()->count());
    }

    public function test_a_word_is_one_of_those_that_are_offered(): void
    {
        $this->until('joins');
        $row = PracticeQuestion::query()->where('kind', 'joins')->where('is_open', true)->firstOrFail();
        foreach ([2, 0.5, 1.5] as $none) {
            $this->postJson("/api/practice/{$row->id}/answer", ['round' => 0, 'guess' => $none, 'low' => $none, 'high' => $none])->assertUnprocessable();
        }
        $this->postJson("/api/practice/{$row->id}/answer", ['round' => 0, 'guess' => 0, 'low' => 0, 'high' => 1])->assertUnprocessable();
        $answered = $this->postJson("/api/practice/{$row->id}/answer", ['round' => 0, 'guess' => 1, 'low' => 1, 'high' => 1])->assertOk()->json();
        $this->assertNull($answered['score']);
    }

    public function test_what_is_over_is_swept_and_the_newest_answers_stay(): void
    {
        DB::statement("insert into practice_answers (user_id, skill, is_word, round, known, inside, answered_at) select ?, 'room', false, n, false, false, now() from generate_series(1, 2005) as n", [$this->user->id]);
        $other = $this->guest();
        DB::table('practice_answers')->insert(['user_id' => $other->id, 'skill' => 'room', 'is_word' => false, 'round' => 0, 'known' => false, 'inside' => false, 'answered_at' => now()]);
        $this->postJson("/api/kits/{$this->kit->id}/evenings", ['title' => 'Over'])->assertCreated();
        $question = $this->figure();
        $this->answer($question, 1.0);
        $this->travelTo(now()->addDays(29));
        $this->postJson("/api/kits/{$this->kit->id}/evenings", ['title' => 'Not over'])->assertCreated();
        $this->travelTo(now()->addDays(2));
        $this->artisan('practice:sweep')->assertSuccessful();
        $this->assertSame(['Not over'], DB::table('practice_evenings')->pluck('title')->all());
        $this->assertSame([2000, 1], [PracticeAnswer::query()->where('user_id', $this->user->id)->count(), PracticeAnswer::query()->where('user_id', $other->id)->count()]);
        $this->assertSame(2005, PracticeAnswer::query()->where('user_id', $this->user->id)->max('round'));
        $this->assertTrue(PracticeQuestion::query()->whereKey($question['id'])->exists());
        $this->travelTo(now()->addDays(150));
        $this->artisan('practice:sweep')->assertSuccessful();
        $this->assertFalse(PracticeQuestion::query()->whereKey($question['id'])->exists());
        $this->assertSame(9, PracticeQuestion::query()->where('kit_id', $this->kit->id)->where('is_open', true)->count());
    }

    public function test_a_kit_with_nothing_to_ask_says_so(): void
    {
        $empty = $this->postJson('/api/kits', ['name' => 'Empty'])->assertCreated()->json('id');
        $this->postJson("/api/kits/{$empty}/practice")->assertOk()->assertJson(['questions' => [], 'rig' => null]);
    }

    public function test_what_was_answered_stays_when_its_kit_goes(): void
    {
        $this->answer($this->figure(), 1.0);
        DB::table('kits')->where('id', $this->kit->id)->delete();
        $answer = PracticeAnswer::query()->sole();
        $this->assertNull($answer->practice_question_id);
    }

    /** @return array<string, mixed> a question for a figure, not in stops */
    private function figure(?string $unit = null): array
    {
        for ($n = 0; $n < 12; $n++) {
            foreach ($this->day()['questions'] as $question) {
                if (! $question['again'] && ($unit === null ? in_array($question['asked']['unit'], ['mm', 'x'], true) : $question['asked']['unit'] === $unit)) {
                    return $question;
                }
            }
            DB::table('practice_questions')->where('is_open', true)->delete();
        }
        $this->fail('No question for a figure in '.$unit);
    }

    /** Hands out until there is one of a kind. */
    private function until(string $kind): void
    {
        for ($n = 0; $n < 30; $n++) {
            if (in_array($kind, array_map(static fn (array $question): string => $question['asked']['kind'], $this->day()['questions']), true)) {
                return;
            }
            DB::table('practice_questions')->where('is_open', true)->delete();
        }
        $this->fail('No question of the kind '.$kind);
    }
}
