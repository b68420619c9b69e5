<?php

declare(strict_types=1);

namespace App\Bench\Steps;

use Illuminate\Validation\ValidationException;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Rig\Rig as CoreRig;

/** One change that a person makes to a rig at the bench: what it has to say, and what becomes of the rig. */
abstract readonly class Step implements \JsonSerializable
{
    public const ACTION = StepAction::Set;

    /** The rule of a place in the chain, from the camera outwards. */
    protected const INDEX = ['required', 'integer:strict', 'min:0', 'max:100'];

    /** The rule of a part of the kit. */
    protected const PART = ['required', 'integer:strict', 'min:1', 'max:9000000000000'];

    /** @return array<string, list<mixed>> what its fields have to be, by name; there are no others */
    abstract public static function rules(): array;

    /**
     * @param  array<string, mixed>  $fields  as rules() have let them pass
     * @param  \stdClass  $sent  the same as it was sent: objects stay objects
     */
    abstract public static function from(array $fields, \stdClass $sent): static;

    /** @throws ValidationException names the field that this rig can't do it with */
    final public function take(StepContext $bench, CoreRig $rig): StepOutcome
    {
        try {
            return $this->change($bench, $rig);
        } catch (InvalidFigure $fault) {
            throw ValidationException::withMessages([$fault->field => $fault->getMessage()]);
        }
    }

    /** @throws ValidationException|InvalidFigure names the field */
    abstract protected function change(StepContext $bench, CoreRig $rig): StepOutcome;

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        return ['action' => static::ACTION->value] + get_object_vars($this);
    }

    /**
     * A place in the chain.
     *
     * @throws ValidationException where the rig has none of that number
     */
    protected static function within(int $index, int $last): int
    {
        return $index <= $last ? $index : throw ValidationException::withMessages(['index' => 'There is no such place in the chain.']);
    }
}
