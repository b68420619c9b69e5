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

/** Sets whatever moves focus so that a reading comes to a figure; as near as it gets only where that was asked for. */
#[OA\Schema(description: 'Sets whatever moves focus so that a reading comes to a figure; as near as it gets only where that was asked for.', required: ['action', 'reading', 'value'], properties: [new OA\Property(property: 'action', description: 'Which step it is', type: 'string', enum: ['solve'])])]
final readonly class SolveFor extends Step
{
    public const ACTION = StepAction::Solve;

    public function __construct(
        #[OA\Property(description: 'The reading to set', type: 'string', enum: SolveTarget::class)]
        public SolveTarget $reading,
        #[OA\Property(description: 'To what, × or mm')]
        public float $value,
        #[OA\Property(description: 'Whether as near as it gets will do; left out = it will not')]
        public bool $near = false,
    ) {
    }

    public static function rules(): array
    {
        return ['reading' => ['bail', 'required', 'string', Rule::enum(SolveTarget::class)], 'value' => ['required', 'numeric:strict', 'min:0', 'max:100000'], 'near' => ['sometimes', 'boolean:strict']];
    }

    public static function from(array $fields, \stdClass $sent): static
    {
        return new self(SolveTarget::from((string) $fields['reading']), (float) $fields['value'], (bool) ($fields['near'] ?? false));
    }

    protected function change(StepContext $bench, CoreRig $rig): StepOutcome
    {
        // A magnification of 0 is infinity; no frame and no distance is as short as nothing.
        if ($this->value < ($this->reading === SolveTarget::Magnification ? 0.0 : 0.001)) {
            throw ValidationException::withMessages(['value' => 'Say which reading, and what it should be.']);
        }
        $solution = Solver::anywhere($rig, $this->reading, $this->value) ?? throw ValidationException::withMessages(['reading' => 'Nothing on this rig moves focus: change its parts.']);
        $unit = $this->reading === SolveTarget::Magnification ? 'x' : 'mm';
        $figure = Phrase::figure($this->value, $unit);
        if (! $solution->exact && ! $this->near) {
            throw ValidationException::withMessages(['near' => 'This rig doesn’t reach '.$figure.': the nearest it gets is '.(is_finite($solution->reached) ? Phrase::figure($solution->reached, $unit) : 'infinity').'.']);
        }

        return new StepOutcome($solution->rig, ($solution->exact ? 'set to ' : 'as near as it gets to ').$figure.' with '.$rig->chain[$solution->travel->part]->label());
    }
}
