<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Report\Criterion;

/** Who is best in one thing that people decide by. */
#[OA\Schema(required: ['criterion', 'letter', 'by'])]
final readonly class BestIn
{
    public function __construct(
        #[OA\Property(type: 'string', enum: Criterion::class)]
        public Criterion $criterion,
        #[OA\Property(description: 'null = nobody is by more than can be doubted, or somebody’s isn’t known')]
        public ?string $letter,
        #[OA\Property(description: 'Over the next')]
        public ?float $by,
    ) {
    }
}
