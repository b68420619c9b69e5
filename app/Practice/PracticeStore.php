<?php

declare(strict_types=1);

namespace App\Practice;

use App\Models\Kit;
use App\Models\PracticeAnswer;
use App\Models\PracticeQuestion;
use App\Models\User;
use App\Search\KitSearch;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use ZincThimble\Core\Practice\IntervalScore;
use ZincThimble\Core\Practice\Question;
use ZincThimble\Core\Practice\Questions;
use ZincThimble\Core\Practice\Schedule;
use ZincThimble\Core\Practice\Skill;
use ZincThimble\Core\Practice\Standing;

/** Questions as they are handed out, answered once, and come back. */
final class PracticeStore
{
    /** So many wait for an answer at a time: three minutes of them. */
    public const A_DAY = 10;

    /** Nothing is asked twice within so many days, unless it comes back because it was missed. */
    private const NOT_AGAIN_DAYS = 7;

    /** Of each skill the newest answers count. */
    private const COUNTED = 25;

    public function __construct(private readonly KitSearch $kits)
    {
    }

    /**
     * Today's questions of a kit: those that wait, those that come back, and new ones.
     *
     * @return list<PracticeQuestion>
     */
    public function handOut(Kit $kit, ?int $seed = null): array
    {
        return DB::transaction(function () use ($kit, $seed): array {
            // Two windows that ask at the same time are handed the same.
            Kit::query()->whereKey($kit->id)->lockForUpdate()->first();
            $made = null;
            $questions = function () use ($kit, $seed, &$made): Questions {
                return $made ??= $this->questions($kit, $seed);
            };
            $waiting = [];
            foreach ($this->toAsk($kit) as $row) {
                if (count($waiting) === self::A_DAY) {
                    break;
                }
                if ($row->is_open && $row->kit_revision === $kit->revision && $row->document !== null) {
                    $waiting[] = $row;

                    continue;
                }
                $question = $questions()->again($row->kind, $row->name);
                if ($question === null) {
                    // What it was about is gone.
                    $row->update(['is_open' => false, 'box' => null, 'due_on' => null]);

                    continue;
                }
                $waiting[] = $this->hand($row, $question, $kit);
            }
            $missing = self::A_DAY - count($waiting);
            if ($missing > 0) {
                $asked = PracticeQuestion::query()->where('kit_id', $kit->id)->where(fn ($query) => $query->where('handed_at', '>', now()->subDays(self::NOT_AGAIN_DAYS))->orWhere('is_open', true)->orWhereNotNull('box'))->pluck('name')->all();
                $new = $questions()->some($missing, array_values(array_filter($asked, is_string(...))), $this->aims($kit->user_id));
                $before = PracticeQuestion::query()->where('kit_id', $kit->id)->where(static fn ($query) => $query->whereIn('name', array_map(static fn (Question $each): string => $each->name, $new)))->get()->keyBy('name');
                foreach ($new as $question) {
                    $waiting[] = $this->hand($before[$question->name] ?? new PracticeQuestion(['kit_id' => $kit->id, 'kind' => $question->kind, 'name' => $question->name, 'round' => 0, 'is_open' => true]), $question, $kit);
                }
            }

            return $waiting;
        });
    }

    /** What a kit can ask, as it is now. */
    public function questions(Kit $kit, ?int $seed = null): Questions
    {
        return new Questions($this->kits->kit($kit->loadMissing('parts')), KitSearch::conditions(), $seed ?? random_int(0, 2 ** 31 - 1));
    }

    /** @return \Illuminate\Database\Eloquent\Collection<int, PracticeQuestion> what comes back today first, then what was handed out and waits */
    private function toAsk(Kit $kit): \Illuminate\Database\Eloquent\Collection
    {
        $rows = PracticeQuestion::query()->where('kit_id', $kit->id)->where(fn ($query) => $query->where('is_open', true)->orWhere('due_on', '<=', now()->toDateString()));
        $rows->orderByRaw('box is null, due_on, id');
        $rows->limit(4 * self::A_DAY);

        return $rows->get();
    }

    private function hand(PracticeQuestion $row, Question $question, Kit $kit): PracticeQuestion
    {
        // One that still waits is the same round of it, made anew.
        $isAnother = $row->exists && ! $row->is_open;
        $row->fill(['document' => QuestionDocument::of($question), 'kit_revision' => $kit->revision, 'round' => $row->round + ($isAnother ? 1 : 0), 'is_open' => true]);
        if ($isAnother || ! $row->exists) {
            $row->handed_at = now();
        }
        $row->save();

        return $row;
    }

    /**
     * The first answer of a round counts; whoever sends it again, or another, is told how good that was.
     *
     * @param  ?array{guess: float, low: float, high: float}  $answer  null = it isn't known
     * @param  ?Carbon  $at  when it was answered, on a device that was away; null = now
     * @return ?PracticeAnswer null = this round never was, or is over without an answer
     */
    public function answer(User $user, PracticeQuestion $of, int $round, ?array $answer, ?Carbon $at = null): ?PracticeAnswer
    {
        return DB::transaction(function () use ($user, $of, $round, $answer, $at): ?PracticeAnswer {
            Kit::query()->whereKey($of->kit_id)->lockForUpdate()->first();
            $row = PracticeQuestion::query()->findOrFail($of->id);
            $before = PracticeAnswer::query()->where('practice_question_id', $row->id)->where('round', $round)->first();
            if ($before !== null || ! $row->is_open || $row->round !== $round || $row->document === null) {
                return $before;
            }
            $question = QuestionDocument::question($row->kind, $row->name, $row->document);
            $judged = self::judged($question, $answer);
            $when = $at === null || $at->isFuture() || $at->lt($row->handed_at) ? now() : $at;
            $next = Schedule::after($row->box, $judged['known']);
            $row->update(['is_open' => false, 'box' => $next->box, 'due_on' => $next->days === null ? null : $when->copy()->utc()->addDays($next->days)->toDateString()]);

            return PracticeAnswer::query()->create($judged + ['user_id' => $user->id, 'practice_question_id' => $row->id, 'skill' => $row->kind->skill(), 'is_word' => $question->isChoice(), 'round' => $round, 'answered_at' => $when])->refresh();
        });
    }

    /**
     * @param  ?array{guess: float, low: float, high: float}  $answer
     * @return array{guess: ?float, low: ?float, high: ?float, known: bool, inside: bool, error: ?float, score: ?float}
     */
    public static function judged(Question $question, ?array $answer): array
    {
        if ($answer === null) {
            return ['guess' => null, 'low' => null, 'high' => null, 'known' => false, 'inside' => false, 'error' => null, 'score' => null];
        }
        $inside = $answer['low'] <= $question->truth && $question->truth <= $answer['high'];

        return $answer + ['known' => $question->isKnown($answer['guess']), 'inside' => $inside, 'error' => $question->errorOf($answer['guess']), 'score' => $question->isChoice() ? null : IntervalScore::ofAnswer($question, $answer['low'], $answer['high'])];
    }

    /** @return list<Standing> of every skill */
    public function standings(int $user): array
    {
        $answers = [];
        // What wasn't known has no error, and counts in no middle.
        foreach (DB::select('select skill, error, inside, is_word from (select *, row_number() over (partition by skill order by id desc) as place from practice_answers where user_id = ? and error is not null) as newest where place <= ?', [$user, self::COUNTED]) as $row) {
            $answers[$row->skill][] = ['error' => (float) $row->error, 'inside' => $row->inside, 'isWord' => $row->is_word];
        }

        return array_map(static fn (Skill $skill): Standing => Standing::of($skill, $answers[$skill->value] ?? []), Skill::cases());
    }

    /** @return array<string, float> how hard questions should be, by skill */
    private function aims(int $user): array
    {
        $aims = [];
        foreach ($this->standings($user) as $standing) {
            $aim = $standing->aim();
            if ($aim !== null) {
                $aims[$standing->skill->value] = $aim;
            }
        }

        return $aims;
    }
}
