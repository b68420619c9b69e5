<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A rig that is no better in anything than another. */
#[OA\Schema(required: ['letter', 'by'])]
final readonly class BeatenBy
{
    public function __construct(
        #[OA\Property()]
        public string $letter,
        #[OA\Property()]
        public string $by,
    ) {
    }
}
