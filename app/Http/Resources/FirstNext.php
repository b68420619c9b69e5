<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Start\FirstQuestion;

/** The one thing left open that would make a figure surer by most. */
#[OA\Schema(required: ['question', 'reading', 'before', 'after'])]
final readonly class FirstNext
{
    public function __construct(
        #[OA\Property(type: 'string', enum: FirstQuestion::class)]
        public FirstQuestion $question,
        #[OA\Property(type: 'string', enum: ['magnification', 'workingDistanceMm'])]
        public string $reading,
        #[OA\Property(description: 'Half-width as it is')]
        public float $before,
        #[OA\Property(description: 'And as it would be')]
        public float $after,
    ) {
    }
}
