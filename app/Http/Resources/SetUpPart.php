<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A part of a kit as it stands in a rig that was found. */
#[OA\Schema(required: ['part', 'reversed', 'lengthMm', 'focus', 'aperture', 'zoomMm'])]
final readonly class SetUpPart
{
    public function __construct(
        #[OA\Property()]
        public int $part,
        #[OA\Property()]
        public bool $reversed,
        #[OA\Property()]
        public ?float $lengthMm,
        #[OA\Property()]
        public ?float $focus,
        #[OA\Property()]
        public ?float $aperture,
        #[OA\Property()]
        public ?float $zoomMm,
    ) {
    }
}
