<?php

declare(strict_types=1);

namespace App\Bench\Steps;

use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use ZincThimble\Core\Finding\Phrase;
use ZincThimble\Core\Reading\Solver;
use ZincThimble\Core\Reading\SolveTarget;
use ZincThimble\Core\Rig\Rig as CoreRig;

/** Sets whatever moves focus so that a reading comes to a figure, or as near as it gets. */
#[OA\Schema(description: 'Sets whatever moves focus so that a reading comes to a figure, or as near as it gets.', required: ['action', 'reading', 'value'], properties: [new OA\Property(property: 'action', description: 'Which step it is', type: 'string', enum: ['solve'])])]
final readonly class SolveFor extends Step
{
    public const ACTION = StepAction::Solve;

    public function __construct(
        #[OA\Property(description: 'The reading to set', type: 'string', enum: SolveTarget::class)]
        public SolveTarget $reading,
        #[OA\Property(description: 'To what, × or mm')]
        public float $value,
    ) {
    }

    public static function rules(): array
    {
        return ['reading' => ['bail', 'required', 'string', Rule::enum(SolveTarget::class)], 'value' => ['required', 'numeric:strict', 'min:0', 'max:100000']];
    }

    public static function from(array $fields, \stdClass $sent): static
    {
        return new self(SolveTarget::from((string) $fields['reading']), (float) $fields['value']);
    }

    protected function change(StepContext $bench, CoreRig $rig): StepOutcome
    {
        // A magnification of 0 is infinity; no frame and no distance is as short as nothing.
        if ($this->value < ($this->reading === SolveTarget::Magnification ? 0.0 : 0.001)) {
            throw ValidationException::withMessages(['value' => 'Say which reading, and what it should be.']);
        }
        $solution = Solver::anywhere($rig, $this->reading, $this->value) ?? throw ValidationException::withMessages(['reading' => 'Nothing on this rig moves focus: change its parts.']);
        $figure = Phrase::figure($this->value, $this->reading === SolveTarget::Magnification ? 'x' : 'mm');

        return new StepOutcome($solution->rig, ($solution->exact ? 'set to ' : 'as near as it gets to ').$figure.' with '.$rig->chain[$solution->travel->part]->label());
    }
}
