<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** What is engraved at one position of a scale. */
#[OA\Schema(required: ['at', 'text'])]
final readonly class TravelMark
{
    public function __construct(
        #[OA\Property()]
        public float $at,
        #[OA\Property()]
        public string $text,
    ) {
    }
}
