<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Reading\MeasurementWay;

/** Why a reading is not exact: what it rests on, and what would settle it, tried on paper. */
#[OA\Schema(required: ['reading', 'halfWidth', 'index', 'part', 'assumed', 'rests', 'way', 'settle', 'after', 'shot'])]
final readonly class Doubt
{
    /**
     * @param  list<string>  $rests
     */
    public function __construct(
        #[OA\Property()]
        public string $reading,
        #[OA\Property()]
        public float $halfWidth,
        #[OA\Property()]
        public int $index,
        #[OA\Property()]
        public string $part,
        #[OA\Property(description: 'What counts most')]
        public string $assumed,
        #[OA\Property(description: 'Figures that nobody gave and that this reading rests on', items: new OA\Items(type: 'string'))]
        public array $rests,
        #[OA\Property(description: 'The measurement that narrows it most for its trouble; null = none would halve it')]
        public ?MeasurementWay $way,
        #[OA\Property()]
        public ?string $settle,
        #[OA\Property(description: 'Half-width that would be left')]
        public ?float $after,
        #[OA\Property(description: 'How this rig is told as a shot of the lens, where it can be')]
        public ?ShotSetup $shot,
    ) {
    }
}
