<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** The rig to scale, mm from the sensor. */
#[OA\Schema(required: ['camera', 'sensorMm', 'parts', 'groups', 'cornerMm', 'cornerAtSubjectMm', 'tipMm', 'tipDiameterMm', 'subjectMm', 'entrancePupilMm', 'balanceMm', 'movement'])]
final readonly class DrawingView
{
    /**
     * @param  list<DrawingPart>  $parts
     * @param  list<DrawingGroup>  $groups
     */
    public function __construct(
        #[OA\Property()]
        public DrawingCamera $camera,
        #[OA\Property()]
        public float $sensorMm,
        #[OA\Property(items: new OA\Items(ref: DrawingPart::class))]
        public array $parts,
        #[OA\Property(items: new OA\Items(ref: DrawingGroup::class))]
        public array $groups,
        #[OA\Property()]
        public float $cornerMm,
        #[OA\Property()]
        public ?float $cornerAtSubjectMm,
        #[OA\Property()]
        public float $tipMm,
        #[OA\Property()]
        public float $tipDiameterMm,
        #[OA\Property()]
        public ?float $subjectMm,
        #[OA\Property()]
        public ?float $entrancePupilMm,
        #[OA\Property()]
        public ?float $balanceMm,
        #[OA\Property(description: 'What is swung or shifted; null = nothing is')]
        public ?DrawingMovement $movement,
    ) {
    }
}
