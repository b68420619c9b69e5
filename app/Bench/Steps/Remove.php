<?php

declare(strict_types=1);

namespace App\Bench\Steps;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Rig\Rig as CoreRig;

/** Takes a part off. */
#[OA\Schema(description: 'Takes a part off.', required: ['action', 'index'], properties: [new OA\Property(property: 'action', description: 'Which step it is', type: 'string', enum: ['remove'])])]
final readonly class Remove extends Step
{
    public const ACTION = StepAction::Remove;

    public function __construct(
        #[OA\Property(description: 'Place in the chain, from the camera outwards')]
        public int $index,
    ) {
    }

    public static function rules(): array
    {
        return ['index' => self::INDEX];
    }

    public static function from(array $fields, \stdClass $sent): static
    {
        return new self((int) $fields['index']);
    }

    protected function change(StepContext $bench, CoreRig $rig): StepOutcome
    {
        $index = self::within($this->index, count($rig->chain) - 1);

        return new StepOutcome($rig->without([$index]), 'take off '.$rig->chain[$index]->label());
    }
}
