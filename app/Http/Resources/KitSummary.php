<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A kit by name. */
#[OA\Schema(required: ['id', 'name', 'currency', 'parts'])]
final readonly class KitSummary
{
    public function __construct(
        #[OA\Property()]
        public int $id,
        #[OA\Property()]
        public string $name,
        #[OA\Property()]
        public ?string $currency,
        #[OA\Property()]
        public int $parts,
    ) {
    }
}
