<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Rig\TravelKind;

/** A control of a rig that is compared: its sweep says how it is engraved and where it stands. */
#[OA\Schema(required: ['name', 'index', 'kind'])]
final readonly class ControlName
{
    public function __construct(
        #[OA\Property()]
        public string $name,
        #[OA\Property(description: 'Place of its part in the chain')]
        public int $index,
        #[OA\Property(type: 'string', enum: TravelKind::class)]
        public TravelKind $kind,
    ) {
    }
}
