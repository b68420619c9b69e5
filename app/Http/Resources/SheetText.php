<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A line of a sheet. */
#[OA\Schema(required: ['text', 'figure'])]
final readonly class SheetText
{
    public function __construct(
        #[OA\Property()]
        public string $text,
        #[OA\Property(description: 'Stands at the right')]
        public ?string $figure,
    ) {
    }
}
