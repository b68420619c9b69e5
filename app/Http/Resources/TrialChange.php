<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** One thing that a trial changes. */
#[OA\Schema(required: ['what', 'was', 'is'])]
final readonly class TrialChange
{
    public function __construct(
        #[OA\Property(enum: ['single', 'stack', 'detailMm', 'gaussianMm'])]
        public string $what,
        #[OA\Property()]
        public ?float $was,
        #[OA\Property()]
        public ?float $is,
    ) {
    }
}
