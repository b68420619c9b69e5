<?php

declare(strict_types=1);

namespace App\Bench\Steps;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Rig\Rig as CoreRig;

/** Puts the rig on another camera of the kit; a crop mode belongs to the old one. */
#[OA\Schema(description: 'Puts the rig on another camera of the kit; a crop mode belongs to the old one.', required: ['action', 'part'], properties: [new OA\Property(property: 'action', description: 'Which step it is', type: 'string', enum: ['camera'])])]
final readonly class ChangeCamera extends Step
{
    public const ACTION = StepAction::Camera;

    public function __construct(
        #[OA\Property(description: 'Camera of the kit')]
        public int $part,
    ) {
    }

    public static function rules(): array
    {
        return ['part' => self::PART];
    }

    public static function from(array $fields, \stdClass $sent): static
    {
        return new self((int) $fields['part']);
    }

    protected function change(StepContext $bench, CoreRig $rig): StepOutcome
    {
        $camera = $bench->camera($this->part);

        return new StepOutcome($rig->withCamera($camera)->withConditions($rig->conditions->with(['mode' => null])), 'change to '.($camera->name ?? 'another camera'));
    }
}
