<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A stack by the camera’s own focus steps. */
#[OA\Schema(required: ['setting', 'frames', 'widestMm', 'leavesGap', 'firstFieldMm', 'lastFieldMm', 'start', 'seconds', 'planesMm'])]
final readonly class BracketingView
{
    /**
     * @param  list<float>  $planesMm
     */
    public function __construct(
        #[OA\Property()]
        public int $setting,
        #[OA\Property()]
        public int $frames,
        #[OA\Property()]
        public float $widestMm,
        #[OA\Property()]
        public bool $leavesGap,
        #[OA\Property()]
        public float $firstFieldMm,
        #[OA\Property()]
        public float $lastFieldMm,
        #[OA\Property(description: 'How the lens is set before the first frame')]
        public string $start,
        #[OA\Property()]
        public float $seconds,
        #[OA\Property(items: new OA\Items(type: 'number'))]
        public array $planesMm,
    ) {
    }
}
