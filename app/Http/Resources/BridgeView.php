<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** The cheapest part that would join an island to another; null when no single part does. */
#[OA\Schema(required: ['to', 'part'])]
final readonly class BridgeView
{
    public function __construct(
        #[OA\Property()]
        public int $to,
        #[OA\Property()]
        public ?string $part,
    ) {
    }
}
