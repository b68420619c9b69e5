<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A lens that what was measured points at, and the entry that would settle it. */
#[OA\Schema(required: ['lens', 'outing', 'entry', 'day', 'measured', 'predicted', 'halfWidth'])]
final readonly class LedgerHint
{
    public function __construct(
        #[OA\Property()]
        public string $lens,
        #[OA\Property()]
        public int $outing,
        #[OA\Property()]
        public string $entry,
        #[OA\Property(format: 'date')]
        public string $day,
        #[OA\Property(description: 'Magnification')]
        public float $measured,
        #[OA\Property()]
        public float $predicted,
        #[OA\Property()]
        public float $halfWidth,
    ) {
    }
}
