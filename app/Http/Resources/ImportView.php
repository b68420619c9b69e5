<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** What a file would change; nothing is changed yet. */
#[OA\Schema(required: ['revision', 'new', 'same', 'different', 'refused', 'rows'])]
final readonly class ImportView
{
    /**
     * @param  list<ImportRow>  $rows
     */
    public function __construct(
        #[OA\Property()]
        public int $revision,
        #[OA\Property()]
        public int $new,
        #[OA\Property()]
        public int $same,
        #[OA\Property()]
        public int $different,
        #[OA\Property()]
        public int $refused,
        #[OA\Property(items: new OA\Items(ref: ImportRow::class))]
        public array $rows,
    ) {
    }
}
