<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A question of an evening, with what is true and what was answered. */
#[OA\Schema(required: ['asked', 'truth', 'answers'])]
final readonly class EveningQuestion
{
    /** @param  list<EveningAnswer>  $answers */
    public function __construct(
        #[OA\Property()]
        public AskedView $asked,
        #[OA\Property()]
        public TruthView $truth,
        #[OA\Property(items: new OA\Items(ref: EveningAnswer::class))]
        public array $answers,
    ) {
    }
}
