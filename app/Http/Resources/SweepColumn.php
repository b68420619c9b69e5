<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Report\PackedColumn;

/** A column of a sweep, packed: a figure is its whole number / 10^decimals, the whole numbers are the steps summed up `order` times over. */
#[OA\Schema(required: ['decimals', 'order', 'steps', 'none'])]
final readonly class SweepColumn
{
    /**
     * @param  list<int>  $steps
     * @param  list<array{int, int}>  $none
     */
    private function __construct(
        #[OA\Property()]
        public int $decimals,
        #[OA\Property(description: 'How often sums are made of the steps, 0 to 3')]
        public int $order,
        #[OA\Property(description: 'Of the rows that have a figure, the first as a step from 0', items: new OA\Items(type: 'integer'))]
        public array $steps,
        #[OA\Property(description: 'First and last row of the stretches without a figure', items: new OA\Items(type: 'array', items: new OA\Items(type: 'integer')))]
        public array $none,
    ) {
    }

    /** @param  array<int, float|int|null>  $values  by row */
    public static function of(array $values): self
    {
        $column = PackedColumn::of($values);

        return new self($column->decimals, $column->order, $column->steps, $column->none);
    }
}
