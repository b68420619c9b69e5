<?php

declare(strict_types=1);

namespace ZincThimble\Core\Report;

/** One step of how a reading comes about: what is done, and the sum with this rig's own numbers. */
final readonly class DerivationStep
{
    public function __construct(
        public string $says,
        /** Empty where there is nothing to work out. */
        public string $sum = '',
    ) {
    }
}
