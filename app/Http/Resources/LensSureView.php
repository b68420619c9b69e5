<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** How sure a lens is where one of its kind is mostly used. */
#[OA\Schema(required: ['spacersMm', 'magnification', 'magnificationHalfWidth', 'workingDistanceMm', 'workingDistanceHalfWidth', 'takenAs'])]
final readonly class LensSureView
{
    /**
     * @param  list<TakenAsView>  $takenAs
     */
    public function __construct(
        #[OA\Property(description: 'Between its own camera and the lens; 0 = at its closest')]
        public float $spacersMm,
        #[OA\Property()]
        public ?float $magnification,
        #[OA\Property()]
        public float $magnificationHalfWidth,
        #[OA\Property()]
        public ?float $workingDistanceMm,
        #[OA\Property()]
        public float $workingDistanceHalfWidth,
        #[OA\Property(items: new OA\Items(ref: TakenAsView::class))]
        public array $takenAs,
    ) {
    }
}
