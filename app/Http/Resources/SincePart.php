<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** What has become of a part since a rig was written down. */
#[OA\Schema(required: ['part', 'what', 'changes'])]
final readonly class SincePart
{
    /**
     * @param  list<NewsChange>  $changes
     */
    public function __construct(
        #[OA\Property()]
        public string $part,
        #[OA\Property(enum: ['gone', 'corrected', 'settled'])]
        public string $what,
        #[OA\Property(items: new OA\Items(ref: NewsChange::class))]
        public array $changes,
    ) {
    }
}
