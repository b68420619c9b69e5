<?php

declare(strict_types=1);

namespace App\Bench\Steps;

use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use ZincThimble\Core\Finding\Code;
use ZincThimble\Core\Finding\Mending;
use ZincThimble\Core\Report\RigReport;
use ZincThimble\Core\Rig\Rig as CoreRig;

/** Does one of the mends of a finding, worked out again here: a screen can’t ask for any other change by this way. */
#[OA\Schema(description: 'Does one of the mends of a finding, worked out again here: a screen can’t ask for any other change by this way.', required: ['action', 'code', 'index', 'choice'], properties: [new OA\Property(property: 'action', description: 'Which step it is', type: 'string', enum: ['mend'])])]
final readonly class Mend extends Step
{
    public const ACTION = StepAction::Mend;

    public function __construct(
        #[OA\Property(description: 'Code of the finding', type: 'string', enum: Code::class)]
        public Code $code,
        #[OA\Property(description: 'The part it is about; null = none')]
        public ?int $index,
        #[OA\Property(description: 'Which of its mends')]
        public int $choice,
    ) {
    }

    public static function rules(): array
    {
        return ['code' => ['bail', 'required', 'string', Rule::enum(Code::class)], 'index' => ['present', 'nullable', 'integer:strict', 'min:-1', 'max:100'], 'choice' => ['required', 'integer:strict', 'min:0', 'max:100']];
    }

    public static function from(array $fields, \stdClass $sent): static
    {
        return new self(Code::from((string) $fields['code']), $fields['index'] === null ? null : (int) $fields['index'], (int) $fields['choice']);
    }

    protected function change(StepContext $bench, CoreRig $rig): StepOutcome
    {
        $findings = RigReport::of($rig)->findings;
        foreach (Mending::ofAll($rig, $findings, $bench->left()) as [$finding, $mends]) {
            if ($finding->code === $this->code && $finding->part === $this->index) {
                $mend = $mends[$this->choice] ?? null;
                if ($mend !== null) {
                    return new StepOutcome(Mending::applied($rig, $mend), lcfirst($mend->label()));
                }
            }
        }
        throw ValidationException::withMessages(['code' => 'That is cured already, or can’t be cured so.']);
    }
}
