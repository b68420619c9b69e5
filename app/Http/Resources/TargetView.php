<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Picture\Shape;
use ZincThimble\Core\Picture\TargetKind;

/** What rigs photograph. */
#[OA\Schema(required: ['kind', 'shape', 'widthMm', 'heightMm', 'depthMm', 'divisionMm'])]
final readonly class TargetView
{
    public function __construct(
        #[OA\Property(type: 'string', enum: TargetKind::class)]
        public TargetKind $kind,
        #[OA\Property(type: 'string', enum: Shape::class)]
        public Shape $shape,
        #[OA\Property()]
        public float $widthMm,
        #[OA\Property()]
        public float $heightMm,
        #[OA\Property(description: '0 = flat')]
        public float $depthMm,
        #[OA\Property(description: 'From line to line of a ruler or a leaning rule; 0 = it has none')]
        public float $divisionMm = 0.0,
    ) {
    }
}
