<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** Why a request was refused. */
#[OA\Schema(required: ['message'])]
final readonly class Trouble
{
    public function __construct(
        #[OA\Property()]
        public string $message,
    ) {
    }
}
