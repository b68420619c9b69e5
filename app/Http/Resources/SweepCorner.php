<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** Rows of a sweep over which one part darkens the corner. */
#[OA\Schema(required: ['from', 'to', 'part'])]
final readonly class SweepCorner
{
    public function __construct(
        #[OA\Property()]
        public int $from,
        #[OA\Property()]
        public int $to,
        #[OA\Property()]
        public string $part,
    ) {
    }
}
