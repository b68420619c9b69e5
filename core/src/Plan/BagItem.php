<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

/** Something that goes into the bag, as often as it is needed. */
final readonly class BagItem
{
    public function __construct(
        /** What it is called in the kit. */
        public string $name,
        /** g of one, to a tenth; null = not known, and counted as nothing. */
        public ?float $massG,
        /** What one costs that isn't owned yet; 0 = it is owned. */
        public float $priceToBuy = 0.0,
    ) {
    }
}
