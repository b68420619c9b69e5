<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Rig\BlurRule;

/** What the other schools say of the same rig. */
#[OA\Schema(required: ['apertureModel', 'simpleAperture', 'simpleStopsLost', 'pupilAperture', 'depthModel', 'totalDepthMm', 'blurRule', 'otherBlurRule', 'otherBlurLimitMm', 'otherDepthMm'])]
final readonly class SchoolsView
{
    public function __construct(
        #[OA\Property()]
        public string $apertureModel,
        #[OA\Property()]
        public ?float $simpleAperture,
        #[OA\Property()]
        public ?float $simpleStopsLost,
        #[OA\Property()]
        public ?float $pupilAperture,
        #[OA\Property()]
        public string $depthModel,
        #[OA\Property()]
        public ?float $totalDepthMm,
        #[OA\Property(type: 'string', enum: BlurRule::class)]
        public BlurRule $blurRule,
        #[OA\Property(type: 'string', enum: BlurRule::class)]
        public BlurRule $otherBlurRule,
        #[OA\Property()]
        public ?float $otherBlurLimitMm,
        #[OA\Property()]
        public ?float $otherDepthMm,
    ) {
    }
}
