<?php

declare(strict_types=1);

namespace App\Bench\Steps;

use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use ZincThimble\Core\Rig\Arrangement;
use ZincThimble\Core\Rig\Rig as CoreRig;

/** Moves a part along the chain. */
#[OA\Schema(description: 'Moves a part along the chain.', required: ['action', 'index', 'to'], properties: [new OA\Property(property: 'action', description: 'Which step it is', type: 'string', enum: ['move'])])]
final readonly class Move extends Step
{
    public const ACTION = StepAction::Move;

    public function __construct(
        #[OA\Property(description: 'Place in the chain, from the camera outwards')]
        public int $index,
        #[OA\Property(description: 'Its new place, counted without it')]
        public int $to,
    ) {
    }

    public static function rules(): array
    {
        return ['index' => self::INDEX, 'to' => self::INDEX];
    }

    public static function from(array $fields, \stdClass $sent): static
    {
        return new self((int) $fields['index'], (int) $fields['to']);
    }

    protected function change(StepContext $bench, CoreRig $rig): StepOutcome
    {
        $last = count($rig->chain) - 1;
        $index = self::within($this->index, $last);
        if ($this->to > $last) {
            throw ValidationException::withMessages(['to' => 'There is no such place in the chain.']);
        }

        return new StepOutcome(Arrangement::of($rig)->moving($index, $this->to)->rig($rig), 'move '.$rig->chain[$index]->label());
    }
}
