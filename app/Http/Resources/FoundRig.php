<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Rig\ApertureWorked;
use ZincThimble\Core\Search\Route;

/** A rig that does what was wanted, set where it does, and why it stands where it stands. */
#[OA\Schema(required: ['camera', 'cameraName', 'route', 'title', 'setting', 'why', 'parts', 'magnification', 'magnificationHalfWidth', 'fieldWidthMm', 'workingDistanceMm', 'workingDistanceHalfWidth', 'subjectDistanceMm', 'effectiveAperture', 'stopsLost', 'depthOfFieldMm', 'detailMm', 'cornerBrightness', 'massG', 'price', 'joints', 'coupling', 'warnings', 'toBuy', 'misses', 'alike', 'sensorMm', 'body', 'drawn', 'tipMm'])]
final readonly class FoundRig
{
    /**
     * @param  list<SetUpPart>  $parts
     * @param  list<string>  $warnings
     * @param  list<string>  $toBuy  parts of it that are not owned yet
     * @param  list<string>  $misses  what it misses of the wish
     * @param  list<DrawingPart>  $drawn
     */
    public function __construct(
        #[OA\Property()]
        public ?int $camera,
        #[OA\Property()]
        public string $cameraName,
        #[OA\Property(type: 'string', enum: Route::class)]
        public Route $route,
        #[OA\Property()]
        public string $title,
        #[OA\Property()]
        public string $setting,
        #[OA\Property()]
        public string $why,
        #[OA\Property(items: new OA\Items(ref: SetUpPart::class))]
        public array $parts,
        #[OA\Property()]
        public ?float $magnification,
        #[OA\Property(description: 'Half-width of the magnification; null = nothing uncertain moves it')]
        public ?float $magnificationHalfWidth,
        #[OA\Property()]
        public ?float $fieldWidthMm,
        #[OA\Property()]
        public ?float $workingDistanceMm,
        #[OA\Property()]
        public ?float $workingDistanceHalfWidth,
        #[OA\Property()]
        public ?float $subjectDistanceMm,
        #[OA\Property()]
        public ?float $effectiveAperture,
        #[OA\Property()]
        public ?float $stopsLost,
        #[OA\Property()]
        public ?float $depthOfFieldMm,
        #[OA\Property()]
        public ?float $detailMm,
        #[OA\Property()]
        public ?float $cornerBrightness,
        #[OA\Property()]
        public ?float $massG,
        #[OA\Property()]
        public ?float $price,
        #[OA\Property()]
        public int $joints,
        #[OA\Property(type: 'string', enum: ApertureWorked::class)]
        public ApertureWorked $coupling,
        #[OA\Property(items: new OA\Items(type: 'string'))]
        public array $warnings,
        #[OA\Property(items: new OA\Items(type: 'string'))]
        public array $toBuy,
        #[OA\Property(description: 'What it misses of the wish; empty = nothing', items: new OA\Items(type: 'string'))]
        public array $misses,
        #[OA\Property()]
        public int $alike,
        #[OA\Property()]
        public float $sensorMm,
        #[OA\Property()]
        public DrawingCamera $body,
        #[OA\Property(items: new OA\Items(ref: DrawingPart::class))]
        public array $drawn,
        #[OA\Property()]
        public float $tipMm,
    ) {
    }
}
