<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** One frame of a stack by the focus ring. */
#[OA\Schema(required: ['said', 'focus', 'planeMm', 'fieldMm', 'sliceMm'])]
final readonly class RingFrameView
{
    public function __construct(
        #[OA\Property(description: 'As the lens is set, by its own engraving')]
        public string $said,
        #[OA\Property()]
        public float $focus,
        #[OA\Property()]
        public float $planeMm,
        #[OA\Property()]
        public float $fieldMm,
        #[OA\Property()]
        public float $sliceMm,
    ) {
    }
}
