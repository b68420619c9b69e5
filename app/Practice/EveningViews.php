<?php

declare(strict_types=1);

namespace App\Practice;

use App\Bench\Sharing;
use App\Http\Resources\AskedView;
use App\Http\Resources\EveningAnswer;
use App\Http\Resources\EveningQuestion;
use App\Http\Resources\EveningResults;
use App\Http\Resources\EveningSheet;
use App\Http\Resources\EveningView;
use App\Models\PracticeEvening;
use ZincThimble\Core\Practice\QuestionKind;

/** A club's evening, for whoever opened it and for whoever follows its link. */
final class EveningViews
{
    public static function of(PracticeEvening $evening): EveningView
    {
        return new EveningView($evening->id, $evening->title, url('/evening/'.$evening->token), $evening->created_at->toIso8601String(), $evening->created_at->copy()->addDays(Evenings::DAYS)->toDateString(), $evening->sheets_count ?? 0);
    }

    /** As it is answered: what is true of a question is told once it is. */
    public static function sheet(PracticeEvening $evening, ?string $key): EveningSheet
    {
        $sheet = Evenings::sheet($evening, $key);
        $asked = $truths = [];
        foreach ($evening->questions as $n => $question) {
            $asked[] = self::asked($question);
            $made = Evenings::question($evening, $n);
            $truths[] = ($sheet->answers[$n] ?? null) === null || $made === null ? null : PracticeViews::truth($made);
        }

        return new EveningSheet($evening->title, $sheet?->name, $asked, $truths);
    }

    /** @param  ?string  $key  of whoever looks, to find their own; null = whoever opened it */
    public static function results(PracticeEvening $evening, ?string $key): EveningResults
    {
        $own = $key === null ? null : Sharing::hash($key);
        $sheets = $evening->sheets()->get();
        $questions = [];
        foreach ($evening->questions as $n => $question) {
            $made = Evenings::question($evening, $n);
            if ($made === null) {
                continue;
            }
            $answers = [];
            foreach ($sheets as $sheet) {
                $given = Evenings::given($sheet, $n);
                if (($sheet->answers[$n] ?? null) !== null) {
                    $judged = PracticeStore::judged($made, $given);
                    $answers[] = new EveningAnswer($sheet->name, $sheet->key_hash === $own, $given['guess'] ?? null, $given['low'] ?? null, $given['high'] ?? null, $judged['known'], $judged['inside']);
                }
            }
            $questions[] = new EveningQuestion(self::asked($question), PracticeViews::truth($made), $answers);
        }

        return new EveningResults($evening->title, $sheets->count(), $questions);
    }

    private static function asked(\stdClass $question): AskedView
    {
        return PracticeViews::asked(QuestionKind::from($question->kind), $question->document);
    }
}
