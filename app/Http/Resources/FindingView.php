<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** One finding, its sentence as a pattern with numbers. */
#[OA\Schema(required: ['code', 'severity', 'index', 'pattern', 'numbers', 'message'])]
final readonly class FindingView
{
    /**
     * @param  array<string, float|int|string>  $numbers
     */
    public function __construct(
        #[OA\Property()]
        public string $code,
        #[OA\Property()]
        public string $severity,
        #[OA\Property()]
        public ?int $index,
        #[OA\Property()]
        public string $pattern,
        #[OA\Property(type: 'object', additionalProperties: new OA\AdditionalProperties(oneOf: [new OA\Schema(type: 'number'), new OA\Schema(type: 'string')]))]
        public array $numbers,
        #[OA\Property()]
        public string $message,
    ) {
    }
}
