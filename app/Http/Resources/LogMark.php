<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** An entry on the strip of magnifications. */
#[OA\Schema(required: ['id', 'day', 'magnification'])]
final readonly class LogMark
{
    public function __construct(
        #[OA\Property()]
        public string $id,
        #[OA\Property(format: 'date')]
        public string $day,
        #[OA\Property()]
        public float $magnification,
    ) {
    }
}
