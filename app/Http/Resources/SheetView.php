<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** What goes to the table: lines by heading, and the rig to be drawn beside them. */
#[OA\Schema(required: ['title', 'sections', 'ruleMm', 'body', 'drawn', 'tipMm', 'subjectDistanceMm'])]
final readonly class SheetView
{
    /**
     * @param  list<SheetSection>  $sections
     * @param  list<DrawingPart>  $drawn
     */
    public function __construct(
        #[OA\Property()]
        public string $title,
        #[OA\Property(items: new OA\Items(ref: SheetSection::class))]
        public array $sections,
        #[OA\Property(description: 'Length of the paper rule from the rig’s front to the subject; null = there is no such distance')]
        public ?float $ruleMm,
        #[OA\Property()]
        public DrawingCamera $body,
        #[OA\Property(items: new OA\Items(ref: DrawingPart::class))]
        public array $drawn,
        #[OA\Property()]
        public float $tipMm,
        #[OA\Property()]
        public ?float $subjectDistanceMm,
    ) {
    }
}
