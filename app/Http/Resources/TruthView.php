<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** What is true, why, and how near the rule of thumb comes. */
#[OA\Schema(required: ['truth', 'low', 'high', 'reason', 'reasonNumbers', 'thumb', 'thumbOff', 'thumbWords'])]
final readonly class TruthView
{
    public function __construct(
        #[OA\Property(description: 'A figure, or the place of the right word')]
        public float $truth,
        #[OA\Property(description: 'From here it counts as known')]
        public float $low,
        #[OA\Property(description: 'To here')]
        public float $high,
        #[OA\Property()]
        public string $reason,
        #[OA\Property(type: 'object', additionalProperties: new OA\AdditionalProperties(oneOf: [new OA\Schema(type: 'number'), new OA\Schema(type: 'string')]))]
        public \stdClass $reasonNumbers,
        #[OA\Property(description: 'What the rule of thumb comes to; null = it is none that reckons')]
        public ?float $thumb,
        #[OA\Property(description: 'By how much that is off: a share of the truth, or stops')]
        public ?float $thumbOff,
        #[OA\Property()]
        public string $thumbWords,
    ) {
    }
}
