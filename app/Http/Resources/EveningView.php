<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A club's evening, for whoever opened it. */
#[OA\Schema(required: ['id', 'title', 'link', 'openedAt', 'until', 'sheets'])]
final readonly class EveningView
{
    public function __construct(
        #[OA\Property()]
        public int $id,
        #[OA\Property()]
        public string $title,
        #[OA\Property()]
        public string $link,
        #[OA\Property(format: 'date-time')]
        public string $openedAt,
        #[OA\Property(description: 'The day on which its link ends', format: 'date')]
        public string $until,
        #[OA\Property(description: 'How many have answered something')]
        public int $sheets,
    ) {
    }
}
