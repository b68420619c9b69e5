<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** What a correction of a kit part changed in this rig. */
#[OA\Schema(required: ['part', 'followed', 'reason', 'changes'])]
final readonly class NewsView
{
    /**
     * @param  list<NewsChange>  $changes
     */
    public function __construct(
        #[OA\Property()]
        public string $part,
        #[OA\Property()]
        public bool $followed,
        #[OA\Property()]
        public ?string $reason,
        #[OA\Property(items: new OA\Items(ref: NewsChange::class))]
        public array $changes,
    ) {
    }
}
