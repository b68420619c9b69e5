<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** One figure that was corrected. */
#[OA\Schema(required: ['label', 'unit', 'before', 'after'])]
final readonly class NewsChange
{
    public function __construct(
        #[OA\Property()]
        public string $label,
        #[OA\Property()]
        public string $unit,
        #[OA\Property(oneOf: [new OA\Schema(type: 'string'), new OA\Schema(type: 'number'), new OA\Schema(type: 'boolean')], nullable: true)]
        public mixed $before,
        #[OA\Property(oneOf: [new OA\Schema(type: 'string'), new OA\Schema(type: 'number'), new OA\Schema(type: 'boolean')], nullable: true)]
        public mixed $after,
    ) {
    }
}
