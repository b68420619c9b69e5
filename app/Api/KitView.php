<?php

declare(strict_types=1);

namespace App\Api;

use OpenApi\Attributes as OA;

/** A kit with its parts. */
#[OA\Schema(required: ['id', 'name', 'currency', 'parts'])]
final readonly class KitView
{
    /**
     * @param  list<PartView>  $parts
     */
    public function __construct(
        #[OA\Property()]
        public int $id,
        #[OA\Property()]
        public string $name,
        #[OA\Property()]
        public ?string $currency,
        #[OA\Property(items: new OA\Items(ref: PartView::class))]
        public array $parts,
    ) {
    }
}
