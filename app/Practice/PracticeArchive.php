<?php

declare(strict_types=1);

namespace App\Practice;

use App\Accounts\ArchiveFormat;
use App\Models\Kit;
use App\Models\PracticeAnswer;
use App\Models\PracticeQuestion;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\Practice\CameraTask;
use ZincThimble\Core\Practice\QuestionKind;
use ZincThimble\Core\Practice\Schedule;
use ZincThimble\Core\Practice\Skill;

/**
 * What an archive holds of practice: which questions come back when, every answer, tasks. Questions themselves the kit gives again; a club's
 * evening ends by itself and isn't kept.
 */
final class PracticeArchive
{
    /** Questions, and answers: more than three a day for forty years. */
    private const MOST = 50_000;

    /**
     * @param  array<int, int>  $kits  numbers of kits by their row
     * @return ?array<string, mixed> null = nobody practised
     */
    public function write(User $user, array $kits): ?array
    {
        $questions = $places = [];
        foreach (PracticeQuestion::query()->where(fn ($query) => $query->whereIn('kit_id', array_keys($kits)))->oldest('id')->lazy() as $row) {
            $places[$row->id] = count($questions);
            $questions[] = ['kit' => $kits[$row->kit_id], 'kind' => $row->kind->value, 'name' => $row->name, 'round' => $row->round, 'open' => $row->is_open, 'box' => $row->box, 'dueOn' => $row->due_on, 'handedAt' => ArchiveFormat::date($row->handed_at)];
        }
        $answers = [];
        foreach (PracticeAnswer::query()->where('user_id', $user->id)->oldest('id')->lazy() as $row) {
            $answers[] = [
                'question' => $row->practice_question_id === null ? null : $places[$row->practice_question_id] ?? null, 'skill' => $row->skill->value, 'word' => $row->is_word, 'round' => $row->round, 'guess' => $row->guess, 'low' => $row->low, 'high' => $row->high,
                'known' => $row->known, 'inside' => $row->inside, 'error' => $row->error, 'score' => $row->score, 'answeredAt' => ArchiveFormat::date($row->answered_at),
            ];
        }
        $tasks = DB::table('practice_tasks')->where('user_id', $user->id)->orderBy('task')->get()->map(static fn (\stdClass $row): array => ['task' => $row->task, 'tried' => $row->tried, 'done' => $row->done])->all();

        return $questions === [] && $answers === [] && $tasks === [] ? null : ['questions' => $questions, 'answers' => $answers, 'tasks' => $tasks];
    }

    /**
     * @param  array<int, Kit>  $kits  by their number in the archive
     *
     * @throws FileInvalid with the first thing that can't be so
     */
    public function read(User $user, array $kits, \stdClass $practice): void
    {
        $rows = [];
        foreach (self::bounded($practice->questions ?? [], 'questions') as $n => $each) {
            $kind = QuestionKind::tryFrom(self::text($each->kind ?? null));
            $kit = $kits[self::count($each->kit ?? null)] ?? null;
            $name = self::text($each->name ?? null);
            $box = $each->box ?? null;
            if ($kind === null || $kit === null || $name === '' || mb_strlen($name) > 2000 || ! is_bool($each->open ?? null) || $box !== null && (! is_int($box) || ! isset(Schedule::DAYS[$box])) || ($box === null) !== (($each->dueOn ?? null) === null)) {
                throw FileInvalid::at("/practice.json/questions/{$n}", 'is no question of a kit that is there');
            }
            $rows[$n] = PracticeQuestion::query()->firstOrCreate(['kit_id' => $kit->id, 'name' => $name], [
                'kind' => $kind, 'round' => self::count($each->round ?? null), 'is_open' => $each->open, 'box' => $box, 'due_on' => $box === null ? null : self::day($each->dueOn ?? null, $n), 'handed_at' => ArchiveFormat::dated($each->handedAt ?? null),
            ]);
        }
        foreach (self::bounded($practice->answers ?? [], 'answers') as $n => $each) {
            $skill = Skill::tryFrom(self::text($each->skill ?? null));
            $figures = [];
            foreach (['guess', 'low', 'high', 'error', 'score'] as $field) {
                $value = $each->{$field} ?? null;
                $figures[$field] = is_int($value) || is_float($value) ? (float) $value : null;
            }
            $round = self::count($each->round ?? null);
            $question = is_int($each->question ?? null) ? $rows[$each->question] ?? null : null;
            $isSound = $figures['guess'] === null ? $figures['low'] === null && $figures['high'] === null && ($each->known ?? null) === false && ($each->inside ?? null) === false
                : $figures['low'] !== null && $figures['high'] !== null && $figures['low'] <= $figures['guess'] && $figures['guess'] <= $figures['high'];
            if ($skill === null || ! $isSound || ! is_bool($each->known ?? null) || ! is_bool($each->inside ?? null) || ! is_bool($each->word ?? null) || ($figures['error'] ?? 0.0) < 0.0) {
                throw FileInvalid::at("/practice.json/answers/{$n}", 'is no answer');
            }
            if ($question !== null && PracticeAnswer::query()->where('practice_question_id', $question->id)->where('round', $round)->exists()) {
                $question = null;
            }
            PracticeAnswer::query()->create($figures + ['user_id' => $user->id, 'practice_question_id' => $question?->id, 'skill' => $skill, 'is_word' => $each->word, 'round' => $round, 'known' => $each->known, 'inside' => $each->inside, 'answered_at' => ArchiveFormat::dated($each->answeredAt ?? null)]);
        }
        foreach (self::bounded($practice->tasks ?? [], 'tasks') as $n => $each) {
            $task = CameraTask::tryFrom(self::text($each->task ?? null));
            [$tried, $done] = [self::count($each->tried ?? null), self::count($each->done ?? null)];
            if ($task === null || $done > $tried) {
                throw FileInvalid::at("/practice.json/tasks/{$n}", 'is no task');
            }
            DB::table('practice_tasks')->insertOrIgnore(['user_id' => $user->id, 'task' => $task->value, 'tried' => $tried, 'done' => $done, 'last_at' => now()]);
        }
    }

    /**
     * @return list<\stdClass>
     *
     * @throws FileInvalid
     */
    private static function bounded(mixed $list, string $name): array
    {
        if (! is_array($list) || count($list) > self::MOST) {
            throw FileInvalid::at('/practice.json/'.$name, 'should be a list of at most '.number_format(self::MOST));
        }
        foreach ($list as $n => $each) {
            if (! $each instanceof \stdClass) {
                throw FileInvalid::at("/practice.json/{$name}/{$n}", 'should be an object');
            }
        }

        return array_values($list);
    }

    /** @throws FileInvalid */
    private static function day(mixed $day, int $n): string
    {
        $read = is_string($day) ? \DateTimeImmutable::createFromFormat('!Y-m-d', $day) : false;
        if ($read === false || $read->format('Y-m-d') !== $day) {
            throw FileInvalid::at("/practice.json/questions/{$n}/dueOn", 'is no day');
        }

        return $day;
    }

    private static function text(mixed $value): string
    {
        return is_string($value) ? $value : '';
    }

    private static function count(mixed $value): int
    {
        return is_int($value) && $value >= 0 && $value < 1_000_000_000 ? $value : 0;
    }
}
