<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Rig\Arrangement;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\TravelKind;

/** One step of a mend: set a control, take a part off, put parts in, turn or move one, use a makeshift, or change a condition. */
final readonly class MendStep
{
    /**
     * @param  'set'|'remove'|'insert'|'turn'|'move'|'makeshift'|'conditions'  $action
     * @param  list<Part>  $parts
     * @param  array<string, mixed>  $conditions
     */
    private function __construct(
        public string $action,
        public int $index,
        public ?TravelKind $kind = null,
        public ?float $value = null,
        public array $parts = [],
        public array $conditions = [],
    ) {
    }

    /** Sets one control: mm, a share of the ring, an f-number or degrees, by its kind. */
    public static function set(int $part, TravelKind $kind, float $value): self
    {
        return new self('set', $part, $kind, $value);
    }

    /** Takes the part at that place off. */
    public static function remove(int $part): self
    {
        return new self('remove', $part);
    }

    /** @param  list<Part>  $parts */
    public static function insert(int $index, array $parts): self
    {
        return new self('insert', $index, parts: $parts);
    }

    /** Turns the lens at that place round. */
    public static function turn(int $part): self
    {
        return new self('turn', $part);
    }

    /** Takes the part at one place out and puts it in at another, counted without it. */
    public static function move(int $from, int $to): self
    {
        return new self('move', $from, value: (float) $to);
    }

    /** Wedges the lever of the lens at that place, or turns the front plate of the bellows. */
    public static function makeshift(int $part): self
    {
        return new self('makeshift', $part);
    }

    /** @param  array<string, mixed>  $conditions fields of the file's `conditions` */
    public static function conditions(array $conditions): self
    {
        return new self('conditions', -1, conditions: $conditions);
    }

    /**
     * The rig after this step.
     *
     * @throws \ZincThimble\Core\Gear\InvalidFigure when there can be no such rig.
     */
    public function applyTo(Rig $rig): Rig
    {
        return match ($this->action) {
            'set' => $this->kind === null ? $rig : $rig->with($this->kind, $this->index, (float) $this->value),
            'remove' => $rig->without([$this->index]),
            'insert' => Arrangement::of($rig)->inserting($this->index, $this->parts)->rig($rig),
            'turn' => Arrangement::of($rig)->turning($this->index)->rig($rig),
            'move' => Arrangement::of($rig)->moving($this->index, (int) $this->value)->rig($rig),
            'makeshift' => $rig->withMakeshift($this->index, true),
            'conditions' => $rig->withConditions($rig->conditions->with($this->conditions)),
        };
    }
}
