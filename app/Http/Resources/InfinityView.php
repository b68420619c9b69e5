<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** Whether infinity is kept. */
#[OA\Schema(required: ['reached', 'overshotMm', 'spacerToKeepMm', 'furthestSubjectMm', 'neverMm', 'pastMm'])]
final readonly class InfinityView
{
    public function __construct(
        #[OA\Property()]
        public bool $reached,
        #[OA\Property()]
        public ?float $overshotMm,
        #[OA\Property()]
        public ?float $spacerToKeepMm,
        #[OA\Property()]
        public ?float $furthestSubjectMm,
        #[OA\Property(description: 'Extension that is missing even with everything at its longest; null = it is sharp somewhere')]
        public ?float $neverMm,
        #[OA\Property(description: 'How far it is set past infinity, where nothing is sharp; null = it is not')]
        public ?float $pastMm,
    ) {
    }
}
