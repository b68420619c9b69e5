<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Http\Resources\StepRequest;
use Illuminate\Validation\Rule;
use ZincThimble\Core\Finding\Code;
use ZincThimble\Core\Reading\SolveTarget;

/** One step at the bench. */
final class TakeStep extends RevisionRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return parent::rules() + [
            'id' => ['nullable', 'string', 'uuid'],
            'step' => ['required', 'array:action,place,travel,value,parts,code,wish,document'],
            'step.action' => ['required', 'string', Rule::in(['set', 'insert', 'remove', 'turn', 'move', 'camera', 'mend', 'solve', 'swap', 'describe'])],
            'step.place' => ['nullable', 'integer:strict', 'min:0', 'max:100'],
            'step.travel' => ['nullable', 'string', 'max:40'],
            'step.value' => ['nullable', 'numeric:strict', 'min:-100000', 'max:100000'],
            'step.parts' => ['nullable', 'array', 'max:12'],
            'step.code' => ['bail', 'nullable', 'string', Rule::enum(Code::class)],
            'step.wish' => ['bail', 'nullable', 'string', Rule::enum(SolveTarget::class)],
            'step.document' => ['nullable', 'array:conditions,subject'],
            'step.parts.*' => ['integer:strict', 'min:1', 'max:9000000000000'],
        ];
    }

    /** What the sender calls this step; null = it has no name. */
    public function sentAs(): ?string
    {
        $id = $this->input('id');

        return is_string($id) ? strtolower($id) : null;
    }

    public function step(): StepRequest
    {
        /** @var array{action: string, place?: ?int, travel?: ?string, value?: int|float|null, parts?: list<int>|null, code?: ?string, wish?: ?string} $step */
        $step = $this->validated('step');
        $value = $step['value'] ?? null;

        return new StepRequest($step['action'], $step['place'] ?? null, $step['travel'] ?? null, $value === null ? null : (float) $value, $step['parts'] ?? null, $step['code'] ?? null, $step['wish'] ?? null, $this->document());
    }

    /** As it was sent: objects stay objects. */
    private function document(): ?\stdClass
    {
        $body = json_decode($this->getContent(), false, 64);
        $document = $body instanceof \stdClass && ($body->step ?? null) instanceof \stdClass ? $body->step->document ?? null : null;

        return $document instanceof \stdClass ? $document : null;
    }
}
