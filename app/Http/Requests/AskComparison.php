<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Compare\ComparisonBlanks;
use Illuminate\Foundation\Http\FormRequest;
use ZincThimble\Core\Report\Comparison;

/** Which of one's rigs are compared, and what they are brought to first; all of it in the address. */
final class AskComparison extends FormRequest
{
    public const RIGS = ['required', 'string', 'regex:/^[1-9]\d{0,12}(,[1-9]\d{0,12}){0,'.(Comparison::MOST - 1).'}$/D'];

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['rigs' => self::RIGS, 'as' => ['nullable', 'string', 'in:json,csv,file']] + ComparisonBlanks::rules($this->input('to'));
    }

    /** @return list<int> in the order of their letters, each once */
    public function rigs(): array
    {
        return self::numbers($this->string('rigs')->toString());
    }

    /** @return list<int> */
    public static function numbers(string $rigs): array
    {
        return array_values(array_unique(array_map(intval(...), explode(',', $rigs))));
    }

    /** @return array<string, mixed> what stands in the blanks */
    public function blanks(): array
    {
        /** @var array<string, mixed> $valid */
        $valid = $this->validated();

        return array_filter(array_diff_key($valid, ['rigs' => 0, 'as' => 0]), static fn (mixed $value): bool => $value !== null);
    }
}
