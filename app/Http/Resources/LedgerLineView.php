<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** How right the predictions of one figure were. */
#[OA\Schema(required: ['figure', 'lens', 'count', 'medianError', 'medianSigned', 'stated', 'inside'])]
final readonly class LedgerLineView
{
    public function __construct(
        #[OA\Property(enum: ['magnification', 'workingDistanceMm', 'sliceMm'])]
        public string $figure,
        #[OA\Property(description: 'null = all of them')]
        public ?string $lens,
        #[OA\Property(description: 'How often it was measured')]
        public int $count,
        #[OA\Property(description: 'Half were nearer than this share of the truth')]
        public float $medianError,
        #[OA\Property(description: 'With its sign: above 0 = tends to be said too large')]
        public float $medianSigned,
        #[OA\Property(description: 'How often a half-width was said')]
        public int $stated,
        #[OA\Property(description: 'How often of these the truth lay within it')]
        public int $inside,
    ) {
    }
}
