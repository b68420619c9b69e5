<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A setting as it is engraved. */
#[OA\Schema(required: ['part', 'reads'])]
final readonly class ScaleView
{
    public function __construct(
        #[OA\Property()]
        public string $part,
        #[OA\Property()]
        public string $reads,
    ) {
    }
}
