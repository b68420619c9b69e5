<?php

declare(strict_types=1);

namespace App\Bench\Steps;

use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use ZincThimble\Core\Gear\Part as CorePart;
use ZincThimble\Core\Rig\Arrangement;
use ZincThimble\Core\Rig\Rig as CoreRig;

/** Puts parts of the kit in, one after the other. */
#[OA\Schema(description: 'Puts parts of the kit in, one after the other.', required: ['action', 'index', 'parts'], properties: [new OA\Property(property: 'action', description: 'Which step it is', type: 'string', enum: ['insert'])])]
final readonly class Insert extends Step
{
    public const ACTION = StepAction::Insert;

    /** @param  list<int>  $parts */
    public function __construct(
        #[OA\Property(description: 'The joint before the part of that index; the length of the chain = the front of the rig')]
        public int $index,
        #[OA\Property(description: 'Parts of the kit', items: new OA\Items(type: 'integer'))]
        public array $parts,
    ) {
    }

    public static function rules(): array
    {
        return ['index' => self::INDEX, 'parts' => ['required', 'array', 'max:12'], 'parts.*' => self::PART];
    }

    public static function from(array $fields, \stdClass $sent): static
    {
        /** @var list<int> $parts */
        $parts = $fields['parts'];

        return new self((int) $fields['index'], $parts);
    }

    protected function change(StepContext $bench, CoreRig $rig): StepOutcome
    {
        $index = self::within($this->index, count($rig->chain));
        $parts = $bench->parts($this->parts);
        if (count($rig->chain) + count($parts) > StepContext::LONGEST) {
            throw ValidationException::withMessages(['parts' => 'A rig has at most '.StepContext::LONGEST.' parts.']);
        }
        $parts = StepContext::wayRound($rig, $index, $parts);
        $names = implode(' + ', array_map(static fn (CorePart $part): string => $part->label(), $parts));

        return new StepOutcome(Arrangement::of($rig)->inserting($index, $parts)->rig($rig), 'put in '.$names);
    }
}
