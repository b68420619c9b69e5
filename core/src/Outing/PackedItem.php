<?php

declare(strict_types=1);

namespace ZincThimble\Core\Outing;

/** A line of the packing list. */
final readonly class PackedItem
{
    /** @param  list<string>  $for  names of the subjects that need it */
    public function __construct(
        /** What it goes by in the kit, for as long as the kit is not changed; null = it isn't in the kit. */
        public ?string $id,
        public string $name,
        public int $count,
        /** g of one; null = not known. */
        public ?float $massG,
        /** Whether it isn't owned yet. */
        public bool $toBuy,
        public array $for,
    ) {
    }
}
