<?php

declare(strict_types=1);

namespace App\Bench\Steps;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Gear\VariableSpacer;
use ZincThimble\Core\Rig\Arrangement;
use ZincThimble\Core\Rig\Rig as CoreRig;
use ZincThimble\Core\Rig\TravelKind;

/** Puts another part where one stands: it keeps how the old one was set, as far as it can. */
#[OA\Schema(description: 'Puts another part where one stands: it keeps how the old one was set, as far as it can.', required: ['action', 'index', 'part'], properties: [new OA\Property(property: 'action', description: 'Which step it is', type: 'string', enum: ['swap'])])]
final readonly class Swap extends Step
{
    public const ACTION = StepAction::Swap;

    public function __construct(
        #[OA\Property(description: 'Place in the chain, from the camera outwards')]
        public int $index,
        #[OA\Property(description: 'Part of the kit')]
        public int $part,
    ) {
    }

    public static function rules(): array
    {
        return ['index' => self::INDEX, 'part' => self::PART];
    }

    public static function from(array $fields, \stdClass $sent): static
    {
        return new self((int) $fields['index'], (int) $fields['part']);
    }

    protected function change(StepContext $bench, CoreRig $rig): StepOutcome
    {
        $index = self::within($this->index, count($rig->chain) - 1);
        $old = $rig->chain[$index]->label();
        $parts = StepContext::wayRound($rig, $index, [$bench->part($this->part, 'part')]);
        $swapped = Arrangement::of($rig)->inserting($index + 1, $parts)->without([$index])->rig($rig);
        $length = $rig->setting->lengthMm[$index] ?? null;
        $new = $swapped->chain[$index];
        if ($length !== null && $new instanceof VariableSpacer) {
            $swapped = $swapped->with(TravelKind::Length, $index, max($new->minMm, min($new->maxMm, $length)));
        }

        return new StepOutcome($swapped, 'swap '.$old.' for '.$new->label());
    }
}
