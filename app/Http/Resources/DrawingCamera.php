<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** The camera in the drawing, mm from the sensor. */
#[OA\Schema(required: ['frontMm', 'backMm', 'heightMm', 'mountMm', 'gripMm', 'estimated'])]
final readonly class DrawingCamera
{
    public function __construct(
        #[OA\Property()]
        public float $frontMm,
        #[OA\Property()]
        public float $backMm,
        #[OA\Property()]
        public float $heightMm,
        #[OA\Property()]
        public float $mountMm,
        #[OA\Property()]
        public float $gripMm,
        #[OA\Property()]
        public bool $estimated,
    ) {
    }
}
