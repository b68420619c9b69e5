<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** One step of how a reading comes about. */
#[OA\Schema(required: ['says', 'sum'])]
final readonly class DerivationStepView
{
    public function __construct(
        #[OA\Property()]
        public string $says,
        #[OA\Property(description: 'With the rig’s own numbers; empty where there is nothing to work out')]
        public string $sum,
    ) {
    }
}
