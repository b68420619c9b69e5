<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** What must be ready some time before it is needed. */
#[OA\Schema(required: ['what', 'leadS', 'for', 'due', 'late'])]
final readonly class PreparationView
{
    public function __construct(
        #[OA\Property()]
        public string $what,
        #[OA\Property(description: 's before it is needed')]
        public int $leadS,
        #[OA\Property(description: 'The subject that needs it; null = the outing')]
        public ?string $for,
        #[OA\Property(description: 'When it has to be begun at the latest; null = nothing says when it is needed')]
        public ?string $due,
        #[OA\Property(description: 'Whether that is over')]
        public bool $late,
    ) {
    }
}
