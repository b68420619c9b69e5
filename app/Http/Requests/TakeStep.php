<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Bench\Steps\AnyStep;
use App\Bench\Steps\Step;
use App\Bench\Steps\StepAction;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;

/** One step at the bench. */
#[OA\Schema(schema: 'TakeStep', required: ['revision', 'step'], properties: [
    new OA\Property(property: 'revision', type: 'integer'),
    new OA\Property(property: 'id', type: 'string', format: 'uuid', description: 'What the sender calls this step: sent again, it is taken once'),
    new OA\Property(property: 'step', ref: AnyStep::class),
])]
final class TakeStep extends RevisionRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $action = $this->input('step.action');
        $step = StepAction::tryFrom(is_string($action) ? $action : '')?->step();
        $fields = $step === null ? [] : $step::rules();
        $rules = parent::rules() + [
            'id' => ['nullable', 'string', 'uuid'],
            'step' => ['required', $step === null ? 'array' : 'array:'.implode(',', ['action', ...array_filter(array_keys($fields), static fn (string $name): bool => ! str_contains($name, '.'))])],
            'step.action' => ['bail', 'required', 'string', Rule::enum(StepAction::class)],
        ];
        foreach ($fields as $name => $rule) {
            $rules['step.'.$name] = $rule;
        }

        return $rules;
    }

    /** What the sender calls this step; null = it has no name. */
    public function sentAs(): ?string
    {
        $id = $this->input('id');

        return is_string($id) ? strtolower($id) : null;
    }

    public function step(): Step
    {
        /** @var array<string, mixed> $fields */
        $fields = $this->validated('step');
        $sent = json_decode($this->getContent(), false, 64);
        $step = $sent instanceof \stdClass ? $sent->step ?? null : null;

        return StepAction::from((string) $fields['action'])->step()::from($fields, $step instanceof \stdClass ? $step : new \stdClass);
    }
}
