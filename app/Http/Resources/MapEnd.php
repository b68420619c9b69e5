<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** One end of a part on the joint map. */
#[OA\Schema(required: ['joint', 'spoken', 'side'])]
final readonly class MapEnd
{
    public function __construct(
        #[OA\Property()]
        public string $joint,
        #[OA\Property()]
        public string $spoken,
        #[OA\Property()]
        public string $side,
    ) {
    }
}
