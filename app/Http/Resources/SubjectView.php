<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** What is photographed. */
#[OA\Schema(required: ['name', 'widthMm', 'depthMm', 'document'])]
final readonly class SubjectView
{
    public function __construct(
        #[OA\Property()]
        public ?string $name,
        #[OA\Property()]
        public ?float $widthMm,
        #[OA\Property()]
        public ?float $depthMm,
        #[OA\Property(type: 'object', additionalProperties: true)]
        public \stdClass $document,
    ) {
    }
}
