<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A state that a rig was saved in. */
#[OA\Schema(required: ['number', 'label', 'savedAt'])]
final readonly class StateSummary
{
    public function __construct(
        #[OA\Property()]
        public int $number,
        #[OA\Property()]
        public string $label,
        #[OA\Property()]
        public string $savedAt,
    ) {
    }
}
