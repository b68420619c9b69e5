<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A wish that was kept. */
#[OA\Schema(required: ['id', 'name', 'wish'])]
final readonly class WishView
{
    public function __construct(
        #[OA\Property()]
        public int $id,
        #[OA\Property()]
        public string $name,
        #[OA\Property(type: 'object', additionalProperties: true)]
        public \stdClass $wish,
    ) {
    }
}
