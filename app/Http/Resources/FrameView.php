<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A frame of the made-up camera. */
#[OA\Schema(required: ['id', 'run', 'number', 'target', 'aperture', 'railMm', 'width', 'height', 'divisionMm', 'name', 'takenAt'])]
final readonly class FrameView
{
    public function __construct(
        #[OA\Property()]
        public int $id,
        #[OA\Property(description: 'Of which stack; null = by itself')]
        public ?int $run,
        #[OA\Property(description: 'In its stack, from 0')]
        public ?int $number,
        #[OA\Property()]
        public string $target,
        #[OA\Property()]
        public ?float $aperture,
        #[OA\Property()]
        public float $railMm,
        #[OA\Property(description: 'Pixels, each one of the camera’s own')]
        public int $width,
        #[OA\Property()]
        public int $height,
        #[OA\Property()]
        public ?float $divisionMm,
        #[OA\Property(description: 'Of its file')]
        public string $name,
        #[OA\Property(format: 'date-time')]
        public string $takenAt,
    ) {
    }
}
