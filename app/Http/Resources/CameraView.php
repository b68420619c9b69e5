<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** The camera of a rig. */
#[OA\Schema(required: ['partId', 'name', 'joint', 'sensorWidthMm', 'sensorHeightMm', 'finderCoverage'])]
final readonly class CameraView
{
    public function __construct(
        #[OA\Property()]
        public ?int $partId,
        #[OA\Property()]
        public string $name,
        #[OA\Property()]
        public string $joint,
        #[OA\Property()]
        public float $sensorWidthMm,
        #[OA\Property()]
        public float $sensorHeightMm,
        #[OA\Property(description: 'Share of the frame’s width and height that its finder shows')]
        public ?float $finderCoverage,
    ) {
    }
}
