<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A rig in a list. */
#[OA\Schema(required: ['id', 'name', 'parts', 'updatedAt', 'tags', 'trouble'])]
final readonly class RigSummary
{
    /** @param  list<string>  $tags */
    public function __construct(
        #[OA\Property()]
        public int $id,
        #[OA\Property()]
        public ?string $name,
        #[OA\Property()]
        public string $parts,
        #[OA\Property()]
        public string $updatedAt,
        #[OA\Property(items: new OA\Items(type: 'string'))]
        public array $tags,
        /** Why it can't be read any more; null = it can. Its file can be taken out all the same. */
        #[OA\Property()]
        public ?string $trouble,
    ) {
    }
}
