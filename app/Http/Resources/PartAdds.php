<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** What one part adds to a rig: its readings with it less those without. */
#[OA\Schema(required: ['index', 'name', 'magnification', 'workingDistanceMm', 'stops'])]
final readonly class PartAdds
{
    public function __construct(
        #[OA\Property(description: 'Place in the chain')]
        public int $index,
        #[OA\Property()]
        public string $name,
        #[OA\Property()]
        public float $magnification,
        #[OA\Property(description: 'Below 0 = it takes room')]
        public float $workingDistanceMm,
        #[OA\Property(description: 'Stops of light that it costs')]
        public ?float $stops,
    ) {
    }
}
