<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A refracting group of the drawing, row by row. */
#[OA\Schema(required: ['zi', 'zo', 'cone', 'chief'])]
final readonly class SweepGroup
{
    public function __construct(
        #[OA\Property()]
        public SweepPlaces $zi,
        #[OA\Property()]
        public SweepPlaces $zo,
        #[OA\Property()]
        public SweepColumn $cone,
        #[OA\Property()]
        public SweepColumn $chief,
    ) {
    }

    /** @param  array{zi: list<float>, zo: list<float>, cone: list<?float>, chief: list<?float>}  $group */
    public static function of(array $group): self
    {
        return new self(SweepPlaces::of($group['zi']), SweepPlaces::of($group['zo']), SweepColumn::of($group['cone']), SweepColumn::of($group['chief']));
    }
}
