<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** One change of a rig: set a control, put parts in, take one off, turn or move one, change the camera. */
#[OA\Schema(required: ['action'])]
final readonly class StepRequest
{
    /** @param  list<int>|null  $parts */
    public function __construct(
        #[OA\Property(enum: ['set', 'insert', 'remove', 'turn', 'move', 'camera', 'mend', 'solve', 'swap', 'describe'])]
        public string $action,
        #[OA\Property(description: 'Place in the chain, from the camera outwards')]
        public ?int $place = null,
        #[OA\Property(description: 'Name of the travel, for set')]
        public ?string $travel = null,
        #[OA\Property(description: 'Where to set it; for move, the new place')]
        public ?float $value = null,
        #[OA\Property(description: 'Parts of the kit, for insert and camera', items: new OA\Items(type: 'integer'))]
        public ?array $parts = null,
        #[OA\Property(description: 'Code of the finding, for mend; value says which of its mends')]
        public ?string $code = null,
        #[OA\Property(description: 'The reading to set, for solve; value says to what', enum: ['magnification', 'fieldWidthMm', 'workingDistanceMm', 'subjectDistanceMm'])]
        public ?string $wish = null,
        #[OA\Property(description: 'For describe: conditions and subject as a rig file has them', type: 'object', additionalProperties: true)]
        public ?\stdClass $document = null,
    ) {
    }
}
