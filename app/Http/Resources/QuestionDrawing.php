<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A rig as it is drawn beside a question, mm from the sensor. */
#[OA\Schema(required: ['camera', 'body', 'drawn', 'tipMm', 'subjectDistanceMm', 'barMm'])]
final readonly class QuestionDrawing
{
    /** @param  list<\stdClass>  $drawn */
    public function __construct(
        #[OA\Property(description: 'Empty where the drawing alone is to tell it')]
        public string $camera,
        #[OA\Property(ref: DrawingCamera::class)]
        public \stdClass $body,
        #[OA\Property(items: new OA\Items(ref: DrawingPart::class))]
        public array $drawn,
        #[OA\Property()]
        public float $tipMm,
        #[OA\Property(description: 'Null where it is asked for')]
        public ?float $subjectDistanceMm,
        #[OA\Property(description: 'Length of the bar that is drawn to the same scale; null = none')]
        public ?float $barMm,
    ) {
    }
}
