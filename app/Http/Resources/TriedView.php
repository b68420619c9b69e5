<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A trial that advice goes by. */
#[OA\Schema(required: ['sharpest', 'magnification', 'at', 'note'])]
final readonly class TriedView
{
    public function __construct(
        #[OA\Property(description: 'Marked number')]
        public float $sharpest,
        #[OA\Property(description: 'At which it was made')]
        public float $magnification,
        #[OA\Property(description: 'When, as written')]
        public ?string $at,
        #[OA\Property()]
        public ?string $note,
    ) {
    }
}
