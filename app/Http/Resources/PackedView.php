<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A line of the packing list. */
#[OA\Schema(required: ['part', 'name', 'count', 'massG', 'toBuy', 'for'])]
final readonly class PackedView
{
    /**
     * @param  list<string>  $for
     */
    public function __construct(
        #[OA\Property(description: 'Its row in the kit; null = it isn’t there')]
        public ?int $part,
        #[OA\Property()]
        public string $name,
        #[OA\Property()]
        public int $count,
        #[OA\Property(description: 'g of one; null = not known')]
        public ?float $massG,
        #[OA\Property()]
        public bool $toBuy,
        #[OA\Property(description: 'Subjects that need it', items: new OA\Items(type: 'string'))]
        public array $for,
    ) {
    }
}
