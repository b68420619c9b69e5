<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** Best apertures for a subject as deep as this one, and the stack. */
#[OA\Schema(required: ['depthMm', 'single', 'singleBlurMm', 'stacking', 'frames', 'stepMm'])]
final readonly class AdviceView
{
    public function __construct(
        #[OA\Property()]
        public float $depthMm,
        #[OA\Property()]
        public float $single,
        #[OA\Property()]
        public float $singleBlurMm,
        #[OA\Property()]
        public float $stacking,
        #[OA\Property()]
        public ?int $frames,
        #[OA\Property()]
        public ?float $stepMm,
    ) {
    }
}
