<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** Least and greatest of a reading; null = none or infinite. */
#[OA\Schema(required: ['least', 'greatest'])]
final readonly class Interval
{
    public function __construct(
        #[OA\Property()]
        public ?float $least,
        #[OA\Property()]
        public ?float $greatest,
    ) {
    }
}
