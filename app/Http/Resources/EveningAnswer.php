<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** What one of them answered. */
#[OA\Schema(required: ['name', 'own', 'guess', 'low', 'high', 'known', 'inside'])]
final readonly class EveningAnswer
{
    public function __construct(
        #[OA\Property(description: 'Null unless it was given')]
        public ?string $name,
        #[OA\Property(description: 'Whether it is the one of whoever looks')]
        public bool $own,
        #[OA\Property(description: 'Null = they didn’t know')]
        public ?float $guess,
        #[OA\Property()]
        public ?float $low,
        #[OA\Property()]
        public ?float $high,
        #[OA\Property()]
        public bool $known,
        #[OA\Property()]
        public bool $inside,
    ) {
    }
}
