<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** Whether infinity is kept. */
#[OA\Schema(required: ['reached', 'overshotMm', 'spacerToKeepMm', 'furthestSubjectMm'])]
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
    ) {
    }
}
