<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** One frame of a stack by the rail: where it stands, and what its dial reads. */
#[OA\Schema(required: ['mm', 'turns', 'line'])]
final readonly class RailFrame
{
    public function __construct(
        #[OA\Property()]
        public float $mm,
        #[OA\Property(description: 'Whole ones, from the first frame')]
        public int $turns,
        #[OA\Property(description: 'Lines of the dial over them')]
        public int $line,
    ) {
    }
}
