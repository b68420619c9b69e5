<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Finding\Code;
use ZincThimble\Core\Finding\Severity;

/** One finding, its sentence as a pattern with numbers. */
#[OA\Schema(required: ['code', 'severity', 'index', 'pattern', 'numbers', 'message'])]
final readonly class FindingView
{
    /**
     * @param  array<string, float|int|string>  $numbers
     */
    public function __construct(
        #[OA\Property(type: 'string', enum: Code::class)]
        public Code $code,
        #[OA\Property(type: 'string', enum: Severity::class)]
        public Severity $severity,
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
