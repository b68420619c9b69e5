<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Api\StepRequest;
use Illuminate\Validation\Rule;

/** One step at the bench. */
final class TakeStep extends RevisionRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return parent::rules() + [
            'step' => ['required', 'array:action,place,travel,value,parts'],
            'step.action' => ['required', 'string', Rule::in(['set', 'insert', 'remove', 'turn', 'move', 'camera'])],
            'step.place' => ['nullable', 'integer:strict', 'min:0', 'max:100'],
            'step.travel' => ['nullable', 'string', 'max:40'],
            'step.value' => ['nullable', 'numeric:strict', 'min:-100000', 'max:100000'],
            'step.parts' => ['nullable', 'array', 'max:12'],
            'step.parts.*' => ['integer:strict', 'min:1', 'max:9000000000000'],
        ];
    }

    public function step(): StepRequest
    {
        /** @var array{action: string, place?: ?int, travel?: ?string, value?: int|float|null, parts?: list<int>|null} $step */
        $step = $this->validated('step');
        $value = $step['value'] ?? null;

        return new StepRequest($step['action'], $step['place'] ?? null, $step['travel'] ?? null, $value === null ? null : (float) $value, $step['parts'] ?? null);
    }
}
