<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** What one subject is to be photographed with. */
#[OA\Schema(required: ['subject', 'letter', 'title', 'scales', 'magnification', 'magnificationHalfWidth', 'fieldWidthMm', 'workingDistanceMm', 'workingDistanceHalfWidth', 'subjectDistanceMm', 'effectiveAperture', 'depthOfFieldMm', 'depthOfFieldHalfWidth', 'frames', 'stepMm', 'light', 'warnings', 'cautions', 'rig', 'body', 'drawn', 'tipMm', 'withoutMassG', 'withoutParts', 'buying'])]
final readonly class AssignmentView
{
    /**
     * @param  list<ScaleView>  $scales
     * @param  list<string>  $warnings
     * @param  list<string>  $cautions
     * @param  list<DrawingPart>  $drawn
     * @param  list<BuyView>  $buying
     */
    public function __construct(
        #[OA\Property()]
        public string $subject,
        #[OA\Property(description: 'Of its rig; null = no rig of the kit does it')]
        public ?string $letter,
        #[OA\Property(description: 'The rig in a line')]
        public string $title,
        #[OA\Property(items: new OA\Items(ref: ScaleView::class))]
        public array $scales,
        #[OA\Property()]
        public ?float $magnification,
        #[OA\Property()]
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
        public ?float $depthOfFieldMm,
        #[OA\Property()]
        public ?float $depthOfFieldHalfWidth,
        #[OA\Property(description: 'Of the stack; null = one shot')]
        public ?int $frames,
        #[OA\Property(description: 'From frame to frame')]
        public ?float $stepMm,
        #[OA\Property(description: 'What lights it, in words')]
        public ?string $light,
        #[OA\Property(items: new OA\Items(type: 'string'))]
        public array $warnings,
        #[OA\Property(items: new OA\Items(type: 'string'))]
        public array $cautions,
        #[OA\Property(description: 'As set for it, a whole rig file', type: 'object', additionalProperties: true, nullable: true)]
        public ?\stdClass $rig,
        #[OA\Property(nullable: true)]
        public ?DrawingCamera $body,
        #[OA\Property(items: new OA\Items(ref: DrawingPart::class))]
        public array $drawn,
        #[OA\Property()]
        public ?float $tipMm,
        #[OA\Property(description: 'What the bag weighs without this subject; null = it is the only one')]
        public ?float $withoutMassG,
        #[OA\Property()]
        public ?int $withoutParts,
        #[OA\Property(items: new OA\Items(ref: BuyView::class))]
        public array $buying,
    ) {
    }
}
