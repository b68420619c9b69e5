<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\PracticeQuestion;
use Illuminate\Auth\Access\Response;
use Illuminate\Contracts\Validation\Validator;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** An answer with the width that somebody would bet on, or that they don't know. */
#[OA\Schema(schema: 'AnswerQuestion', required: ['round'], properties: [
    new OA\Property(property: 'round', type: 'integer'),
    new OA\Property(property: 'guess', description: 'A figure, or the place of a word; null = not known', type: 'number', nullable: true),
    new OA\Property(property: 'low', description: 'Where the width begins', type: 'number', nullable: true),
    new OA\Property(property: 'high', description: 'Where it ends', type: 'number', nullable: true),
    new OA\Property(property: 'at', description: 'When it was answered, on a device that was away', type: 'string', format: 'date-time', nullable: true),
])]
final class AnswerQuestion extends FormRequest
{
    public function authorize(): Response
    {
        $question = $this->question();

        return $question === null ? Response::denyAsNotFound() : Gate::inspect('update', $question->kit);
    }

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['round' => ['required', 'integer', 'between:0,1000000'], 'at' => ['nullable', 'date_format:Y-m-d\TH:i:sP']] + self::figures();
    }

    /** @return array<string, list<string>> */
    public static function figures(): array
    {
        return [
            'guess' => ['nullable', 'numeric:strict', 'between:0,1000000'],
            'low' => ['nullable', 'required_with:guess', 'numeric:strict', 'between:0,1000000', 'lte:guess'],
            'high' => ['nullable', 'required_with:guess', 'numeric:strict', 'between:0,1000000', 'gte:guess'],
        ];
    }

    public function after(): \Closure
    {
        return function (Validator $validator): void {
            $question = $this->question();
            if ($validator->errors()->isEmpty() && $question?->document !== null && ! self::suits($question->document, $this->answer())) {
                $validator->errors()->add('guess', 'That is none of the words, or no figure of this scale.');
            }
        };
    }

    /** @param  ?array{guess: float, low: float, high: float}  $answer */
    public static function suits(\stdClass $document, ?array $answer): bool
    {
        $options = is_array($document->options ?? null) ? count($document->options) : 0;
        if ($answer === null) {
            return true;
        }
        if ($options === 0) {
            return $answer['guess'] > 0.0 && $answer['low'] > 0.0 || ($document->unit ?? '') === 'stops';
        }

        return floor($answer['guess']) === $answer['guess'] && $answer['guess'] < $options && $answer['low'] === $answer['guess'] && $answer['high'] === $answer['guess'];
    }

    public function question(): ?PracticeQuestion
    {
        $question = $this->route('question');

        return $question instanceof PracticeQuestion ? $question : null;
    }

    /** @return ?array{guess: float, low: float, high: float} */
    public function answer(): ?array
    {
        return self::read($this->all());
    }

    /**
     * @param  array<array-key, mixed>  $of
     * @return ?array{guess: float, low: float, high: float}
     */
    public static function read(array $of): ?array
    {
        [$guess, $low, $high] = [$of['guess'] ?? null, $of['low'] ?? null, $of['high'] ?? null];

        return is_numeric($guess) && is_numeric($low) && is_numeric($high) ? ['guess' => (float) $guess, 'low' => (float) $low, 'high' => (float) $high] : null;
    }

    public function at(): ?Carbon
    {
        $at = $this->input('at');

        return is_string($at) ? Carbon::createFromFormat('Y-m-d\TH:i:sP', $at) ?: null : null;
    }
}
