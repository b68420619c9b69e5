<?php

declare(strict_types=1);

namespace App\Bench\Steps;

use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use ZincThimble\Core\Joint\Mating;
use ZincThimble\Core\Rig\Arrangement;
use ZincThimble\Core\Rig\Rig as CoreRig;

/** Turns a lens, or a ring of two threads, round. */
#[OA\Schema(description: 'Turns a lens, or a ring of two threads, round.', required: ['action', 'index'], properties: [new OA\Property(property: 'action', description: 'Which step it is', type: 'string', enum: ['turn'])])]
final readonly class Turn extends Step
{
    public const ACTION = StepAction::Turn;

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
        if (Mating::turned($rig->chain[$index]) === null) {
            throw ValidationException::withMessages(['index' => 'Only a lens, or a ring of two threads, can be turned round.']);
        }

        return new StepOutcome(Arrangement::of($rig)->turning($index)->rig($rig), 'turn '.$rig->chain[$index]->label().' round');
    }
}
