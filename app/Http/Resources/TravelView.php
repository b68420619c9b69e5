<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Rig\TravelKind;

/** A control of a part: what it moves and how far. */
#[OA\Schema(required: ['name', 'index', 'kind', 'least', 'greatest', 'value', 'positions', 'marks', 'zero', 'per', 'unit', 'engraved'])]
final readonly class TravelView
{
    /**
     * @param  list<float>  $positions
     * @param  list<TravelMark>  $marks
     * @param  list<?float>  $engraved
     */
    public function __construct(
        #[OA\Property()]
        public string $name,
        #[OA\Property()]
        public int $index,
        #[OA\Property(type: 'string', enum: TravelKind::class)]
        public TravelKind $kind,
        #[OA\Property()]
        public float $least,
        #[OA\Property()]
        public float $greatest,
        #[OA\Property()]
        public float $value,
        #[OA\Property(items: new OA\Items(type: 'number'))]
        public array $positions,
        #[OA\Property(items: new OA\Items(ref: TravelMark::class))]
        public array $marks,
        #[OA\Property(description: 'Where its own scale reads 0')]
        public float $zero,
        #[OA\Property(description: 'How much one unit of its own scale is')]
        public float $per,
        #[OA\Property(description: 'The unit of its own scale')]
        public string $unit,
        #[OA\Property(description: 'Of a focus ring: the distance that stands engraved at each position, mm; null = infinity', items: new OA\Items(type: 'number', nullable: true))]
        public array $engraved,
    ) {
    }
}
