<?php

declare(strict_types=1);

namespace App\Practice;

use App\Bench\Sharing;
use App\Models\Kit;
use App\Models\PracticeEvening;
use App\Models\PracticeSheet;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use ZincThimble\Core\Practice\Question;
use ZincThimble\Core\Practice\QuestionKind;

/** A club's evening: one set of questions under a link, answered by several, told side by side. */
final class Evenings
{
    /** So long a link leads somewhere, days. */
    public const DAYS = 30;

    private const MOST = 20;

    private const MOST_SHEETS = 80;

    public function __construct(private readonly PracticeStore $practice)
    {
    }

    /** @throws ValidationException when there are too many, or the kit has nothing to ask */
    public function open(User $user, Kit $kit, string $title): PracticeEvening
    {
        $questions = array_map(static fn (Question $question): \stdClass => (object) ['kind' => $question->kind->value, 'name' => $question->name, 'document' => QuestionDocument::of($question)], $this->practice->questions($kit)->some(PracticeStore::A_DAY));
        if ($questions === []) {
            throw ValidationException::withMessages(['kit' => 'This kit has nothing to ask about yet. It wants a camera, a lens, and a tube, a ring or a close-up lens between or before them.']);
        }

        return DB::transaction(static function () use ($user, $title, $questions): PracticeEvening {
            User::query()->whereKey($user->id)->lockForUpdate()->first();
            if (PracticeEvening::query()->where('user_id', $user->id)->count() >= self::MOST) {
                throw ValidationException::withMessages(['title' => 'There are '.self::MOST.' evenings already. Take one back that is over.']);
            }
            $token = Str::random(40);

            return PracticeEvening::query()->create(['user_id' => $user->id, 'title' => $title, 'token' => $token, 'token_hash' => Sharing::hash($token), 'questions' => $questions, 'created_at' => now()]);
        });
    }

    /** @return ?PracticeEvening null = the link leads nowhere, or no more */
    public function find(string $token): ?PracticeEvening
    {
        return PracticeEvening::query()->where('token_hash', Sharing::hash($token))->where('created_at', '>', now()->subDays(self::DAYS))->first();
    }

    public static function question(PracticeEvening $evening, int $place): ?Question
    {
        $asked = $evening->questions[$place] ?? null;
        $kind = $asked === null ? null : QuestionKind::tryFrom($asked->kind);

        return $asked === null || $kind === null ? null : QuestionDocument::question($kind, $asked->name, $asked->document);
    }

    /**
     * One answer on the sheet of whoever has the key. The first one to a question counts.
     *
     * @param  ?array{guess: float, low: float, high: float}  $answer  null = it isn't known
     */
    public function answer(PracticeEvening $evening, string $key, ?string $name, int $place, ?array $answer): PracticeSheet
    {
        return DB::transaction(static function () use ($evening, $key, $name, $place, $answer): PracticeSheet {
            PracticeEvening::query()->whereKey($evening->id)->lockForUpdate()->firstOrFail();
            $sheet = self::sheet($evening, $key);
            if ($sheet === null && $evening->sheets()->count() >= self::MOST_SHEETS) {
                throw ValidationException::withMessages(['key' => self::MOST_SHEETS.' have taken part in this evening, and it has room for no more.']);
            }
            $sheet ??= new PracticeSheet(['practice_evening_id' => $evening->id, 'key_hash' => Sharing::hash($key), 'name' => null, 'answers' => array_fill(0, count($evening->questions), null)]);
            $answers = $sheet->answers;
            $answers[$place] ??= (object) ($answer ?? ['guess' => null]);
            $sheet->fill(['answers' => $answers, 'name' => $name ?? $sheet->name])->save();

            return $sheet;
        });
    }

    /** @return ?PracticeSheet null = nothing was answered with this key */
    public static function sheet(PracticeEvening $evening, ?string $key): ?PracticeSheet
    {
        return $key === null ? null : PracticeSheet::query()->where('practice_evening_id', $evening->id)->where('key_hash', Sharing::hash($key))->first();
    }

    /** @return ?array{guess: float, low: float, high: float} null = it wasn't known, or not answered yet */
    public static function given(PracticeSheet $sheet, int $place): ?array
    {
        $answer = $sheet->answers[$place] ?? null;
        $guess = $answer->guess ?? null;

        return $answer === null || ! is_numeric($guess) ? null : ['guess' => (float) $guess, 'low' => (float) ($answer->low ?? $guess), 'high' => (float) ($answer->high ?? $guess)];
    }

    /** Whether all of it is answered, known or not. */
    public static function isWhole(?PracticeSheet $sheet): bool
    {
        return $sheet !== null && ! in_array(null, $sheet->answers, true);
    }
}
