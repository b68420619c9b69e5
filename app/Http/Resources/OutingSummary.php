<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** An outing in the list of them. */
#[OA\Schema(required: ['id', 'name', 'date', 'place', 'subjects', 'entries', 'when'])]
final readonly class OutingSummary
{
    public function __construct(
        #[OA\Property()]
        public int $id,
        #[OA\Property()]
        public string $name,
        #[OA\Property(description: 'null = not said')]
        public ?string $date,
        #[OA\Property()]
        public ?string $place,
        #[OA\Property(description: 'How many are wanted')]
        public int $subjects,
        #[OA\Property(description: 'How many entries of its log stand')]
        public int $entries,
        #[OA\Property(description: 'planned, today or done: by its date')]
        public string $when,
    ) {
    }
}
