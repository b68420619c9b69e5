<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** Figures of light at every place of one control. */
#[OA\Schema(required: ['travel', 'revision', 'positions', 'columns'])]
final readonly class LightSweep
{
    /** @param  array<string, SweepColumn>  $columns */
    public function __construct(
        #[OA\Property()]
        public string $travel,
        #[OA\Property()]
        public int $revision,
        #[OA\Property()]
        public SweepPlaces $positions,
        #[OA\Property(type: 'object', additionalProperties: new OA\AdditionalProperties(ref: SweepColumn::class))]
        public array $columns,
    ) {
    }
}
