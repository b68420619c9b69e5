<?php

declare(strict_types=1);

namespace App\Bench\Steps;

use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use ZincThimble\Core\Gear\Bellows;
use ZincThimble\Core\Gear\CloseUpLens;
use ZincThimble\Core\Rig\Rig as CoreRig;

/** What one does for want of the part: a lens's lever wedged or taped, the front plate of bellows turned round, a close-up lens taped on. */
#[OA\Schema(description: 'What one does for want of the part: a lens’s lever wedged or taped, the front plate of bellows turned round, a close-up lens taped on.', required: ['action', 'index', 'used'], properties: [new OA\Property(property: 'action', description: 'Which step it is', type: 'string', enum: ['makeshift'])])]
final readonly class Makeshift extends Step
{
    public const ACTION = StepAction::Makeshift;

    public function __construct(
        #[OA\Property(description: 'Place in the chain, from the camera outwards')]
        public int $index,
        #[OA\Property(description: 'Whether it is used')]
        public bool $used,
    ) {
    }

    public static function rules(): array
    {
        return ['index' => self::INDEX, 'used' => ['required', 'boolean:strict']];
    }

    public static function from(array $fields, \stdClass $sent): static
    {
        return new self((int) $fields['index'], (bool) $fields['used']);
    }

    protected function change(StepContext $bench, CoreRig $rig): StepOutcome
    {
        $index = self::within($this->index, count($rig->chain) - 1);
        $part = $rig->chain[$index];
        if (! $rig->takesMakeshift($index)) {
            throw ValidationException::withMessages(['index' => 'Only a lens with a lever, bellows with a latch, or a close-up lens that doesn’t fit can be helped so.']);
        }
        $name = $part->label();

        return new StepOutcome($rig->withMakeshift($index, $this->used), match (true) {
            $part instanceof Bellows => 'turn the front plate of '.$name.($this->used ? ' round' : ' back'),
            $part instanceof CloseUpLens => $this->used ? 'tape '.$name.' on' : 'take the tape off '.$name,
            $this->used => 'wedge or tape the lever of '.$name,
            default => 'free the lever of '.$name,
        });
    }
}
