<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Bench\Steps\Mend;
use OpenApi\Attributes as OA;
use ZincThimble\Core\Finding\Code;

/** A change that cures a finding, to be sent back as a step. */
#[OA\Schema(required: ['code', 'index', 'pattern', 'numbers', 'magnification', 'step'])]
final readonly class MendView
{
    /**
     * @param  array<string, float|int|string>  $numbers
     */
    public function __construct(
        #[OA\Property(type: 'string', enum: Code::class)]
        public Code $code,
        #[OA\Property()]
        public ?int $index,
        #[OA\Property()]
        public string $pattern,
        #[OA\Property(type: 'object', additionalProperties: new OA\AdditionalProperties(oneOf: [new OA\Schema(type: 'number'), new OA\Schema(type: 'string')]))]
        public array $numbers,
        #[OA\Property()]
        public ?float $magnification,
        #[OA\Property()]
        public Mend $step,
    ) {
    }
}
