<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** One part of a pattern. */
#[OA\Schema(required: ['fields'])]
final readonly class PatternPart
{
    public function __construct(
        #[OA\Property(type: 'object', additionalProperties: true)]
        public \stdClass $fields,
    ) {
    }
}
