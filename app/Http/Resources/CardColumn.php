<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A column of a card. */
#[OA\Schema(required: ['name', 'unit'])]
final readonly class CardColumn
{
    public function __construct(
        #[OA\Property()]
        public string $name,
        #[OA\Property()]
        public string $unit,
    ) {
    }
}
