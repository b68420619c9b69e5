<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A kit with its parts. */
#[OA\Schema(required: ['id', 'revision', 'name', 'currency', 'parts', 'history', 'deleted'])]
final readonly class KitView
{
    /**
     * @param  list<KitPart>  $parts
     */
    public function __construct(
        #[OA\Property()]
        public int $id,
        #[OA\Property()]
        public int $revision,
        #[OA\Property()]
        public string $name,
        #[OA\Property()]
        public ?string $currency,
        #[OA\Property(items: new OA\Items(ref: KitPart::class))]
        public array $parts,
        #[OA\Property()]
        public HistoryView $history,
        #[OA\Property()]
        public int $deleted,
    ) {
    }
}
