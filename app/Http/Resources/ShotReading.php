<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** One measure of a shot beside what the lens as settled gives. */
#[OA\Schema(required: ['reading', 'measured', 'halfWidth', 'settled', 'odd'])]
final readonly class ShotReading
{
    public function __construct(
        #[OA\Property(enum: ['magnification', 'workingDistanceMm', 'subjectDistanceMm'])]
        public string $reading,
        #[OA\Property()]
        public float $measured,
        #[OA\Property()]
        public float $halfWidth,
        #[OA\Property()]
        public ?float $settled,
        #[OA\Property(description: 'Whether they lie more than three standard deviations apart')]
        public bool $odd,
    ) {
    }
}
