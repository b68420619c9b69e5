<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A picture that an entry names; the original stays where it is. */
#[OA\Schema(required: ['name', 'takenAt', 'small'])]
final readonly class LoggedPicture
{
    public function __construct(
        #[OA\Property(description: 'Of the original')]
        public string $name,
        #[OA\Property(description: 'As its camera says')]
        public ?string $takenAt,
        #[OA\Property(description: 'Whether a small one is kept')]
        public bool $small,
    ) {
    }
}
