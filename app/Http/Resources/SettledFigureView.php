<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A figure before and after it was measured. */
#[OA\Schema(required: ['field', 'label', 'unit', 'old', 'oldHalfWidth', 'assumed', 'new', 'newHalfWidth'])]
final readonly class SettledFigureView
{
    public function __construct(
        #[OA\Property()]
        public string $field,
        #[OA\Property()]
        public string $label,
        #[OA\Property()]
        public string $unit,
        #[OA\Property()]
        public float $old,
        #[OA\Property()]
        public float $oldHalfWidth,
        #[OA\Property()]
        public bool $assumed,
        #[OA\Property()]
        public float $new,
        #[OA\Property()]
        public float $newHalfWidth,
    ) {
    }
}
