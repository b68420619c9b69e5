<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Report\UnderWater;

/** What a rig with a port does in one place: in air, behind the port, with wet glass before it. */
#[OA\Schema(required: ['where', 'magnification', 'fieldWidthMm', 'workingDistanceMm', 'nearestMm', 'furthestMm', 'greatestMagnification'])]
final readonly class WaterView
{
    private function __construct(
        #[OA\Property(type: 'string', enum: ['air', 'port', 'wet'])]
        public string $where,
        #[OA\Property()]
        public ?float $magnification,
        #[OA\Property()]
        public ?float $fieldWidthMm,
        #[OA\Property()]
        public ?float $workingDistanceMm,
        #[OA\Property(description: 'From the front-most metal, whatever can be moved')]
        public ?float $nearestMm,
        #[OA\Property(description: 'null = infinitely far')]
        public ?float $furthestMm,
        #[OA\Property()]
        public ?float $greatestMagnification,
    ) {
    }

    public static function of(UnderWater $told): self
    {
        return new self(...get_object_vars($told));
    }
}
