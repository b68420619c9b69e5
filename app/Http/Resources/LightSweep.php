<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** Figures of light at every place of one control. */
#[OA\Schema(required: ['travel', 'revision', 'positions', 'columns'])]
final readonly class LightSweep
{
    /**
     * @param  list<float>  $positions
     * @param  array<string, list<float|int|null>>  $columns
     */
    public function __construct(
        #[OA\Property()]
        public string $travel,
        #[OA\Property()]
        public int $revision,
        #[OA\Property(items: new OA\Items(type: 'number'))]
        public array $positions,
        #[OA\Property(type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'array', items: new OA\Items(type: 'number', nullable: true)))]
        public array $columns,
    ) {
    }
}
