<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Finding\Code;
use ZincThimble\Core\Finding\Severity;
use ZincThimble\Core\Finding\Span;

/** A finding and the rows of a sweep where it holds. */
#[OA\Schema(required: ['code', 'severity', 'index', 'pattern', 'numbers', 'columns', 'from', 'to'])]
final readonly class SweepFinding
{
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
        public object $numbers,
        #[OA\Property(type: 'object', additionalProperties: new OA\AdditionalProperties(ref: SweepColumn::class))]
        public object $columns,
        #[OA\Property()]
        public int $from,
        #[OA\Property()]
        public int $to,
    ) {
    }

    public static function of(Span $span): self
    {
        $finding = $span->finding;

        return new self(
            code: $finding->code,
            severity: $finding->severity,
            index: $finding->part,
            pattern: $finding->pattern,
            numbers: (object) $finding->numbers,
            columns: (object) array_map(SweepColumn::of(...), $span->held()),
            from: $span->from,
            to: $span->to,
        );
    }
}
