<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** Where somebody is signed in. */
#[OA\Schema(required: ['id', 'current', 'address', 'browser', 'lastUsedAt'])]
final readonly class SessionView
{
    public function __construct(
        #[OA\Property()]
        public string $id,
        #[OA\Property()]
        public bool $current,
        #[OA\Property()]
        public ?string $address,
        #[OA\Property()]
        public ?string $browser,
        #[OA\Property()]
        public string $lastUsedAt,
    ) {
    }
}
