<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Report\Derivation;
use ZincThimble\Core\Report\DerivationStep;

/** How a reading comes about for a rig as it is set. */
#[OA\Schema(required: ['steps', 'thumb', 'rays', 'planes', 'subjectMm'])]
final readonly class DerivationView
{
    /**
     * @param  list<DerivationStepView>  $steps
     * @param  list<list<array{float, float}>>  $rays
     * @param  list<array{float, float}>  $planes
     */
    private function __construct(
        #[OA\Property(items: new OA\Items(ref: DerivationStepView::class))]
        public array $steps,
        #[OA\Property(description: 'The rule of thumb with the rig’s own numbers; empty = there is none')]
        public string $thumb,
        #[OA\Property(description: 'Two rays, from the middle and from the edge of the sensor: places along the axis and heights, mm', items: new OA\Items(type: 'array', items: new OA\Items(type: 'array', items: new OA\Items(type: 'number'))))]
        public array $rays,
        #[OA\Property(description: 'Principal planes of each glass, mm from the sensor', items: new OA\Items(type: 'array', items: new OA\Items(type: 'number')))]
        public array $planes,
        #[OA\Property()]
        public ?float $subjectMm,
    ) {
    }

    public static function of(Derivation $told): self
    {
        return new self(array_map(static fn (DerivationStep $step): DerivationStepView => new DerivationStepView($step->says, $step->sum), $told->steps), $told->thumb, $told->rays, $told->planes, $told->subjectMm);
    }
}
