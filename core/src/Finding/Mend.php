<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Rig\TravelKind;

/** A change of a rig that cures a finding, as steps that can be carried out one after the other. */
final readonly class Mend
{
    /**
     * @param  string  $pattern  what the button says, as a Phrase
     * @param  array<string, float|int|string>  $numbers
     * @param  list<MendStep>  $steps
     * @param  ?float  $magnification  what M becomes
     */
    public function __construct(
        public string $pattern,
        public array $numbers,
        public array $steps,
        public ?float $magnification = null,
    ) {
    }

    /** What its button says, numbers in it. */
    public function label(): string
    {
        return Phrase::say($this->pattern, $this->numbers);
    }

    /** What it does and where, in words: two mends that do the same have the same. */
    public function change(): string
    {
        return implode(', ', [$this->label(), ...array_map(static fn (MendStep $step): string => $step->action.' '.$step->index, $this->steps)]);
    }

    /** The same mend, knowing the magnification it leaves; null = no image. */
    public function leavingMagnification(?float $magnification): self
    {
        return new self($this->pattern, $this->numbers, $this->steps, $magnification);
    }

    /** The same with a name to say. */
    public function naming(string $name): self
    {
        return new self($this->pattern, ['name' => $name] + $this->numbers, $this->steps, $this->magnification);
    }

    /** A mend that sets one control of one part. */
    public static function set(string $pattern, int $part, TravelKind $kind, float $value): self
    {
        return new self($pattern, ['value' => $value], [MendStep::set($part, $kind, $value)]);
    }

    /** A mend that takes one part off. */
    public static function remove(string $pattern, int $part, string $name): self
    {
        return new self($pattern, ['name' => $name], [MendStep::remove($part)]);
    }

    /** @param  list<Part>  $parts put in before the part that stands at that place */
    public static function insert(string $pattern, int $index, array $parts): self
    {
        $names = implode(' + ', array_map(static fn (Part $part): string => $part->label(), $parts));

        return new self($pattern, ['name' => $names], [MendStep::insert($index, $parts)]);
    }
}
