<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** One rig of a comparison, brought to what all were to be brought to. */
#[OA\Schema(required: ['letter', 'id', 'name', 'cameraName', 'title', 'settings', 'met', 'readings', 'halfWidths', 'range', 'findings', 'resolvedDetailMm', 'tried', 'pixelsLeft', 'cropToMm', 'blurAtEdgeMm', 'depthMm', 'layers', 'adds', 'body', 'drawn', 'tipMm', 'subjectDistanceMm', 'columns', 'gaussianMm', 'brightness', 'travels', 'byHand', 'isCoupled'])]
final readonly class ComparedRigView
{
    /**
     * @param  list<string>  $settings
     * @param  list<string>  $findings
     * @param  list<PictureLayer>  $layers
     * @param  list<PartAdds>  $adds
     * @param  list<DrawingPart>  $drawn
     * @param  list<float>  $brightness
     * @param  list<ControlName>  $travels
     * @param  list<string>  $byHand
     */
    public function __construct(
        #[OA\Property()]
        public string $letter,
        #[OA\Property(description: 'The rig it was read from; it stays as it is')]
        public int $id,
        #[OA\Property()]
        public ?string $name,
        #[OA\Property()]
        public string $cameraName,
        #[OA\Property(description: 'Its parts, from the camera outwards')]
        public string $title,
        #[OA\Property(description: 'How its parts are set, as they are engraved', items: new OA\Items(type: 'string'))]
        public array $settings,
        #[OA\Property(description: 'Whether it does what all were to be brought to; else it is as near as it gets')]
        public bool $met,
        #[OA\Property()]
        public Readings $readings,
        #[OA\Property(description: 'Half-widths by reading', type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'number'))]
        public \stdClass $halfWidths,
        #[OA\Property()]
        public RangeView $range,
        #[OA\Property(description: 'What stops it or spoils it', items: new OA\Items(type: 'string'))]
        public array $findings,
        #[OA\Property(description: 'Period of the finest lines told apart, in the subject')]
        public ?float $resolvedDetailMm,
        #[OA\Property(description: 'Whether a trial of its lens is in its detail and its picture')]
        public bool $tried,
        #[OA\Property(description: 'Columns left of its picture')]
        public ?int $pixelsLeft,
        #[OA\Property(description: 'Width its picture is cropped to; null = nothing is cut off')]
        public ?float $cropToMm,
        #[OA\Property(description: 'Blur at the edge of the target’s depth, at the sensor')]
        public ?float $blurAtEdgeMm,
        #[OA\Property(description: 'Depth of the target; null = flat, or not known')]
        public ?float $depthMm,
        #[OA\Property(description: 'The target’s depth as it is imaged, the furthest first', items: new OA\Items(ref: PictureLayer::class))]
        public array $layers,
        #[OA\Property(description: 'What each part adds, by leaving it out', items: new OA\Items(ref: PartAdds::class))]
        public array $adds,
        #[OA\Property()]
        public DrawingCamera $body,
        #[OA\Property(items: new OA\Items(ref: DrawingPart::class))]
        public array $drawn,
        #[OA\Property()]
        public float $tipMm,
        #[OA\Property()]
        public ?float $subjectDistanceMm,
        #[OA\Property(description: 'Pixels across the sensor; 0 = not known')]
        public int $columns,
        #[OA\Property(description: 'Standard deviation of the blur that is everywhere, at the sensor; null = nothing is imaged')]
        public ?float $gaussianMm,
        #[OA\Property(description: 'How bright the picture is from its middle to its corner, at places of equal distance, 0 to 1', items: new OA\Items(type: 'number'))]
        public array $brightness,
        #[OA\Property(description: 'Its controls', items: new OA\Items(ref: ControlName::class))]
        public array $travels,
        #[OA\Property(description: 'Controls that were set by hand', items: new OA\Items(type: 'string'))]
        public array $byHand,
        #[OA\Property(description: 'Whether the camera works the aperture')]
        public bool $isCoupled,
    ) {
    }
}
