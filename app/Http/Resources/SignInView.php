<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** Something that happened at the door of an account. */
#[OA\Schema(required: ['what', 'address', 'browser', 'at'])]
final readonly class SignInView
{
    public function __construct(
        #[OA\Property()]
        public string $what,
        #[OA\Property()]
        public ?string $address,
        #[OA\Property()]
        public ?string $browser,
        #[OA\Property()]
        public string $at,
    ) {
    }
}
