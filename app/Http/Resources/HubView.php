<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** The joint at which everything could meet. */
#[OA\Schema(required: ['joint', 'part', 'pairs', 'needed', 'saves'])]
final readonly class HubView
{
    public function __construct(
        #[OA\Property()]
        public string $joint,
        #[OA\Property()]
        public ?string $part,
        #[OA\Property()]
        public int $pairs,
        #[OA\Property()]
        public int $needed,
        #[OA\Property()]
        public int $saves,
    ) {
    }
}
