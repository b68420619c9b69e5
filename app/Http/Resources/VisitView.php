<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A rig in its turn. */
#[OA\Schema(required: ['letter', 'subjects', 'undone', 'made'])]
final readonly class VisitView
{
    /**
     * @param  list<int>  $subjects  by their place in the outing
     */
    public function __construct(
        #[OA\Property()]
        public string $letter,
        #[OA\Property(items: new OA\Items(type: 'integer'))]
        public array $subjects,
        #[OA\Property(description: 'Joints undone before it')]
        public int $undone,
        #[OA\Property(description: 'Joints made for it')]
        public int $made,
    ) {
    }
}
