<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A usual caution that applies here. */
#[OA\Schema(required: ['code', 'text'])]
final readonly class CautionView
{
    public function __construct(
        #[OA\Property()]
        public string $code,
        #[OA\Property()]
        public string $text,
    ) {
    }
}
