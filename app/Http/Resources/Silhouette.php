<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Gear\Design;

/** A part’s outline to scale, mm. */
#[OA\Schema(required: ['lengthMm', 'outerMm', 'rearOuterMm', 'frontOuterMm', 'design', 'longestMm'])]
final readonly class Silhouette
{
    public function __construct(
        #[OA\Property()]
        public float $lengthMm,
        #[OA\Property()]
        public float $outerMm,
        #[OA\Property()]
        public float $rearOuterMm,
        #[OA\Property()]
        public float $frontOuterMm,
        #[OA\Property(type: 'string', enum: Design::class, nullable: true)]
        public ?Design $design,
        #[OA\Property()]
        public ?float $longestMm,
    ) {
    }
}
