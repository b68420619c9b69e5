<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A link by which anybody may look at a rig. */
#[OA\Schema(required: ['url', 'since'])]
final readonly class ShareView
{
    public function __construct(
        #[OA\Property()]
        public string $url,
        #[OA\Property()]
        public string $since,
    ) {
    }
}
