<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** What was found in a box of a picture. Places are pixels of the box; null = not asked for, or not to be told. */
#[OA\Schema(required: ['what', 'camera', 'cameraName', 'pitchMm', 'isResized', 'lines', 'pixelsPerDivision', 'count', 'angleDeg', 'growthPercent', 'magnification', 'magnificationHalfWidth', 'mtf50', 'mtf10', 'halfWidth', 'contrast', 'pairsPerMm', 'pairsPerMmInSubject', 'sliceMm', 'sliceHalfWidthMm', 'middleMm', 'middleHalfWidthMm'])]
final readonly class MeasuredPicture
{
    /** @param  list<list<float>>  $lines */
    public function __construct(
        #[OA\Property(enum: ['ruler', 'edge', 'rule', 'marks'])]
        public string $what,
        #[OA\Property(description: 'Which camera of the kit took it; null = none of them, or that isn’t known')]
        public ?int $camera = null,
        #[OA\Property()]
        public ?string $cameraName = null,
        #[OA\Property(description: 'From pixel to pixel of the picture, on the sensor')]
        public ?float $pitchMm = null,
        #[OA\Property(description: 'Whether the picture has other pixels than the sensor: it was scaled by its columns')]
        public bool $isResized = false,
        #[OA\Property(type: 'array', description: 'What was found, as lines: x and y of one end, x and y of the other', items: new OA\Items(type: 'array', items: new OA\Items(type: 'number')))]
        public array $lines = [],
        #[OA\Property()]
        public ?float $pixelsPerDivision = null,
        #[OA\Property(description: 'Lines of a ruler')]
        public ?int $count = null,
        #[OA\Property()]
        public ?float $angleDeg = null,
        #[OA\Property(description: 'By how much its last division is larger than its first: the camera isn’t square to it')]
        public ?float $growthPercent = null,
        #[OA\Property()]
        public ?float $magnification = null,
        #[OA\Property()]
        public ?float $magnificationHalfWidth = null,
        #[OA\Property(description: 'Cycles a pixel at which half of the contrast is left')]
        public ?float $mtf50 = null,
        #[OA\Property()]
        public ?float $mtf10 = null,
        #[OA\Property()]
        public ?float $halfWidth = null,
        #[OA\Property()]
        public ?float $contrast = null,
        #[OA\Property(description: 'On the sensor')]
        public ?float $pairsPerMm = null,
        #[OA\Property()]
        public ?float $pairsPerMmInSubject = null,
        #[OA\Property()]
        public ?float $sliceMm = null,
        #[OA\Property()]
        public ?float $sliceHalfWidthMm = null,
        #[OA\Property(description: 'Of the slice, from the middle of the box')]
        public ?float $middleMm = null,
        #[OA\Property()]
        public ?float $middleHalfWidthMm = null,
    ) {
    }
}
