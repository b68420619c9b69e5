<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** Figures of light of a rig as it stands, its plan completed from its kit, and what the kit has to light it with. */
#[OA\Schema(required: ['revision', 'figures', 'plan', 'flashes', 'lamps', 'rails'])]
final readonly class LightView
{
    /**
     * @param  array<string, float|int|null>  $figures
     * @param  list<array<string, mixed>>  $flashes
     * @param  list<array<string, mixed>>  $lamps
     * @param  list<array<string, mixed>>  $rails
     */
    public function __construct(
        #[OA\Property()]
        public int $revision,
        #[OA\Property(description: 'By the names of the core: exposureS, gapStops, flashPower and so on', type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'number', nullable: true))]
        public array $figures,
        #[OA\Property(description: 'What is decided, with the kit’s first flash, lamp and rail where it names none', type: 'object', additionalProperties: true)]
        public \stdClass $plan,
        #[OA\Property(items: new OA\Items(type: 'object', required: ['name'], properties: [new OA\Property(property: 'name', type: 'string')], additionalProperties: true))]
        public array $flashes,
        #[OA\Property(items: new OA\Items(type: 'object', required: ['name'], properties: [new OA\Property(property: 'name', type: 'string')], additionalProperties: true))]
        public array $lamps,
        #[OA\Property(items: new OA\Items(type: 'object', required: ['name'], properties: [new OA\Property(property: 'name', type: 'string')], additionalProperties: true))]
        public array $rails,
    ) {
    }
}
