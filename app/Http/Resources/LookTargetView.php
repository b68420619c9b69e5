<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Picture\Shape;
use ZincThimble\Core\Picture\TargetKind;

/** What stands before the made-up camera. */
#[OA\Schema(required: ['kind', 'shape', 'widthMm', 'heightMm', 'depthMm', 'divisionMm', 'leanDeg'])]
final readonly class LookTargetView
{
    public function __construct(
        #[OA\Property(type: 'string', enum: ['subject', 'seed', 'capsule', 'tooth', 'ruler', 'edge', 'rule', 'dots'])]
        public TargetKind $kind,
        #[OA\Property(type: 'string', enum: Shape::class)]
        public Shape $shape,
        #[OA\Property()]
        public float $widthMm,
        #[OA\Property()]
        public float $heightMm,
        #[OA\Property(description: '0 = flat')]
        public float $depthMm,
        #[OA\Property(description: 'From line to line of a ruler or a leaning rule; null = it has none')]
        public ?float $divisionMm,
        #[OA\Property(description: 'Of a rule out of the plane of focus; null = it is none')]
        public ?float $leanDeg,
    ) {
    }
}
