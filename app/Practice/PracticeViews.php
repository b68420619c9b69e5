<?php

declare(strict_types=1);

namespace App\Practice;

use App\Http\Resources\AnsweredView;
use App\Http\Resources\AskedView;
use App\Http\Resources\PracticeQuestionView;
use App\Http\Resources\PracticeView;
use App\Http\Resources\QuestionDrawing;
use App\Http\Resources\SkillView;
use App\Http\Resources\TaskView;
use App\Http\Resources\TruthView;
use App\Models\Kit;
use App\Models\PracticeAnswer;
use App\Models\PracticeQuestion;
use App\Models\Rig;
use Illuminate\Support\Facades\DB;
use ZincThimble\Core\Practice\CameraTask;
use ZincThimble\Core\Practice\FigureQuestions;
use ZincThimble\Core\Practice\Question;
use ZincThimble\Core\Practice\QuestionKind;
use ZincThimble\Core\Practice\Skill;
use ZincThimble\Core\Practice\Standing;

/** Practice as screens show it. */
final class PracticeViews
{
    public function __construct(private readonly PracticeStore $store)
    {
    }

    /** @param  list<PracticeQuestion>  $questions */
    public function day(Kit $kit, array $questions): PracticeView
    {
        $later = PracticeQuestion::query()->where('kit_id', $kit->id)->where('is_open', false)->where('due_on', '>', now()->toDateString());

        return new PracticeView(
            questions: array_map(self::question(...), $questions), skills: $this->skills($kit->user_id), tasks: self::tasks($kit->user_id),
            waiting: $later->count(), nextOn: self::text($later->min('due_on')),
            rig: self::number(Rig::query()->where('kit_id', $kit->id)->where('loose', false)->max('id')),
        );
    }

    private static function question(PracticeQuestion $row): PracticeQuestionView
    {
        $document = $row->document ?? new \stdClass;

        return new PracticeQuestionView($row->id, $row->round, $row->box !== null, self::asked($row->kind, $document), self::truth(QuestionDocument::question($row->kind, $row->name, $document)));
    }

    /** Nothing in it tells what is true. */
    public static function asked(QuestionKind $kind, \stdClass $document): AskedView
    {
        [$least, $greatest] = $kind->scale();

        return new AskedView(
            kind: $kind, skill: $kind->skill(), pattern: self::text($document->pattern ?? null) ?? '', numbers: self::object($document->numbers ?? null), unit: self::text($document->unit ?? null) ?? '', least: $least, greatest: $greatest,
            options: array_values(array_filter(is_array($document->options ?? null) ? $document->options : [], is_string(...))), plane: $kind->planeFrom(), drawing: self::drawing($kind, $document->drawing ?? null),
        );
    }

    private static function drawing(QuestionKind $kind, mixed $drawing): ?QuestionDrawing
    {
        if (! $drawing instanceof \stdClass) {
            return null;
        }
        $isAlone = $kind === QuestionKind::ReadDrawing;
        $drawn = [];
        foreach (is_array($drawing->drawn ?? null) ? $drawing->drawn : [] as $part) {
            if ($part instanceof \stdClass) {
                $drawn[] = $isAlone ? (object) (['label' => ''] + get_object_vars($part)) : $part;
            }
        }
        $number = static fn (mixed $value): ?float => is_numeric($value) ? (float) $value : null;

        return new QuestionDrawing(
            $isAlone ? '' : self::text($drawing->camera ?? null) ?? '', self::object($drawing->body ?? null), $drawn, $number($drawing->tipMm ?? null) ?? 0.0,
            $kind->planeFrom() !== null ? null : $number($drawing->subjectDistanceMm ?? null), $isAlone ? FigureQuestions::BAR_MM : null,
        );
    }

    public static function truth(Question $question): TruthView
    {
        [$low, $high] = $question->band();
        $off = $question->thumb === null ? null : $question->errorOf($question->thumb);

        return new TruthView(
            truth: $question->truth, low: $low, high: $high, reason: $question->reason, reasonNumbers: (object) $question->reasonNumbers, thumb: $question->thumb,
            thumbOff: $off === null || is_infinite($off) ? null : self::off($question->kind, $off), thumbWords: $question->thumbWords,
        );
    }

    public function answered(PracticeAnswer $answer, PracticeQuestion $of): AnsweredView
    {
        $row = PracticeQuestion::query()->findOrFail($of->id);

        return new AnsweredView($answer->known, $answer->inside, $answer->is_word || $answer->error === null ? null : self::off($row->kind, $answer->error), $answer->score, $row->due_on, $this->skills($answer->user_id));
    }

    /** @return list<SkillView> */
    public function skills(int $user): array
    {
        return array_map(static fn (Standing $of): SkillView => new SkillView($of->skill, $of->figures, $of->words, $of->right, $of->within(), $of->skill === Skill::Light, $of->coverage, $of->bar()), $this->store->standings($user));
    }

    /** @return list<TaskView> */
    public static function tasks(int $user): array
    {
        $rows = DB::table('practice_tasks')->where('user_id', $user)->get()->keyBy('task');

        return array_map(static fn (CameraTask $task): TaskView => new TaskView($task, self::number($rows[$task->value]->tried ?? null) ?? 0, self::number($rows[$task->value]->done ?? null) ?? 0), CameraTask::cases());
    }

    /** An error as a share of the truth, or in stops of light. */
    private static function off(QuestionKind $kind, float $error): float
    {
        return $kind->skill() === Skill::Light ? $error : exp($error) - 1.0;
    }

    private static function object(mixed $value): \stdClass
    {
        return $value instanceof \stdClass ? $value : new \stdClass;
    }

    private static function text(mixed $value): ?string
    {
        return is_string($value) ? $value : null;
    }

    private static function number(mixed $value): ?int
    {
        return is_int($value) ? $value : null;
    }
}
