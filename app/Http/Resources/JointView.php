<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A joint to choose from. */
#[OA\Schema(required: ['id', 'name', 'spoken', 'type', 'use', 'registerMm', 'throatMm', 'diameterMm', 'pitchMm'])]
final readonly class JointView
{
    public function __construct(
        #[OA\Property()]
        public ?int $id,
        #[OA\Property()]
        public string $name,
        #[OA\Property()]
        public string $spoken,
        #[OA\Property()]
        public string $type,
        #[OA\Property()]
        public ?string $use,
        #[OA\Property()]
        public ?float $registerMm,
        #[OA\Property()]
        public ?float $throatMm,
        #[OA\Property()]
        public ?float $diameterMm,
        #[OA\Property()]
        public ?float $pitchMm,
    ) {
    }
}
