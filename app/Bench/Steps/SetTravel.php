<?php

declare(strict_types=1);

namespace App\Bench\Steps;

use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use ZincThimble\Core\Finding\Phrase;
use ZincThimble\Core\Rig\Rig as CoreRig;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Rig\Travels;

/** Sets one control. */
#[OA\Schema(description: 'Sets one control.', required: ['action', 'travel', 'value'], properties: [new OA\Property(property: 'action', description: 'Which step it is', type: 'string', enum: ['set'])])]
final readonly class SetTravel extends Step
{
    public const ACTION = StepAction::Set;

    public function __construct(
        #[OA\Property(description: 'Name of the control')]
        public string $travel,
        #[OA\Property(description: 'mm, a share of the ring, an f-number or degrees, by its kind')]
        public float $value,
    ) {
    }

    public static function rules(): array
    {
        return ['travel' => ['required', 'string', 'max:40'], 'value' => ['required', 'numeric:strict', 'min:-100000', 'max:100000']];
    }

    public static function from(array $fields, \stdClass $sent): static
    {
        return new self((string) $fields['travel'], (float) $fields['value']);
    }

    protected function change(StepContext $bench, CoreRig $rig): StepOutcome
    {
        $travel = Travels::named($rig, $this->travel) ?? throw ValidationException::withMessages(['travel' => 'This rig has no such control.']);
        if ($this->value < $travel->least - 1e-9 || $this->value > $travel->greatest + 1e-9) {
            throw ValidationException::withMessages(['value' => sprintf('This control goes from %s to %s.', Phrase::digits($travel->least), Phrase::digits($travel->greatest))]);
        }
        $name = $rig->chain[$travel->part]->label();

        return new StepOutcome($rig->with($travel->kind, $travel->part, $travel->clamp($this->value)), match ($travel->kind) {
            TravelKind::Length => 'set '.$name.' to '.Phrase::figure($this->value, 'mm'),
            TravelKind::Zoom => 'zoom '.$name.' to '.Phrase::figure($this->value, 'mm'),
            TravelKind::Aperture => 'set '.$name.' to '.Phrase::figure($this->value, 'f'),
            TravelKind::Focus => 'turn the ring of '.$name,
            TravelKind::Swing => 'swing '.$name,
            TravelKind::Shift => 'shift '.$name,
        });
    }
}
