<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Picture\Shape;
use ZincThimble\Core\Picture\TargetKind;

/** What all rigs of a comparison photograph. */
#[OA\Schema(required: ['kind', 'shape', 'widthMm', 'heightMm', 'depthMm'])]
final readonly class TargetView
{
    public function __construct(
        #[OA\Property(type: 'string', enum: ['subject', 'seed', 'capsule', 'tooth', 'dots', 'grid', 'print', 'label'])]
        public TargetKind $kind,
        #[OA\Property(type: 'string', enum: Shape::class)]
        public Shape $shape,
        #[OA\Property()]
        public float $widthMm,
        #[OA\Property()]
        public float $heightMm,
        #[OA\Property(description: '0 = flat')]
        public float $depthMm,
    ) {
    }
}
