<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Report\PackedColumn;

/** A column of a sweep that has a figure in every row, packed as SweepColumn is. */
#[OA\Schema(required: ['decimals', 'order', 'steps'])]
final readonly class SweepPlaces
{
    /** @param  list<int>  $steps */
    private function __construct(
        #[OA\Property()]
        public int $decimals,
        #[OA\Property(description: 'How often sums are made of the steps, 0 to 3')]
        public int $order,
        #[OA\Property(description: 'The first as a step from 0', items: new OA\Items(type: 'integer'))]
        public array $steps,
    ) {
    }

    /** @param  list<float>  $values  by row */
    public static function of(array $values): self
    {
        $column = PackedColumn::of($values);

        return new self($column->decimals, $column->order, $column->steps);
    }
}
