<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** Why a reading is not exact: what it rests on and how to settle it. */
#[OA\Schema(required: ['reading', 'halfWidth', 'index', 'part', 'assumed', 'settle'])]
final readonly class Doubt
{
    public function __construct(
        #[OA\Property()]
        public string $reading,
        #[OA\Property()]
        public float $halfWidth,
        #[OA\Property()]
        public int $index,
        #[OA\Property()]
        public string $part,
        #[OA\Property()]
        public string $assumed,
        #[OA\Property()]
        public string $settle,
    ) {
    }
}
