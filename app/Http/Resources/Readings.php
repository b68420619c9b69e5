<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Rig\ApertureWorked;

/** What the rig does as set; mm unless named otherwise, null = infinite or not defined. */
#[OA\Schema(required: ['magnification', 'fieldWidthMm', 'fieldHeightMm', 'workingDistanceMm', 'subjectDistanceMm', 'effectiveAperture', 'stopsLost', 'depthOfFieldMm', 'nearMm', 'farMm', 'waveDepthMm', 'airyDiameterMm', 'detailMm', 'entrancePupilMm', 'extensionMm', 'lightGapDeg', 'cornerBrightness', 'imageCircleMm', 'massG', 'momentAtMountNm', 'momentAtFootNm', 'price', 'joints', 'coupling', 'cornerPart', 'fullFrameMagnification', 'combinedFocalLengthMm', 'planeTiltDeg', 'fieldMovesMm'])]
final readonly class Readings
{
    public function __construct(
        #[OA\Property()]
        public ?float $magnification,
        #[OA\Property()]
        public ?float $fieldWidthMm,
        #[OA\Property()]
        public ?float $fieldHeightMm,
        #[OA\Property()]
        public ?float $workingDistanceMm,
        #[OA\Property()]
        public ?float $subjectDistanceMm,
        #[OA\Property()]
        public ?float $effectiveAperture,
        #[OA\Property()]
        public ?float $stopsLost,
        #[OA\Property()]
        public ?float $depthOfFieldMm,
        #[OA\Property()]
        public ?float $nearMm,
        #[OA\Property()]
        public ?float $farMm,
        #[OA\Property()]
        public ?float $waveDepthMm,
        #[OA\Property()]
        public ?float $airyDiameterMm,
        #[OA\Property()]
        public ?float $detailMm,
        #[OA\Property()]
        public ?float $entrancePupilMm,
        #[OA\Property()]
        public ?float $extensionMm,
        #[OA\Property()]
        public ?float $lightGapDeg,
        #[OA\Property()]
        public ?float $cornerBrightness,
        #[OA\Property()]
        public ?float $imageCircleMm,
        #[OA\Property()]
        public ?float $massG,
        #[OA\Property()]
        public ?float $momentAtMountNm,
        #[OA\Property()]
        public ?float $momentAtFootNm,
        #[OA\Property()]
        public ?float $price,
        #[OA\Property()]
        public int $joints,
        #[OA\Property(type: 'string', enum: ApertureWorked::class)]
        public ApertureWorked $coupling,
        #[OA\Property()]
        public ?string $cornerPart,
        #[OA\Property(description: 'At what magnification a full 36 x 24 mm frame would show the same width')]
        public ?float $fullFrameMagnification,
        #[OA\Property(description: 'Focal length of all glass together')]
        public ?float $combinedFocalLengthMm,
        #[OA\Property(description: 'Tilt of the sharp plane against the sensor, degrees; null = nothing is swung or shifted')]
        public ?float $planeTiltDeg,
        #[OA\Property(description: 'How far the middle of the field moves')]
        public ?float $fieldMovesMm,
    ) {
    }
}
