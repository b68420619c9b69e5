<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** What cures the findings of a rig. */
#[OA\Schema(required: ['revision', 'mends'])]
final readonly class MendsView
{
    /**
     * @param  list<MendView>  $mends
     */
    public function __construct(
        #[OA\Property()]
        public int $revision,
        #[OA\Property(items: new OA\Items(ref: MendView::class))]
        public array $mends,
    ) {
    }
}
