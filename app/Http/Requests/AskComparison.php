<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use ZincThimble\Core\Reading\SolveTarget;
use ZincThimble\Core\Report\Bringing;

/** Which of one's rigs are compared, and what they are brought to first; all of it in the address. */
final class AskComparison extends FormRequest
{
    /** More than this stand in no drawing; a table of them is another place. */
    public const MOST = 9;

    /** What a comparison can bring rigs to. */
    private const TARGETS = [SolveTarget::FieldWidth, SolveTarget::Magnification, SolveTarget::SubjectDistance];

    private const CLOSEST = 'closest';

    /** @return array<string, mixed> */
    public function rules(): array
    {
        $targets = array_map(static fn (SolveTarget $target): string => $target->value, self::TARGETS);

        return [
            'rigs' => ['required', 'string', 'regex:/^[1-9]\d{0,12}(,[1-9]\d{0,12}){0,'.(self::MOST - 1).'}$/D'],
            'to' => ['nullable', 'string', Rule::in([...$targets, self::CLOSEST])],
            'value' => ['nullable', Rule::requiredIf(fn (): bool => in_array($this->query('to'), $targets, true)), 'numeric', 'min:0.001', 'max:100000'],
            'sharpest' => ['nullable', 'boolean'], 'effective' => ['nullable', 'numeric', 'min:0.5', 'max:1024'], 'depthMm' => ['nullable', 'numeric', 'min:0.001', 'max:100000'],
        ];
    }

    /** @return list<int> in the order of their letters, each once */
    public function rigs(): array
    {
        return array_values(array_unique(array_map(intval(...), explode(',', $this->string('rigs')->toString()))));
    }

    public function bringing(): Bringing
    {
        $bringing = Bringing::asSet($this->filled('depthMm') ? $this->float('depthMm') : null);
        $to = $this->query('to');
        $target = is_string($to) ? SolveTarget::tryFrom($to) : null;
        if ($target !== null) {
            $bringing = $bringing->to($target, $this->float('value'));
        } elseif ($to === self::CLOSEST) {
            $bringing = $bringing->toClosest();
        }

        return match (true) {
            $this->filled('effective') => $bringing->atEffective($this->float('effective')),
            $this->boolean('sharpest') => $bringing->atSharpest(),
            default => $bringing,
        };
    }
}
