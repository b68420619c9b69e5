<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A refracting group of the drawing, row by row. */
#[OA\Schema(required: ['zi', 'zo', 'cone', 'chief'])]
final readonly class SweepGroup
{
    /**
     * @param  list<float>  $zi
     * @param  list<float>  $zo
     * @param  list<?float>  $cone
     * @param  list<?float>  $chief
     */
    public function __construct(
        #[OA\Property(items: new OA\Items(type: 'number'))]
        public array $zi,
        #[OA\Property(items: new OA\Items(type: 'number'))]
        public array $zo,
        #[OA\Property(items: new OA\Items(type: 'number', nullable: true))]
        public array $cone,
        #[OA\Property(items: new OA\Items(type: 'number', nullable: true))]
        public array $chief,
    ) {
    }
}
