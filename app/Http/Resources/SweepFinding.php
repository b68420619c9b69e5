<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A finding and the rows of a sweep where it holds. */
#[OA\Schema(required: ['code', 'severity', 'index', 'pattern', 'numbers', 'columns', 'from', 'to'])]
final readonly class SweepFinding
{
    /**
     * @param  array<string, float|int|string>  $numbers
     * @param  array<string, list<?float>>  $columns
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
        #[OA\Property(type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'array', items: new OA\Items(type: 'number', nullable: true)))]
        public array $columns,
        #[OA\Property()]
        public int $from,
        #[OA\Property()]
        public int $to,
    ) {
    }
}
