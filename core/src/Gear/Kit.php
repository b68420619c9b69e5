<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/** What a person keeps together under a name: one of several kits ("studio", "bag"). */
final readonly class Kit
{
    /** More than four of one kind of ring in one rig is no rig that anybody builds. */
    private const MOST_COPIES = 4;

    /** @param  list<Owned>  $owned  in the order in which it is kept */
    public function __construct(public ?string $name, public array $owned)
    {
    }

    /** @return list<Camera> each once */
    public function cameras(): array
    {
        return $this->ofClass(Camera::class);
    }

    /**
     * Every single ring that is owned, copies one after the other.
     *
     * @return list<Spacer|VariableSpacer>
     */
    public function rings(): array
    {
        $rings = [];
        foreach ($this->owned as $owned) {
            if (($owned->thing instanceof Spacer || $owned->thing instanceof VariableSpacer) && $owned->thing->kind->isRing()) {
                array_push($rings, ...array_fill(0, min(self::MOST_COPIES, $owned->count), $owned->thing));
            }
        }

        return $rings;
    }

    /**
     * Things of one class that are owned, each once.
     *
     * @template T of Camera|Item
     *
     * @param  class-string<T>  $class
     * @return list<T>
     */
    public function ofClass(string $class): array
    {
        $found = [];
        foreach ($this->owned as $owned) {
            if ($owned->count > 0 && $owned->thing instanceof $class) {
                $found[] = $owned->thing;
            }
        }

        return $found;
    }

    /**
     * The same kit without what doesn't pass.
     *
     * @param  \Closure(Camera|Item): bool  $passes
     */
    public function only(\Closure $passes): self
    {
        return new self($this->name, array_values(array_filter($this->owned, static fn (Owned $owned): bool => $passes($owned->thing))));
    }

    /** The same kit with one thing more. */
    public function with(Camera|Item $thing): self
    {
        return new self($this->name, [...$this->owned, new Owned($thing, 1)]);
    }
}
