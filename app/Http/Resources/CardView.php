<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A table for the bag, one page. */
#[OA\Schema(required: ['title', 'first', 'columns', 'rows', 'notes'])]
final readonly class CardView
{
    /**
     * @param  list<CardColumn>  $columns
     * @param  list<CardRow>  $rows
     * @param  list<string>  $notes
     */
    public function __construct(
        #[OA\Property()]
        public string $title,
        #[OA\Property()]
        public string $first,
        #[OA\Property(items: new OA\Items(ref: CardColumn::class))]
        public array $columns,
        #[OA\Property(items: new OA\Items(ref: CardRow::class))]
        public array $rows,
        #[OA\Property(items: new OA\Items(type: 'string'))]
        public array $notes,
    ) {
    }
}
