<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A part that would do it. */
#[OA\Schema(required: ['part', 'orderBy', 'late'])]
final readonly class BuyView
{
    public function __construct(
        #[OA\Property()]
        public string $part,
        #[OA\Property(description: 'The day by which it has to be ordered')]
        public ?string $orderBy,
        #[OA\Property(description: 'Whether it can’t arrive any more')]
        public bool $late,
    ) {
    }
}
