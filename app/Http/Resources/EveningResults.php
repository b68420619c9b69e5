<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** All answers of an evening side by side. */
#[OA\Schema(required: ['title', 'sheets', 'questions'])]
final readonly class EveningResults
{
    /** @param  list<EveningQuestion>  $questions */
    public function __construct(
        #[OA\Property()]
        public string $title,
        #[OA\Property(description: 'How many took part')]
        public int $sheets,
        #[OA\Property(items: new OA\Items(ref: EveningQuestion::class))]
        public array $questions,
    ) {
    }
}
