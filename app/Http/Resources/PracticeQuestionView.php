<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A question that is handed out, with what is true: a device without a network has to know it. */
#[OA\Schema(required: ['id', 'round', 'again', 'asked', 'truth'])]
final readonly class PracticeQuestionView
{
    public function __construct(
        #[OA\Property()]
        public int $id,
        #[OA\Property(description: 'How often it was handed out before: an answer belongs to its round')]
        public int $round,
        #[OA\Property(description: 'Whether it comes back because it was missed')]
        public bool $again,
        #[OA\Property()]
        public AskedView $asked,
        #[OA\Property()]
        public TruthView $truth,
    ) {
    }
}
